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
