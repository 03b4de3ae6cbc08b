import type { Observed } from './infer.ts';
import { beats, drivenBy, has, hasTrain, isMains, isSpring, isWeight, type Traits } from '../movement/index.ts';

type Shown = (t: Traits) => boolean;
const any: Shown = () => true;
const runs: Shown = beats;
const strikes: Shown = (t) => t.strike !== 'none';
const torsion: Shown = (t) => t.oscillator === 'torsion pendulum';
const chimes: Shown = (t) => hasTrain(t, 'chime');
const electric: Shown = (t) => has(t, 'coil') && !drivenBy(t, isMains);
const mains: Shown = (t) => drivenBy(t, isMains);
const prints: Shown = (t) => has(t, 'print work') || has(t, 'recording drum');

/**
 * What a person can see or hear before any tool is taken up, and which movements can show it. Ids are stable: they are
 * stored.
 */
const TABLE = {
  dead: ['Dead: never runs', any],
  'stops-hours': ['Stops after hours', any],
  'stops-late': ['Stops late in the wind', runs],
  'stops-place': ['Stops at the same place', any],
  'uneven-wind': ['Uneven over the wind', (t) => drivenBy(t, (d) => d === 'fusee spring')],
  'wont-stay-wound': ['Will not stay wound', (t) => drivenBy(t, (d) => isSpring(d) || isWeight(d))],
  'bench-not-case': ['Runs on the bench, not in its case', (t) => t.oscillator === 'pendulum' || torsion(t)],
  'loses-unregulated': ['Loses and will not regulate faster', runs],
  loses: ['Loses', runs],
  gains: ['Gains', runs],
  'rate-wanders': ['Rate wanders', runs],
  'small-swing': ['Small swing or amplitude', runs],
  'uneven-beat': ['Uneven beat', (t) => t.oscillator === 'pendulum' || torsion(t)],
  'torsion-touches': ['Torsion bob touches', torsion],
  'torsion-flutters': ['Torsion escapement flutters', torsion],
  'no-strike': ['No strike', strikes],
  'wrong-constant': ['Strikes a wrong hour by a constant number', strikes],
  'wrong-linear': [
    'One number too many or too few at all hours: twelve gives thirteen or eleven',
    (t) => t.strike === 'rack',
  ],
  'half-hour-out': ['One blow at the hour, the hour at the half', (t) => t.strike === 'count wheel'],
  'wrong-random': ['Wrong counts at random', strikes],
  'far-too-few': ['Strikes far too few whatever the hour', strikes],
  'runs-on': ['Runs on striking', strikes],
  'misses-strike': ['Misses a strike now and then', strikes],
  'off-the-hour': ['Strikes before or after the hour', strikes],
  'strikes-slow': ['Strikes too slow', strikes],
  'strikes-fast': ['Strikes too fast', strikes],
  'stops-before-strike': ['Stops before the hour or quarter', strikes],
  'dull-thud': ['Dull thud', strikes],
  'tone-hard': ['Tone hard or dull', strikes],
  'no-chime': ['No chime', chimes],
  'quarters-order': ['Quarters out of order', chimes],
  'wrong-phrases': ['Right number of changes, wrong phrases', (t) => has(t, 'chime drum')],
  'hands-slip': ['Hands slip or stay while it runs', any],
  'alarm-fails': ['Alarm fails', (t) => hasTrain(t, 'alarm')],
  'repeater-uneven': ['Repeater faint or uneven', (t) => has(t, 'repeater')],
  'dial-train-catches': ['Dial train catches', (t) => has(t, 'moon work') || has(t, 'calendar work')],
  'coil-no-pull': ['Coil does not pull', electric],
  'contacts-spark': ['Contacts spark', electric],
  'winds-often': ['Winds too often', electric],
  'coil-hot': ['Coil hot', (t) => has(t, 'coil')],
  hums: ['Hums but does not turn', mains],
  silent: ['Silent on mains', mains],
  'prints-faint': ['Prints faint', prints],
  'day-change': ['Day changes late or early', prints],
} as const satisfies Record<string, readonly [string, Shown]>;

export type SymptomId = keyof typeof TABLE;
export const SYMPTOM_IDS = Object.keys(TABLE) as [SymptomId, ...SymptomId[]];
export const SYMPTOMS = Object.fromEntries(SYMPTOM_IDS.map((id) => [id, TABLE[id][0]])) as Record<SymptomId, string>;
/** Whether a movement with these traits can show the symptom. */
export const canShow = (traits: Traits, symptom: SymptomId): boolean => TABLE[symptom][1](traits);

/** As a person would go through them. */
export const SYMPTOM_GROUPS: readonly (readonly [title: string, from: SymptomId])[] = [
  ['Going', 'dead'],
  ['Strike and chime', 'no-strike'],
  ['Hands, dial, alarm', 'hands-slip'],
  ['Electric', 'coil-no-pull'],
  ['Print', 'prints-faint'],
];
/** The heading that a symptom stands under. */
export function groupOf(symptom: SymptomId): string {
  const at = SYMPTOM_IDS.indexOf(symptom);
  return SYMPTOM_GROUPS.findLast(([, from]) => SYMPTOM_IDS.indexOf(from) <= at)![0];
}

/** While a clock is dead these cannot be observed: not asked is not absent. */
export const HIDDEN_WHEN_DEAD: readonly SymptomId[] = [
  'stops-hours',
  'stops-late',
  'stops-place',
  'uneven-wind',
  'bench-not-case',
  'loses-unregulated',
  'loses',
  'gains',
  'rate-wanders',
  'small-swing',
  'uneven-beat',
  'torsion-flutters',
  'stops-before-strike',
  'winds-often',
];

export type Observations = Partial<Record<SymptomId, Exclude<Observed, 'unknown'>>>;

/** States of one thing: it cannot gain and lose, nor be too slow and too fast. One of them excludes the others. */
export const EXCLUSIVE: readonly (readonly (readonly SymptomId[])[])[] = [
  [['gains'], ['loses', 'loses-unregulated']],
  [['strikes-slow'], ['strikes-fast']],
];
/** What cannot be as well, when a symptom is there. */
export const excludedBy = (symptom: SymptomId): SymptomId[] =>
  EXCLUSIVE.flatMap((states) =>
    states.some((s) => s.includes(symptom)) ? states.filter((s) => !s.includes(symptom)).flat() : [],
  );

/** Symptoms that cannot be observed given the others: a dead clock has no rate, and one that loses does not gain. */
export function unobservable(seen: Observations): readonly SymptomId[] {
  const there = SYMPTOM_IDS.filter((s) => seen[s] === 'present');
  return [
    ...(seen.dead === 'present' ? HIDDEN_WHEN_DEAD : []),
    ...there.flatMap(excludedBy).filter((s) => seen[s] !== 'present'),
  ];
}
