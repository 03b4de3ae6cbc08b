import { drivenBy, has, hasTrain, isMains, isSpring, isWeight, onMains, type Traits } from '../movement/index.ts';
import type { HeardAs } from './heard.ts';

/** One figure or word of an entry. */
export interface Field {
  id: string;
  label: string;
  type: 'text' | 'number' | 'choice' | 'source';
  unit?: string;
  from?: number;
  to?: number;
  of?: readonly string[];
  hint?: string;
  /** How it is told, `{}` its value; else its label and the value. */
  as?: string;
  /** It says nothing without it. */
  needed?: true;
  /** Seconds that may be timed by holding a button: what it says on it. */
  held?: string;
}

/** As it stands while it is read; of those on edge, what is uppermost. */
export const POSITIONS = ['dial up', 'dial down', '12 up', '3 up', '6 up', '9 up'] as const;

export const TABLE_BENCHES = [
  'mains',
  'weights',
  'recorder',
  'balance',
  'alarm',
  'swing',
  'strike',
  'outputs',
] as const;
export type TableBenchId = (typeof TABLE_BENCHES)[number];

export interface Kind {
  id: string;
  bench: TableBenchId;
  name: string;
  on: (t: Traits) => boolean;
  fields: readonly Field[];
  /** Stands before its form. */
  caution?: string;
  /** What the microphone can fill in. */
  heard?: HeardAs;
}

const motor = (t: Traits) => drivenBy(t, isMains);
const weights = (t: Traits) => drivenBy(t, isWeight);
const chains = (t: Traits) => drivenBy(t, (k) => isWeight(k) && (k.includes('chain') || k.includes('rope')));
const lines = (t: Traits) => drivenBy(t, (k) => k === 'weight on line' || k === 'weight on cable');
const alarm = (t: Traits) => hasTrain(t, 'alarm');
const repeats = (t: Traits) => has(t, 'repeater');
const balance = (t: Traits) => t.oscillator === 'balance';
const prints = (t: Traits) => has(t, 'print work');
const draws = (t: Traits) => has(t, 'recording drum');
const pendulums = (t: Traits) => t.oscillator === 'pendulum' || t.oscillator === 'torsion pendulum';
const counts = (t: Traits) => t.strike === 'count wheel';
const gathers = (t: Traits) => t.strike === 'rack';
const strikes = (t: Traits) => t.strike !== 'none';
const rings = (t: Traits) => strikes(t) || has(t, 'chime drum') || hasTrain(t, 'chime');
const springs = (t: Traits) => drivenBy(t, isSpring);
const PIN = ['on its stop', 'half a turn off', 'close to its stop', 'nearly a turn off', 'past its stop'] as const;
const contacts = (t: Traits) => has(t, 'contacts');
const LIMITED = 'Limit the current before anything is joined; never more than what it feeds asks for.';
const YES = ['yes', 'no'] as const;
const LICENSED = 'Licensed people only, where your law says so.';

/** What is entered at a bench whose forms follow from its fields. Ids are stored: they stay. Common practice. */
export const KINDS = [
  {
    id: 'mains cord',
    bench: 'mains',
    name: 'Cord and strain relief',
    on: onMains,
    caution: `Unplugged, and its plug in sight. ${LICENSED}`,
    fields: [
      {
        id: 'state',
        as: '{}',
        label: 'The cord is',
        type: 'choice',
        of: ['sound', 'perished', 'renewed'],
        needed: true,
      },
      { id: 'relief', as: 'strain relief holds: {}', label: 'Strain relief holds', type: 'choice', of: YES },
      { id: 'by', label: 'Renewed or passed by', type: 'text', hint: LICENSED },
      { id: 'note', label: 'Remark', type: 'text' },
    ],
  },
  {
    id: 'mains insulation',
    bench: 'mains',
    name: 'Insulation and earth',
    on: onMains,
    caution: `Unplugged. The tester’s voltage is on the metal while it reads: keep your hands off. ${LICENSED}`,
    fields: [
      {
        id: 'class',
        as: '{}',
        label: 'It is built',
        type: 'choice',
        of: ['earthed', 'double insulated', 'two wires, bare metal'],
        needed: true,
      },
      { id: 'megohms', label: 'Insulation', type: 'number', unit: 'MΩ', from: 0, to: 100_000, needed: true },
      { id: 'volts', label: 'Tested with', type: 'number', unit: 'V', from: 50, to: 1000 },
      { id: 'earthOhms', label: 'Earth', type: 'number', unit: 'Ω', from: 0, to: 1000 },
      { id: 'by', label: 'Measured by', type: 'text' },
    ],
  },
  {
    id: 'rotor trial',
    bench: 'mains',
    name: 'Rotor and coil tried apart',
    on: motor,
    caution: 'Live parts guarded before it is plugged in; one hand away while it runs.',
    fields: [
      {
        id: 'pair',
        as: '{}',
        label: 'Tried',
        type: 'choice',
        of: ['its rotor in its coil', 'a known rotor in its coil', 'its rotor in a known coil'],
        needed: true,
      },
      {
        id: 'did',
        as: '{}',
        label: 'It',
        type: 'choice',
        of: ['runs', 'runs weakly', 'hums', 'stays dead'],
        needed: true,
      },
      { id: 'note', label: 'Remark', type: 'text' },
    ],
  },
  {
    id: 'output speed',
    bench: 'mains',
    name: 'Speed of the output',
    on: motor,
    fields: [
      { id: 'turns', as: '{} turns', label: 'Turns counted', type: 'number', from: 0.25, to: 10_000, needed: true },
      { id: 'seconds', as: 'in {} s', label: 'In seconds', type: 'number', from: 1, to: 36_000, needed: true },
      {
        id: 'belongs',
        as: '{} a minute belong',
        label: 'Turns a minute that belong',
        type: 'number',
        from: 0.001,
        to: 4000,
        needed: true,
      },
      { id: 'built', label: 'Built for', type: 'choice', of: ['50 Hz', '60 Hz'], needed: true },
      { id: 'supply', label: 'Runs on', type: 'choice', of: ['50 Hz', '60 Hz'], needed: true },
    ],
  },
  {
    id: 'mains start',
    bench: 'mains',
    name: 'How it starts',
    on: motor,
    fields: [
      {
        id: 'tries',
        as: 'plugged in {} times',
        label: 'Times plugged in',
        type: 'number',
        from: 1,
        to: 100,
        needed: true,
      },
      {
        id: 'right',
        as: '{} the right way',
        label: 'Of these the right way',
        type: 'number',
        from: 0,
        to: 100,
        needed: true,
      },
      {
        id: 'meant',
        as: 'meant to start {}',
        label: 'It is meant to start',
        type: 'choice',
        of: ['by itself', 'by its knob'],
        needed: true,
      },
    ],
  },
  {
    id: 'guarded run',
    bench: 'mains',
    name: 'Run with its gears shut, dial off',
    on: motor,
    caution: 'Every live part covered before it is plugged in, and nobody alone with it open.',
    fields: [
      {
        id: 'guarded',
        as: 'live parts guarded: {}',
        label: 'Live parts are guarded',
        type: 'choice',
        of: YES,
        needed: true,
      },
      { id: 'hours', as: '{} h', label: 'Hours', type: 'number', from: 0.1, to: 2000 },
      { id: 'found', label: 'What it showed', type: 'text' },
    ],
  },
  {
    id: 'mains signs',
    bench: 'mains',
    name: 'Outage sign, hands together',
    on: motor,
    fields: [
      {
        id: 'drops',
        as: 'outage sign drops: {}',
        label: 'The outage sign drops',
        type: 'choice',
        of: [...YES, 'has none'],
      },
      { id: 'resets', as: 'set again: {}', label: 'And can be set again', type: 'choice', of: YES },
      {
        id: 'twelve',
        as: 'hands together at twelve: {}',
        label: 'All hands together at twelve',
        type: 'choice',
        of: YES,
      },
    ],
  },
  {
    id: 'weight',
    bench: 'weights',
    name: 'Weight',
    on: weights,
    caution: 'Before it hangs: line, hook and click looked at, the case fixed, nothing and nobody under it.',
    fields: [
      { id: 'source', label: 'Drives', type: 'source', needed: true },
      { id: 'hangs', as: '{}', label: 'Hangs', type: 'choice', of: ['left', 'centre', 'right', 'alone'] },
      { id: 'grams', as: '{} g', label: 'Weighed', type: 'number', unit: 'g', from: 10, to: 100_000, needed: true },
      {
        id: 'belongs',
        as: '{} g belong',
        label: 'What belongs there',
        type: 'number',
        unit: 'g',
        from: 10,
        to: 100_000,
      },
      {
        id: 'from',
        label: 'Known from',
        type: 'choice',
        of: ['its marking', 'an earlier record', 'a sister clock', 'the run'],
      },
    ],
  },
  {
    id: 'line',
    bench: 'weights',
    name: 'Line',
    on: lines,
    caution: 'A line is proved by a pull by hand before its weight hangs on it, over something soft, feet away.',
    fields: [
      { id: 'source', label: 'Drives', type: 'source', needed: true },
      { id: 'of', as: '{}', label: 'Made of', type: 'choice', of: ['gut', 'synthetic', 'steel cable', 'brass cable'] },
      {
        id: 'is',
        as: '{}',
        label: 'It is',
        type: 'choice',
        of: ['the final one', 'borrowed for the test', 'frayed, left in'],
        needed: true,
      },
      { id: 'breaks', label: 'Breaks at', type: 'number', unit: 'kg', from: 0.1, to: 2000 },
      { id: 'load', label: 'Weight on it', type: 'number', unit: 'kg', from: 0.01, to: 100 },
      { id: 'pulley', as: 'weight on a pulley: {}', label: 'Weight on a pulley', type: 'choice', of: YES },
      { id: 'turns', as: '{} turns left', label: 'Turns left when it is down', type: 'number', from: 0, to: 30 },
      {
        id: 'lands',
        as: 'weight lands first: {}',
        label: 'Weight lands before they are drawn on',
        type: 'choice',
        of: YES,
      },
      { id: 'note', label: 'Ends; the owner’s word on a frayed one', type: 'text' },
    ],
  },
  {
    id: 'chain',
    bench: 'weights',
    name: 'Chain or rope',
    on: chains,
    fields: [
      { id: 'source', label: 'Drives', type: 'source', needed: true },
      { id: 'links', as: '{} links', label: 'Links counted', type: 'number', from: 1, to: 5000 },
      {
        id: 'lengthMm',
        as: '{} mm long',
        label: 'Length of these links',
        type: 'number',
        unit: 'mm',
        from: 1,
        to: 50_000,
      },
      {
        id: 'pitchMm',
        as: 'pitch of the sprocket {} mm',
        label: 'Pitch of the sprocket',
        type: 'number',
        unit: 'mm',
        from: 0.5,
        to: 50,
      },
      { id: 'joint', label: 'Joint', type: 'choice', of: ['soldered', 'open link', 'spliced', 'none'] },
      { id: 'click', label: 'Click of the sprocket', type: 'choice', of: ['firm', 'loose'] },
      { id: 'dropMm', label: 'Drop of the weight', type: 'number', unit: 'mm', from: 10, to: 10_000 },
      {
        id: 'goingMm',
        as: '{} mm an hour for going',
        label: 'Going takes in an hour',
        type: 'number',
        unit: 'mm',
        from: 0.1,
        to: 5000,
      },
      {
        id: 'strikeMm',
        as: '{} mm in twelve hours for strike',
        label: 'Strike takes in twelve hours',
        type: 'number',
        unit: 'mm',
        from: 0,
        to: 20_000,
      },
    ],
  },
  {
    id: 'print',
    bench: 'recorder',
    name: 'Print against the dial',
    on: prints,
    fields: [
      { id: 'column', label: 'Column', type: 'text' },
      {
        id: 'minutes',
        as: '{} min late',
        label: 'Prints late by',
        type: 'number',
        unit: 'min',
        from: -60,
        to: 60,
        needed: true,
      },
      { id: 'strike', as: '{}', label: 'The print is', type: 'choice', of: ['clear', 'faint', 'double', 'cut off'] },
      {
        id: 'stop',
        as: 'on its line: {}',
        label: 'On its line of the card',
        type: 'choice',
        of: ['on it', 'high', 'low'],
      },
      {
        id: 'ribbon',
        as: 'ribbon {}',
        label: 'The ribbon',
        type: 'choice',
        of: ['moves and turns back', 'stands still', 'does not turn'],
      },
    ],
  },
  {
    id: 'day change',
    bench: 'recorder',
    name: 'Change of day and of half',
    on: prints,
    caution: 'The arm of the day falls by itself: fingers out of the print head while it is turned through midnight.',
    fields: [
      { id: 'at', as: '{}', label: 'Changes', type: 'choice', of: ['at midnight', 'at noon'], needed: true },
      {
        id: 'late',
        as: '{} min late',
        label: 'Late by',
        type: 'number',
        unit: 'min',
        from: -120,
        to: 120,
        needed: true,
      },
      { id: 'whole', as: 'whole step: {}', label: 'Goes the whole step', type: 'choice', of: YES, needed: true },
      {
        id: 'fly',
        as: 'fly lets it down {}',
        label: 'Its fly lets it down',
        type: 'choice',
        of: ['softly', 'with a blow', 'too slowly'],
      },
      { id: 'times', as: 'seen {} times', label: 'Times seen', type: 'number', from: 1, to: 100 },
    ],
  },
  {
    id: 'trace',
    bench: 'recorder',
    name: 'Two marks on a trace',
    on: draws,
    fields: [
      {
        id: 'hours',
        as: '{} h between',
        label: 'True hours between them',
        type: 'number',
        from: 0.1,
        to: 2000,
        needed: true,
      },
      {
        id: 'apartMm',
        as: '{} mm apart',
        label: 'Apart on the chart',
        type: 'number',
        unit: 'mm',
        from: 1,
        to: 5000,
        needed: true,
      },
      {
        id: 'roundMm',
        as: '{} mm round',
        label: 'Once round the drum',
        type: 'number',
        unit: 'mm',
        from: 20,
        to: 5000,
        needed: true,
      },
      {
        id: 'meant',
        as: '{} h a turn meant',
        label: 'Hours a turn that are meant',
        type: 'number',
        from: 0.5,
        to: 1000,
        needed: true,
      },
    ],
  },
  {
    id: 'pen',
    bench: 'recorder',
    name: 'Pen',
    on: draws,
    fields: [
      {
        id: 'line',
        as: '{}',
        label: 'Its line',
        type: 'choice',
        of: ['fine', 'skips', 'broad', 'drags the arm'],
        needed: true,
      },
      { id: 'offMm', as: '{} mm off', label: 'Off at rest', type: 'number', unit: 'mm', from: 0, to: 100 },
      { id: 'note', label: 'Remark', type: 'text' },
    ],
  },
  {
    id: 'position',
    bench: 'balance',
    name: 'Amplitude, rate and beat in a position',
    on: balance,
    fields: [
      { id: 'when', as: '{}', label: 'Seen', type: 'choice', of: ['before', 'after'], needed: true },
      { id: 'in', as: '{}', label: 'It stands', type: 'choice', of: POSITIONS, needed: true },
      { id: 'amplitude', as: 'amplitude {}°', label: 'Amplitude', type: 'number', unit: '°', from: 20, to: 400 },
      {
        id: 'rate',
        as: 'rate {} s a day',
        label: 'Rate, gaining is plus',
        type: 'number',
        unit: 's a day',
        from: -21_600,
        to: 21_600,
      },
      { id: 'beatMs', as: 'beat error {} ms', label: 'Beat error', type: 'number', unit: 'ms', from: 0, to: 200 },
    ],
  },
  {
    id: 'end play',
    bench: 'balance',
    name: 'Play of the balance',
    on: balance,
    fields: [
      {
        id: 'did',
        as: 'screw {}',
        label: 'The screw was',
        type: 'choice',
        of: ['left alone', 'tightened', 'loosened', 'turned half back'],
        needed: true,
      },
      { id: 'degrees', as: 'by {}°', label: 'By how much', type: 'number', unit: '°', from: 1, to: 720 },
      {
        id: 'now',
        as: 'play {}',
        label: 'Now the play is',
        type: 'choice',
        of: ['none', 'just felt', 'too much'],
        needed: true,
      },
    ],
  },
  {
    id: 'hairspring',
    bench: 'balance',
    name: 'Hairspring, by what it did',
    on: (t: Traits) => balance(t) && has(t, 'hairspring'),
    fields: [
      {
        id: 'shorterMm',
        as: '{} mm shorter',
        label: 'Made shorter by (longer is minus)',
        type: 'number',
        unit: 'mm',
        from: -200,
        to: 200,
      },
      {
        id: 'before',
        as: 'from {} s a day',
        label: 'Rate before',
        type: 'number',
        unit: 's a day',
        from: -21_600,
        to: 21_600,
        needed: true,
      },
      {
        id: 'after',
        as: 'to {} s a day',
        label: 'Rate after',
        type: 'number',
        unit: 's a day',
        from: -21_600,
        to: 21_600,
        needed: true,
      },
    ],
  },
  {
    id: 'warmth',
    bench: 'balance',
    name: 'Rate in warm and cold',
    on: balance,
    fields: [
      { id: 'celsius', as: 'at {} °C', label: 'At', type: 'number', unit: '°C', from: -10, to: 60, needed: true },
      {
        id: 'rate',
        as: '{} s a day',
        label: 'Rate',
        type: 'number',
        unit: 's a day',
        from: -21_600,
        to: 21_600,
        needed: true,
      },
    ],
  },
  {
    id: 'timing screws',
    bench: 'balance',
    name: 'Timing screws',
    on: balance,
    fields: [
      {
        id: 'turns',
        as: 'opposite screws {} turns in',
        label: 'Both screws of a pair, turns in (out is minus)',
        type: 'number',
        from: -4,
        to: 4,
        needed: true,
      },
      {
        id: 'before',
        as: 'from {} s a day',
        label: 'Rate before',
        type: 'number',
        unit: 's a day',
        from: -21_600,
        to: 21_600,
        needed: true,
      },
      {
        id: 'after',
        as: 'to {} s a day',
        label: 'Rate after',
        type: 'number',
        unit: 's a day',
        from: -21_600,
        to: 21_600,
        needed: true,
      },
    ],
  },
  {
    id: 'alarm release',
    bench: 'alarm',
    name: 'When the alarm goes off',
    on: alarm,
    fields: [
      { id: 'set', as: 'set to {}', label: 'Set to, hour', type: 'number', from: 0, to: 12, needed: true },
      {
        id: 'late',
        as: '{} min late',
        label: 'Goes off late by (early is minus)',
        type: 'number',
        unit: 'min',
        from: -90,
        to: 90,
        needed: true,
      },
      { id: 'feel', as: 'let-off {}', label: 'Let-off', type: 'choice', of: ['free', 'stiff', 'drags the hand'] },
    ],
  },
  {
    id: 'alarm run',
    bench: 'alarm',
    name: 'How it rings',
    heard: 'ring',
    on: alarm,
    fields: [
      { id: 'seconds', as: '{} s', label: 'Rings for', type: 'number', unit: 's', from: 0, to: 3600, needed: true },
      {
        id: 'even',
        as: '{}',
        label: 'It rings',
        type: 'choice',
        of: ['evenly', 'slower at its end', 'in fits'],
        needed: true,
      },
      { id: 'click', as: 'click {}', label: 'Its click', type: 'choice', of: ['holds', 'slips'] },
      { id: 'times', as: 'tried {} times in position', label: 'Tried in position', type: 'number', from: 1, to: 100 },
    ],
  },
  {
    id: 'repeat',
    bench: 'alarm',
    name: 'What it repeats',
    heard: 'repeat',
    on: repeats,
    fields: [
      { id: 'hour', as: 'at {}', label: 'Hour it stands at', type: 'number', from: 1, to: 12, needed: true },
      { id: 'quarter', as: 'quarter {}', label: 'Quarters past', type: 'number', from: 0, to: 3, needed: true },
      { id: 'hours', as: 'heard {}', label: 'Hours heard', type: 'number', from: 0, to: 14, needed: true },
      { id: 'quarters', as: 'and {}', label: 'Quarters heard', type: 'number', from: 0, to: 4 },
    ],
  },
  {
    id: 'snail step',
    bench: 'alarm',
    name: 'Steps of the snail',
    on: repeats,
    fields: [
      { id: 'hour', as: 'at {}', label: 'Hour', type: 'number', from: 1, to: 12, needed: true },
      {
        id: 'fromCentre',
        as: '{} mm from its centre',
        label: 'Its step from the centre',
        type: 'number',
        unit: 'mm',
        from: 0.2,
        to: 40,
        needed: true,
      },
    ],
  },
  {
    id: 'repeat hammers',
    bench: 'alarm',
    name: 'Hammers and rack of the repeat',
    heard: 'even',
    on: repeats,
    fields: [
      {
        id: 'depth',
        as: 'pins {}',
        label: 'Hammers in the rack',
        type: 'choice',
        of: ['right', 'too deep', 'too shallow'],
      },
      { id: 'even', as: 'blows {}', label: 'Blows', type: 'choice', of: ['even', 'uneven', 'a second one bounces'] },
      {
        id: 'rack',
        as: 'rack {}',
        label: 'The rack',
        type: 'choice',
        of: ['lies flat', 'lifts on its post', 'sticks'],
      },
      { id: 'pull', as: 'pull {}', label: 'The pull', type: 'choice', of: ['comes back', 'sticks', 'is broken'] },
      { id: 'note', label: 'What was moved', type: 'text' },
    ],
  },
  {
    id: 'swing',
    bench: 'swing',
    name: 'Swing',
    on: pendulums,
    fields: [
      {
        id: 'deg',
        as: '{}° to one side',
        label: 'Swings to one side',
        type: 'number',
        unit: '°',
        from: 0.05,
        to: 400,
        needed: true,
      },
      { id: 'drops', as: 'drops at {}°', label: 'A tooth drops at', type: 'number', unit: '°', from: 0.05, to: 200 },
      { id: 'stopped', as: 'let run down: {}', label: 'Let run down, it stopped there', type: 'choice', of: YES },
    ],
  },
  {
    id: 'at lock',
    bench: 'strike',
    name: 'At lock',
    on: counts,
    caution: 'Held at lock by hand it may still run: fingers out of the train, the fly last.',
    fields: [
      {
        id: 'count',
        as: 'count lever {}',
        label: 'The count lever is',
        type: 'choice',
        of: ['in its slot', 'on the rim'],
        needed: true,
      },
      {
        id: 'cam',
        as: 'cam lever {}',
        label: 'The cam lever is',
        type: 'choice',
        of: ['in its notch', 'beside its notch'],
        needed: true,
      },
      { id: 'pin', as: 'warning pin {}', label: 'The warning pin is', type: 'choice', of: PIN, needed: true },
      { id: 'bent', as: 'bent: {}', label: 'A bent tooth or lever', type: 'text' },
    ],
  },
  {
    id: 'rack at lock',
    bench: 'strike',
    name: 'At lock',
    on: gathers,
    caution: 'Held at lock by hand it may still run: fingers out of the train, the fly last.',
    fields: [
      {
        id: 'hook',
        as: 'hook {}',
        label: 'The rack hook is',
        type: 'choice',
        of: ['past the last tooth', 'on an earlier tooth'],
        needed: true,
      },
      {
        id: 'pallet',
        as: 'gathering pallet {}',
        label: 'The gathering pallet is',
        type: 'choice',
        of: ['on its stop', 'past its stop', 'loose on its arbor'],
        needed: true,
      },
      { id: 'pin', as: 'warning pin {}', label: 'The warning pin is', type: 'choice', of: PIN, needed: true },
      { id: 'bent', as: 'bent: {}', label: 'A bent tooth or lever', type: 'text' },
    ],
  },
  {
    id: 'tripped',
    bench: 'strike',
    name: 'How it was tripped',
    on: strikes,
    fields: [
      {
        id: 'how',
        as: '{}',
        label: 'Let off',
        type: 'choice',
        of: ['by finger', 'by the hands', 'by itself, running'],
        needed: true,
      },
      { id: 'times', as: '{} times', label: 'Times', type: 'number', from: 1, to: 500, needed: true },
      {
        id: 'went',
        as: '{}',
        label: 'It struck',
        type: 'choice',
        of: ['right each time', 'missed some', 'wrong some times', 'ran on'],
        needed: true,
      },
      { id: 'note', label: 'Remark', type: 'text' },
    ],
  },
  {
    id: 'hammer',
    bench: 'strike',
    name: 'Hammer and tone',
    on: rings,
    fields: [
      { id: 'hammer', label: 'Which hammer', type: 'text', needed: true },
      { id: 'travel', as: 'lifts {} mm', label: 'Lifts', type: 'number', unit: 'mm', from: 0, to: 60 },
      { id: 'gap', as: 'rests {} mm off', label: 'Rests off by', type: 'number', unit: 'mm', from: 0, to: 20 },
      {
        id: 'tone',
        as: '{}',
        label: 'It sounds',
        type: 'choice',
        of: ['clear', 'dull', 'weak', 'hard', 'twice', 'it buzzes'],
        needed: true,
      },
    ],
  },
  {
    id: 'self-correction',
    bench: 'strike',
    name: 'Rights itself after a wrong quarter',
    on: (t) => has(t, 'chime drum'),
    fields: [
      { id: 'wrong', as: 'set {} quarters wrong', label: 'Quarters set wrong', type: 'number', from: 1, to: 3 },
      {
        id: 'did',
        as: '{}',
        label: 'It is right again',
        type: 'choice',
        of: ['at the next hour', 'an hour later', 'never'],
        needed: true,
      },
    ],
  },
  {
    id: 'bells in pairs',
    bench: 'strike',
    name: 'Bells in pairs',
    on: (t) => t.strike === 'ship bells',
    fields: [
      { id: 'bells', as: '{} bells', label: 'Bells', type: 'number', from: 1, to: 8, needed: true },
      {
        id: 'as',
        as: '{}',
        label: 'Heard',
        type: 'choice',
        of: ['in pairs, the odd one last', 'evenly', 'the odd one first'],
        needed: true,
      },
    ],
  },
  {
    id: 'partial wind',
    bench: 'strike',
    name: 'A little wind, while a spring is in doubt',
    on: springs,
    caution: 'Stand clear of the spring’s plane while it is wound; a click that slips lets it all go at once.',
    fields: [
      { id: 'source', label: 'Which spring', type: 'source', needed: true },
      {
        id: 'turns',
        as: '{} half turns',
        label: 'Half turns of the key',
        type: 'number',
        from: 0,
        to: 60,
        needed: true,
      },
      { id: 'full', as: 'of {}', label: 'Of a full wind', type: 'number', from: 1, to: 60, needed: true },
      { id: 'did', as: '{}', label: 'It', type: 'choice', of: ['holds', 'creaks', 'slips'], needed: true },
    ],
  },
  {
    id: 'return path',
    bench: 'outputs',
    name: 'Supply and return path',
    on: contacts,
    caution: `${LIMITED} Mains behind it: unplugged first. ${LICENSED}`,
    fields: [
      {
        id: 'pole',
        as: 'one pole is {}',
        label: 'One pole of its supply is',
        type: 'choice',
        of: ['the frame', 'a terminal of its own', 'not known'],
        needed: true,
      },
      { id: 'frameOhms', label: 'Terminal to frame', type: 'number', unit: 'Ω', from: 0, to: 1e7 },
      { id: 'volts', label: 'Bench supply', type: 'number', unit: 'V', from: 0.5, to: 400 },
      { id: 'limit', label: 'Limited to', type: 'number', unit: 'mA', from: 1, to: 20_000 },
    ],
  },
  {
    id: 'output',
    bench: 'outputs',
    name: 'Outputs',
    on: contacts,
    fields: [
      { id: 'terminal', as: 'terminal {}', label: 'Terminal', type: 'text', needed: true },
      { id: 'feeds', as: 'feeds {}', label: 'It feeds', type: 'text' },
      { id: 'contact', as: 'by {}', label: 'Closed by', type: 'text', hint: 'Its contact, cam or pin' },
      { id: 'from', as: 'from {}°', label: 'Closes at', type: 'number', unit: '°', from: 0, to: 360 },
      { id: 'to', as: 'to {}°', label: 'Opens at', type: 'number', unit: '°', from: 0, to: 360 },
      {
        id: 'turn',
        as: 'of a turn of {} s',
        label: 'One turn takes',
        type: 'number',
        unit: 's',
        from: 0.1,
        to: 86_400,
      },
      {
        id: 'dwell',
        as: 'closed {} s',
        label: 'Held closed, timed',
        type: 'number',
        unit: 's',
        from: 0,
        to: 86_400,
        held: 'Hold while it is closed',
      },
      {
        id: 'does',
        as: '{}',
        label: 'Its contact',
        type: 'choice',
        of: ['makes', 'never makes', 'never opens', 'broken'],
        needed: true,
      },
      { id: 'draws', as: 'draws {} mA', label: 'What it feeds draws', type: 'number', unit: 'mA', from: 0, to: 20_000 },
      { id: 'carries', label: 'Its contact may carry', type: 'number', unit: 'mA', from: 1, to: 20_000 },
      { id: 'with', as: 'joined to {}', label: 'Joined to terminal', type: 'text' },
    ],
  },
  {
    id: 'contact verdict',
    bench: 'outputs',
    name: 'Verdict on a contact',
    on: contacts,
    fields: [
      { id: 'terminal', as: 'terminal {}', label: 'Terminal', type: 'text', needed: true },
      { id: 'where', as: '{}', label: 'Judged', type: 'choice', of: ['on the bench', 'in place'], needed: true },
      { id: 'is', as: '{}', label: 'It is', type: 'choice', of: ['sound', 'in doubt', 'bad'], needed: true },
      { id: 'note', label: 'By what', type: 'text' },
    ],
  },
  {
    id: 'jumper',
    bench: 'outputs',
    name: 'Jumper on trial',
    on: contacts,
    caution: LIMITED,
    fields: [
      { id: 'from', as: 'from {}', label: 'From', type: 'text', needed: true },
      { id: 'to', as: 'to {}', label: 'To', type: 'text', needed: true },
      { id: 'is', as: '{}', label: 'It is', type: 'choice', of: ['in', 'out again'], needed: true },
      { id: 'counted', as: '{} windings a minute', label: 'Windings a minute', type: 'number', from: 0, to: 1000 },
      { id: 'belong', as: '{} belong', label: 'What belongs there', type: 'number', from: 0.01, to: 1000 },
    ],
  },
  {
    id: 'unlike a sister',
    bench: 'outputs',
    name: 'Unlike a sister movement',
    on: contacts,
    fields: [
      { id: 'terminal', as: 'terminal {}', label: 'Terminal', type: 'text' },
      { id: 'does', as: '{}', label: 'What it does otherwise', type: 'text', needed: true },
      { id: 'is', as: '{}', label: 'That is', type: 'choice', of: ['by design', 'a fault', 'not known'], needed: true },
      { id: 'note', label: 'Known from', type: 'text' },
    ],
  },
  {
    id: 'contact chosen',
    bench: 'outputs',
    name: 'Original contact, or another',
    on: contacts,
    fields: [
      { id: 'terminal', as: 'terminal {}', label: 'Terminal', type: 'text', needed: true },
      {
        id: 'is',
        as: '{}',
        label: 'Decided',
        type: 'choice',
        of: ['its own contact', 'fed by another', 'left dead'],
        needed: true,
      },
      { id: 'why', as: 'since {}', label: 'Because', type: 'text', needed: true },
    ],
  },
  {
    id: 'series loop',
    bench: 'outputs',
    name: 'Series loop of dials',
    on: contacts,
    caution: LIMITED,
    fields: [
      { id: 'dials', as: '{} dials', label: 'Dials', type: 'number', from: 1, to: 400, needed: true },
      { id: 'ohms', as: '{} Ω each', label: 'Each', type: 'number', unit: 'Ω', from: 0.1, to: 100_000, needed: true },
      { id: 'line', as: 'line {} Ω', label: 'The line', type: 'number', unit: 'Ω', from: 0, to: 10_000 },
      {
        id: 'wants',
        as: 'wants {} mA',
        label: 'They want',
        type: 'number',
        unit: 'mA',
        from: 1,
        to: 5000,
        needed: true,
      },
      { id: 'volts', as: '{} V', label: 'The supply gives', type: 'number', unit: 'V', from: 0.5, to: 400 },
    ],
  },
] as const satisfies readonly Kind[];

export type TableKindId = (typeof KINDS)[number]['id'];
export const TABLE_KINDS = KINDS.map((k) => k.id) as [TableKindId, ...TableKindId[]];
export const kindOfEntry = (id: TableKindId): Kind => KINDS.find((k) => k.id === id)!;
/** The kinds of a bench that this movement has something for. */
export const kindsFor = (bench: TableBenchId, traits: Traits): Kind[] =>
  (KINDS as readonly Kind[]).filter((k) => k.bench === bench && k.on(traits));
