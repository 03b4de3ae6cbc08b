import { addTrain, driveBy, type Traits } from '@eclat/core/movement';
import type { WantedStep } from '@eclat/core/stores';
import type { Corner } from '@eclat/core/strip';
import type { ShapeId, StageId, TermsId } from '@eclat/core/workflow';

/** A whole job, as it is agreed and done: a test plays it against the server, `bench/presses` in the browser. */
export interface Plan {
  what: string;
  family: string;
  traits?: (t: Traits) => Traits;
  shape: ShapeId;
  terms?: TermsId;
  own?: true;
  units?: string[];
  /** Stages that are brought in although the shape goes without them. */
  bringsIn?: StageId[];
  /** Stages that end as far as agreed, with why. */
  leaves?: Partial<Record<StageId, string>>;
  finds: string;
  /** The cause, in words; it may come late. */
  cause?: string;
  /** What the owner is asked for before the work. */
  asked?: string;
  /** What was held to be the cause before, and why it is another one. */
  causeBefore?: { said: string; why: string };
  /** What the first finding brought about. */
  leadsTo?: string;
  /** What a later look found instead of the first finding. */
  later?: string;
  /** Bath runs, by what goes into the basket. */
  baths?: string[][];
  /** The movement goes in whole, one half after the other. */
  halves?: true;
  /** What no bath may touch is wiped. */
  wipes?: string[];
  /** By a sequence of the shop's own. */
  ownWay?: true;
  /** Its trains are put together dry on the way. */
  dry?: true;
  /** Missing things, each with the steps of its thread. */
  missing?: { what: string; steps: { step: WantedStep; note?: string; from?: string }[] }[];
  /** A second person looks before the plates close, and it is kept how they closed. */
  closes?: { corner: Corner; last: string };
  /** What to expect of the cure, and when it is looked at again. */
  prognosis?: { prognosis: string; lookAgainOn: string };
  /** What was done to parts that stay. */
  work?: string[];
  /** The movement that goes into the case, by its name. */
  another?: string;
  /** Runs with parts off. */
  runsWithout?: string;
  title: RegExp;
}

const oneChain = (t: Traits): Traits => ({
  ...driveBy(t, 'strike', 'going'),
  sources: [{ id: 'going', kind: 'weight on endless chain', name: '' }],
  windHours: 30,
});

/** What a careful person agrees and does, without a figure that nobody measured. Common practice; made up. */
export const JOBS: readonly Plan[] = [
  {
    ...{ what: 'own find at a fair', family: 'mantel-barrels', shape: 'partial', own: true },
    ...{ finds: 'Back and bob are missing.', halves: true, work: ['catch made new'] },
    missing: [
      {
        what: 'Glass ring',
        steps: [
          { step: 'ordered', from: 'Quill & Pane' },
          { step: 'arrived faulty', note: 'Cracked at the rim.' },
          { step: 'fitted', note: 'Mended cold.' },
        ],
      },
      {
        what: 'Trim of the left side',
        steps: [
          { step: 'looked for', note: 'Catalogues.' },
          { step: 'guessed', note: 'No picture of the model was found.' },
        ],
      },
    ],
    title: /^Partial service/,
  },
  {
    ...{ what: 'torsion clock, dead', family: 'torsion', shape: 'overhaul', finds: 'Strip kinked.' },
    ...{
      cause: 'Strip kinked',
      baths: [['going wheels and arbors']],
      wipes: ['lacquered plates'],
      work: ['arbors eased'],
      title: /^Overhauled/,
    },
  },
  {
    ...{ what: 'one weight for two trains', family: 'longcase', traits: oneChain, shape: 'overhaul' },
    ...{ finds: 'Chain slips on its sprocket.', leadsTo: 'Stop pin bent.', title: /^Overhauled/ },
  },
  {
    ...{ what: 'wall clock through bath and survey', family: 'month-wall', shape: 'overhaul' },
    ...{ finds: 'Drowned in oil.', cause: 'Too much oil', asked: 'Seven bushes', title: /^Overhauled/, dry: true },
    baths: [['plates'], ['plates']],
  },
  {
    ...{ what: 'master clock without its case', family: 'electric-master', shape: 'partial' },
    ...{
      finds: 'A contact that never makes.',
      later: 'It makes every time in place.',
      cause: 'Dirty contact',
      work: ['contacts cleaned'],
      title: /^Partial service/,
    },
  },
  {
    ...{ what: 'fusee table clock over many months', family: 'fusee-balance', shape: 'overhaul' },
    ...{ units: ['repeater', 'alarm'], finds: 'Contrate wheel out of true.', title: /^Overhauled/ },
    ...{ cause: 'Sticking lever', baths: [['plates']] },
  },
  {
    ...{ what: 'time recorder', family: 'recorder', shape: 'overhaul', units: ['print work'] },
    ...{ finds: 'Bevels stiff.', baths: [['plates'], ['plates']], title: /^Overhauled/ },
  },
  {
    ...{ what: 'dipped by somebody', family: 'quarter-chime', shape: 'in place', terms: 'free' },
    ...{ finds: 'Sticky residue everywhere.', work: ['wiped, blown out, oiled'], title: /^Cured in place/ },
    cause: 'Dipped whole by somebody',
  },
  {
    ...{ what: 'dipped by somebody, a new movement', family: 'quarter-chime', shape: 'replacement' },
    traits: (t) => ({ ...t, fittings: [...t.fittings, 'moon work'] }),
    ...{ finds: 'Strikes fail before the week is out.', asked: 'A new movement', another: 'movement of today' },
    title: /^Movement replaced/,
  },
  {
    ...{ what: 'riveted alarm with a figure', family: 'riveted-alarm', shape: 'partial' },
    traits: (t) => ({ ...t, fittings: [...t.fittings, 'moving figure'] }),
    ...{ finds: 'Tabs bent often.', work: ['end play set in tiny steps'], title: /^Partial service/ },
    baths: [['whole movement, balance out']],
  },
  {
    ...{ what: 'wardroom clock', family: 'ships-bells', shape: 'in place', terms: 'no guarantee' },
    ...{ finds: 'Regulator at its stop.', cause: 'Coils cling', asked: 'Balance cleaned in place' },
    ...{ work: ['balance and spring cleaned'], title: /^Cured in place/ },
    prognosis: { prognosis: 'What oil is left may creep back.', lookAgainOn: '2031-08-02' },
    leaves: { run: 'One night only: the owner decides.' },
  },
  {
    ...{ what: 'recording instrument', family: 'recorder', shape: 'partial', bringsIn: ['strip', 'assemble'] },
    ...{ finds: 'A pivot is black.', baths: [['plates']], work: ['pivot turned down'], title: /^Partial service/ },
  },
  {
    ...{ what: 'mains wall clock', family: 'synchronous', shape: 'partial', bringsIn: ['strip', 'assemble'] },
    ...{
      finds: 'Rotor stiff.',
      cause: 'Oil dried in the rotor',
      causeBefore: { said: 'Oil in the train', why: 'Somebody drilled into the rotor.' },
      runsWithout: 'dial, gears shut',
      title: /^Partial service/,
    },
  },
  {
    ...{ what: 'kitchen clock without its alarm work', family: 'shelf-alarm', shape: 'partial' },
    ...{
      finds: 'Gummed.',
      baths: [['plates']],
      work: ['keys cleaned'],
      runsWithout: 'case',
      title: /^Partial service/,
    },
  },
  {
    ...{ what: 'open springs, never seen running', family: 'shelf-open-springs', shape: 'overhaul' },
    ...{ finds: 'Seat screws missing.', baths: [['plates'], ['plates']], title: /^Overhauled/ },
    missing: [{ what: 'Seat screws', steps: [{ step: 'made here', note: 'After the thread of the seat.' }] }],
    closes: { corner: 'lower left', last: 'warning wheel, fly' },
  },
  {
    ...{ what: 'quarter clock with moon', family: 'three-weights', shape: 'overhaul', runsWithout: 'dial and hands' },
    traits: (t) => ({ ...t, fittings: [...t.fittings, 'moon work'] }),
    ...{ finds: 'Washers hidden behind a plate.', asked: 'A dozen bushes', title: /^Overhauled/ },
    ...{ baths: [['plates']], dry: true },
  },
  {
    ...{ what: 'weight shelf clock, a piece of history', family: 'weight-shelf', shape: 'overhaul' },
    traits: (t) => addTrain(t, [], 'figure'),
    ...{ finds: 'The crutch has bitten the plate.', ownWay: true, title: /^Overhauled/ },
  },
];
