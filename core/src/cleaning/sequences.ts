import { VAPOUR } from '../cautions/index.ts';
import { held, type Choices } from '../rules/index.ts';
import { has, type Traits } from '../movement/index.ts';
import { staysWhole } from '../strip/index.ts';
import type { Bath } from './materials.ts';
import { planRun, type BasketPart, type RunPlan } from './plan.ts';

/** One step of a run, as it is planned and kept with it. */
export interface RunStep {
  what: string;
  /** Null: it ends when somebody says so. */
  minutes: number | null;
  bath: Bath | null;
  /** Stands before the step it belongs to. */
  caution: string;
  /** How often it may be done once more after a look. */
  again: number;
}

/** `rinsing` and `displacing` only follow water. */
type InBath = Bath | 'chosen' | 'rinsing' | 'displacing' | null;
type Row = readonly [what: string, minutes: number | 'chosen' | null, bath: InBath, caution?: string, again?: number];

const DAY = 24 * 60;
const AMMONIA =
  'Ventilate, goggles; never in one room with bleach. Hands out of a running ultrasonic tank, and nothing flammable in it. Follow your local rules.';
const NO_HEAT_YET = 'No heat before the vapour has gone.';
const BY_WATER = 'Water is driven out at once: a steel pinion rusts in minutes.';
const RUN_DRY: readonly Row[] = [
  ['Hot rinse', 2, 'rinsing', BY_WATER],
  ['Displace the water', 1, 'displacing', VAPOUR],
  ['Warm air, away from vapour, until dry', null, null, NO_HEAT_YET],
];

const ROTOR_SOAK: readonly Row[] = [
  ['Penetrating oil', DAY, null],
  ['Drain', null, null],
  ['Light machine oil', DAY, null],
];

interface Sequence {
  id: string;
  name: string;
  /** Baths it may begin in; none: nothing is dipped. */
  baths: readonly Bath[];
  /** Minutes where the house rule says nothing. */
  usual?: number;
  applies: (t: Traits) => boolean;
  steps: readonly Row[];
}

const sealed = (t: Traits) => has(t, 'rotor');
const apart = (t: Traits) => staysWhole(t) === null;

/** Common practice throughout: what, minutes, in what, the caution before it. */
const TABLE = [
  {
    id: 'ultrasonic',
    name: 'Ultrasonic water bath',
    baths: ['ammoniated water', 'detergent'],
    applies: apart,
    steps: [
      ['Warm the bath to 30 to 50 °C', null, null, AMMONIA],
      ['In the bath, then look', 'chosen', 'chosen', AMMONIA, 2],
      ...RUN_DRY,
    ],
  },
  {
    id: 'solvent',
    name: 'By hand in solvent',
    baths: ['petroleum solvent'],
    usual: 15,
    applies: () => true,
    steps: [
      ['Soak', 'chosen', 'chosen', VAPOUR],
      ['Brush, and peg the holes', null, null, VAPOUR],
      ['Rinse in clean solvent', 1, 'petroleum solvent', VAPOUR],
      ['Air until the vapour has gone', null, null, VAPOUR],
      ['Warm air', null, null, NO_HEAT_YET],
    ],
  },
  {
    id: 'soapy',
    name: 'Soapy water and brush',
    baths: ['detergent'],
    applies: () => true,
    steps: [['Soapy water, brush', 'chosen', 'chosen'], ...RUN_DRY],
  },
  {
    id: 'whole',
    name: 'Whole, as it is riveted',
    baths: ['ammoniated water', 'detergent', 'petroleum solvent'],
    applies: (t) => !apart(t),
    steps: [
      [
        'Lift the balance out first',
        null,
        null,
        'Never take out balance or platform with power on: the train runs away and strips.',
      ],
      ['In the bath', 'chosen', 'chosen', AMMONIA],
      ['Water', 1, 'rinsing', BY_WATER],
      ['Displace the water', 1, 'displacing', VAPOUR],
      ['Drain on cloth', null, null, VAPOUR],
      ['Low warm air', null, null, NO_HEAT_YET],
    ],
  },
  {
    id: 'light',
    name: 'Second, lighter clean after fitting',
    baths: ['detergent', 'petroleum solvent', 'ammoniated water'],
    usual: 2,
    applies: () => true,
    steps: [
      ['Brush off chips and compound', null, null],
      ['A short bath', 'chosen', 'chosen', VAPOUR],
      ...RUN_DRY,
      ['From here on gloves: no bare fingers on clean brass', null, null],
    ],
  },
  {
    id: 'in-place',
    name: 'In place, nothing apart',
    baths: [],
    applies: () => true,
    steps: [
      [
        'Blot surplus oil off escapement, lever and hairspring with lint-free paper',
        null,
        null,
        'Not under power: hold the train.',
      ],
      ['Peg what can be reached', null, null],
      ['Fresh oil where it belongs; recorded as a partial service', null, null],
    ],
  },
  {
    id: 'rotor',
    name: 'Sealed rotor, oil renewed',
    baths: [],
    applies: sealed,
    steps: [
      [
        'Vent away from the gears, the cutter greased so that chips stay on it',
        null,
        null,
        'Unplug and lock before opening. Clamp it; the bit seizes as it comes through. Mains work belongs to qualified persons where the law asks it.',
      ],
      ...ROTOR_SOAK,
      ['Drain again', null, null],
      ['A few drops of synthetic clock oil', null, null],
      ['Seal with metal tape and epoxy', null, null],
      ['Run it and watch', DAY, null, 'Mains: follow your local rules.'],
    ],
  },
  {
    id: 'plugged-rotor',
    name: 'Plugged rotor, oil renewed',
    baths: [],
    applies: sealed,
    steps: [
      ['Unsolder the seal, plug out, drain', null, null, 'Unplug and lock before opening.'],
      ...ROTOR_SOAK,
      ['Drain, fill, plug and seal', null, null],
      ['Run it and watch', DAY, null, 'Mains: follow your local rules.'],
    ],
  },
  // No longer offered: for runs that were made before the case had tasks of its own.
  {
    id: 'case',
    name: 'Case: glue and finish',
    baths: [],
    applies: () => false,
    steps: [
      ['Dry glue out of the joints', null, null],
      ['Glued and clamped overnight', 16 * 60, null],
      ['Stain, drying', DAY, null, 'Once only: the owner’s yes comes first.'],
      ['First finish coat, drying', DAY, null, VAPOUR],
      ['Second finish coat, drying', DAY, null, VAPOUR],
      ['Wax', null, null],
    ],
  },
] as const satisfies readonly Sequence[];

export type SequenceId = (typeof TABLE)[number]['id'];
export const SEQUENCES: readonly (Sequence & { id: SequenceId })[] = TABLE;
export const SEQUENCE_IDS = TABLE.map((s) => s.id) as [SequenceId, ...SequenceId[]];
export const sequencesFor = (traits: Traits) => SEQUENCES.filter((s) => s.applies(traits));
export const sequenceById = (id: SequenceId) => SEQUENCES.find((s) => s.id === id)!;

/** What drives the water out: alcohol, unless something in the basket would suffer; then solvent; then nothing does. */
export const displacingBath = (parts: readonly BasketPart[]): Bath | null =>
  (['alcohol', 'petroleum solvent'] as const).find((b) => planRun(parts, b).forbidden.length === 0) ?? null;

/**
 * The steps of a run.
 * @param bath what it begins in; null for a sequence without one
 * @param minutes of the main bath; it may be done again only while the sum stays within the strictest material's limit
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
  const limit = bath === null ? null : planRun(parts, bath).limitMin;
  /** Once more only while all the times together stay within what the strictest material stands. */
  const within = (again: number) =>
    limit === null ? again : Math.max(0, Math.min(again, Math.floor(limit / minutes) - 1));
  const mainCaution = cautionOf(bath, id, wet);
  return sequence.steps.flatMap(([what, mins, inBath, caution = '', again = 0]): RunStep[] => {
    const time = mins === 'chosen' ? minutes : mins;
    switch (inBath) {
      case 'chosen':
        return [{ what, minutes: time, bath, caution: mainCaution, again: within(again) }];
      case 'rinsing':
        return wet ? [{ what, minutes: time, bath: null, caution, again }] : [];
      case 'displacing':
        if (!wet) return [];
        return displacing === null
          ? [{ what: 'Blow the water off at once', minutes: null, bath: null, caution: BY_WATER, again: 0 }]
          : [{ what: `${what} in ${displacing}`, minutes: time, bath: displacing, caution, again }];
      default:
        return [{ what, minutes: time, bath: inBath, caution, again }];
    }
  });
}

function cautionOf(bath: Bath | null, id: SequenceId, wet: boolean) {
  if (bath === 'ammoniated water' || id === 'ultrasonic') return AMMONIA;
  if (wet) return '';
  return VAPOUR;
}

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
