/** What comes back at every turn of the escape wheel. */
export interface WheelPattern {
  teeth: number;
  /** Half of what lies between its earliest and its latest beat, ms. */
  ms: number;
  /** How far it stands above chance, standard deviations. */
  clear: number;
}

/** A pattern this strong does not come by chance, although many numbers of teeth are tried. */
const CLEAR = 7;
const LEAST_TEETH = 6,
  MOST_TEETH = 80,
  LEAST_TURNS = 3;
/** Sines of one turn and its first overtones: an eccentric wheel shows in them before each tooth shows. */
const OVERTONES = 3;

/**
 * Looks for a pattern that repeats with a whole number of escape teeth (two beats each), in what is left of the beats:
 * means of each place of the turn against the scatter within them (analysis of variance, R. A. Fisher, 1925), and the
 * same for the slowest sines of the turn alone. Needs three turns.
 * @param teeth when the wheel is known, only it is tried
 */
export function wheelPattern(
  index: ArrayLike<number>,
  residualsS: ArrayLike<number>,
  teeth?: number,
): WheelPattern | null {
  const n = index.length;
  if (n === 0) return null;
  const flat = withoutSlow(index, residualsS);
  const whole = flat.reduce((s, x) => s + x * x, 0);
  const span = index[n - 1]! - index[0]! + 1;
  let best: WheelPattern | null = null;
  for (let e = teeth ?? LEAST_TEETH; e <= (teeth ?? MOST_TEETH) && LEAST_TURNS * 2 * e <= span; e++) {
    const turn = 2 * e;
    const sum = new Float64Array(turn),
      count = new Float64Array(turn);
    for (let i = 0; i < n; i++) {
      const k = ((index[i]! % turn) + turn) % turn;
      sum[k] = sum[k]! + flat[i]!;
      count[k] = count[k]! + 1;
    }
    const means = sum.map((s, k) => (count[k]! > 0 ? s / count[k]! : 0));
    const between = means.reduce((s, m, k) => s + count[k]! * m * m, 0);
    const slow = slowPart(means, n);
    const clear = Math.max(overChance(between, whole, turn - 1, n), overChance(slow, whole, 2 * OVERTONES, n));
    // A turn of twice the teeth holds the same pattern: the smaller one is it.
    if (clear >= CLEAR && (best === null || clear > 1.15 * best.clear))
      best = { teeth: e, ms: ((Math.max(...means) - Math.min(...means)) / 2) * 1000, clear };
  }
  return best;
}

/** Of a sum of squares with so many degrees, against the rest: how many deviations its variance ratio lies over one. */
function overChance(part: number, whole: number, degrees: number, n: number): number {
  const rest = n - 1 - degrees;
  return rest < 4 || whole <= part
    ? 0
    : (part / degrees / ((whole - part) / rest) - 1) / Math.sqrt((2 * (degrees + rest)) / (degrees * rest));
}

function slowPart(means: Float64Array, n: number): number {
  const turn = means.length;
  let power = 0;
  for (let h = 1; h <= OVERTONES; h++) {
    let c = 0,
      s = 0;
    for (let k = 0; k < turn; k++) {
      c += means[k]! * Math.cos((2 * Math.PI * h * k) / turn);
      s += means[k]! * Math.sin((2 * Math.PI * h * k) / turn);
    }
    power += (2 * n * (c * c + s * s)) / (turn * turn);
  }
  return power;
}

/** Residuals without what changes over more than some eighty beats: a wander is no pattern of the wheel. */
function withoutSlow(index: ArrayLike<number>, x: ArrayLike<number>): Float64Array {
  const n = index.length;
  const HALF = 80;
  const out = new Float64Array(n);
  let from = 0,
    to = 0,
    sum = 0;
  for (let i = 0; i < n; i++) {
    while (to < n && index[to]! <= index[i]! + HALF) sum += x[to++]!;
    while (index[from]! < index[i]! - HALF) sum -= x[from++]!;
    out[i] = x[i]! - sum / (to - from);
  }
  return out;
}
