import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import { checksFor } from '../checks/index.ts';
import { signObstacles, STAGE_IDS } from '../workflow/index.ts';
import { serviceRecord, signFacts, type VisitSource } from './fromVisit.ts';

const DAY = 86_400_000;
const T0 = Date.UTC(2031, 4, 2, 9);
const iso = (days: number) => new Date(T0 + days * DAY).toISOString();
const now = new Date(T0 + 20 * DAY);

const visit: VisitSource = {
  movement: { traits: familyById('mantel-barrels').traits },
  owner: { name: 'Odile Tarrowby', phone: '0555 010 442', email: '', address: '' },
  stages: STAGE_IDS.filter((s) => s !== 'sign').map((stage) => ({ stage, done: true })),
  power: [{ state: 'wound' }, { state: 'wound' }],
  findings: [
    { place: 'going train', seen: 'Hole oval.', severity: 'stops it', earlierRepair: false, proposal: 'Bush' },
  ],
  cause: 'Worn hole',
  baths: [
    {
      sequence: 'soapy',
      bath: 'detergent',
      parts: [{ name: 'plates' }],
      step: 0,
      stepStartedAt: iso(0),
      endsAt: new Date(T0 + 600_000).toISOString(),
      stoppedAt: new Date(T0 + 240_000).toISOString(),
      steps: [{ what: 'Soapy water, brush', minutes: 10, bath: 'detergent', caution: '', again: 0 }],
      log: [{ step: 0, startedAt: iso(0), endsAt: null, endedAt: new Date(T0 + 240_000).toISOString(), by: 'Ines' }],
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
  electric: [{ look: { kind: 'step', volts: 17, milliamps: 154, did: 'advances', supplyV: 24 } }],
  partLooks: [
    { key: 'pallets', state: 'grooved', toMm: null, note: '' },
    { key: 'crutch', state: 'sound', toMm: null, note: '' },
  ],
  casework: [
    {
      place: 'case',
      what: 'Finish coat',
      product: 'shellac',
      origin: null,
      log: [1, 2],
      doneAt: '2031-05-02T09:00:00.000Z',
    },
    {
      place: 'glass',
      what: 'Glass cut and fitted',
      product: '',
      origin: 'new, a guess',
      log: [1],
      doneAt: '2031-05-02T09:00:00.000Z',
    },
  ],
  oiled: [{ point: 'teeth' }, { point: 'crutch' }, { point: 'a point of an older chart' }],
  rules: { held: {} },
  strip: { steps: [{ fate: 'on again' }, { fate: 'replaced' }], temporary: [{ ended: 'taken out' }], custody: [] },
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
const obstacles = (change: Partial<VisitSource>, waiver = '', note = '') =>
  signObstacles(signFacts({ ...visit, ...change }, now, waiver, note)).map((o) => o.what);

describe('the record of a visit', () => {
  const record = serviceRecord(visit, now, '', 'Next time the strike.');
  it('says what was done, in words that need no table', () => {
    expect(record.bushes[0]!.hole).toBe('T2 second wheel, back plate');
    expect(record.cleaned).toEqual([{ bath: 'detergent', parts: ['plates'], minutes: 4 }]); // as long as it stayed, not as planned
    expect(record.oiled).toEqual([
      { where: 'Wheel teeth and pinion leaves', grade: 'none' },
      { where: 'Crutch loop or fork', grade: 'fine' },
    ]);
    expect(record.test).toMatchObject({ days: 8, readings: 9, rateSecondsPerDay: 6, waived: null });
    expect(record.test.verdict).toContain('inside 60 s a day');
    expect(record.declined).toEqual(['Polish the case']);
    expect(record.electric).toEqual(['17 V, 154 mA: advances']);
    expect(record.looked).toEqual({ sound: 1, worn: [{ what: 'pallets', state: 'grooved', toMm: null, note: '' }] });
    expect(record.casework).toEqual([
      { place: 'case', what: 'Finish coat', product: 'shellac', times: 2, origin: '' },
      { place: 'glass', what: 'Glass cut and fitted', product: '', times: 1, origin: 'new, a guess' },
    ]);
    expect(record.parts[0]).toEqual({
      what: 'Suspension spring',
      source: 'donor movement M-ABC234',
      size: '0.1 × 6 × 22 mm, with brass ends',
      oldPart: 'scrapped',
    });
    expect(record.note).toBe('Next time the strike.');
  });
  it('carries nothing of the owner', () => expect(JSON.stringify(record)).not.toMatch(/Tarrowby|0555/));
  it('says so when there was no test run', () => {
    expect(serviceRecord({ ...visit, testRun: null }, now, 'ornament only').test).toEqual({
      days: 0,
      readings: 0,
      rateSecondsPerDay: null,
      halfWidthSecondsPerDay: null,
      verdict: 'No test run.',
      waived: 'ornament only',
    });
  });
});

describe('what stands in the way of a signature', () => {
  it('is nothing when all is done', () => expect(obstacles({})).toEqual([]));
  it('is a coat that has not dried', () =>
    expect(obstacles({ casework: [{ ...visit.casework[0]!, doneAt: null }] })).toEqual([
      '1 task on case, dial or glass is not done',
    ]));
  it('is a hole without its bush', () => expect(obstacles({ bushes: [] })).toEqual(['1 hole still wants its bush']));
  it('is an addition without the owner’s word, and a thing that is not going home', () => {
    expect(
      obstacles({ agreement: { lines: [{ ...visit.agreement.lines[0]!, state: 'ask later' }], chosen: null } }),
    ).toEqual(['1 line of the estimate waits for the owner’s word']);
    expect(obstacles({ received: [{ returnedAt: null }, { returnedAt: null }] })).toEqual([
      '2 things that came with it are not ticked as going home',
    ]);
  });
  it('is a thing left over, a tie left in, or a part still at the turner’s', () => {
    expect(obstacles({ strip: { ...visit.strip, steps: [{ fate: 'apart' }] } })).toEqual([
      '1 thing that came off is not accounted for',
    ]);
    expect(obstacles({ strip: { ...visit.strip, temporary: [{ ended: null }], custody: [{ backAt: null }] } })).toEqual(
      ['1 temporary thing is neither taken out nor declared', '1 part is still with another hand'],
    );
  });
  it('is a bath that runs', () =>
    expect(obstacles({ baths: [{ ...visit.baths[0]!, stoppedAt: null }] })).toEqual(['A bath is still running']));
  it('is a stage that was taken up again', () =>
    expect(obstacles({ stages: visit.stages.map((s) => (s.stage === 'clean' ? { ...s, done: false } : s)) })).toEqual([
      'Clean is not done',
    ]));
  it('is a train of which nobody knows', () =>
    expect(obstacles({ power: [{ state: 'unknown' }] })).toEqual(['The power state of a train is unknown']));
  it('is a run that is too short, unless it is waived', () => {
    const short = { testRun: { ...visit.testRun!, readings: visit.testRun!.readings.slice(0, 3) } };
    expect(obstacles(short)).toHaveLength(1);
    expect(obstacles(short, 'goes to a museum store, not to run')).toEqual([]);
  });
  it('is a function that nobody tried in position, unless it is waived; and a check that failed, at its stage', () => {
    const open = visit.checks.filter((c) => c.check !== 'f-strike');
    expect(obstacles({ checks: open })).toEqual([
      '1 function in position has no answer: test, or say why it is waived',
    ]);
    expect(obstacles({ checks: open }, 'stays silent')).toEqual([]);
    expect(
      signObstacles(
        signFacts({ ...visit, checks: [...visit.checks, { check: 'd-level', result: 'failed', note: 'rocks' }] }, now),
      ),
    ).toEqual([{ what: 'A check stands failed: Level, and it stays so', at: 'deliver' }]);
  });
  it('is the owner’s name in the note as it is typed', () => {
    expect(obstacles({}, '', 'Mrs Tarrowby dropped it')[0]).toContain('the note');
    expect(obstacles({ parts: [{ ...visit.parts[0]!, what: 'Spring for Tarrowby' }] })[0]).toContain('a part');
  });
});
