import { BATHS, keptCool, type Bath } from './materials.ts';
import type { BasketPart } from './plan.ts';
import { BATH_CAUTION, NO_HEAT, NO_HEAT_YET, type OwnBath } from './sequences.data.ts';
import type { RunStep } from './sequences.ts';

/** What a step of a shop's own sequence is done in; null: in air, on a cloth, with a brush. */
export const OWN_BATHS = [...BATHS, 'water', 'dewatering fluid'] as const satisfies readonly OwnBath[];

/** One step of a sequence that a shop made for itself. */
export interface OwnStep {
  what: string;
  /** Null: it ends when somebody says so. */
  minutes: number | null;
  bath: OwnBath | null;
  /** °C; null: as the room is. */
  celsius: number | null;
  /** How often, one after the other, each with its own time. */
  times: number;
}

const FLAMMABLE: readonly (OwnBath | null)[] = ['petroleum solvent', 'alcohol', 'dewatering fluid'];
const WATERY: readonly (OwnBath | null)[] = ['ammoniated water', 'detergent', 'water'];
/** Drives water out, or takes it up: air that is not warmed does neither in time. */
const DRIVES_OUT = (s: OwnStep): boolean =>
  s.bath === 'alcohol' || s.bath === 'dewatering fluid' || (s.bath === null && s.celsius !== null);
/** Warmer than this the bath attacks what it cleans, or boils. Common practice: baths 30 to 50 °C. */
const WARMEST: Partial<Record<OwnBath | 'air', number>> = {
  'ammoniated water': 60,
  detergent: 60,
  water: 95,
  air: 120,
};

/** What is wrong with a step of a shop's own: by its place, 0 the first. Null: nothing. Common practice. */
export function ownProblem(
  steps: readonly OwnStep[],
): { step: number; field: 'celsius' | 'what'; message: string } | null {
  for (const [step, { bath, celsius }] of steps.entries()) {
    if (celsius === null) continue;
    if (FLAMMABLE.includes(bath)) return { step, field: 'celsius', message: 'Never warmed: its vapour burns.' };
    const most = WARMEST[bath ?? 'air']!;
    if (celsius > most) return { step, field: 'celsius', message: `At most ${most} °C.` };
  }
  const lastWet = steps.findLastIndex((s) => WATERY.includes(s.bath));
  if (lastWet >= 0 && !steps.slice(lastWet + 1).some(DRIVES_OUT))
    return {
      step: lastWet,
      field: 'what',
      message: 'Nothing drives this water out afterwards: alcohol, a dewatering fluid or warm air belongs behind it.',
    };
  return null;
}

/** The bath whose limits such a step has, as the table of the materials knows it. */
const asInTable = (bath: OwnBath | null): Bath | null => {
  if (bath === 'water') return null;
  return bath === 'dewatering fluid' ? 'petroleum solvent' : bath;
};

function cautionOf(step: OwnStep, vapour: boolean): string {
  if (step.bath) return BATH_CAUTION[step.bath];
  return vapour ? NO_HEAT_YET : '';
}

/**
 * The steps of a run by a shop's own sequence. What stands no heat is left as the room is; no heat comes near what a
 * flammable bath has left before its vapour is gone.
 */
export function ownSteps(own: readonly OwnStep[], parts: readonly BasketPart[]): RunStep[] {
  const cool = parts.some((p) => keptCool(p.materials));
  let vapour = false;
  return own.flatMap((step) => {
    const caution = cool && step.celsius !== null ? NO_HEAT : cautionOf(step, vapour && step.celsius !== null);
    vapour ||= FLAMMABLE.includes(step.bath);
    const heat = step.celsius === null ? '' : `, ${step.celsius} °C`;
    const what = step.what + (cool && heat ? ': not warmed' : heat);
    return Array.from({ length: step.times }, () => ({
      what,
      minutes: step.minutes,
      bath: asInTable(step.bath),
      caution,
    }));
  });
}
