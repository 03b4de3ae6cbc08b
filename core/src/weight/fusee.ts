import { ensure } from '../units/index.ts';

export interface Fusee {
  /** Diameters of the groove, where the chain lies, at the foot (last to leave) and at the top, mm. */
  largeMm: number;
  smallMm: number;
  /** Turns of the fusee for a full wind. */
  turns: number;
  barrelMm: number;
  /** Thickness of the chain or line across which it bends, mm. */
  chainMm: number;
  /** Straight run from fusee to barrel, with both hooks, mm. */
  spanMm: number;
  /**
   * Turns by which the spring is tighter when let down in its barrel than lying free: pull that is there before any
   * set-up.
   */
  restTurns: number;
}

const STEPS = 100;

function check(f: Fusee): void {
  ensure(f.smallMm > 0 && f.largeMm > f.smallMm, 'smallMm', 'The top of a fusee is smaller than its foot.');
  ensure(f.restTurns >= 0, 'restTurns', 'Not less than none.');
  ensure(f.turns > 0 && f.barrelMm > 0 && f.chainMm > 0, 'turns', 'Turns, barrel and chain are more than nothing.');
}

/** Radius at which the chain pulls after so many turns of unwinding from full (the pull starts at the top), mm. */
const radiusMm = (f: Fusee, unwound: number) =>
  (f.smallMm + ((f.largeMm - f.smallMm) * unwound) / f.turns + f.chainMm) / 2;

/**
 * Chain for a full fusee, mm: the groove, half a turn that stays on the barrel, and the span. The taper is taken as
 * straight.
 */
export function chainLengthMm(f: Fusee): number {
  check(f);
  return (
    Math.PI * f.turns * ((f.largeMm + f.smallMm) / 2 + f.chainMm) + f.spanMm + 0.5 * Math.PI * (f.barrelMm + f.chainMm)
  );
}

/** Turns of the barrel while the fusee runs from full to empty. */
export function barrelTurns(f: Fusee): number {
  check(f);
  return (f.turns * ((f.largeMm + f.smallMm) / 2 + f.chainMm)) / (f.barrelMm + f.chainMm);
}

/**
 * Torque at the fusee over the wind, as a share of its mean, from full to empty, with so many set-up turns. The
 * spring's torque is taken as proportional to its turns from lying free. Source: bending of a strip, any text on
 * elasticity.
 */
export function torqueOverWind(f: Fusee, setUpTurns: number): { unwoundTurns: number; share: number }[] {
  ensure(setUpTurns >= 0 && setUpTurns <= 10, 'setUpTurns', 'Between none and ten turns of set-up.');
  const points = shapeOf(f).map((p) => ({
    unwoundTurns: p.unwoundTurns,
    torque: (p.springTurns + setUpTurns) * p.radiusMm,
  }));
  const mean = points.reduce((n, p) => n + p.torque, 0) / points.length;
  return points.map((p) => ({ unwoundTurns: p.unwoundTurns, share: p.torque / mean }));
}

/** Over the wind, from full to empty: radius of the pull, and turns of the spring from free without any set-up. */
function shapeOf(f: Fusee): { unwoundTurns: number; radiusMm: number; springTurns: number }[] {
  const all = f.restTurns + barrelTurns(f);
  const perBarrelTurn = Math.PI * (f.barrelMm + f.chainMm);
  const step = f.turns / STEPS;
  let taken = 0; // chain given back to the barrel, mm
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const unwoundTurns = i * step;
    if (i > 0) taken += 2 * Math.PI * step * radiusMm(f, unwoundTurns - step / 2);
    return { unwoundTurns, radiusMm: radiusMm(f, unwoundTurns), springTurns: all - taken / perBarrelTurn };
  });
}

const spread = (shape: ReturnType<typeof shapeOf>, setUpTurns: number): number => {
  let [least, most, sum] = [Infinity, 0, 0];
  for (const p of shape) {
    const torque = (p.springTurns + setUpTurns) * p.radiusMm;
    least = Math.min(least, torque);
    most = Math.max(most, torque);
    sum += torque;
  }
  return ((most - least) * shape.length) / sum;
};

/** Largest less smallest torque, as a share of the mean. */
export const unevenness = (f: Fusee, setUpTurns: number): number => spread(shapeOf(f), setUpTurns);

/** The set-up, in quarters of a turn up to six, that makes the pull most even. */
export function bestSetUp(f: Fusee): number {
  const shape = shapeOf(f);
  const quarters = Array.from({ length: 25 }, (_, q) => q / 4);
  return quarters.reduce((best, q) => (spread(shape, q) < spread(shape, best) ? q : best));
}
