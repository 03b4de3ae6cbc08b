import { drivenBy, has, isMains, isWeight, onMains, type Traits } from '../movement/index.ts';

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
  /** It says nothing without it. */
  needed?: true;
}

export const TABLE_BENCHES = ['mains', 'weights', 'recorder'] as const;
export type TableBenchId = (typeof TABLE_BENCHES)[number];

export interface Kind {
  id: string;
  bench: TableBenchId;
  name: string;
  on: (t: Traits) => boolean;
  fields: readonly Field[];
  /** Stands before its form. */
  caution?: string;
}

const motor = (t: Traits) => drivenBy(t, isMains);
const weights = (t: Traits) => drivenBy(t, isWeight);
const chains = (t: Traits) => drivenBy(t, (k) => isWeight(k) && (k.includes('chain') || k.includes('rope')));
const lines = (t: Traits) => drivenBy(t, (k) => k === 'weight on line' || k === 'weight on cable');
const prints = (t: Traits) => has(t, 'print work');
const draws = (t: Traits) => has(t, 'recording drum');
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
      { id: 'state', label: 'The cord is', type: 'choice', of: ['sound', 'perished', 'renewed'], needed: true },
      { id: 'relief', label: 'Strain relief holds', type: 'choice', of: YES },
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
        label: 'Tried',
        type: 'choice',
        of: ['its rotor in its coil', 'a known rotor in its coil', 'its rotor in a known coil'],
        needed: true,
      },
      { id: 'did', label: 'It', type: 'choice', of: ['runs', 'runs weakly', 'hums', 'stays dead'], needed: true },
      { id: 'note', label: 'Remark', type: 'text' },
    ],
  },
  {
    id: 'output speed',
    bench: 'mains',
    name: 'Speed of the output',
    on: motor,
    fields: [
      { id: 'turns', label: 'Turns counted', type: 'number', from: 0.25, to: 10_000, needed: true },
      { id: 'seconds', label: 'In seconds', type: 'number', from: 1, to: 36_000, needed: true },
      { id: 'belongs', label: 'Turns a minute that belong', type: 'number', from: 0.001, to: 4000, needed: true },
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
      { id: 'tries', label: 'Times plugged in', type: 'number', from: 1, to: 100, needed: true },
      { id: 'right', label: 'Of these the right way', type: 'number', from: 0, to: 100, needed: true },
      { id: 'meant', label: 'It is meant to start', type: 'choice', of: ['by itself', 'by its knob'], needed: true },
    ],
  },
  {
    id: 'guarded run',
    bench: 'mains',
    name: 'Run with its gears shut, dial off',
    on: motor,
    caution: 'Every live part covered before it is plugged in, and nobody alone with it open.',
    fields: [
      { id: 'guarded', label: 'Live parts are guarded', type: 'choice', of: YES, needed: true },
      { id: 'hours', label: 'Hours', type: 'number', from: 0.1, to: 2000 },
      { id: 'found', label: 'What it showed', type: 'text' },
    ],
  },
  {
    id: 'mains signs',
    bench: 'mains',
    name: 'Outage sign, hands together',
    on: motor,
    fields: [
      { id: 'drops', label: 'The outage sign drops', type: 'choice', of: [...YES, 'has none'] },
      { id: 'resets', label: 'And can be set again', type: 'choice', of: YES },
      { id: 'twelve', label: 'All hands together at twelve', type: 'choice', of: YES },
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
      { id: 'hangs', label: 'Hangs', type: 'choice', of: ['left', 'centre', 'right', 'alone'] },
      { id: 'grams', label: 'Weighed', type: 'number', unit: 'g', from: 10, to: 100_000, needed: true },
      { id: 'belongs', label: 'What belongs there', type: 'number', unit: 'g', from: 10, to: 100_000 },
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
      { id: 'of', label: 'Made of', type: 'choice', of: ['gut', 'synthetic', 'steel cable', 'brass cable'] },
      {
        id: 'is',
        label: 'It is',
        type: 'choice',
        of: ['the final one', 'borrowed for the test', 'frayed, left in'],
        needed: true,
      },
      { id: 'breaks', label: 'Breaks at', type: 'number', unit: 'kg', from: 0.1, to: 2000 },
      { id: 'load', label: 'Weight on it', type: 'number', unit: 'kg', from: 0.01, to: 100 },
      { id: 'pulley', label: 'Weight on a pulley', type: 'choice', of: YES },
      { id: 'turns', label: 'Turns left when it is down', type: 'number', from: 0, to: 30 },
      { id: 'lands', label: 'Weight lands before they are drawn on', type: 'choice', of: YES },
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
      { id: 'links', label: 'Links counted', type: 'number', from: 1, to: 5000 },
      { id: 'lengthMm', label: 'Length of these links', type: 'number', unit: 'mm', from: 1, to: 50_000 },
      { id: 'pitchMm', label: 'Pitch of the sprocket', type: 'number', unit: 'mm', from: 0.5, to: 50 },
      { id: 'joint', label: 'Joint', type: 'choice', of: ['soldered', 'open link', 'spliced', 'none'] },
      { id: 'click', label: 'Click of the sprocket', type: 'choice', of: ['firm', 'loose'] },
      { id: 'dropMm', label: 'Drop of the weight', type: 'number', unit: 'mm', from: 10, to: 10_000 },
      { id: 'goingMm', label: 'Going takes in an hour', type: 'number', unit: 'mm', from: 0.1, to: 5000 },
      { id: 'strikeMm', label: 'Strike takes in twelve hours', type: 'number', unit: 'mm', from: 0, to: 20_000 },
    ],
  },
  {
    id: 'print',
    bench: 'recorder',
    name: 'Print against the dial',
    on: prints,
    fields: [
      { id: 'column', label: 'Column', type: 'text' },
      { id: 'minutes', label: 'Prints late by', type: 'number', unit: 'min', from: -60, to: 60, needed: true },
      { id: 'strike', label: 'The print is', type: 'choice', of: ['clear', 'faint', 'double', 'cut off'] },
      { id: 'stop', label: 'On its line of the card', type: 'choice', of: ['on it', 'high', 'low'] },
      {
        id: 'ribbon',
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
      { id: 'at', label: 'Changes', type: 'choice', of: ['at midnight', 'at noon'], needed: true },
      { id: 'late', label: 'Late by', type: 'number', unit: 'min', from: -120, to: 120, needed: true },
      { id: 'whole', label: 'Goes the whole step', type: 'choice', of: YES, needed: true },
      { id: 'fly', label: 'Its fly lets it down', type: 'choice', of: ['softly', 'with a blow', 'too slowly'] },
      { id: 'times', label: 'Times seen', type: 'number', from: 1, to: 100 },
    ],
  },
  {
    id: 'trace',
    bench: 'recorder',
    name: 'Two marks on a trace',
    on: draws,
    fields: [
      { id: 'hours', label: 'True hours between them', type: 'number', from: 0.1, to: 2000, needed: true },
      { id: 'apartMm', label: 'Apart on the chart', type: 'number', unit: 'mm', from: 1, to: 5000, needed: true },
      { id: 'roundMm', label: 'Once round the drum', type: 'number', unit: 'mm', from: 20, to: 5000, needed: true },
      { id: 'meant', label: 'Hours a turn that are meant', type: 'number', from: 0.5, to: 1000, needed: true },
    ],
  },
  {
    id: 'pen',
    bench: 'recorder',
    name: 'Pen',
    on: draws,
    fields: [
      { id: 'line', label: 'Its line', type: 'choice', of: ['fine', 'skips', 'broad', 'drags the arm'], needed: true },
      { id: 'offMm', label: 'Off at rest', type: 'number', unit: 'mm', from: 0, to: 100 },
      { id: 'note', label: 'Remark', type: 'text' },
    ],
  },
] as const satisfies readonly Kind[];

export type TableKindId = (typeof KINDS)[number]['id'];
export const TABLE_KINDS = KINDS.map((k) => k.id) as [TableKindId, ...TableKindId[]];
export const kindOfEntry = (id: TableKindId): Kind => KINDS.find((k) => k.id === id)!;
/** The kinds of a bench that this movement has something for. */
export const kindsFor = (bench: TableBenchId, traits: Traits): Kind[] =>
  (KINDS as readonly Kind[]).filter((k) => k.bench === bench && k.on(traits));
