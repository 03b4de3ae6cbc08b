import {
  beats,
  drivenBy,
  has,
  hasTrain,
  isSpring,
  type ArborClass,
  type Traits,
  isMains,
  type Purpose,
} from '../movement/index.ts';
import { stillHolds, type Depth, type PassDepth } from '../workflow/index.ts';
import { held, type Choices, type RuleId, type SchoolId } from '../rules/index.ts';

export const GRADES = ['grease', 'heavy', 'clock', 'fine', 'none'] as const;
export type Grade = (typeof GRADES)[number];

/**
 * How deep a pass has to go before a point is oiled again; the plates where nothing is said. Common practice.
 */
const TOUCHED_FROM: Partial<Record<string, Depth>> = {
  'mainspring-barrel': 'barrel',
  pipes: 'dial side',
  'minute-post': 'dial side',
  'dial-work': 'dial side',
  'warning-faces': 'dial side',
  'pin-lever-pivots': 'escapement',
  'impulse-pin': 'escapement',
  'centre-clutch': 'dial side',
  rack: 'dial side',
  escape: 'escapement',
  'pallet-faces': 'escapement',
  'pallet-arbor': 'escapement',
  'lever-pivots': 'escapement',
  'balance-pivots': 'escapement',
  'cone-pivots': 'escapement',
  hairspring: 'escapement',
  cylinder: 'escapement',
  'floating-wire': 'escapement',
  crutch: 'escapement',
  suspension: 'escapement',
  'anchor-pin': 'escapement',
};

export interface OilPoint {
  id: string;
  where: string;
  grade: Grade;
  amount: string;
  /** The shallowest pass that touches it. */
  from: Depth;
}

/** Of what was oiled, what was not opened since. */
export const oilHolding = <O extends { point: string; at: string }>(
  chart: readonly OilPoint[],
  oiled: readonly O[],
  passes: readonly PassDepth[],
): O[] => {
  const from = new Map(chart.map((p) => [p.id, p.from]));
  return oiled.filter((o) => stillHolds(o.at, from.get(o.point) ?? 'plates', passes));
};

type Row = readonly [id: string, where: string, grade: Grade, amount: string, applies: (t: Traits) => boolean];

const always = () => true;
const pivotsOf = (t: Traits, ...classes: string[]) =>
  t.trains.some((tr) => tr.arbors.some((a) => classes.includes(a.class)));
const strikes = (t: Traits) => hasTrain(t, 'strike') || hasTrain(t, 'chime') || hasTrain(t, 'music');

/** Grades and amounts are common practice; "none" is a point to be ticked too: it was looked at and left dry. */
const ROWS: readonly Row[] = [
  [
    'barrel-pivots',
    'Barrel and winding arbors, clicks',
    'heavy',
    'a drop each',
    (t) => drivenBy(t, isSpring) || pivotsOf(t, 'barrel'),
  ],
  [
    'mainspring-barrel',
    'Mainspring in its barrel',
    'grease',
    'thin, after it is in',
    (t) => drivenBy(t, (d) => d === 'barrel spring' || d === 'fusee spring'),
  ],
  ['mainspring-open', 'Open mainspring', 'heavy', 'a film, wiped', (t) => drivenBy(t, (d) => d === 'open spring')],
  [
    'train-low',
    'Train pivots up to the centre, front and back',
    'clock',
    'sink half full',
    (t) => pivotsOf(t, 'train') && !has(t, 'wooden arbors'),
  ],
  [
    'train-high',
    'Train pivots above the centre, and fly',
    'clock',
    'tiny',
    (t) => pivotsOf(t, 'late train', 'fly') && !has(t, 'wooden arbors'),
  ],
  ['escape', 'Escape wheel pivots', 'fine', 'tiny', (t) => t.escapement !== 'none'],
  [
    'pallet-faces',
    'Pallet faces, or two escape teeth',
    'fine',
    'a film',
    (t) => t.escapement !== 'none' && t.escapement !== 'cylinder',
  ],
  ['cylinder', 'Inside of the cylinder, and the escape teeth', 'fine', 'a trace', (t) => t.escapement === 'cylinder'],
  ['pallet-arbor', 'Pallet arbor', 'fine', 'tiny', (t) => pivotsOf(t, 'pallet') && t.oscillator !== 'balance'],
  [
    'lever-pivots',
    'Lever pivots',
    'none',
    'a pool slows the snap',
    (t) => has(t, 'platform') || (t.escapement === 'lever' && pivotsOf(t, 'lever')),
  ],
  [
    'balance-pivots',
    'Balance pivots and jewels',
    'fine',
    'tiny',
    (t) => t.oscillator === 'balance' && !has(t, 'cone pivots') && !has(t, 'floating balance'),
  ],
  [
    'pin-lever-pivots',
    'Lever pivots in the plates',
    'fine',
    'tiny',
    (t) => t.escapement === 'pin-pallet' && pivotsOf(t, 'lever') && !has(t, 'platform'),
  ],
  [
    'impulse-pin',
    'Impulse pin and fork slot',
    'none',
    'dry',
    (t) => t.oscillator === 'balance' && (t.escapement === 'lever' || t.escapement === 'pin-pallet'),
  ],
  ['cone-pivots', 'Cone pivots of the balance', 'fine', 'one tiny drop', (t) => has(t, 'cone pivots')],
  ['floating-wire', 'Wire and guides of the balance', 'none', 'never', (t) => has(t, 'floating balance')],
  ['figure', 'Arbor of the moving figure', 'clock', 'a trace', (t) => has(t, 'moving figure')],
  [
    'dial-work',
    'Arbors of the dial work: moon, calendar',
    'clock',
    'a trace',
    (t) => has(t, 'moon work') || has(t, 'calendar work'),
  ],
  ['hairspring', 'Hairspring', 'none', 'never', (t) => has(t, 'hairspring')],
  ['crutch', 'Crutch loop or fork', 'fine', 'a trace', (t) => has(t, 'crutch')],
  [
    'suspension',
    'Suspension spring or strip',
    'none',
    'never',
    (t) => has(t, 'suspension spring') || has(t, 'torsion strip'),
  ],
  ['anchor-pin', 'Anchor pin and fork', 'none', 'or the least trace', (t) => t.oscillator === 'torsion pendulum'],
  ['centre-clutch', 'Centre clutch', 'grease', 'a trace', beats],
  ['pipes', 'Cannon and hour pipes', 'clock', 'a trace', always],
  ['minute-post', 'Minute-wheel post, stop work, count-wheel stud', 'clock', 'a trace', always],
  ['rack', 'Rack, snail and lifting pieces', 'none', 'dry, or the rack stops falling', (t) => t.strike === 'rack'],
  ['hammer-arbors', 'Hammer arbors in the plates', 'clock', 'a trace', strikes],
  ['hammer-lift', 'Hammer lifting pins or star, drum teeth', 'grease', 'one dab each', strikes],
  ['warning-faces', 'Warning and lifting faces rubbed by springs', 'grease', 'a trace', strikes],
  ['drum-pivots', 'Chime drum and idler pivots', 'clock', 'a drop', (t) => has(t, 'chime drum')],
  ['alarm-hammer', 'Hammer arbor of the alarm', 'clock', 'a trace', (t) => hasTrain(t, 'alarm')],
  ['fusee-pivots', 'Fusee pivots', 'clock', 'a drop', (t) => drivenBy(t, (d) => d === 'fusee spring')],
  ['fusee-chain', 'Fusee chain', 'clock', 'oil, wipe dry', (t) => has(t, 'fusee chain')],
  ['maintaining', 'Maintaining ratchet', 'clock', 'a trace', (t) => has(t, 'maintaining power')],
  ['line', 'Lines, drive chains, pulley rims', 'none', 'dry', (t) => drivenBy(t, (d) => d.startsWith('weight'))],
  ['pulley-pivots', 'Pulley pivots', 'clock', 'a trace', (t) => has(t, 'pulleys')],
  ['motor-bushes', 'Motor train bushes', 'clock', 'a drop each', (t) => drivenBy(t, isMains)],
  ['contacts', 'Contacts', 'none', 'dry and clean', (t) => has(t, 'contacts')],
  ['plunger', 'Coil plunger', 'none', 'dry', (t) => drivenBy(t, (d) => d === 'electric rewind')],
  ['print-work', 'Bevels, rods and day cam', 'clock', 'a trace', (t) => has(t, 'print work')],
  ['ribbon', 'Ribbon and print faces', 'none', 'dry', (t) => has(t, 'print work')],
  [
    'bellows',
    'Bellows, and pivots of wooden arbors',
    'none',
    'never',
    (t) => has(t, 'bellows') || has(t, 'wooden arbors'),
  ],
  ['teeth', 'Wheel teeth and pinion leaves', 'none', 'oil and dirt make a lap', always],
];

/** Where a house rule says otherwise than the table: its school, the point, and what goes there then. */
type ByRule = {
  [Q in RuleId]: readonly [question: Q, school: SchoolId<Q>, point: string, grade: Grade, amount: string];
}[RuleId];
const BY_RULE: readonly ByRule[] = [
  ['rack', 'trace', 'rack', 'fine', 'a trace, by house rule'],
  ['teeth', 'oiled', 'teeth', 'clock', 'a trace, by house rule'],
  ['teeth', 'greased', 'teeth', 'grease', 'slow work only, by house rule'],
  ['chains', 'dry', 'fusee-chain', 'none', 'dry, by house rule'],
  ['spring-grease', 'oil', 'mainspring-barrel', 'heavy', 'a film, by house rule'],
  ['spring-grease', 'flood', 'mainspring-open', 'clock', 'flooded and exercised, by house rule'],
];

/** The chart for one movement, in working order, under the house rules that hold for it. */
export const oilChart = (traits: Traits, rules: Choices = {}): OilPoint[] =>
  ROWS.filter(([, , , , applies]) => applies(traits)).map(([id, where, grade, amount]) => {
    const rule = BY_RULE.find(([question, school, point]) => point === id && held(question, rules).id === school);
    const from = TOUCHED_FROM[id] ?? 'plates';
    return { id, where, from, ...(rule ? { grade: rule[3], amount: rule[4] } : { grade, amount }) };
  });

/**
 * Which point of the chart a pivot hole belongs to, by how far from the power its arbor turns; a motor's are all alike.
 */
const OF_PIVOT: Record<ArborClass, readonly string[]> = {
  barrel: ['barrel-pivots', 'fusee-pivots'],
  train: ['train-low'],
  'late train': ['train-high'],
  fly: ['train-high'],
  escape: ['escape'],
  pallet: ['pallet-arbor'],
  lever: ['lever-pivots', 'pin-lever-pivots'],
  balance: ['balance-pivots', 'cone-pivots'],
};
/** The point of the chart that the pivots of such an arbor belong to; null where the chart has none. */
export function pointOfPivot(chart: readonly OilPoint[], arbor: ArborClass, train: Purpose): OilPoint | null {
  // The pallets of an alarm are its hammer.
  const points = arbor === 'pallet' && train === 'alarm' ? ['alarm-hammer'] : OF_PIVOT[arbor];
  return chart.find((p) => p.id === 'motor-bushes' || points.includes(p.id)) ?? null;
}
