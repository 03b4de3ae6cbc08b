import { addTrain, driveBy, type Traits } from '@eclat/core/movement';
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
  /** Bath runs, by what goes into the basket. */
  baths?: string[][];
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
    ...{ finds: 'Back and bob are missing.', baths: [['plates'], ['plates']], work: ['catch made new'] },
    title: /^Partial service/,
  },
  {
    ...{ what: 'torsion clock, dead', family: 'torsion', shape: 'overhaul', finds: 'Strip kinked.' },
    ...{
      cause: 'Strip kinked',
      baths: [['going wheels and arbors']],
      work: ['plates wiped', 'arbors eased'],
      title: /^Overhauled/,
    },
  },
  {
    ...{ what: 'one weight for two trains', family: 'longcase', traits: oneChain, shape: 'overhaul' },
    ...{ finds: 'Chain slips on its sprocket.', title: /^Overhauled/ },
  },
  {
    ...{ what: 'wall clock through bath and survey', family: 'month-wall', shape: 'overhaul' },
    ...{ finds: 'Drowned in oil.', cause: 'Too much oil', asked: 'Seven bushes', title: /^Overhauled/ },
    baths: [['plates'], ['plates']],
  },
  {
    ...{ what: 'master clock without its case', family: 'electric-master', shape: 'partial' },
    ...{
      finds: 'Grime where something sat.',
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
  },
  {
    ...{ what: 'quarter clock with moon', family: 'three-weights', shape: 'overhaul', runsWithout: 'dial and hands' },
    traits: (t) => ({ ...t, fittings: [...t.fittings, 'moon work'] }),
    ...{ finds: 'Washers hidden behind a plate.', asked: 'A dozen bushes', title: /^Overhauled/ },
    baths: [['plates']],
  },
  {
    ...{ what: 'weight shelf clock, a piece of history', family: 'weight-shelf', shape: 'overhaul' },
    traits: (t) => addTrain(t, [], 'figure'),
    ...{ finds: 'The crutch has bitten the plate.', baths: [['plates']], title: /^Overhauled/ },
  },
];
