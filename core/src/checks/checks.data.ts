import type { Check } from './check.ts';
import type { Depth } from '../workflow/index.ts';
import {
  beats,
  drivenBy,
  has,
  hasTrain,
  isSpring,
  isWeight,
  storedSources,
  trainsOf,
  type Purpose,
  type Traits,
  onMains,
} from '../movement/index.ts';

export type Row = Omit<Check, 'place' | 'from'> & { on: (t: Traits) => boolean };

/**
 * How deep a pass has to go before a check is asked again; the plates where nothing is said. Common practice: what is
 * set under the dial is upset there, and whatever comes off takes the hands with it.
 */
export const TOUCHED_FROM: Partial<Record<string, Depth>> = {
  hands: 'hands and dial',
  'f-strike': 'hands and dial',
  warning: 'dial side',
  'count-wheel': 'dial side',
  rack: 'dial side',
  correction: 'dial side',
  selector: 'dial side',
  alarm: 'dial side',
  repeater: 'dial side',
  moon: 'dial side',
  calendar: 'dial side',
  'f-chime': 'dial side',
  'f-alarm': 'dial side',
  'f-repeater': 'dial side',
  'f-moon': 'dial side',
  'f-calendar': 'dial side',
  'f-flag': 'dial side',
  drop: 'escapement',
  verge: 'escapement',
  crutch: 'escapement',
  cylinder: 'escapement',
  toggle: 'escapement',
  steps: 'escapement',
  suspension: 'escapement',
  torsion: 'escapement',
  floating: 'escapement',
  balance: 'escapement',
  beat: 'escapement',
};

/** A check that belongs to every movement. */
export const always = () => true;

/** The movement has this train. */
export const train = (purpose: Purpose) => (t: Traits) => hasTrain(t, purpose);

const sources = (t: Traits, purpose: Purpose) =>
  storedSources(t).filter((s) => trainsOf(t, s).some((x) => x.purpose === purpose));

/** A source that stores power drives such a train, so it can be dangerous. */
export const powered = (purpose: Purpose) => (t: Traits) => sources(t, purpose).length > 0;

/** The movement has this complication or fitting. */
export const fitted =
  (...fittings: Parameters<typeof has>[1][]) =>
  (t: Traits) =>
    fittings.some((f) => has(t, f));

/** It strikes, by rack, count wheel or otherwise. */
export const strikes = (t: Traits) => t.strike !== 'none';

/** A pendulum swings in it. */
export const swings = (t: Traits) => t.oscillator === 'pendulum';

/** A balance swings in it. */
export const balanced = (t: Traits) => t.oscillator === 'balance';

/** The row that asks whether this train turns freely; `name` is the train in words. */
export const free = (key: Purpose, name: string): Row => ({
  id: `free-${key}`,
  group: 'Plates and trains',
  on: powered(key),
  what: `${name} train free without power`,
  how: 'A light finger on the great wheel: it runs on by itself and stops softly, the same at every place.',
});

/** The row that asks whether the click of this train holds; `name` is the train in words. */
export const click = (key: Purpose, name: string): Row => ({
  id: `click-${key}`,
  group: 'Plates and trains',
  // Trains that share a source share its click: it is asked with the first of them.
  on: (t) => sources(t, key).some((x) => (isSpring(x.kind) || isWeight(x.kind)) && trainsOf(t, x)[0]?.purpose === key),
  what: `${name} click holds in every tooth`,
  how: 'Wind a few teeth, let it lean on the click, look that it lies at the root.',
  caution: 'A slipping click lets the key spin or the weight fall: keep hold until the click is seen to hold.',
});

/** As it goes together, the heavy end first, each function before the next goes on top. */
export const ASSEMBLE: readonly Row[] = [
  {
    id: 'end-shake',
    group: 'Plates and trains',
    on: always,
    what: 'End shake on every arbor',
    how: 'Plates on: lift each with tweezers. It moves a little lengthways, drops back, and no wheel touches.',
  },
  free('going', 'Going'),
  free('strike', 'Strike'),
  free('chime', 'Chime'),
  free('alarm', 'Alarm'),
  click('going', 'Going'),
  click('strike', 'Strike'),
  click('chime', 'Chime'),
  free('music', 'Music'),
  click('alarm', 'Alarm'),
  click('music', 'Music'),
  {
    id: 'stop-work',
    group: 'Plates and trains',
    on: fitted('stop work'),
    what: 'Stop work set',
    how: 'It stops the winding before the spring is bound, and the set-up turns are in.',
  },
  {
    id: 'maintaining',
    group: 'Plates and trains',
    on: fitted('maintaining power'),
    what: 'Maintaining power keeps it going while it is wound',
    how: 'Hold the key back against the ratchet: the escape wheel goes on pushing.',
  },
  {
    id: 'drop',
    group: 'Escapement',
    on: (t) => !['none', 'verge', 'cylinder'].includes(t.escapement),
    what: 'Locks on both pallets, drop equal',
    how: 'Little power, lead it over by hand tooth by tooth, one whole turn of the escape wheel.',
  },
  {
    id: 'verge',
    group: 'Escapement',
    on: (t) => t.escapement === 'verge',
    what: 'Every tooth drops a little on both pallets, none butts',
    how: 'Lead it over by hand, one whole turn of the escape wheel. A verge never locks: it recoils all the time.',
  },
  {
    id: 'cylinder',
    group: 'Escapement',
    on: (t) => t.escapement === 'cylinder',
    what: 'Teeth drop alike inside and outside the cylinder, and touch neither its edge nor its plug',
    how: 'Little power, lead the balance slowly by hand both ways, tooth by tooth, one whole turn of the wheel.',
  },
  {
    id: 'toggle',
    group: 'Escapement',
    on: fitted('toggle'),
    what: 'The toggle trails clear, and catches only when the swing has fallen',
    how: 'Count the swings from one push to the next: many and steady when all is free.',
  },
  {
    id: 'steps',
    group: 'Escapement',
    on: (t) => t.oscillator === 'pulses of a master',
    what: 'Each pulse steps it once, and it cannot be thrown on or back',
    how: 'A full hour of pulses at its rated current, then a little less of it.',
  },
  {
    id: 'crutch',
    group: 'Escapement',
    on: fitted('crutch'),
    what: 'Crutch carries the pendulum with hardly a gap',
    how: 'A sheet of thin paper of play, in the middle, and it rubs nowhere.',
  },
  {
    id: 'suspension',
    group: 'Escapement',
    on: (t) => swings(t) && has(t, 'suspension spring'),
    what: 'Pendulum hangs straight, the suspension is not twisted',
    how: 'It comes to rest without wobbling, and swings in one plane.',
  },
  {
    id: 'torsion',
    group: 'Escapement',
    on: (t) => t.oscillator === 'torsion pendulum',
    what: 'Strip straight, fork at its height, overswing on both sides',
    how: 'After each drop it swings on a little further, the same both ways.',
  },
  {
    id: 'balance',
    group: 'Escapement',
    on: (t) => balanced(t) && !has(t, 'floating balance'),
    what: 'Balance free, hairspring flat and centred',
    how: 'No coil clings to another or touches an arm, at rest and in motion.',
  },
  {
    id: 'floating',
    group: 'Escapement',
    on: fitted('floating balance'),
    what: 'Balance hangs free on its wire, the fork passes its roller both ways',
    how: 'The wire is straight and taut, the spring touches nothing; it turns on well after a push.',
  },
  {
    id: 'beat',
    group: 'Escapement',
    on: beats,
    what: 'In beat',
    how: 'Level first. Tick to tock as long as tock to tick: Listen shows both as arcs.',
  },
  {
    id: 'lock-strike',
    group: 'Strike',
    on: strikes,
    what: 'At lock the warning wheel has about half a turn to run',
    how: 'Mesh the strike wheels so, before the plates close.',
    before: true,
  },
  {
    id: 'hammer-rest',
    group: 'Strike',
    on: strikes,
    what: 'At lock no pin lifts the hammer',
    how: 'The hammer tail is free, and the last blow fell a moment before.',
    before: true,
  },
  {
    id: 'warning',
    group: 'Strike',
    on: strikes,
    what: 'Warning: it runs, is held, and goes at the hour',
    how: 'Let off slowly by the hands: one clear warning, and no blow before its time.',
  },
  {
    id: 'count-wheel',
    group: 'Strike',
    on: (t) => t.strike === 'count wheel',
    what: 'Count lever falls to the bottom of every slot',
    how: 'All twelve hours by hand: it neither rides on an edge nor stays up.',
  },
  {
    id: 'rack',
    group: 'Strike',
    on: (t) => t.strike === 'rack',
    what: 'Rack falls by itself, its tail in the middle of each step',
    how: 'Lift its hook at every hour: it drops at once. No oil on rack, hook or pallet.',
  },
  {
    id: 'hammers',
    group: 'Strike',
    on: (t) => strikes(t) || has(t, 'chime drum'),
    what: 'Hammers lift clear and rest off bell, rod or gong',
    how: 'A blow rings on: no buzz, no second touch.',
  },
  {
    id: 'fly',
    group: 'Strike',
    on: (t) => strikes(t) || has(t, 'chime drum'),
    what: 'Fly slips on its arbor and binds nowhere',
    how: 'Stop the train with a finger at the fly: the fly turns on a little.',
  },
  {
    id: 'drum',
    group: 'Chime',
    on: fitted('chime drum'),
    what: 'Drum in phase with its release',
    how: 'Let off all four in turn: each quarter plays its own phrase.',
  },
  {
    id: 'all-hammers',
    group: 'Chime',
    on: fitted('chime drum'),
    what: 'Every hammer falls on the tune that uses them all',
    how: 'One after the other, evenly, none silent.',
  },
  {
    id: 'correction',
    group: 'Chime',
    on: fitted('chime drum'),
    what: 'It puts itself right after a wrong quarter',
    how: 'Let off once by hand out of turn: by the next hour it is right again.',
  },
  {
    id: 'selector',
    group: 'Chime',
    on: fitted('selector lever'),
    what: 'Every place of the selector does what it says',
    how: 'Each tune, and silent.',
  },
  {
    id: 'alarm',
    group: 'Alarm and repeater',
    on: train('alarm'),
    what: 'Alarm lets off at the set time, once',
    how: 'At three times of the dial; the shut-off holds.',
  },
  {
    id: 'repeater',
    group: 'Alarm and repeater',
    on: fitted('repeater'),
    what: 'Repeater gives the hour shown, pulled to the end or not',
    how: 'Just before and just after a change.',
  },
  {
    id: 'bellows',
    group: 'Alarm and repeater',
    on: fitted('bellows'),
    what: 'Bellows lift in turn and close by themselves',
    how: 'Both calls whole, the door free.',
  },
  {
    id: 'moon',
    group: 'Dial work',
    on: fitted('moon work'),
    what: 'Moon driven by hand through a whole cycle',
    how: 'Click by click, both moons past: nothing fouls. What comes once a month does not show in a week.',
    caution: 'Not while the clock itself is changing it.',
  },
  {
    id: 'calendar',
    group: 'Dial work',
    on: fitted('calendar work'),
    what: 'Calendar driven by hand through a whole cycle',
    how: 'All days and the turn of the month, at a free point.',
    caution: 'Not while the clock itself is changing it.',
  },
  {
    id: 'contacts',
    group: 'Dial work',
    on: fitted('contacts'),
    what: 'Contacts open and close clean',
    how: 'Full travel by hand, no spark that stays.',
  },
  {
    id: 'hands',
    group: 'Hands',
    on: always,
    what: 'A gap between each hand, dial and glass all the way round',
    how: 'A whole turn of the minute hand, the hour hand with it.',
  },
  {
    id: 'falls',
    group: 'Hands',
    on: strikes,
    what: 'It strikes on the hour',
    how: 'Read the minute of release over several hours: below.',
  },
];

/** Its wind is over within what a shop can wait for, and it does not wind itself. Common practice: up to a month. */
const runsDown: Row['on'] = (t) =>
  storedSources(t).length > 0 &&
  t.oscillator !== 'torsion pendulum' &&
  (t.windHours ?? 192) <= 31 * 24 &&
  !drivenBy(t, (d) => d === 'electric rewind');

export const RUN: readonly Row[] = [
  {
    id: 'run-down',
    group: 'In position',
    on: runsDown,
    what: 'All trains run down together without stopping',
    how: 'Fully wound at once, through a whole winding.',
  },
  {
    id: 'f-strike',
    group: 'In position',
    on: strikes,
    what: 'Strike right for twelve hours',
    how: 'Heard and entered on the strike bench.',
  },
  {
    id: 'f-chime',
    group: 'In position',
    on: fitted('chime drum'),
    what: 'Each quarter plays its own phrase',
    how: 'Four in a row, in position.',
  },
  {
    id: 'f-alarm',
    group: 'In position',
    on: train('alarm'),
    what: 'Alarm wakes at the set time',
    how: 'Wound fully, in position.',
  },
  {
    id: 'f-repeater',
    group: 'In position',
    on: fitted('repeater'),
    what: 'Repeater gives the hour shown',
    how: 'In position.',
  },
  {
    id: 'f-moon',
    group: 'In position',
    on: fitted('moon work'),
    what: 'Moon moved on as it should',
    how: 'Once a day or twice, without stopping the clock.',
  },
  {
    id: 'f-calendar',
    group: 'In position',
    on: fitted('calendar work'),
    what: 'Date changed at night',
    how: 'At its hour, without stopping the clock.',
  },
  {
    id: 'f-flag',
    group: 'In position',
    on: (t) => drivenBy(t, (d) => d === 'electric rewind'),
    what: 'It winds itself as often as it should',
    how: 'Windings counted over some minutes, steady.',
  },
  {
    id: 'f-music',
    group: 'In position',
    on: train('music'),
    what: 'Every tune played through, evenly, and it stops where it began',
    how: 'Each tune once, the change from one to the next too.',
  },
  {
    id: 'f-figure',
    group: 'In position',
    on: fitted('moving figure'),
    what: 'The figure goes through its whole movement freely',
    how: 'A whole turn of it, in position.',
  },
  {
    id: 'f-steps',
    group: 'In position',
    on: (t) => t.oscillator === 'pulses of a master',
    what: 'It shows what its master shows, after a day',
    how: 'Not one pulse missed, not one too many.',
  },
  {
    id: 'f-maintain',
    group: 'In position',
    on: fitted('maintaining power'),
    what: 'It does not stop while it is wound',
    how: 'In position.',
  },
];

export const DELIVER: readonly Row[] = [
  {
    id: 'd-fixing',
    group: 'Where it stands',
    on: always,
    what: 'Wall or shelf is firm and carries the weight',
    how: 'Fixed where it can fall; the weights counted in.',
    caution: 'A tall or hung case is fixed to the wall before weights and pendulum go on. Follow your local rules.',
  },
  {
    id: 'd-mains',
    group: 'Where it stands',
    on: onMains,
    what: 'Outlet and cord are sound',
    how: 'Cord not pinched, plug by local rules.',
    caution: 'Mains wiring belongs to licensed people. Follow your local rules.',
  },
  {
    id: 'd-level',
    group: 'Where it stands',
    on: beats,
    what: 'Level, and it stays so',
    how: 'Nothing rocks; feet or screws home.',
  },
  {
    id: 'd-weights',
    group: 'Set going',
    on: (t) => drivenBy(t, isWeight),
    what: 'Each weight on its own line',
    how: 'As marked; they differ.',
    caution: 'Keep feet and hands from under a weight.',
  },
  {
    id: 'd-beat',
    group: 'Set going',
    on: beats,
    what: 'In beat where it stands',
    how: 'Listened to, not looked at.',
  },
  { id: 'd-going', group: 'Set going', on: always, what: 'Set going and to time', how: 'Watched for some minutes.' },
  {
    id: 'd-strike',
    group: 'Shown to the owner',
    on: strikes,
    what: 'Strike heard, and how it is put right',
    how: 'Let off once.',
  },
  {
    id: 'd-chime',
    group: 'Shown to the owner',
    on: fitted('chime drum'),
    what: 'Chime heard, selector and silence shown',
    how: 'Let off once.',
  },
  {
    id: 'd-alarm',
    group: 'Shown to the owner',
    on: train('alarm'),
    what: 'Alarm set and silenced by the owner',
    how: 'Once.',
  },
  {
    id: 'd-moon',
    group: 'Shown to the owner',
    on: fitted('moon work', 'calendar work'),
    what: 'Moon and date: how and when not to set them',
    how: 'Never near the change.',
  },
  {
    id: 'd-wind',
    group: 'Shown to the owner',
    on: (t) => storedSources(t).some((x) => x.kind !== 'electric rewind'),
    what: 'Winding shown: which way, how far, how often',
    how: 'The owner winds once.',
  },
  {
    id: 'd-things',
    group: 'Shown to the owner',
    on: always,
    what: 'Everything that came with it is there',
    how: 'Ticked against the intake.',
  },
];
