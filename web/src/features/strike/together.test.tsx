// @vitest-environment jsdom
import type { TestRow, TestRun, Visit } from '@eclat/contract';
import { oilChart } from '@eclat/core/oiling';
import { familyById } from '@eclat/core/movement';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AftercareScreen } from '../aftercare/AftercareScreen.tsx';
import { AssemblyScreen } from '../assembly/AssemblyScreen.tsx';
import { BenchScreen } from '../bench/BenchScreen.tsx';
import { OilingScreen } from '../oiling/OilingScreen.tsx';
import { OnTestScreen } from '../test-run/OnTestScreen.tsx';
import { TestRunScreen } from '../test-run/TestRunScreen.tsx';
import { StrikeModelScreen } from './StrikeModelScreen.tsx';
import { StrikeScreen } from './StrikeScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

vi.mock('../test-run/RateChart.tsx', () => ({ default: () => null }));
const person = userEvent.setup();
const DAY = 86_400_000;
const ago = (days: number) => new Date(Date.now() - days * DAY).toISOString();
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const noVisit = undefined as unknown as Visit;

beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('the minute of release', () => {
  it('is judged from what was read, wear apart from setting', () => {
    const read = (minute: number, i: number) => ({ id: `r${i}`, wanted: 0 as const, minute, ...by });
    show(AssemblyScreen, visitOf('mantel-barrels', { releases: [58, 58.1, 57.9].map(read) }));
    expect(screen.getByText(/Early by 2.0 min: turn its collet 12° forward/)).toBeTruthy();
    cleanup();
    show(AssemblyScreen, visitOf('mantel-barrels', { releases: [58, 2, 59].map(read) }));
    expect(screen.getByText(/no setting cures/)).toBeTruthy();
  });

  it('takes half minutes with a comma and nothing that is no minute', async () => {
    show(AssemblyScreen, visitOf('mantel-barrels'));
    const field = screen.getByLabelText('Minute on the dial as it let off');
    await person.type(field, '61');
    expect(screen.getByText('From 0 to under 60.')).toBeTruthy();
    await person.clear(field);
    await person.type(field, '59,5{Enter}');
    await waitFor(() => expect(sent[0]!.body).toEqual({ wanted: 0, minute: 59.5 }));
  });
});

describe('strike and chime', () => {
  const struck = (f: (h: number) => number) =>
    Array.from({ length: 12 }, (_, i) => ({ mark: `h${i + 1}`, heard: f(i + 1), ...by }));

  it('asks for one hour after another', async () => {
    show(StrikeScreen, visitOf('mantel-barrels', { struck: struck((h) => h).slice(0, 2) }));
    expect(screen.getByRole('heading', { name: 'Heard at 3 o’clock' })).toBeTruthy();
    await person.click(button('3'));
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/struck/h3', body: { heard: 3 } }));
    expect(screen.getByRole('heading', { name: 'Heard at 4 o’clock' })).toBeTruthy();
  });

  it('can be gone back to at any place, and more than twelve is typed', async () => {
    show(StrikeScreen, visitOf('mantel-barrels', { struck: struck((h) => h) }));
    expect(answer()).toContain('Right in all twelve hours');
    await person.click(button('7 o’clock: 7 heard'));
    await person.type(screen.getByLabelText(/^Or typed/), '61');
    expect(screen.getByText('0 to 60.')).toBeTruthy();
    await person.clear(screen.getByLabelText(/^Or typed/));
    await person.type(screen.getByLabelText(/^Or typed/), '19{Enter}');
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/struck/h7', body: { heard: 19 } }));
  });

  it('becomes a symptom with one press', async () => {
    show(StrikeScreen, visitOf('mantel-barrels', { struck: struck((h) => (h % 12) + 1) }));
    await person.click(button(/^Note as a symptom/));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v1/observations/wrong-constant', body: { state: 'present' } }),
    );
  });

  it('is not asked of what does not strike', () => {
    show(StrikeScreen, visitOf('torsion'));
    expect(answer()).toContain('does not strike');
  });
});

describe('the model of striking', () => {
  const steps = async (n: number) => {
    for (let i = 0; i < n; i++) await person.click(button('Step'));
  };
  beforeEach(() => {
    const node = () => ({
      connect: (to: unknown) => to,
      frequency: {},
      gain: { setValueAtTime() {}, exponentialRampToValueAtTime() {} },
      start() {},
      stop() {},
    });
    vi.stubGlobal(
      'AudioContext',
      class {
        currentTime = 0;
        createOscillator = node;
        createGain = node;
        destination = {};
        close() {}
      },
    );
  });

  it('lifts, warns, lets go, sounds and locks', async () => {
    show(StrikeModelScreen, noVisit);
    await steps(1);
    expect(answer()).toContain('the rack falls by 1 tooth');
    await steps(1);
    expect(answer()).toContain('half a turn');
    await steps(2);
    expect(answer()).toContain('Blow 1, the last');
    expect(screen.getByText('1 o’clock: 1')).toBeTruthy();
  });

  it('shows what a fault does, and marks who finds it', async () => {
    show(StrikeModelScreen, noVisit);
    await person.click(button(/oil on the rack/));
    await steps(1);
    expect(answer()).toContain('hardly moves');
    vi.spyOn(Math, 'random').mockReturnValue(0.99); // the last of the list
    await person.click(button(/An exercise/));
    await person.click(button('warning run too short'));
    expect(answer()).toContain('Right: warning run too short');
    expect(screen.getByText(/1 of 1 found/)).toBeTruthy();
    vi.restoreAllMocks();
  });
});

describe('oil', () => {
  const chart = oilChart(familyById('mantel-barrels').traits);
  const item = {
    id: '6e1f7a52-0000-4000-8000-000000000001',
    kind: 'product',
    name: 'Clock oil, pivots',
    note: 'batch 22-07',
    kept: true,
  };

  it('comes out of the stores with its batch', async () => {
    standIn({ '/api/stores': [item] });
    show(OilingScreen, visitOf('mantel-barrels'));
    await screen.findAllByRole('option', { name: 'Clock oil, pivots' });
    await person.selectOptions(screen.getByLabelText('Clock oil'), item.id);
    const pipes = chart.find((p) => p.id === 'pipes')!;
    await person.click(screen.getByRole('checkbox', { name: new RegExp(pipes.where) }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/oil/pipes',
        body: { product: 'Clock oil, pivots', batch: '22-07', stockId: item.id, differs: '' },
      }),
    );
    await person.click(screen.getByRole('checkbox', { name: /Wheel teeth/ }));
    await waitFor(() => expect(sent[1]!.body).toMatchObject({ product: '', batch: '' })); // dry
  });

  it('is not said of what stays dry, and otherwise only with a reason', async () => {
    show(OilingScreen, visitOf('mantel-barrels'));
    await person.click(button('Otherwise than the chart: Rack, snail and lifting pieces'));
    const keep = button('Keep and tick it') as HTMLButtonElement;
    expect(keep.disabled).toBe(true);
    await person.type(screen.getByLabelText('What, and why'), 'a trace: it squealed');
    await person.click(keep);
    await waitFor(() =>
      expect(sent[0]!.body).toEqual({ product: '', batch: '', stockId: null, differs: 'a trace: it squealed' }),
    );
  });

  it('is shown on both plates, each hole with its point', async () => {
    show(
      OilingScreen,
      visitOf('mantel-barrels', {
        oiled: [{ point: 'escape', product: '', batch: '', stockId: null, differs: '', ...by }],
      }),
    );
    const holes = screen.getAllByRole('button', { name: /escape wheel, (front|back): fine oil, ticked/ });
    expect(holes).toHaveLength(2);
    await person.click(holes[0]!);
    expect(screen.getByText(/Escape wheel pivots:/)).toBeTruthy();
  });
});

const runOf = (readings: [daysAgo: number, errorS: number][], change: Partial<TestRun> = {}): TestRun => ({
  id: 't1',
  startedAt: ago(20),
  readBy: 'seconds hand',
  place: 'Stand 2',
  events: [],
  conditions: { stands: 'in its case', level: true, setter: 'rating nut', lengthMm: 200, pitchMm: 0.5 },
  readings: readings.map(([d, errorS], i) => ({
    id: `r${i}`,
    readAt: ago(d),
    errorS,
    celsius: null,
    by: 'Ines Calloway',
  })),
  ...change,
});

describe('on test', () => {
  it('is told what to turn and how far, and one press says that it was done', async () => {
    // Mechanics: half a millimetre of 200 is 108 s a day; 216 a day are two turns.
    show(
      TestRunScreen,
      visitOf('mantel-barrels', {
        testRun: runOf([
          [3, 0],
          [2, 216],
          [1, 432],
        ]),
      }),
    );
    expect(screen.getByText(/^Rating nut 2 turns down, by theory/)).toBeTruthy();
    await person.click(button('I turned it so'));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/testrun/events',
        body: { kind: 'adjusted', detail: { setter: 'rating nut', amount: -2 } },
      }),
    );
  });

  it('logs where it stopped and what the hands showed', async () => {
    show(TestRunScreen, visitOf('mantel-barrels', { testRun: runOf([[1, 0]]) }));
    await person.click(screen.getByRole('radio', { name: 'stopped' }));
    await person.type(screen.getByLabelText('What the hands showed'), '10:12');
    await person.type(screen.getByLabelText('Where it stood'), 'at warning');
    await person.click(button('Log it'));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ kind: 'stopped', detail: { shown: '10:12', where: 'at warning' } }),
    );
  });

  it('says how it stands from its first day, and keeps to possible lengths', async () => {
    show(TestRunScreen, visitOf('mantel-barrels'));
    await person.type(screen.getByLabelText('Where it runs'), 'Stand 1');
    await person.type(screen.getByLabelText('Pendulum length, mm'), '9000');
    expect(screen.getByText(/at most 5000 mm/)).toBeTruthy();
    expect((button('Start') as HTMLButtonElement).disabled).toBe(true);
    await person.clear(screen.getByLabelText('Pendulum length, mm'));
    await person.click(screen.getByRole('checkbox', { name: /^Level/ }));
    await person.click(button('Start'));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({
        place: 'Stand 1',
        conditions: { level: true, setter: 'rating nut', lengthMm: null },
      }),
    );
  });

  const row = (claim: string, run: TestRun, failed = 0): TestRow => ({
    visitId: `v-${claim}`,
    claim,
    clock: `Clock ${claim}`,
    traits: familyById('mantel-barrels').traits,
    held: {},
    run,
    failed,
  });
  const rows = [
    row(
      'C-1',
      runOf(
        [
          [0.2, 0],
          [0.1, 0],
        ],
        { startedAt: ago(0.3) },
      ),
    ),
    row(
      'C-2',
      runOf([
        [3, 0],
        [2, 300],
        [1.5, 450],
      ]),
    ),
    row(
      'C-3',
      runOf([
        [5, 0],
        [3, 2],
      ]),
    ),
    row(
      'C-4',
      runOf([[1, 0]], {
        events: [{ id: 'e', kind: 'stopped', happenedAt: ago(0.5), note: '', detail: null, by: 'x' }],
      }),
    ),
  ];

  it('all of them stand by what they want of a person', async () => {
    standIn({ '/api/on-test': rows });
    show(OnTestScreen, noVisit);
    expect(await screen.findByText('3 of 4 on test want you')).toBeTruthy();
    expect(screen.getAllByRole('listitem').map((li) => /C-\d/.exec(li.textContent!)![0])).toEqual([
      'C-4',
      'C-2',
      'C-3',
      'C-1',
    ]);
    expect(screen.getAllByText(/left out/)).toHaveLength(2);
  });

  it('a round goes to each in the order in which they stand', async () => {
    standIn({ '/api/on-test': rows.slice(0, 2) });
    show(OnTestScreen, noVisit);
    await person.click(await screen.findByRole('button', { name: 'Go round and read all' }));
    expect(screen.getByRole('heading', { name: 'Clock C-1' })).toBeTruthy();
    await person.click(button(/^Now/));
    await person.type(screen.getByLabelText('Temperature, °C'), '21,5');
    await person.click(button('Keep the reading'));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v-C-1/testrun/readings', body: { celsius: 21.5 } }),
    );
    expect(screen.getByRole('heading', { name: 'Clock C-2' })).toBeTruthy();
    await person.click(button('Pass it by'));
    expect(screen.queryByRole('heading', { name: 'Clock C-2' })).toBeNull();
  });
});

describe('after it went home', () => {
  const due = {
    visitId: 'v9',
    claim: 'C-9',
    clock: 'Slate clock',
    movementId: 'm9',
    code: 'M-9',
    signedAt: ago(1200),
    oil: ago(40).slice(0, 10),
    overhaul: '2040-01-01',
  };
  const found = {
    visitId: 'v9',
    claim: 'C-9',
    clock: 'Slate clock',
    owner: 'Odile Tarrowby',
    code: 'M-9',
    openedAt: ago(1300),
    closedAt: ago(1200),
    why: 'oil: Clock oil, batch 22-07',
  };

  it('says what is due, what came back, and who had a batch', async () => {
    standIn({ '/api/due-again': [due], '/api/callbacks': { signed: 40, came: 1, rows: [] }, '/api/recall': [found] });
    show(AftercareScreen, noVisit);
    expect(await screen.findByText(/^due since/)).toBeTruthy();
    expect(await screen.findByText('1 of 40 came back')).toBeTruthy();
    await person.type(screen.getByLabelText('Product, batch, part or type'), '22-07');
    expect(await screen.findByText('1 visit had it')).toBeTruthy();
    expect(screen.getByText('oil: Clock oil, batch 22-07')).toBeTruthy();
  });

  it('stands on the bench for a month before it is due, under the work and only while all is shown', async () => {
    const later = { ...due, visitId: 'v10', claim: 'C-10', oil: ago(-60).slice(0, 10) };
    const row = {
      visitId: 'v1',
      claim: 'C-1',
      clock: 'Wall clock',
      owner: 'Maud Ellershaw',
      movementCode: 'M-1',
      familyId: 'longcase',
      done: [],
      power: [],
      next: { stage: 'intake', text: 'Photographs first', urgency: 'next', beside: false },
      bathEndsAt: null,
      promisedFor: null,
      openedAt: by.at,
      photoId: null,
      cautions: [],
      asked: 0,
    };
    standIn({ '/api/due-again': [due, later], '/api/bench': [row] });
    show(BenchScreen, noVisit);
    const reminds = within(await screen.findByRole('region', { name: 'Due again' }));
    expect(reminds.getAllByRole('link').map((l) => l.textContent)).toEqual(['C-9']);
    await person.type(screen.getByLabelText('Search the bench'), 'wall');
    expect(screen.queryByRole('region', { name: 'Due again' })).toBeNull();
  });

  it('says so when there is nothing', async () => {
    standIn({ '/api/due-again': [], '/api/callbacks': { signed: 0, came: 0, rows: [] }, '/api/recall': [] });
    show(AftercareScreen, noVisit);
    expect(await screen.findByText('Nothing was signed in this time.')).toBeTruthy();
    await person.type(screen.getByLabelText('Product, batch, part or type'), 'zz');
    expect(await screen.findByText('No visit had it.')).toBeTruthy();
  });
});
