import { drivenBy, has, hasTrain, isSpring, isWeight, type SourceKind, type Traits } from '../movement/index.ts';

type Row = readonly [what: string, evidence: string, applies: (t: Traits) => boolean];
const any = () => true;
const pendulum = (t: Traits) => t.oscillator === 'pendulum';

/** What is often missing, with the evidence that shows it. From the traits; practice. */
const MISSING: readonly Row[] = [
  ['Suspension spring', 'an empty slot in the cock', (t) => has(t, 'suspension spring')],
  ['Pendulum bob', 'a hook with nothing on it', pendulum],
  ['Rating nut', 'a bare thread below the bob', pendulum],
  ['Torsion strip', 'blocks with nothing between them', (t) => has(t, 'torsion strip')],
  ['Weight', 'a pulley or hook with nothing on it', (t) => drivenBy(t, isWeight)],
  ['Pulley', 'a line with a knot and nothing else', (t) => has(t, 'pulleys')],
  ['Key', 'winding squares and nothing that fits', (t) => drivenBy(t, isSpring)],
  ['Movement screws', 'empty holes with clean rims', any],
  ['Taper pins', 'wire or nails in their place', (t) => t.construction === 'pinned or screwed plates'],
  ['Hand nut and washer', 'a loose minute hand', any],
  ['Alarm work', 'posts and an empty hole in the plate', (t) => hasTrain(t, 'alarm')],
  ['Hammer or its leather', 'a bare stem, a hard tone', (t) => t.strike !== 'none'],
  ['Bell, gong or rods', 'a stand with nothing on it', (t) => t.strike !== 'none'],
  ['Contact', 'a cut wire, a clean patch', (t) => has(t, 'contacts')],
  ['Bellows', 'wires that lift nothing', (t) => has(t, 'bellows')],
  ['Glass', 'an empty rebate', any],
  ['Dome', 'a groove in the base', (t) => t.oscillator === 'torsion pendulum'],
  ['Trim, finial or moulding', 'a clean patch, a pin standing out', any],
];
/** What such a clock is often without, with the evidence that shows it. */
export const missingFor = (traits: Traits) =>
  MISSING.filter(([, , applies]) => applies(traits)).map(([what, evidence]) => ({ what, evidence }));

const endless = (k: SourceKind) => k === 'weight on endless chain' || k === 'weight on endless rope';
/** What such a clock usually comes with: offered at the counter, so that nothing is left in the car. */
const COMES_WITH: readonly Row[] = [
  ['Pendulum', '', (t) => pendulum(t) || t.oscillator === 'torsion pendulum'],
  ['Weight', '', (t) => t.sources.filter((x) => isWeight(x.kind)).length === 1],
  ['Small ring or weight of the chain', '', (t) => drivenBy(t, endless)],
  ['Weight, left', '', (t) => t.sources.filter((x) => isWeight(x.kind)).length > 1],
  ['Weight, right', '', (t) => t.sources.filter((x) => isWeight(x.kind)).length > 1],
  ['Weight, centre', '', (t) => t.sources.filter((x) => isWeight(x.kind)).length > 2],
  ['Winding key', '', (t) => drivenBy(t, isSpring)],
  ['Crank', '', (t) => drivenBy(t, (d) => d === 'weight on line' || d === 'weight on cable')],
  ['Case key', '', any],
  ['Dome', '', (t) => t.oscillator === 'torsion pendulum' || has(t, 'dome')],
  ['Mains lead', '', (t) => has(t, 'mains cord')],
  ['Bag of loose trim', '', any],
];
/** What such a clock usually comes with. */
export const comesWith = (traits: Traits): string[] =>
  COMES_WITH.filter(([, , applies]) => applies(traits)).map(([what]) => what);

export const KEY_FITS = ['fits', 'loose', 'tight', 'does not fit', 'not tried'] as const;
export type KeyFit = (typeof KEY_FITS)[number];
/** Whether a thing by this name winds or locks: its size matters. */
export const isKey = (what: string): boolean => /\b(key|crank)\b/i.test(what);

/** What is lent to a movement that came alone, and what its test therefore does not show. Practice. */
const BORROWED: readonly (readonly [RegExp, string])[] = [
  [/bob|pendulum/i, 'its rate with its own pendulum'],
  [/case|stand/i, 'that it runs in its own case, level and fixed'],
  [/supply|battery|current/i, 'that it runs on its own supply and wiring'],
  [/dial|hands?/i, 'that hands and dial clear each other'],
  [/weight/i, 'that its own weights are enough'],
  [/bell|gong|rods/i, 'its own tone'],
  [/slave|driven/i, 'that it drives all of its dials'],
];
/** What stays unproven when these were borrowed to test it. */
export const unproven = (borrowed: string): string[] =>
  BORROWED.filter(([word]) => word.test(borrowed)).map(([, what]) => what);
