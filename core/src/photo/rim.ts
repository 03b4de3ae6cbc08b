import { lightAt, type Picture, type Spot } from './picture.ts';

/** The pitch circle as it is seen: a circle that is tilted is an ellipse. */
export interface Rim {
  x: number;
  y: number;
  /** Half of the long way, px. */
  long: number;
  /** Short way over long way, 0 to 1. */
  share: number;
  /** Direction of the long way, radians. */
  angle: number;
  /** How much smaller the far side is drawn than the near one, along the short way: sine of the tilt over distance. */
  lean: number;
}

/**
 * The angle on the ellipse at which a camera sees an angle of the wheel: sin t = (sin θ + κ)/(1 + κ sin θ). By hand: a
 * circle on a tilted plane through a pinhole.
 */
export function seenAngle(angle: number, lean: number): number {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return Math.atan2(s + lean, c * Math.sqrt(1 - lean * lean));
}

/** The place on the picture of an angle of the wheel (radians) at `out` times its pitch circle. */
export function placeOf(rim: Rim, angle: number, out: number): Spot {
  const t = seenAngle(angle, rim.lean);
  const [u, v] = [out * rim.long * Math.cos(t), out * rim.long * rim.share * Math.sin(t)];
  const [c, s] = [Math.cos(rim.angle), Math.sin(rim.angle)];
  return { x: rim.x + c * u - s * v, y: rim.y + s * u + c * v };
}

/** How far out a place lies, in pitch circles. */
export function outOf(rim: Rim, { x, y }: Spot): number {
  const [c, s] = [Math.cos(rim.angle), Math.sin(rim.angle)];
  const [dx, dy] = [x - rim.x, y - rim.y];
  return Math.hypot((c * dx + s * dy) / rim.long, (-s * dx + c * dy) / (rim.long * rim.share));
}

const RAYS = 360;
/** Each ray is taken together with so many to each side: a few teeth at once. */
const BESIDE = 4;
/** Light inside and outside of an edge is taken over so much of the radius. */
const BAND = 0.06;
const STEP = 0.005;
/** How far to each side of where the rim is thought to be it is looked for, try by try. */
const WINDOWS = {
  fine: [0.26, 0.2, 0.14, 0.1, 0.07, 0.05, 0.04, 0.04],
  /** Few teeth reach far in and out: the rim is looked for over all of them. */
  coarse: [0.3, 0.28, 0.26, 0.26, 0.26, 0.26],
} as const;

/** Light along each ray, added up, from `1 − reach` to `1 + reach` pitch circles in steps. */
function rays(picture: Picture, rim: Rim, reach: number): Float64Array[] {
  const n = Math.round((2 * reach) / STEP) + 1;
  return Array.from({ length: RAYS }, (_, i) => {
    const on = placeOf(rim, (2 * Math.PI * i) / RAYS, 1);
    const sum = new Float64Array(n + 1);
    for (let j = 0; j < n; j++) {
      const out = 1 - reach + STEP * j;
      sum[j + 1] = sum[j]! + lightAt(picture, rim.x + out * (on.x - rim.x), rim.y + out * (on.y - rim.y));
    }
    return sum;
  });
}

/** Light inside less light outside of each place of each ray, several rays together. */
function edges(picture: Picture, rim: Rim, window: number): Float64Array[] {
  const band = Math.round(BAND / STEP);
  const sums = rays(picture, rim, window + BAND);
  const places = sums[0]!.length - 1 - 2 * band;
  const step = (i: number, p: number) => {
    const sum = sums[(i + RAYS) % RAYS]!;
    return (2 * sum[p + band]! - sum[p]! - sum[p + 2 * band]!) / ((2 * BESIDE + 1) * band);
  };
  const together = new Float64Array(places);
  for (let d = -BESIDE; d <= BESIDE; d++) for (let p = 0; p < places; p++) together[p]! += step(d, p);
  return sums.map((_, i) => {
    const here = Float64Array.from(together);
    for (let p = 0; p < places; p++) together[p]! += step(i + BESIDE + 1, p) - step(i - BESIDE, p);
    return here;
  });
}

/** Solves A x = b for a few unknowns. @returns null where it cannot */
function solve(a: number[][], b: number[]): number[] | null {
  const n = b.length;
  const m = a.map((row, i) => [...row, b[i]!]);
  for (let i = 0; i < n; i++) {
    const pivot = m.slice(i).reduce((best, row, j) => (Math.abs(row[i]!) > Math.abs(m[best]![i]!) ? i + j : best), i);
    [m[i], m[pivot]] = [m[pivot]!, m[i]!];
    if (Math.abs(m[i]![i]!) < 1e-12) return null;
    for (let j = 0; j < n; j++) {
      if (j === i) continue;
      const f = m[j]![i]! / m[i]![i]!;
      for (let k = i; k <= n; k++) m[j]![k]! -= f * m[i]![k]!;
    }
  }
  return m.map((row, i) => row[n]! / row[i]!);
}

const WAVES = [
  () => 1,
  (t: number) => Math.cos(t),
  (t: number) => Math.sin(t),
  (t: number) => Math.cos(2 * t),
  (t: number) => Math.sin(2 * t),
] as const;

/** The slow waves that the edge makes about the rim, places that stray counting little. */
function waves(off: readonly { angle: number; by: number; weight: number }[]): number[] | null {
  let found: number[] | null = null;
  for (let round = 0; round < 6; round++) {
    const left = off.map(({ angle, by }) => by - (found ? WAVES.reduce((n, w, k) => n + found![k]! * w(angle), 0) : 0));
    const spread = 1.5 * ([...left].map(Math.abs).sort((a, b) => a - b)[left.length >> 1]! + 1e-4);
    const a = WAVES.map(() => WAVES.map(() => 0));
    const b = WAVES.map(() => 0);
    off.forEach(({ angle, by, weight }, i) => {
      const w = found ? weight / (1 + (left[i]! / (2 * spread)) ** 2) ** 2 : weight;
      const at = WAVES.map((wave) => wave(angle));
      at.forEach((x, j) => {
        b[j]! += w * x * by;
        at.forEach((y, k) => (a[j]![k]! += w * x * y));
      });
    });
    found = solve(a, b);
    if (!found) return null;
  }
  return found;
}

/** The rim as it was pressed, before anything is known of its tilt. */
export const circleThrough = (middle: Spot, pressed: Spot): Rim => ({
  ...middle,
  long: Math.hypot(pressed.x - middle.x, pressed.y - middle.y),
  share: 1,
  angle: 0,
  lean: 0,
});

/**
 * The rim near where a person pressed its middle and a place on it, a few hundredths of the radius amiss.
 * @param way 1 where the wheel is lighter than what it lies on, −1 where it is darker
 */
export function findRim(picture: Picture, middle: Spot, pressed: Spot, way: 1 | -1, teeth: keyof typeof WINDOWS): Rim {
  let rim = circleThrough(middle, pressed);
  for (const window of WINDOWS[teeth]) {
    const steps = edges(picture, rim, window);
    const places = steps[0]!.length;
    const mid = (places - 1) / 2;
    const off = steps.map((ray, i) => {
      const most = ray.reduce((best, v) => Math.max(best, way * v), 0);
      // The middle of the summit: teeth make it broad.
      let [sum, weight] = [0, 0];
      ray.forEach((v, p) => {
        const over = Math.max(0, way * v - 0.85 * most);
        sum += over * (p - mid);
        weight += over;
      });
      return { angle: (2 * Math.PI * i) / RAYS, by: weight > 0 ? (STEP * sum) / weight : 0, weight: most };
    });
    const found = waves(off);
    if (!found) return rim;
    rim = moved(rim, found);
  }
  return rim;
}

/** The rim as the waves say: further out all round, moved, longer one way. */
function moved(rim: Rim, [out, right, down, longer, aslant]: readonly number[]): Rim {
  const { long, share, angle } = rim;
  const short = long * share;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [du, dv] = [long * right!, short * down!];
  // The rim as a matrix: what its waves add to it is stretched along its own ways.
  const [p, q, r] = [1 + out! + longer!, aslant!, 1 + out! - longer!];
  const m = [
    [long * p, long * q],
    [short * q, short * r],
  ] as const;
  // Turned back to the picture, and its long and short way found anew.
  const [a, b, d, e] = [
    c * m[0][0] - s * m[1][0],
    c * m[0][1] - s * m[1][1],
    s * m[0][0] + c * m[1][0],
    s * m[0][1] + c * m[1][1],
  ];
  const [xx, xy, yy] = [a * a + b * b, a * d + b * e, d * d + e * e];
  const half = Math.hypot((xx - yy) / 2, xy);
  const [far, near] = [Math.sqrt((xx + yy) / 2 + half), Math.sqrt(Math.max(1e-9, (xx + yy) / 2 - half))];
  return {
    ...rim,
    x: rim.x + c * du - s * dv,
    y: rim.y + s * du + c * dv,
    long: far,
    share: near / far,
    angle: Math.atan2(2 * xy, xx - yy) / 2,
  };
}
