import { held, type Choices } from '../rules/index.ts';
import { has, isSpring, isWeight, sourceName, trainName, type Train, type Traits } from '../movement/index.ts';
import type { Depth } from '../workflow/index.ts';

/** Odd things that are forgotten first: pressed, not typed. Ids are stable: they are stored. */
export const REMARKS = [
  ['left-hand', 'left-hand thread'],
  ['washer', 'washer under it'],
  ['shim', 'shim or collar'],
  ['longer', 'the longer screw'],
  ['orientation', 'one way round only'],
  ['under-lever', 'under a lever'],
  ['spring-behind', 'spring behind it'],
  ['tight', 'was tight'],
  ['marked', 'marked by an earlier hand'],
  ['damaged', 'damaged already'],
] as const;
export type RemarkId = (typeof REMARKS)[number][0];
export const REMARK_IDS = REMARKS.map(([id]) => id) as [RemarkId, ...RemarkId[]];
/** A remark in words. */
export const remarkName = (id: RemarkId): string => REMARKS.find(([x]) => x === id)![1];

export const HELD_BY = [
  'screw',
  'nut',
  'taper pin',
  'friction',
  'clip',
  'collet',
  'lies loose',
  'pressed in',
  'soldered',
  'tied',
] as const;

/** What counts the blows, with its levers. */
const COUNTING: Record<Traits['strike'], string | false> = {
  none: false,
  rack: 'rack, snail and levers',
  'count wheel': 'count wheel and levers',
  'ship bells': 'bell count and levers',
};

const ofTrain = (t: Train): string[] =>
  t.arbors.filter((a) => !['pallet', 'lever', 'balance'].includes(a.class)).map((a) => `${trainName(t)} ${a.name}`);

/** What is left of each train once its plates are parted, and the wire that it goes onto whole. */
export function trainsLeft(
  traits: Traits,
  choices: Choices,
  off: readonly string[],
): { train: string; name: string; parts: string[]; wire: string }[] {
  const usual = comesOff(traits, choices);
  if (!usual.includes(FRONT_PLATE) || !off.includes(FRONT_PLATE)) return [];
  return traits.trains.flatMap((t) => {
    const parts = ofTrain(t).filter((p) => usual.includes(p) && !off.includes(p));
    return parts.length > 1 ? [{ train: t.id, name: trainName(t), parts, wire: wireOf(t) }] : [];
  });
}
const FRONT_PLATE = 'front plate';
const wireOf = (t: Train): string => `${trainName(t)} wire`;

/**
 * What comes off such a movement, from outside to the trains. Offered, never asked for. Practice; house rules say
 * whether its plates are parted for cleaning at all, and whether a spring leaves its barrel.
 */
export function comesOff(traits: Traits, choices: Choices = {}): string[] {
  const strikes = traits.strike !== 'none';
  const outside = [
    traits.sources.some((s) => isWeight(s.kind)) && 'weights',
    'hands',
    'dial',
    has(traits, 'moon work') && 'moon work',
    has(traits, 'calendar work') && 'calendar work',
    'movement from its case',
    traits.oscillator === 'pendulum' && 'pendulum',
    has(traits, 'crutch') && 'back cock and pallets',
    has(traits, 'platform') && 'platform',
    has(traits, 'torsion strip') && 'strip and bob',
    COUNTING[traits.strike],
    strikes && 'hammer',
    has(traits, 'chime drum') && 'chime drum and hammers',
    'motion work',
  ];
  if (traits.construction === 'riveted plates' || held('strip', choices).id !== 'full')
    return [...outside, has(traits, 'hairspring') && 'balance'].filter((x): x is string => x !== false);
  const trains = traits.trains.flatMap(ofTrain);
  const power = traits.sources.flatMap((s) => {
    const name = sourceName(traits, s);
    if (isSpring(s.kind)) {
      return s.kind === 'barrel spring' && held('mainspring', choices).id === 'leave'
        ? [`${name} barrel, its spring left in`]
        : [`${name} mainspring`];
    }
    if (s.kind === 'weight on endless chain' || s.kind === 'weight on chain') return [`${name} chain`];
    if (s.kind === 'weight on endless rope') return [`${name} rope`];
    return isWeight(s.kind) ? [`${name} line and pulley`] : [];
  });
  return [...outside, 'pillar nuts or pins', FRONT_PLATE, ...trains, ...power].filter((x): x is string => x !== false);
}

/** What of that is of the clock, and stays when another movement goes into its case. */
const OF_THE_CLOCK = ['weights', 'hands', 'dial', 'moon work', 'calendar work', 'movement from its case', 'pendulum'];

/**
 * Which logged steps go with the movement when another one takes its place: by their word where it is a known one, by
 * what was said to open there, and else by what was off before: once the movement is reached, all is inside it.
 * @returns one answer for each step, in their order
 */
export function goWithMovement(steps: readonly { what: string; opens: Depth | null }[], traits: Traits): boolean[] {
  const known = comesOff(traits);
  let reached = false;
  return steps.map(({ what, opens }) => {
    if (OF_THE_CLOCK.includes(what)) return false;
    reached ||= known.includes(what) || (opens !== null && opens !== 'hands and dial');
    return reached;
  });
}

/** Where things are put: a rack by train, tubs, wires, bags, a cage for what is small. */
export function placesFor(traits: Traits): string[] {
  return [
    ...traits.trains.flatMap((t) => [`${trainName(t)} rack`, wireOf(t), `${trainName(t)} bag`]),
    'tub 1',
    'tub 2',
    'tub 3',
    'mesh cage',
    'case shelf',
    'stays with the plate',
  ];
}

/** Whether it can be taken apart, and if not what that means for the later stages. */
export const staysWhole = (traits: Traits): string | null => {
  if (traits.construction === 'riveted plates')
    return 'Riveted plates: it does not come apart. It is cleaned whole, its springs are oiled in place.';
  return traits.construction === 'sealed motor'
    ? 'A sealed motor: what is outside comes off, the rotor is a job of its own.'
    : null;
};
