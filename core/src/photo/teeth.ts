import FFT from 'fft.js';
import { ensure } from '../units/index.ts';
import { climb } from './climb.ts';
import { lightAt, type Picture, type Spot } from './picture.ts';
import { circleThrough, findRim, placeOf, seenAngle, type Rim } from './rim.ts';

/** Fewest and most teeth that are looked for. */
export const TEETH = [8, 300] as const;
/** Below this many pixels a tooth cannot be told from the next. */
const LEAST_PITCH_PX = 4;
/** A wheel whose rim was pressed nearer to its middle was not pressed there: a finger that taps twice. */
export const LEAST_RADIUS_PX = 8;
/** Places along the rim: eight a tooth at least, a power of two. */
const samplesFor = (teeth: number): number => Math.max(256, 2 ** Math.ceil(Math.log2(8 * teeth)));

/** Counts about which the rim is looked at; each serves those nearest to it. */
const ABOUT = [12, 17, 24, 34, 48, 68, 96, 136, 192, 272] as const;

/**
 * Light along the rim over one turn, as if it were a straight strip: over the depth of the teeth, less its slow part,
 * every place as strong as the next, so that neither shade nor a glare decides.
 * @param teeth about how many there are
 */
function along(picture: Picture, rim: Rim, teeth: number, samples: number): Float64Array {
  const light = rows(picture, rim, samples, [1 - 0.9 / teeth, 1, 1 + 0.9 / teeth]);
  const pitch = samples / teeth;
  const mean = moving(light, Math.round(1.5 * pitch));
  for (let i = 0; i < samples; i++) light[i]! -= mean[i]!;
  const power = moving(
    light.map((v) => v * v),
    Math.round(3 * pitch),
  );
  const usual = Math.sqrt(median(power)) || 1e-9;
  for (let i = 0; i < samples; i++) {
    const v = light[i]! / Math.max(Math.sqrt(power[i]!), 0.4 * usual);
    light[i] = Math.max(-2, Math.min(2, v));
  }
  return light;
}

/** Light round the turn, the mean of some circles about the middle of the rim. */
function rows(picture: Picture, rim: Rim, samples: number, outs: readonly number[]): Float64Array {
  const light = new Float64Array(samples);
  const [c, s] = [Math.cos(rim.angle), Math.sin(rim.angle)];
  const even = Math.sqrt(1 - rim.lean * rim.lean);
  for (let i = 0; i < samples; i++) {
    const angle = (2 * Math.PI * i) / samples;
    // As `placeOf`, without its angle.
    const sine = Math.sin(angle);
    const far = 1 + rim.lean * sine;
    const u = (rim.long * even * Math.cos(angle)) / far;
    const v = (rim.long * rim.share * (sine + rim.lean)) / far;
    const [dx, dy] = [c * u - s * v, s * u + c * v];
    let sum = 0;
    for (const out of outs) sum += lightAt(picture, rim.x + out * dx, rim.y + out * dy);
    light[i] = sum / outs.length;
  }
  return light;
}

/** Mean over `half` places to each side, round the turn. */
function moving(values: Float64Array, half: number): Float64Array {
  const n = values.length;
  const out = new Float64Array(n);
  let sum = 0;
  for (let j = -half; j <= half; j++) sum += values[((j % n) + n) % n]!;
  for (let i = 0; i < n; i++) {
    out[i] = sum / (2 * half + 1);
    sum += values[(i + half + 1) % n]! - values[(i - half + n) % n]!;
  }
  return out;
}

function median(values: Float64Array): number {
  const sorted = Float64Array.from(values).sort();
  return sorted[sorted.length >> 1]!;
}

/** Share of what varies along the rim that repeats so often in a turn, 0 to 1, and where its first tooth stands. */
function repeats(light: Float64Array, times: number): { share: number; phase: number } {
  const n = light.length;
  let [re, im, all] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    const a = (2 * Math.PI * times * i) / n;
    re += light[i]! * Math.cos(a);
    im += light[i]! * Math.sin(a);
    all += light[i]! ** 2;
  }
  return { share: (2 * (re * re + im * im)) / (n * (all || 1)), phase: Math.atan2(im, re) };
}

interface Guess {
  teeth: number;
  rim: Rim;
  share: number;
}

/** A camera is held at least so many radii away. */
const NEAREST = 5;
/** Most that it can lean, from how flat it is seen; what is hardly flat may be a little flatter. */
const mostLean = (rim: Rim): number => Math.sqrt(1 - Math.min(rim.share, 0.997) ** 2) / NEAREST;

/** Leans that are tried, so near to each other that a tooth hardly moves from one to the next. */
function leansOf(rim: Rim, about: number): number[] {
  const most = mostLean(rim);
  const steps = Math.min(8, Math.ceil((most * about) / 0.6));
  return Array.from({ length: 2 * steps + 1 }, (_, i) => (most * (i - steps)) / Math.max(1, steps));
}

/** The strip as it would be if the wheel leaned so. */
function leaned(light: Float64Array, lean: number): Float64Array {
  const n = light.length;
  return light.map((_, i) => {
    const t = (seenAngle((2 * Math.PI * i) / n, lean) / (2 * Math.PI)) * n + n;
    const [at, part] = [Math.floor(t), t - Math.floor(t)];
    return light[at % n]! * (1 - part) + light[(at + 1) % n]! * part;
  });
}

/** A rim, and the most teeth that are looked for on it. */
interface Seen {
  rim: Rim;
  upTo: number;
}

/** How much wider the teeth may stand than the inner edge of the rim. */
const WIDER = [1.08, 1.13, 1.19, 1.26, 1.35, 1.46];
/** Big teeth make the outer edge hard to find: of a wheel with few, the inner edge says where its middle is. */
const FEW = 50;

/** Where the rim may be: its outer edge, lighter or darker than what lies beside it, or about its inner edge. */
function rimsNear(picture: Picture, middle: Spot, pressed: Spot): Seen[] {
  return ([1, -1] as const).flatMap((way) => {
    const fine = findRim(picture, middle, pressed, way, 'fine');
    return [
      { rim: fine, upTo: Infinity },
      { rim: findRim(picture, middle, pressed, way, 'coarse'), upTo: 2 * FEW },
      ...WIDER.map((by) => ({ rim: { ...fine, long: by * fine.long }, upTo: FEW })),
    ];
  });
}

/** What repeats most along a rim that was found, by its spectrum. */
function guesses(picture: Picture, { rim, upTo }: Seen): Guess[] {
  const most = Math.min(TEETH[1], (Math.PI * rim.long * (1 + rim.share)) / LEAST_PITCH_PX);
  return ABOUT.flatMap((about) => {
    if (about > 1.4 * most || about > upTo) return [];
    const samples = samplesFor(about);
    const fft = new FFT(samples);
    const straight = along(picture, rim, about, samples);
    const found: Guess[] = [];
    for (const lean of leansOf(rim, about)) {
      const light = lean === 0 ? straight : leaned(straight, lean);
      const spectrum = fft.createComplexArray() as number[];
      fft.realTransform(spectrum, Array.from(light));
      const all = light.reduce((a, v) => a + v * v, 0) || 1;
      const share = (k: number) => (2 * (spectrum[2 * k]! ** 2 + spectrum[2 * k + 1]! ** 2)) / (samples * all);
      for (let k = Math.max(TEETH[0], Math.ceil(about / 1.25)); k <= Math.min(most, 1.25 * about); k++)
        found.push({ teeth: k, rim: { ...rim, lean }, share: share(k) });
    }
    return found.sort((a, b) => b.share - a.share).slice(0, 12);
  });
}

/**
 * How far the rim may be moved to make a count stand out, and still be the one that was found: px, or a share of the
 * way from tooth to tooth.
 */
const SLACK_PX = 0.5;
const SLACK_PITCH = 0.07;

/** Moves the rim a little so that so many teeth stand out as plainly as they can. */
function sharpen(picture: Picture, { rim, teeth }: Guess): Guess {
  const samples = Math.max(128, 8 * teeth);
  const pixel = 1 / rim.long;
  const rimOf = (d: readonly number[]): Rim => ({
    x: rim.x + d[0]!,
    y: rim.y + d[1]!,
    long: rim.long + d[2]!,
    // Its shape by two numbers that have no direction of their own while it is a circle.
    ...shapeOf(rim, d[3]! * pixel, d[4]! * pixel),
    lean: rim.lean + d[5]! / teeth,
  });
  const pitch = (Math.PI * rim.long * (1 + rim.share)) / teeth;
  const slack = Math.max(SLACK_PX, SLACK_PITCH * pitch);
  const reach = [slack, slack, 4 * slack, 1.5 * slack, 1.5 * slack, 3];
  const height = (d: readonly number[]) => {
    const far = d.reduce((sum, v, i) => sum + (v / reach[i]!) ** 2, 0);
    return repeats(along(picture, rimOf(d), teeth, samples), teeth).share - 0.02 * far;
  };
  const { at } = climb([0, 0, 0, 0, 0, 0], [slack, slack, 2 * slack, slack, slack, 0.4], 20, height);
  return { teeth, rim: rimOf(at), share: height(at) };
}

function shapeOf(rim: Rim, along: number, across: number): Pick<Rim, 'share' | 'angle'> {
  const flat = 1 - rim.share;
  const [c, s] = [flat * Math.cos(2 * rim.angle) + along, flat * Math.sin(2 * rim.angle) + across];
  return { share: 1 - Math.min(0.25, Math.hypot(c, s)), angle: Math.atan2(s, c) / 2 };
}

/** Less of the rim than this repeats: nothing is counted. Found on wheels that were drawn. */
const LEAST_SHARE = 0.12;
/** The next best count must repeat less by this, and be less likely by e to this, tooth by tooth. */
const LEAST_LEAD = 1.15;
const LEAST_EVIDENCE = 5;

export interface Tooth {
  /** From the first on, the way the angle of the wheel turns. */
  number: number;
  /** Its middle on the picture, px. */
  at: Spot;
  state: 'there' | 'missing' | 'hidden';
}

export interface ToothCount {
  /** Null: not sure. */
  teeth: number | null;
  /** The counts that come nearest, the most likely first, with how plainly each repeats (0 to 1). */
  likely: { teeth: number; share: number }[];
  rim: Rim;
  /** Each tooth of the most likely count. */
  each: Tooth[];
  /** The rim unrolled: light row by row from the tips in, `wide` places a row. */
  strip: { wide: number; high: number; light: Float32Array };
}

/** A tooth whose light differs from its gaps by less than this share of the usual is not there, or cannot be seen. */
const THERE = 0.4;
/** Lighter than this all over: the light is thrown back, and nothing is seen. */
const BLANK = 0.93;
/** More than so many beside each other are hidden by a glare, not broken off. */
const MOST_BROKEN = 3;

/** 1 where the wheel is lighter than what it lies on: under the roots of the teeth against beyond their tips. */
function lighter(picture: Picture, { rim, teeth }: Guess): 1 | -1 {
  const at = (out: number) => median(rows(picture, rim, 360, [out]));
  return at(1 - 3.3 / teeth) >= at(1 + 3.3 / teeth) ? 1 : -1;
}

function eachTooth(picture: Picture, guess: Guess, phase: number): Tooth[] {
  const { rim, teeth } = guess;
  const way = lighter(picture, guess);
  const pitch = (2 * Math.PI) / teeth;
  const first = phase / teeth + (way < 0 ? pitch / 2 : 0);
  const light = (angle: number) => {
    let sum = 0;
    for (const off of [-0.1, 0, 0.1])
      for (const out of [1, 1 + 0.8 / teeth]) {
        const { x, y } = placeOf(rim, angle + off * pitch, out);
        sum += lightAt(picture, x, y);
      }
    return sum / 6;
  };
  const stands = Array.from({ length: teeth }, (_, k) => {
    const angle = first + k * pitch;
    const [tip, gaps] = [light(angle), (light(angle - pitch / 2) + light(angle + pitch / 2)) / 2];
    return { by: way * (tip - gaps), blank: Math.min(tip, gaps) > BLANK };
  });
  const usual = median(Float64Array.from(stands, (s) => s.by));
  const low = stands.map((s) => s.by < THERE * usual);
  const stateOf = (k: number): Tooth['state'] => {
    if (!low[k]) return 'there';
    return stands[k]!.blank || runOf(low, k) > MOST_BROKEN ? 'hidden' : 'missing';
  };
  return stands.map((_, k) => ({
    number: k + 1,
    at: placeOf(rim, first + k * pitch, 1),
    state: stateOf(k),
  }));
}

/** How many beside each other are so, round the turn. */
function runOf(low: readonly boolean[], at: number): number {
  const n = low.length;
  let run = 1;
  for (const way of [1, -1]) for (let k = 1; k < n && low[(at + way * k + n * k) % n]; k++) run++;
  return run;
}

/** Rows of the rim unrolled, from a little outside of the tips to a little inside of the roots. */
const ROWS = 28;

function unrolled(picture: Picture, { rim, teeth }: Guess): ToothCount['strip'] {
  const wide = Math.min(2400, Math.max(600, 10 * teeth));
  const light = new Float32Array(wide * ROWS);
  for (let row = 0; row < ROWS; row++)
    light.set(rows(picture, rim, wide, [1 + (5 / teeth) * (1 - (2 * row) / (ROWS - 1))]), row * wide);
  return { wide, high: ROWS, light };
}

/**
 * Counts the teeth of a wheel on a photo, from where a person pressed its middle and its rim, each a few hundredths of
 * the radius amiss. A wheel that is seen aslant is counted on the ellipse of its rim, its far side smaller.
 * @returns `teeth` null where it is not sure
 * @throws Outside where both presses are on one place
 */
export function countTeeth(picture: Picture, middle: Spot, pressed: Spot): ToothCount {
  const radius = Math.hypot(pressed.x - middle.x, pressed.y - middle.y);
  ensure(radius >= LEAST_RADIUS_PX, 'rim', 'Press the rim, away from the middle.');
  const order = likelyCounts(picture, middle, pressed);
  const [top, next] = [order[0]!, order[1]?.share ?? 0];
  const { phase } = repeats(along(picture, top.rim, top.teeth, samplesFor(top.teeth)), top.teeth);
  const evidence = (top.teeth / 2) * Math.log((1 - next) / (1 - Math.min(0.999, top.share)));
  const sure = top.share >= LEAST_SHARE && top.share >= LEAST_LEAD * next && evidence >= LEAST_EVIDENCE;
  return {
    teeth: sure ? top.teeth : null,
    likely: order.slice(0, 3).map(({ teeth, share }) => ({ teeth, share })),
    rim: top.rim,
    each: eachTooth(picture, top, phase),
    strip: unrolled(picture, top),
  };
}

/** Counts that may be right, each on the rim that makes it plainest, the plainest first. */
function likelyCounts(picture: Picture, middle: Spot, pressed: Spot): Guess[] {
  const found = rimsNear(picture, middle, pressed)
    .flatMap((seen) => guesses(picture, seen))
    .sort((a, b) => b.share - a.share);
  // Where no rim is wide enough for any count, nothing repeats on the circle that was pressed.
  const all = found.length > 0 ? found : [{ teeth: TEETH[0], rim: circleThrough(middle, pressed), share: 0 }];
  const tried = new Map<number, Guess>();
  const best = () => [...tried.values()].sort((a, b) => b.share - a.share);
  const tryOne = (g: Guess) => {
    if (g.teeth < TEETH[0] || g.teeth > TEETH[1]) return;
    const sharp = sharpen(picture, g);
    const before = tried.get(g.teeth);
    if (!before || before.share < sharp.share) tried.set(g.teeth, sharp);
  };
  const counts = [...new Set(all.map((g) => g.teeth))].slice(0, 4);
  for (const teeth of counts) tryOne(all.find((g) => g.teeth === teeth)!);
  // Its neighbours, on the rim that makes it plainest: the count stands only if it stands out from them.
  for (let round = 0; round < 3; round++) {
    const top = best()[0]!;
    for (const off of [-1, 1]) if (!tried.has(top.teeth + off)) tryOne({ ...top, teeth: top.teeth + off });
  }
  return best();
}
