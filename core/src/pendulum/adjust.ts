import { ensure } from '../units/index.ts';

/** What sets the rate of a clock, what one step of it is called, and on what it is. */
export const SETTERS = {
  'rating nut': { unit: 'turns', up: 'up', down: 'down', on: 'pendulum' },
  regulator: { unit: 'divisions', up: 'towards fast', down: 'towards slow', on: 'balance' },
  hairspring: { unit: 'mm', up: 'shorter', down: 'longer', on: 'balance' },
  'bob weights': { unit: 'g', up: 'added', down: 'taken off', on: 'pendulum' },
  adjuster: { unit: 'turns', up: 'towards fast', down: 'towards slow', on: 'torsion pendulum' },
} as const;
export type Setter = keyof typeof SETTERS;
/** What may set such an oscillator, the usual first. */
export const settersOn = (oscillator: string): Setter[] =>
  (Object.keys(SETTERS) as Setter[]).filter((s) => SETTERS[s].on === oscillator);

/** One of a unit: turns, turn. */
export const oneOf = (unit: string): string => unit.replace(/s$/, '');
const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'];
function parts(x: number): string {
  // To eighths first, and then apart: 1.9999999999999996 is two, not one and nothing.
  const eighths = Math.round(x * 8);
  if (Math.abs(x * 8 - eighths) > 1e-6) return String(Number(x.toFixed(x < 10 ? 2 : 0)));
  const [whole, rest] = [Math.floor(eighths / 8), eighths % 8];
  return `${whole > 0 || rest === 0 ? whole : ''}${EIGHTHS[rest]!}`;
}
/** "1¼ turns up": how far and which way, in the setter's own unit; positive makes it gain. */
export function settingWords(setter: Setter, amount: number): string {
  const { unit, up, down } = SETTERS[setter];
  const far = Math.abs(amount);
  const words = parts(far);
  return `${words} ${words === '1' || far < 1 ? oneOf(unit) : unit} ${amount >= 0 ? up : down}`;
}

/** s/day that one turn of the nut makes, upwards: the effective length shortens by a pitch. */
export const nutEffect = (lengthMm: number, pitchMm: number): number => (43200 * pitchMm) / lengthMm;
/** s/day for each mm that an acting hairspring of this length is shortened: stiffness goes as 1/length. */
export const hairspringEffect = (actingMm: number): number => 43200 / actingMm;
/**
 * s/day for each gram laid on a pendulum of `pendulumG` at `belowMm` under the flexing point; most half way down.
 * 43200 · (m/M) · (h/L)(1 − h/L), for a small weight on a simple pendulum. From memory of texts on precision pendulums;
 * it follows from the moment of inertia and is checked so.
 */
export function addedWeightEffect(pendulumG: number, lengthMm: number, belowMm: number): number {
  ensure(
    belowMm >= 0 && belowMm <= lengthMm,
    'belowMm',
    'The weight lies between the suspension and the centre of the bob.',
  );
  const h = belowMm / lengthMm;
  return (43200 * h * (1 - h)) / pendulumG;
}

export interface Tried {
  /** How far it was set, in the setter's unit; positive makes it gain. */
  amount: number;
  before: number;
  after: number;
}

export interface Advice {
  /** s/day for one unit, and half its 95 % interval. */
  perUnit: number;
  halfWidthPerUnit: number;
  amount: number;
  /** Half the 95 % interval of the rate to be expected after that. */
  leavesSecondsPerDay: number;
  from: 'theory' | 'both' | 'the clock';
}

/**
 * How far theory may be wrong, as a share of itself (one standard deviation): pitch, true length and slip of the nut.
 * House rule.
 */
const THEORY_SPREAD = 0.2;
/** Uncertainty of a rate when nothing better is known, s/day. House rule. */
export const RATE_NOISE = 3;

/**
 * How far to set it so that the rate becomes `wanted`, blending theory with what the clock did: a straight line through
 * the origin (change of rate against amount), theory as its prior. Source: normal linear model with a normal prior, any
 * text on Bayesian regression.
 * @param theory s/day per unit, or null where theory does not know (a regulator's divisions)
 * @returns null when there is neither theory nor a trial that moved anything
 */
export function adviseSetting(
  theory: number | null,
  tried: readonly Tried[],
  rate: number,
  wanted = 0,
  noise = RATE_NOISE,
): Advice | null {
  ensure(noise > 0, 'noise', 'The uncertainty of a rate is more than nothing.');
  ensure(theory === null || (theory > 0 && Number.isFinite(theory)), 'theory', 'One unit up makes it gain.');
  const variance = 2 * noise * noise; // a change is the difference of two rates
  let weight = theory === null ? 0 : 1 / (THEORY_SPREAD * theory) ** 2;
  const prior = weight;
  let sum = theory === null ? 0 : weight * theory;
  for (const { amount, before, after } of tried) {
    weight += (amount * amount) / variance;
    sum += (amount * (after - before)) / variance;
  }
  if (weight === 0) return null;
  const perUnit = sum / weight;
  if (!(Math.abs(perUnit) > 1e-9)) return null;
  const sd = 1 / Math.sqrt(weight);
  const amount = (wanted - rate) / perUnit;
  return {
    perUnit,
    halfWidthPerUnit: 1.96 * sd,
    amount,
    leavesSecondsPerDay: 1.96 * Math.hypot(amount * sd, noise),
    from: sourceOf(prior / weight),
  };
}

/** Where the figure came from, by the share of the weight that theory has in it. */
function sourceOf(share: number): 'theory' | 'the clock' | 'both' {
  if (share > 0.9) return 'theory';
  if (share < 0.1) return 'the clock';
  return 'both';
}
