import { ensure } from '../units/index.ts';
import type { Spot } from './picture.ts';

/** How far a press lies from what was meant, px of the photo. Practice. */
export const PRESS_PX = 1.5;

/** A length with half of its 95 % interval, mm. */
export interface Measured {
  mm: number;
  within: number;
}

/** Two marks of a ruler, and how far apart they are. */
export interface Scale {
  from: Spot;
  to: Spot;
  mm: number;
}

const apart = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y);
/** Two presses, each off by so much both ways: 95 % of the distance between them. */
const PAIR_95 = 1.96 * Math.SQRT2;

/**
 * A length on the photo by two marks of a ruler that lies in the same plane, seen from straight above. What a tilt or a
 * ruler at another height adds is not in it. Errors of the presses add up by squares: any text on measurement.
 * @throws Outside where the marks are too near each other
 */
export function lengthBy(scale: Scale, a: Spot, b: Spot): Measured {
  const ruler = apart(scale.from, scale.to);
  ensure(scale.mm > 0 && scale.mm <= 2000, 'mm', 'The marks are up to 2000 mm apart.');
  ensure(ruler >= 20 * PRESS_PX, 'scale', 'Press two marks that lie farther apart.');
  const px = apart(a, b);
  const mm = (px * scale.mm) / ruler;
  const off = PAIR_95 * PRESS_PX;
  return { mm, within: Math.hypot((off * scale.mm) / ruler, (mm * off) / ruler) };
}

/** A worn hole: its long and its short way, and how much longer than wide. */
export function ovalBy(scale: Scale, long: readonly [Spot, Spot], short: readonly [Spot, Spot]) {
  const [l, s] = [lengthBy(scale, ...long), lengthBy(scale, ...short)];
  const more = l.mm >= s.mm ? { long: l, short: s } : { long: s, short: l };
  const oval: Measured = { mm: more.long.mm - more.short.mm, within: Math.hypot(l.within, s.within) };
  return { ...more, oval, worn: oval.mm > oval.within };
}
