/** Templates: the mean envelope of the beats of one kind, and how well a single beat fits it. */

/** The envelope: root mean square of each run of `every` samples, smoothed over three runs. */
export function envelope(samples: Float32Array, every: number): Float32Array {
  const n = Math.floor(samples.length / every);
  const power = new Float32Array(n);
  for (let i = 0, j = 0; i < n; i++) {
    let sum = 0;
    for (let k = 0; k < every; k++, j++) sum += samples[j]! * samples[j]!;
    power[i] = sum / every;
  }
  const out = new Float32Array(n);
  for (let i = 0; i < n; i++)
    out[i] = Math.sqrt(0.25 * (power[i - 1] ?? power[i]!) + 0.5 * power[i]! + 0.25 * (power[i + 1] ?? power[i]!));
  return out;
}

/**
 * The template of a kind of beat: the part of the mean envelope that shows its position, with its mean subtracted.
 */
export interface Template {
  values: Float32Array;
  /** Where this part begins in the envelope, steps. */
  from: number;
  power: number;
}

/**
 * The template of a stretch of an envelope.
 * @param from first step, included
 * @param to last step, left out
 */
export function part(whole: Float32Array, from: number, to: number): Template {
  const values = whole.slice(from, to);
  let mean = 0,
    power = 0;
  for (const v of values) mean += v / values.length;
  for (let i = 0; i < values.length; i++) {
    const v = values[i]! - mean;
    values[i] = v;
    power += v * v;
  }
  return { values, from, power };
}

export interface Fit {
  /** By how many steps the envelope lies later than the template. */
  late: number;
  /** Correlation, −1 to 1. */
  likeness: number;
  /** Loudness compared with the template. */
  gain: number;
}

/** Coarse search in these steps first, then every step near the best. */
const STRIDE = 4;

/**
 * Where an envelope fits a template best, up to `most` steps to either side of `about`, to a part of a step by the
 * parabola.
 */
export function fitTo({ values, from, power }: Template, env: Float32Array, most: number, about = 0): Fit {
  const count = values.length;
  const least = Math.max(about - most, -from),
    last = Math.min(about + most, env.length - from - count);
  // Envelopes are smooth: every other step gives the rough place, all steps the exact one.
  let rough = least,
    roughly = -Infinity;
  for (let late = least; late <= last; late += STRIDE) {
    const s = every2nd(values, env, from + late);
    if (s > roughly) {
      roughly = s;
      rough = late;
    }
  }
  const first = Math.max(least, rough - STRIDE),
    end = Math.min(last, rough + STRIDE);
  let best = first,
    height = -Infinity;
  for (let late = first; late <= end; late++) {
    const s = product(values, env, from + late);
    scores[late - first] = s;
    if (s > height) {
      height = s;
      best = late;
    }
  }
  const beside = (late: number) => {
    if (late < least || late > last) return height;
    return late < first || late > end ? product(values, env, from + late) : scores[late - first]!;
  };
  const [a, b, c] = [beside(best - 1), height, beside(best + 1)];
  const bend = a - 2 * b + c;
  const part = bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (a - c)) / bend)) : 0;
  let ee = 0,
    e1 = 0;
  for (let i = 0, j = from + best; i < count; i++, j++) {
    const e = env[j]!;
    ee += e * e;
    e1 += e;
  }
  return {
    late: best + part,
    likeness: b / Math.sqrt(Math.max(1e-30, power * (ee - (e1 * e1) / count))),
    gain: b / Math.max(1e-30, power),
  };
}

const scores = new Float64Array(2 * STRIDE + 1);

function every2nd(values: Float32Array, env: Float32Array, at: number): number {
  let a = 0,
    b = 0,
    i = 0;
  for (let j = at; i + 3 < values.length; i += 4, j += 4) {
    a += values[i]! * env[j]!;
    b += values[i + 2]! * env[j + 2]!;
  }
  return a + b;
}

function product(values: Float32Array, env: Float32Array, at: number): number {
  // Four sums at a time, so that the processor need not wait for each addition.
  let a = 0,
    b = 0,
    c = 0,
    d = 0,
    i = 0;
  for (let j = at; i + 3 < values.length; i += 4, j += 4) {
    a += values[i]! * env[j]!;
    b += values[i + 1]! * env[j + 1]!;
    c += values[i + 2]! * env[j + 2]!;
    d += values[i + 3]! * env[j + 3]!;
  }
  for (; i < values.length; i++) a += values[i]! * env[at + i]!;
  return a + b + c + d;
}

/**
 * The part of a mean envelope that stands over its floor, with a margin on both sides in which it can be shifted: a
 * hall rings on past the end.
 */
function telling(values: Float32Array, before: number, after: number, most: number): Template {
  const sorted = Float32Array.from(values).sort();
  const floor = sorted[sorted.length >> 2]!;
  const least = floor + TELLS * (sorted.at(-1)! - floor);
  let from = values.findIndex((v) => v >= least),
    to = values.length;
  while (to > 0 && values[to - 1]! < least) to--;
  from = Math.max(most, Math.min(from - before, values.length - most - before - after));
  return part(values, from, Math.min(values.length - most, Math.max(to + after, from + before + after)));
}
/** Share of its height over the floor from which an envelope is used. */
const TELLS = 0.2;

/** An envelope with its weight: the louder the room before the beat, the less it counts. */
export interface Weighed {
  env: Float32Array;
  weight: number;
}

/** Mean of envelopes, each shifted by its delay (linear interpolation between steps). */
export function meanOf(envs: readonly Weighed[], late: readonly number[]): Float32Array {
  const n = envs[0]!.env.length;
  const sum = new Float64Array(n);
  let weights = 0;
  envs.forEach(({ env, weight }, e) => {
    const whole = Math.floor(late[e]!);
    const part = late[e]! - whole;
    weights += weight;
    for (let i = 0; i < n; i++) {
      const j = i + whole;
      const a = env[Math.max(0, Math.min(n - 1, j))]!,
        b = env[Math.max(0, Math.min(n - 1, j + 1))]!;
      sum[i] = sum[i]! + weight * (a + part * (b - a));
    }
  });
  return Float32Array.from(sum, (s) => s / weights);
}

/** Rounds of alignment; fewer when a template is known already. */
const ROUNDS = 3,
  ROUNDS_KNOWN = 2;
/** Steps to either side of its place in the round before. */
const AGAIN = 8;
/** How many envelopes are tried as the first template. */
const TRIED = 4;

/**
 * Aligns envelopes with each other, round by round, and gives their template and the place of each in it.
 * @param margin steps before and after what tells
 * @param known the template so far; without one, the envelope that most of the others are like is the first
 */
export function commonOf(
  envs: readonly Weighed[],
  most: number,
  margin: number,
  known: Template | null,
): { template: Template; mean: Float32Array; fits: Fit[] } {
  let template = known ?? firstOf(envs, most, margin);
  let mean = envs[0]!.env;
  let fits = envs.map(({ env }) => fitTo(template, env, most));
  for (let round = 0; round < (known ? ROUNDS_KNOWN : ROUNDS); round++) {
    const liked = fits.map((f) => f.likeness).sort((a, b) => a - b);
    const least = 0.6 * liked[liked.length >> 1]!;
    const kept = fits.flatMap((f, i) => (f.likeness >= least ? [i] : []));
    // In the first round they are moved to the middle of the window; a known template stays where it is.
    const middle = known || round > 0 ? 0 : kept.map((i) => fits[i]!.late).sort((a, b) => a - b)[kept.length >> 1]!;
    mean = meanOf(
      kept.map((i) => envs[i]!),
      kept.map((i) => fits[i]!.late - middle),
    );
    template = telling(mean, margin, 2 * margin, most);
    // Those that fitted are searched near their last place, the others everywhere.
    fits = envs.map(({ env }, i) =>
      fits[i]!.likeness >= least
        ? fitTo(template, env, Math.min(most, AGAIN), Math.round(fits[i]!.late - middle))
        : fitTo(template, env, most),
    );
  }
  return { template, mean, fits };
}

function firstOf(envs: readonly Weighed[], most: number, margin: number): Template {
  // The quietest before the beat.
  const tried = [...envs]
    .sort((a, b) => b.weight - a.weight)
    .slice(0, TRIED)
    .map(({ env }) => telling(env, margin, 2 * margin, most));
  const liked = tried.map((t) => envs.reduce((s, { env, weight }) => s + weight * fitTo(t, env, most).likeness, 0));
  return tried[liked.indexOf(Math.max(...liked))]!;
}
