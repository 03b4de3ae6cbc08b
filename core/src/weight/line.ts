import { STANDARD_GRAVITY } from '../pendulum/index.ts';
import { ensure } from '../units/index.ts';

export interface LineOnBarrel {
  barrelMm: number;
  lineMm: number;
  turns: number;
}

/** Line that a full wind lays on the barrel, mm: one layer, measured at the middle of the line. */
export function lineOnBarrelMm({ barrelMm, lineMm, turns }: LineOnBarrel): number {
  ensure(barrelMm > 0 && lineMm > 0 && turns > 0, 'turns', 'Barrel, line and turns are more than nothing.');
  return turns * Math.PI * (barrelMm + lineMm);
}

/** Falls of line that carry the weight: one, or two over a movable pulley. */
export type Falls = 1 | 2;
/**
 * How far the weight falls for a full wind, mm.
 * @throws Outside as `lineOnBarrelMm`
 */
export const dropMm = (l: LineOnBarrel, falls: Falls): number => lineOnBarrelMm(l) / falls;

/**
 * Turns that stay on the barrel when the weight is down, so that the knot never takes the pull. Practice: two to three.
 */
export const TURNS_THAT_STAY = 2.5;

/** What to cut: the path from barrel to weight (wound up), the line of the wind, the turns that stay, and the knots. */
export function lineToCutMm(l: LineOnBarrel, pathMm: number, knotsMm: number): number {
  ensure(pathMm >= 0 && knotsMm >= 0, 'pathMm', 'A path cannot be shorter than nothing.');
  return pathMm + lineOnBarrelMm({ ...l, turns: l.turns + TURNS_THAT_STAY }) + knotsMm;
}

export interface Landing {
  /** Line of the barrel let the weight go so far; the case lets it go so far. */
  lineDropMm: number;
  /** Days until the weight lands, or the barrel is empty, whichever comes first. */
  days: number;
  landsFirst: boolean;
}

/**
 * Does the weight land on the floor of the case before the barrel is empty? It must: else the last turn pulls at the
 * knot and the clock stops with the weight hanging on a stretched line.
 * @param fallMm from the wound-up weight to the floor
 * @param hoursPerTurn of the barrel
 */
export function landing(l: LineOnBarrel, falls: Falls, fallMm: number, hoursPerTurn: number): Landing {
  ensure(fallMm > 0, 'fallMm', 'Measure from the wound-up weight to the floor.');
  ensure(hoursPerTurn > 0, 'hoursPerTurn', 'A barrel turn takes some hours.');
  const lineDropMm = dropMm(l, falls);
  const perDay = dropMm({ ...l, turns: 24 / hoursPerTurn }, falls);
  return { lineDropMm, days: Math.min(fallMm, lineDropMm) / perDay, landsFirst: fallMm < lineDropMm };
}

/** Pull in the line as the mass it would carry, kg. An endless chain that drives two trains puts half on each. */
export const pullKg = (massKg: number, falls: Falls): number => massKg / falls;
/**
 * Breaking load against pull. House rule, practice: new line carries five times its pull, for knots, wear and the shock
 * of a slip.
 */
export const HOUSE_FACTOR = 5;

/**
 * Power that a falling weight gives, in microwatts: m g h/t. Standard gravity; its change from place to place does not
 * matter here.
 */
export const powerMicrowatts = (massKg: number, fallM: number, days: number): number =>
  (massKg * STANDARD_GRAVITY * fallM * 1e6) / (days * 86400);
