import { ESCAPING } from '../assess/index.ts';
import type { Traits } from '../movement/index.ts';
import { judgeAmplitude } from '../sound/index.ts';
import { said, sentence, type Said } from '../units/index.ts';
import { POSITIONS } from './kinds.data.ts';
import { figure, valuesOf, type TableTest, type Values } from './table.ts';

type Position = (typeof POSITIONS)[number];

/** Flat positions agree within this, s/day: else one pivot is not as the other. From memory. */
const FLAT_S = 20;
/** A heavy point shows above this, s/day from the mean. From memory. */
const POISE_S = 10;
/** On edge it swings so much less than flat, degrees, and no more. From memory. */
const EDGE_DEG = 50;
/**
 * Near this amplitude a heavy point does not show at all; below it the heavy point is the one that is down where it
 * gains, above it the one that is up. Published: first zero of the Bessel function J₁ at 3.8317 rad, 219.5°, any text
 * on the poising of balances. Told within so much of it nothing is said.
 */
export const BLIND_DEG = 219.5;
const BLIND_WITHIN = 25;
/** A degree of warmth changes a brass balance with a steel spring by about so much, s/day. From memory: eleven. */
const COMPENSATED_S = 3;

/** Where the weight pulls, as the hour of the dial that is down. */
const DOWN: Partial<Record<Position, 12 | 3 | 6 | 9>> = { '12 up': 6, '3 up': 9, '6 up': 12, '9 up': 3 };

/** What balance and platform say. @param tests the oldest first */
export function sayBalance({ escapement }: Pick<Traits, 'escapement'>, tests: readonly TableTest[]): Said[] {
  const seen = (when: string) =>
    new Map(
      tests
        .filter((t) => t.kind === 'position' && t.values['when'] === when)
        .map((t) => [t.values['in'] as Position, t.values]),
    );
  const [before, after] = [seen('before'), seen('after')];
  const now = after.size > 0 ? after : before;
  return [
    ...sayPairs(before, after, ESCAPING[escapement]),
    ...sayFlat(now),
    ...sayEdge(now),
    ...sayPlay(tests.findLast((t) => t.kind === 'end play')?.values ?? null),
    ...saySpring(valuesOf(tests, 'hairspring')),
    ...sayScrews(valuesOf(tests, 'timing screws')),
    ...sayWarmth(valuesOf(tests, 'warmth')),
  ];
}

/** Before and after stand together, position by position. */
function sayPairs(
  before: Map<Position, Values>,
  after: Map<Position, Values>,
  escaping: (typeof ESCAPING)[keyof typeof ESCAPING],
): Said[] {
  return POSITIONS.flatMap((p) => {
    const [was, is] = [before.get(p), after.get(p)];
    if (!was && !is) return [];
    const of = (id: string, unit: string): string | null => {
      const [a, b] = [figure(was, id), figure(is, id)];
      if (a === null && b === null) return null;
      if (a === null || b === null) return `${a ?? b}${unit}${b === null ? ' before' : ''}`;
      return `${a}${unit} before, ${b}${unit} after`;
    };
    const figures = [of('amplitude', '°'), of('rate', ' s a day'), of('beatMs', ' ms')].filter((x) => x !== null);
    if (figures.length === 0) return [];
    const amplitude = figure(is ?? was, 'amplitude');
    const judged = amplitude !== null && escaping ? judgeAmplitude(amplitude, escaping) : null;
    const good = judged === null ? null : judged === 'Healthy.';
    const what = sentence(p);
    return [said(what, good, `${figures.join('; ')}.${judged === null ? '' : ` ${judged}`}`)];
  });
}

/** Dial up against dial down: another pivot and another stone carry it. */
function sayFlat(now: Map<Position, Values>): Said[] {
  const [up, down] = [now.get('dial up'), now.get('dial down')];
  const [ru, rd] = [figure(up, 'rate'), figure(down, 'rate')];
  if (ru === null || rd === null) return [];
  const off = Math.abs(ru - rd);
  if (off <= FLAT_S) return [said('Flat', true, `Dial up and down ${off.toFixed(0)} s a day apart.`)];
  const [au, ad] = [figure(up, 'amplitude'), figure(down, 'amplitude')];
  const which =
    au !== null && ad !== null && au !== ad ? ` Look at the one it turns on ${au < ad ? 'dial up' : 'dial down'}.` : '';
  return [
    said(
      'Flat',
      false,
      `Dial up and down ${off.toFixed(0)} s a day apart: one pivot or its stone is flat or dry.${which}`,
    ),
  ];
}

interface Poise {
  /** s/day by which it gains at most over the mean of the four. */
  byS: number;
  /** The hour that is down where it gains most, 0 to 12. */
  downAt: number;
  /** The hour at which the balance is heavy while it rests; null near the amplitude at which it does not show. */
  heavyAt: number | null;
}

/**
 * What the four positions on edge say of the poise: the first harmonic of the rate over the direction of the weight.
 * @param rates s/day, by what is uppermost; @param amplitude mean of the four, degrees, or null
 */
export function poiseOf(
  rates: Readonly<Record<'12 up' | '3 up' | '6 up' | '9 up', number>>,
  amplitude: number | null,
): Poise {
  const [x, y] = [(rates['6 up'] - rates['12 up']) / 2, (rates['9 up'] - rates['3 up']) / 2]; // towards 12, towards 3
  const hour = (rad: number) => ((rad * 6) / Math.PI + 24) % 12;
  const downAt = hour(Math.atan2(y, x));
  const told = amplitude !== null && Math.abs(amplitude - BLIND_DEG) > BLIND_WITHIN;
  const side = amplitude !== null && amplitude < BLIND_DEG ? downAt : (downAt + 6) % 12;
  return { byS: Math.hypot(x, y), downAt, heavyAt: told ? side : null };
}

/** On edge: friction of the pivots' sides, and the poise. */
function sayEdge(now: Map<Position, Values>): Said[] {
  const edge = POSITIONS.filter((p) => DOWN[p] !== undefined);
  const of = (id: string, ps: readonly Position[]) =>
    ps.map((p) => figure(now.get(p), id)).filter((x): x is number => x !== null);
  const mean = (xs: number[]) => (xs.length === 0 ? null : xs.reduce((a, b) => a + b, 0) / xs.length);
  const [flat, onEdge] = [mean(of('amplitude', ['dial up', 'dial down'])), mean(of('amplitude', edge))];
  const out: Said[] = [];
  if (flat !== null && onEdge !== null) {
    const less = flat - onEdge;
    out.push(
      less > EDGE_DEG
        ? said('On edge', false, `Swings ${less.toFixed(0)}° less than flat: pivots rough, or holes too large.`)
        : said('On edge', true, `Swings ${less.toFixed(0)}° less than flat.`),
    );
  }
  const rates = of('rate', edge);
  if (rates.length < 4) return out;
  const [at12, at3, at6, at9] = ['12 up', '3 up', '6 up', '9 up'].map((p) => figure(now.get(p as Position), 'rate')!);
  const poise = poiseOf({ '12 up': at12!, '3 up': at3!, '6 up': at6!, '9 up': at9! }, onEdge);
  if (poise.byS <= POISE_S) return [...out, said('Poise', true, `Within ${poise.byS.toFixed(0)} s a day on edge.`)];
  const hour = (h: number) => String(Math.round(h) || 12);
  const gains = `On edge it gains ${poise.byS.toFixed(0)} s a day with ${hour(poise.downAt)} down`;
  const heavy =
    poise.heavyAt === null
      ? ': heavy at one place. Read it at about 150°: there the rate shows which.'
      : `: at rest it is heavy towards ${hour(poise.heavyAt)}. Poise it, or look for a bent pivot.`;
  return [...out, said('Poise', false, gains + heavy)];
}

function sayPlay(v: Values | null): Said[] {
  if (!v) return [];
  if (v['now'] === 'just felt') return [said('Play', true, 'Just felt: right.')];
  return [
    v['now'] === 'none'
      ? said('Play', false, 'None: it binds when it is warm. An eighth of a turn looser, and feel again.')
      : said('Play', false, 'Too much: it knocks over at the cone. Tighter in tiny steps, the last one half back.'),
  ];
}

/** Less of a turn than this no hand sets. Practice. */
const LEAST_TURN = 1 / 16;

/** A pair of timing screws by what it did: further in is nearer to the middle, and gains. */
function sayScrews(all: readonly Values[]): Said[] {
  const found = springLeft(
    all.map((v) => ({ shorterMm: figure(v, 'turns')!, before: figure(v, 'before')!, after: figure(v, 'after')! })),
  );
  if (!found) return [];
  if (found.perMm <= 0)
    return [said('Timing screws', false, 'In, and yet slower: it is not that. Amplitude, coils or the beat.')];
  const made = `A turn in makes ${found.perMm.toFixed(0)} s a day`;
  const turns = Math.abs(found.shorterMm);
  if (turns < LEAST_TURN) return [said('Timing screws', true, `${made}: leave them.`)];
  const way = found.shorterMm > 0 ? 'in' : 'out';
  return [
    said('Timing screws', null, `${made}: ${turns.toFixed(2)} turns ${way} still, both alike, or the poise goes.`),
  ];
}

/** Less than this of a hairspring no hand sets, mm. Practice. */
const LEAST_MM = 0.1;

/** What a millimetre of the hairspring has made, and how much is still wanted. */
export function springLeft(tried: readonly { shorterMm: number; before: number; after: number }[]): {
  perMm: number;
  shorterMm: number;
} | null {
  const moved = tried.filter((t) => t.shorterMm !== 0);
  const weight = moved.reduce((n, t) => n + t.shorterMm ** 2, 0);
  if (weight === 0) return null;
  const perMm = moved.reduce((n, t) => n + t.shorterMm * (t.after - t.before), 0) / weight;
  return { perMm, shorterMm: -tried.at(-1)!.after / perMm };
}

function saySpring(all: readonly Values[]): Said[] {
  const tried = all.flatMap((v) => {
    const shorterMm = figure(v, 'shorterMm');
    return shorterMm === null ? [] : [{ shorterMm, before: figure(v, 'before')!, after: figure(v, 'after')! }];
  });
  const found = springLeft(tried);
  if (!found) return [];
  if (found.perMm <= 0)
    return [said('Hairspring', false, 'Shorter and yet slower: it is not that. Coils, pins or the beat.')];
  const far = Math.abs(found.shorterMm);
  const made = `A millimetre makes ${found.perMm.toFixed(0)} s a day`;
  if (far < LEAST_MM) return [said('Hairspring', true, `${made}: leave it.`)];
  return [
    said('Hairspring', null, `${made}: ${far.toFixed(2)} mm ${found.shorterMm > 0 ? 'shorter' : 'longer'} still.`),
  ];
}

/** s/day for a degree, from the coldest reading to the warmest; null while they are less than five degrees apart. */
export function warmthOf(read: readonly { celsius: number; rate: number }[]): number | null {
  const [cold, warm] = [
    [...read].sort((a, b) => a.celsius - b.celsius)[0],
    [...read].sort((a, b) => b.celsius - a.celsius)[0],
  ];
  if (!cold || !warm || warm.celsius - cold.celsius < 5) return null;
  return (warm.rate - cold.rate) / (warm.celsius - cold.celsius);
}

function sayWarmth(all: readonly Values[]): Said[] {
  if (all.length === 0) return [];
  const per = warmthOf(all.map((v) => ({ celsius: figure(v, 'celsius')!, rate: figure(v, 'rate')! })));
  if (per === null) return [said('Warmth', null, 'Read it at least five degrees warmer or colder.')];
  const words = `${per < 0 ? 'Loses' : 'Gains'} ${Math.abs(per).toFixed(1)} s a day for each degree warmer`;
  return [
    Math.abs(per) <= COMPENSATED_S
      ? said('Warmth', true, `${words}: compensated.`)
      : said('Warmth', null, `${words}: not compensated, or its compensation does not work. Judge it in one warmth.`),
  ];
}
