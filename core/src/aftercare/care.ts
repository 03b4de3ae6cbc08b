import { oneOf, SETTERS, type Setter } from '../pendulum/index.ts';
import {
  beats,
  drivenBy,
  has,
  hasTrain,
  isSpring,
  isWeight,
  storedSources,
  type Traits,
  onMains,
} from '../movement/index.ts';

/**
 * What the owner is told, on paper: by heading, in plain sentences. Practice; each row from the traits, never from the
 * name.
 */
type Row = readonly [heading: string, says: string, on: (t: Traits) => boolean];
const strikes = (t: Traits) => t.strike !== 'none';
const follows = (t: Traits) => t.oscillator === 'pulses of a master';
const pendulum = (t: Traits) => t.oscillator === 'pendulum';
const wound = (t: Traits) => storedSources(t).some((x) => x.kind !== 'electric rewind');
const days = (t: Traits) => (t.windHours ?? 0) / 24;

const ROWS: readonly Row[] = [
  ['Winding', 'Once a day, at about the same hour.', (t) => wound(t) && days(t) > 0 && days(t) <= 1.6],
  [
    'Winding',
    'Once a week, on the same day; it goes on for about eight.',
    (t) => wound(t) && days(t) > 1.6 && days(t) <= 10,
  ],
  [
    'Winding',
    'At the interval you were told; do not wait until it stops.',
    (t) => wound(t) && (days(t) > 10 || days(t) === 0),
  ],
  [
    'Winding',
    'Hold the key until you feel the click take it, and never let it spin back. Stop when it is firm: never force it.',
    (t) => drivenBy(t, isSpring),
  ],
  ['Winding', 'Wind all trains fully each time, one after the other.', (t) => storedSources(t).length > 1],
  ['Winding', 'Stop before the weight touches its pulley or the seat board.', (t) => drivenBy(t, isWeight)],
  [
    'Winding',
    'It winds itself: nothing to do while its supply is on.',
    (t) => drivenBy(t, (d) => d === 'electric rewind'),
  ],
  [
    'Winding',
    'Its cell is renewed once a year. Take a spent one out at once: it leaks.',
    (t) => drivenBy(t, (d) => d === 'electric impulse') && !follows(t),
  ],
  [
    'Setting to time',
    'By the minute hand, forward. At each hour and half wait until it has finished striking.',
    (t) => strikes(t) && !has(t, 'chime drum'),
  ],
  [
    'Setting to time',
    'By the minute hand, forward. At each quarter wait until it has finished.',
    (t) => has(t, 'chime drum'),
  ],
  [
    'Setting to time',
    'By the minute hand or its knob, gently.',
    (t) => !strikes(t) && !has(t, 'chime drum') && !follows(t),
  ],
  ['Setting to time', 'It follows its master clock: set that one, never this.', follows],
  ['Setting to time', 'Let a tune that plays come to its end before the hands are moved.', (t) => hasTrain(t, 'music')],
  ['Setting to time', 'To put it back an hour, stop it and wait: never turn back past a strike.', strikes],
  [
    'Setting to time',
    'If strike and hands disagree, let off the strike until they agree; the card inside says how.',
    (t) => t.strike === 'count wheel',
  ],
  [
    'Setting to time',
    'Moon and date: not between eight in the evening and two in the morning.',
    (t) => has(t, 'moon work') || has(t, 'calendar work'),
  ],
  [
    'Faster or slower',
    'The nut under the pendulum: up is faster, down is slower. A turn at a time, then wait two days.',
    (t) => pendulum(t),
  ],
  [
    'Faster or slower',
    'The small lever at the back: towards F is faster. The least move at a time, then wait two days.',
    (t) => t.oscillator === 'balance' && !has(t, 'floating balance'),
  ],
  [
    'Faster or slower',
    'The adjuster of its pendulum: towards F is faster. A quarter of a turn at a time, then wait two days.',
    (t) => t.oscillator === 'torsion pendulum',
  ],
  [
    'Faster or slower',
    'Its balance hangs on a wire: leave it to us, and touch neither.',
    (t) => has(t, 'floating balance'),
  ],
  [
    'Where it stands',
    'Firm and level, out of the sun and away from a stove. Fixed to the wall if it is tall or hung.',
    beats,
  ],
  [
    'Where it stands',
    'Even ticks, left as long as right: if they limp, the clock does not stand as it was set. Call ' +
      'us rather than bend anything.',
    (t) => pendulum(t),
  ],
  [
    'Where it stands',
    'Level it by its feet until its pendulum hangs free in the middle of its cup; out of draughts, the dome on.',
    (t) => t.oscillator === 'torsion pendulum',
  ],
  [
    'Where it stands',
    'Never carry it while the pendulum turns: lock it first.',
    (t) => t.oscillator === 'torsion pendulum',
  ],
  [
    'Moving it',
    'Weights off first, then the pendulum: a train under its weight runs away. Then carry it upright.',
    (t) => pendulum(t) && drivenBy(t, isWeight),
  ],
  ['Moving it', 'Pendulum off or tied, then carry it upright.', (t) => pendulum(t) && !drivenBy(t, isWeight)],
  [
    'Moving it',
    'A weight that falls breaks floors and feet: take them off one by one, and mark which hung where.',
    (t) => drivenBy(t, isWeight),
  ],
  ['Mind', 'No oil, and no spray, anywhere: it spreads, gathers dirt, and has to be cleaned off again.', () => true],
  ['Mind', 'Mains: never open it. Repairs of cord and plug belong to licensed people, by your local rules.', onMains],
  ['Mind', 'Its hands or dial may carry luminous paint: do not scrape or open it.', (t) => has(t, 'luminous paint')],
  [
    'Mind',
    'Its pendulum holds mercury, which is poisonous: keep it upright and do not open it.',
    (t) => has(t, 'mercury pendulum'),
  ],
];

/** "One turn makes about 2 min a day." */
const effectWords = ({ setter, perUnit }: Learnt): string =>
  `One ${oneOf(SETTERS[setter].unit)} of the ${setter} makes about ` +
  (perUnit < 100 ? `${perUnit.toFixed(0)} s a day.` : `${(perUnit / 60).toFixed(1)} min a day.`);

interface Learnt {
  setter: Setter;
  /** s/day. */
  perUnit: number;
}

/**
 * Headings in order, each with its sentences.
 * @param learnt what one step of its setter has made while it was on test
 */
export function careOf(traits: Traits, learnt: Learnt | null = null): { heading: string; says: string[] }[] {
  const effect = learnt ? [['Faster or slower', effectWords(learnt)] as const] : [];
  const own = [...ROWS.filter(([, , on]) => on(traits)), ...effect];
  return [...new Set(own.map(([h]) => h))].map((heading) => ({
    heading,
    says: own.filter(([h]) => h === heading).map(([, says]) => says),
  }));
}
