import { ensure } from '../units/index.ts';
import type { Spot } from './picture.ts';

/** What may be drawn on a photo: a numbered point, an arrow to it, or a line around it. */
export const MARK_SHAPES = ['point', 'arrow', 'outline'] as const;
export type MarkShape = (typeof MARK_SHAPES)[number];

export interface ShapeOnPhoto extends Spot {
  shape: MarkShape;
  /** The tip of an arrow, or the other corner of an outline; null: a point. */
  to: Spot | null;
}

/** Half the angle between the two sides of an arrow's head. */
const BARB = Math.PI / 7;

/**
 * The line of a mark as an SVG path (empty for a point), and where its number stands.
 * @param mark in shares of width and height
 * @param size of the photo, in any unit: the answer is in the same
 * @param head length of an arrow's head
 */
export function drawMark(mark: ShapeOnPhoto, size: { width: number; height: number }, head: number) {
  const at = ({ x, y }: Spot): Spot => ({ x: x * size.width, y: y * size.height });
  const from = at(mark);
  if (mark.shape === 'point' || mark.to === null) return { path: '', number: from };
  const to = at(mark.to);
  return mark.shape === 'arrow'
    ? { path: arrow(from, to, head), number: from }
    : { path: outline(from, to), number: nearest(from, to) };
}

const said = (v: number): string => String(Number(v.toPrecision(6)));
const spot = ({ x, y }: Spot): string => `${said(x)} ${said(y)}`;

function arrow(from: Spot, to: Spot, head: number): string {
  const way = Math.atan2(to.y - from.y, to.x - from.x);
  const barb = (turn: number) => ({ x: to.x - head * Math.cos(way + turn), y: to.y - head * Math.sin(way + turn) });
  return `M ${spot(from)} L ${spot(to)} M ${spot(barb(-BARB))} L ${spot(to)} L ${spot(barb(BARB))}`;
}

/** The ellipse that touches the four sides of the box between two corners. */
function outline(a: Spot, b: Spot): string {
  const [rx, ry] = [Math.abs(a.x - b.x) / 2, Math.abs(a.y - b.y) / 2];
  const [cx, cy] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const half = `A ${said(rx)} ${said(ry)} 0 0 1`;
  return `M ${said(cx - rx)} ${said(cy)} ${half} ${said(cx + rx)} ${said(cy)} ${half} ${said(cx - rx)} ${said(cy)} Z`;
}

/** On the outline, towards the corner that was pressed first. */
const nearest = (a: Spot, b: Spot): Spot => ({
  x: (a.x + b.x) / 2 + ((a.x - b.x) / 2) * Math.SQRT1_2,
  y: (a.y + b.y) / 2 + ((a.y - b.y) / 2) * Math.SQRT1_2,
});

/** A turn, a size and a shift: `x' = a x - b y + dx`, `y' = b x + a y + dy`. */
export interface Laying {
  a: number;
  b: number;
  dx: number;
  dy: number;
}

/** Two spots this near are one, as a share of the longer side: what they turn by is chance. */
const TOO_NEAR = 0.02;

/**
 * How one photo is laid over another, so that two spots of it lie on the same two spots of the other: turned, larger or
 * smaller, and shifted; never sheared. A similarity by two pairs of points: any text on plane geometry.
 * @param under two spots of the photo that lies, in its pixels
 * @param over the same two spots of the photo that is laid over it, in pixels of its own
 * @param longest the longer side of either photo
 * @throws Outside where the two spots of one photo are too near each other
 */
export function layOver(
  under: readonly [Spot, Spot],
  over: readonly [Spot, Spot],
  longest: { under: number; over: number },
): Laying {
  const [u, o] = [between(under), between(over)];
  ensure(Math.hypot(u.x, u.y) >= TOO_NEAR * longest.under, 'under', 'Press two spots that lie farther apart.');
  ensure(Math.hypot(o.x, o.y) >= TOO_NEAR * longest.over, 'over', 'Press two spots that lie farther apart.');
  const square = o.x ** 2 + o.y ** 2;
  const a = (u.x * o.x + u.y * o.y) / square;
  const b = (u.y * o.x - u.x * o.y) / square;
  const [first] = over;
  return {
    ...{ a, b },
    dx: under[0].x - (a * first.x - b * first.y),
    dy: under[0].y - (b * first.x + a * first.y),
  };
}
const between = ([p, q]: readonly [Spot, Spot]): Spot => ({ x: q.x - p.x, y: q.y - p.y });
