import { AMMONIA, BATH_CAUTION, BY_WATER, NO_HEAT, type Sequence, TABLE } from './sequences.data.ts';
import { held, type Choices } from '../rules/index.ts';
import type { Traits } from '../movement/index.ts';
import { bathRule, keptCool, type Bath, type Material } from './materials.ts';
import { planRun, type BasketPart, type RunPlan } from './plan.ts';

/** One step of a run, as it is planned and kept with it. */
export interface RunStep {
  what: string;
  /** Null: it ends when somebody says so. */
  minutes: number | null;
  bath: Bath | null;
  /** Stands before the step it belongs to. */
  caution: string;
}

export type SequenceId = (typeof TABLE)[number]['id'];
export const SEQUENCES: readonly (Sequence & { id: SequenceId })[] = TABLE;
export const SEQUENCE_IDS = TABLE.map((s) => s.id) as [SequenceId, ...SequenceId[]];
/** Sequences that fit a movement with these traits. */
export const sequencesFor = (traits: Traits) => SEQUENCES.filter((s) => s.applies(traits));
/** A sequence by its id, also one that is no longer offered. Null: one of the shop's own. */
export const sequenceFound = (id: string) => SEQUENCES.find((s) => s.id === id) ?? null;
export const sequenceById = (id: SequenceId) => sequenceFound(id)!;

/** What drives the water out: alcohol, unless something in the basket would suffer; then solvent; then nothing does. */
export const displacingBath = (parts: readonly BasketPart[]): Bath | null =>
  (['alcohol', 'petroleum solvent'] as const).find((b) => planRun(parts, b).forbidden.length === 0) ?? null;

/**
 * The steps of a run.
 * @param bath what it begins in; null for a sequence without one
 * @param minutes of the main bath
 * @param choices the house rules the visit is worked under: how it is dried
 */
export function stepsOf(
  id: SequenceId,
  {
    bath,
    minutes,
    parts,
    choices,
  }: { bath: Bath | null; minutes: number; parts: readonly BasketPart[]; choices: Choices },
): RunStep[] {
  const sequence = sequenceById(id);
  const wet = bath !== null && bath !== 'petroleum solvent' && bath !== 'alcohol';
  const displacing = held('drying', choices).id === 'displace' ? displacingBath(parts) : null;
  const cool = parts.some((p) => keptCool(p.materials));
  return sequence.steps.flatMap(([does, mins, inBath, said = '', instead]): RunStep[] => {
    const what = cool && instead ? instead : does;
    const caution = what === does ? said : NO_HEAT;
    const time = mins === 'chosen' ? minutes : mins;
    switch (inBath) {
      case 'chosen':
        return [{ what, minutes: time, bath, caution: cautionOf(bath, id) }];
      case 'rinsing':
        return wet ? [{ what, minutes: time, bath: null, caution }] : [];
      case 'displacing':
        if (!wet) return [];
        return displacing === null
          ? [{ what: 'Blow the water off at once', minutes: null, bath: null, caution: BY_WATER }]
          : [{ ...drivenOutBy(displacing, what, caution), minutes: time, bath: displacing }];
      default:
        return [{ what, minutes: time, bath: inBath, caution }];
    }
  });
}

/** Alcohol takes the water up; plain petroleum spirit does not: what drives it out there is made for it. Practice. */
function drivenOutBy(bath: Bath, what: string, caution: string): Pick<RunStep, 'what' | 'caution'> {
  if (bath === 'alcohol') return { what: `${what} in alcohol`, caution };
  return { what: `${what} in a dewatering fluid`, caution: BATH_CAUTION['dewatering fluid'] };
}

function cautionOf(bath: Bath | null, id: SequenceId): string {
  if (id === 'ultrasonic') return AMMONIA; // the tank itself, whatever is in it
  return bath ? BATH_CAUTION[bath] : '';
}

/** What no cloth may touch either, with the reason: see the table of the baths. Common practice. */
const NO_CLOTH: readonly Material[] = [
  'hairspring or bimetal balance',
  'silvered dial',
  'painted or paper dial',
  'coil or wiring',
  'leather or felt',
  'luminous paint',
  'painted or gilded glass',
];
/** What may not even be wiped. */
export const planWipe = (parts: readonly BasketPart[]): RunPlan['forbidden'] =>
  parts.flatMap(({ name, materials }) =>
    materials
      .filter((m) => NO_CLOTH.includes(m))
      .map((material) => ({
        part: name,
        material,
        reason: `no cloth either: ${String(bathRule(material, 'detergent'))}`,
      })),
  );

/**
 * What the basket may stand over all the baths of a run: each part that must come out once, the shortest limit of the
 * main bath.
 */
export function planSequence(
  steps: readonly RunStep[],
  parts: readonly BasketPart[],
): RunPlan & { tooLong: RunStep | null } {
  const plans = steps.flatMap((step) => (step.bath ? [{ step, ...planRun(parts, step.bath) }] : []));
  const forbidden = plans
    .flatMap((p) => p.forbidden)
    .filter((f, i, all) => all.findIndex((g) => g.part === f.part && g.material === f.material) === i);
  const main = plans[0];
  const over = plans.find((p) => p.limitMin !== null && p.step.minutes !== null && p.step.minutes > p.limitMin);
  return {
    limitMin: main?.limitMin ?? null,
    limitedBy: main?.limitedBy ?? null,
    forbidden,
    tooLong: over?.step ?? null,
  };
}
