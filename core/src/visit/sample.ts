import { familyById } from '../movement/index.ts';
import { checksFor } from '../checks/index.ts';
import { STAGE_IDS, UNIT_STAGES } from '../workflow/index.ts';
import type { SignSource } from './sign-facts.ts';

const DAY = 86_400_000;
const T0 = Date.UTC(2031, 4, 2, 9);
/** The ISO date and time this many days after the start of the sample visit; may be negative. */
export const iso = (days: number) => new Date(T0 + days * DAY).toISOString();
export const now = new Date(T0 + 20 * DAY);

/** A visit that is done but for its signature. */
export const finishedVisit: SignSource = {
  closedAt: null,
  promisedFor: null,
  observations: {},
  movement: { traits: familyById('mantel-barrels').traits },
  owner: { name: 'Odile Tarrowby', phone: '0555 010 442', email: '', address: '' },
  job: { shape: 'overhaul', terms: 'guaranteed', trial: null, ownStock: false },
  stages: STAGE_IDS.filter((s) => s !== 'sign').map((stage) => ({ stage, state: 'done', why: '' })),
  power: [{ state: 'wound' }, { state: 'wound' }],
  findings: [
    {
      place: 'going train',
      seen: 'Hole oval.',
      severity: 'stops it',
      earlierRepair: false,
      proposal: 'Bush',
      id: 'f1',
      followsFrom: null,
      overturned: null,
    },
  ],
  cause: 'Worn hole',
  prognosis: '',
  lookAgainOn: null,
  baths: [
    {
      name: 'Soapy water and brush',
      bath: 'detergent',
      parts: [{ name: 'plates' }],
      step: 0,
      stepStartedAt: iso(0),
      endsAt: new Date(T0 + 600_000).toISOString(),
      stoppedAt: new Date(T0 + 240_000).toISOString(),
      steps: [{ what: 'Soapy water, brush', minutes: 10, bath: 'detergent', caution: '' }],
      log: [{ step: 0, startedAt: iso(0), endsAt: null, endedAt: new Date(T0 + 240_000).toISOString(), by: 'Ines' }],
    },
  ],
  replacement: { out: null },
  secondLooks: [],
  standRuns: [{ off: 'dial', watched: '', found: 'Even.', at: iso(1), endedAt: iso(3) }],
  units: [
    {
      name: 'alarm',
      stages: UNIT_STAGES.map((stage) => ({ stage, state: 'done', why: '' })),
      runs: [{ driven: 'by hand', found: 'Rings a minute.', at: iso(1), endedAt: iso(1.25) }],
    },
  ],
  holes: [{ key: 'T2.back', verdict: 'bush' }],
  bushes: [{ hole: 'T2.back', pivotMm: 1.6, boreMm: 1.66, outsideMm: 3, heightMm: 2, off: false }],
  parts: [
    {
      what: 'Suspension spring',
      source: 'donor movement',
      size: 'with brass ends',
      oldPart: 'scrapped',
      kind: 'suspension',
      sizes: { strength_mm: 0.1, width_mm: 6, length_mm: 22 },
      quantity: 1,
      donorCode: 'M-ABC234',
    },
  ],
  work: [{ part: 'Crutch', did: 'closed', before: 'loose', after: 'no shake', reversible: true }],
  benchTests: [{ of: 'visit', test: { kind: 'step', volts: 17, milliamps: 154, did: 'advances', supplyV: 24 } }],
  partConditions: [
    { key: 'pallets', state: 'grooved', toMm: null, note: '' },
    { key: 'crutch', state: 'sound', toMm: null, note: '' },
  ],
  casework: [
    {
      place: 'case',
      what: 'Finish coat',
      product: 'shellac',
      origin: null,
      donorName: '',
      log: [1, 2],
      waitEndsAt: null,
      doneAt: '2031-05-02T09:00:00.000Z',
    },
    {
      place: 'glass',
      what: 'Glass cut and fitted',
      product: '',
      origin: 'new, a guess',
      donorName: '',
      log: [1],
      waitEndsAt: null,
      doneAt: '2031-05-02T09:00:00.000Z',
    },
  ],
  oiled: ['teeth', 'crutch', 'a point of an older chart'].map((point) => ({
    point,
    at: iso(4),
    ...{ product: point === 'crutch' ? 'Clock oil' : '', batch: point === 'crutch' ? '77-01' : '' },
    ...{ dry: false, differs: '' },
  })),
  keptWords: [],
  rules: { held: {} },
  strip: {
    begun: {},
    steps: [{ fate: 'on again' }, { fate: 'replaced' }],
    passes: [],
    temporary: [{ kind: 'put in', ended: 'taken out' }],
    custody: [],
  },
  received: [{ returnedAt: iso(20) }],
  checks: [
    { check: 'end-shake', result: 'passed', note: '' },
    ...checksFor(familyById('mantel-barrels').traits, 'run').map((c) => ({
      check: c.id,
      result: 'passed' as const,
      note: '',
    })),
  ],
  agreement: {
    lines: [
      {
        kind: 'labour',
        what: 'Polish the case',
        quantity: '3',
        price: '50',
        routes: [],
        optional: true,
        state: 'declined',
        addition: false,
      },
    ],
    chosen: null,
  },
  testRun: {
    startedAt: iso(5),
    readBy: 'seconds hand',
    readings: [5, 6, 7, 8, 9, 10, 11, 12, 13].map((d) => ({ readAt: iso(d), errorS: 6 * (d - 5) })),
    events: [{ kind: 'wound', happenedAt: iso(5) }],
  },
};
