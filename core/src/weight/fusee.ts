import { need } from '../units/index.ts';

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
  /** Turns by which the spring is tighter when let down in its barrel than lying free: pull that is there before any set-up. */
  restTurns: number;
}

const STEPS = 200;

function check(f: Fusee): void {
  need(f.smallMm > 0 && f.largeMm > f.smallMm, 'smallMm', 'The top of a fusee is smaller than its foot.');
  need(f.restTurns >= 0, 'restTurns', 'Not less than none.');
  need(f.turns > 0 && f.barrelMm > 0 && f.chainMm > 0, 'turns', 'Turns, barrel and chain are more than nothing.');
}

/** Radius at which the chain pulls after so many turns of unwinding from full (the pull starts at the top), mm. */
const radiusMm = (f: Fusee, unwound: number) => (f.smallMm + ((f.largeMm - f.smallMm) * unwound) / f.turns + f.chainMm) / 2;

/** Chain for a full fusee, mm: the groove, half a turn that stays on the barrel, and the span. The taper is taken as straight. */
export function chainLengthMm(f: Fusee): number {
  check(f);
  return Math.PI * f.turns * ((f.largeMm + f.smallMm) / 2 + f.chainMm) + f.spanMm + 0.5 * Math.PI * (f.barrelMm + f.chainMm);
}

/** Turns of the barrel while the fusee runs from full to empty. */
export function barrelTurns(f: Fusee): number {
  check(f);
  return (f.turns * ((f.largeMm + f.smallMm) / 2 + f.chainMm)) / (f.barrelMm + f.chainMm);
}

/**
 * Torque at the fusee over the wind, as a share of its mean, from full to empty, with so many set-up turns. The spring's
 * torque is taken as proportional to its turns from lying free. Source: bending of a strip, any text on elasticity.
 */
export function torqueOverWind(f: Fusee, setUpTurns: number): { unwoundTurns: number; share: number }[] {
  need(setUpTurns >= 0 && setUpTurns <= 10, 'setUpTurns', 'Between none and ten turns of set-up.');
  const all = barrelTurns(f);
  const perBarrelTurn = Math.PI * (f.barrelMm + f.chainMm);
  let taken = 0; // chain given back to the barrel, mm
  const points: { unwoundTurns: number; torque: number }[] = [];
  for (let i = 0; i <= STEPS; i++) {
    const unwound = (f.turns * i) / STEPS;
    if (i > 0) taken += ((2 * Math.PI * f.turns) / STEPS) * radiusMm(f, unwound - f.turns / STEPS / 2);
    points.push({ unwoundTurns: unwound, torque: (f.restTurns + setUpTurns + all - taken / perBarrelTurn) * radiusMm(f, unwound) });
  }
  const mean = points.reduce((n, p) => n + p.torque, 0) / points.length;
  return points.map((p) => ({ unwoundTurns: p.unwoundTurns, share: p.torque / mean }));
}

/** Largest less smallest torque, as a share of the mean. */
export function unevenness(f: Fusee, setUpTurns: number): number {
  const shares = torqueOverWind(f, setUpTurns).map((p) => p.share);
  return Math.max(...shares) - Math.min(...shares);
}

/** The set-up, in quarters of a turn up to six, that makes the pull most even. */
export function bestSetUp(f: Fusee): number {
  let best = 0;
  for (let quarter = 1; quarter <= 24; quarter++) if (unevenness(f, quarter / 4) < unevenness(f, best)) best = quarter / 4;
  return best;
}
