import { ensure } from '../units/index.ts';

export interface Point {
  xMm: number;
  yMm: number;
}

/**
 * Where the hole stood when it was new: the middle of the worn oval, moved back against the direction of wear by half
 * of what it is longer than wide. @param wearDeg direction in which the pivot wandered, counted from +x towards +y
 */
export function trueCentre(middle: Point, longMm: number, shortMm: number, wearDeg: number): Point {
  ensure(shortMm > 0 && longMm >= shortMm, 'holeShortMm', 'The short way cannot be more than the long way.');
  const back = (longMm - shortMm) / 2;
  const a = (wearDeg * Math.PI) / 180;
  return { xMm: middle.xMm - back * Math.cos(a), yMm: middle.yMm - back * Math.sin(a) };
}

export type Depth = 'right' | 'too deep' | 'too shallow';
/** Departure allowed, as a share of the module. House rule, practice: a twentieth. */
const DEPTH_SHARE = 0.05;

/** Depth of a mesh after bushing: measured centre distance against the one its module asks for, mm. */
export function judgeDepth(measuredMm: number, rightMm: number, moduleMm: number): { depth: Depth; offMm: number } {
  ensure(measuredMm > 0, 'measuredMm', 'Measure from centre to centre.');
  const offMm = measuredMm - rightMm;
  return { offMm, depth: depthOf(offMm, moduleMm) };
}

function depthOf(offMm: number, moduleMm: number): 'right' | 'too deep' | 'too shallow' {
  if (Math.abs(offMm) <= DEPTH_SHARE * moduleMm) return 'right';
  if (offMm < 0) return 'too deep';
  return 'too shallow';
}

/** A worn hole as its arbor runs in it: how much longer than wide, and which way it wore. */
export interface Wear {
  wornMm: number;
  /** From the line away from the other arbor: 0 straight away, 90 sideways, 180 towards it. */
  awayDeg: number;
}

/**
 * Distance at which wheel and pinion run now, mm: each arbor lies at the far end of its worn hole, and may lie
 * anywhere on the way there while it is not driven. @param rightMm what its module asks for
 */
export function runningDistanceMm(rightMm: number, wheel: Wear, pinion: Wear): number {
  ensure(rightMm > 0, 'moduleMm', 'A distance between centres.');
  const [wheelAt, pinionAt] = [wheel, pinion].map(({ wornMm, awayDeg }) => {
    ensure(wornMm >= 0, 'wornMm', 'The short way cannot be more than the long way.');
    const a = (awayDeg * Math.PI) / 180;
    return { away: wornMm * Math.cos(a), side: wornMm * Math.sin(a) };
  });
  return Math.hypot(rightMm + wheelAt!.away + pinionAt!.away, wheelAt!.side + pinionAt!.side);
}
