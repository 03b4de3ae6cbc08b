import { beats, has, type Traits } from '../movement/index.ts';
import { HEALTHY, judgeAmplitude, type Escaping } from '../sound/index.ts';
import { ensure } from '../units/index.ts';

/** How a figure was got, and so how sure it is: plus or minus so much, in its unit or as a share of it. */
export interface Means {
  how: string;
  within: number;
  share?: boolean;
  /** All that it can come to. */
  only?: readonly number[];
}
export interface Measurable {
  id: string;
  name: string;
  unit: string;
  from: number;
  to: number;
  applies: (t: Traits) => boolean;
  means: readonly Means[];
  /** What the figure says, once its doubt is counted in. */
  judge: (low: number, high: number, t: Traits) => { text: string; good: boolean | null };
}

const balance = (t: Traits) => t.oscillator === 'balance';
const UNSURE = { text: 'Too unsure to say: measure it better.', good: null };
/** What a doubtful figure says only if both ends of its range agree. */
const between = (low: number, high: number, from: number, to: number, under: string, inside: string, over: string) => {
  if (high < from) return { text: under, good: false };
  if (low > to) return { text: over, good: false };
  return low >= from && high <= to ? { text: inside, good: true } : UNSURE;
};

/** What the rule of the sound bench calls it: only of these a healthy range is known. */
export const ESCAPING: Partial<Record<Traits['escapement'], Escaping>> = { lever: 'lever', 'pin-pallet': 'pin pallet' };

/** One rule for an amplitude, heard or seen; what both ends of its doubt do not agree on is not said. */
function judgeSwing(low: number, high: number, t: Traits): { text: string; good: boolean | null } {
  const escaping = ESCAPING[t.escapement];
  if (!escaping) return { text: 'No healthy range is known for this escapement: compare it with itself.', good: null };
  const [text, other] = [judgeAmplitude(low, escaping), judgeAmplitude(high, escaping)];
  if (text !== other) return UNSURE;
  const [least, most] = HEALTHY[escaping];
  if (low >= least && high <= most) return { text, good: true };
  return {
    text: high < 0.6 * ((least + most) / 2) ? `About half of what it should be: a fault. ${text}` : text,
    good: false,
  };
}

/** Measurements of the assessment. Ranges and doubts: practice. */
export const MEASURABLES: readonly Measurable[] = [
  {
    id: 'amplitude',
    name: 'Amplitude',
    unit: '°',
    from: 20,
    to: 400,
    applies: balance,
    means: [
      { how: 'by sound', within: 5 },
      { how: 'slow-motion film', within: 10 },
      { how: 'by eye', within: 30 },
    ],
    judge: judgeSwing,
  },
  {
    id: 'regulator',
    name: 'Regulator, per cent from slow to fast',
    unit: '%',
    from: 0,
    to: 100,
    applies: (t) => balance(t),
    means: [
      { how: 'read off the index', within: 5 },
      // A stop is felt: there is nothing to misread.
      { how: 'at its stop (0 or 100)', within: 0, only: [0, 100] },
      { how: 'by eye', within: 15 },
    ],
    judge: (low, high) =>
      between(
        low,
        high,
        10,
        90,
        'At the slow end: it can only be held there, so look for another fault.',
        'Within its range.',
        'At the fast end: it can only be held there, so look for another fault.',
      ),
  },
  {
    id: 'coil',
    name: 'Coil resistance',
    unit: 'Ω',
    from: 0.1,
    to: 100_000,
    applies: (t) => has(t, 'coil'),
    means: [
      { how: 'meter, one end free', within: 0.02, share: true },
      { how: 'meter, in its circuit', within: 0.2, share: true },
    ],
    judge: () => ({
      text: 'Compare with the label or a sister coil: far above is open turns, far below is shorted ones.',
      good: null,
    }),
  },
  {
    id: 'free-run',
    name: 'Runs before it stops',
    unit: 'h',
    from: 0,
    to: 1000,
    applies: () => true,
    means: [
      { how: 'watched', within: 0.1 },
      { how: 'from the stopped hands', within: 0.5 },
      { how: 'as the owner says', within: 0.5, share: true },
    ],
    judge: (low, high, t) => {
      if (t.windHours && low >= t.windHours) return { text: 'It runs its whole wind.', good: true };
      return high < 24
        ? { text: 'Hours only: power, friction or beat.', good: false }
        : {
            text: t.windHours ? `Its wind should last ${t.windHours} h.` : 'Note at what state it stops.',
            good: false,
          };
    },
  },
  {
    id: 'rate',
    name: 'Rate at arrival, gaining is plus',
    unit: 's a day',
    from: -21_600,
    to: 21_600,
    applies: beats,
    means: [
      { how: 'by sound', within: 5 },
      { how: 'two readings a day apart', within: 15 },
      { how: 'against a watch for an hour', within: 120 },
    ],
    judge: (low, high) =>
      low <= 0 && high >= 0
        ? { text: 'No rate that this way of measuring could show.', good: null }
        : { text: low > 0 ? 'It gains.' : 'It loses.', good: null },
  },
];
/** What can be measured on a movement with these traits. */
export const measurablesFor = (traits: Traits): Measurable[] => MEASURABLES.filter((m) => m.applies(traits));

/**
 * What such a movement cannot show is not measured: a pendulum has no amplitude in degrees of a balance.
 * @throws Outside at `kind`
 */
export function mayMeasure(traits: Traits, kind: string): void {
  const m = MEASURABLES.find((x) => x.id === kind);
  ensure(m?.applies(traits) ?? false, 'kind', 'This movement has nothing of the kind to measure.');
}

/**
 * What a measurement says and how sure it is.
 * @throws Outside for a kind or a way that is not known, or a value outside the plausible range
 */
export function weighMeasurement(
  traits: Traits,
  kind: string,
  value: number,
  how: string,
): { text: string; good: boolean | null; within: number; unit: string; name: string } {
  const m = MEASURABLES.find((x) => x.id === kind);
  ensure(m !== undefined, 'kind', 'This is not measured here.');
  const means = m.means.find((x) => x.how === how);
  ensure(means !== undefined, 'how', 'Say how it was measured.');
  ensure(value >= m.from && value <= m.to, 'value', `Between ${m.from} and ${m.to} ${m.unit}.`);
  ensure(means.only?.includes(value) ?? true, 'value', `This way it is ${means.only?.join(' or ')} ${m.unit}.`);
  const within = means.share ? Math.abs(value) * means.within : means.within;
  return { ...m.judge(value - within, value + within, traits), within, unit: m.unit, name: m.name };
}
