// @vitest-environment jsdom
import type { TestRow, TestRun, Visit } from '@eclat/contract';
import { familyById } from '@eclat/core/movement';
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { OnTestScreen } from './OnTestScreen.tsx';
import { TestRunScreen } from './TestRunScreen.tsx';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';

vi.mock('./RateChart.tsx', () => ({ default: () => null }));
vi.mock('../../ui/LineChart.tsx', () => ({ LineChart: () => null }));

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
  it('asks for the lines before a weight hangs, and says what is wrong with one', () => {
    show(TestRunScreen, visitOf('longcase'));
    expect(screen.getByText('Before the weight hangs: going, strike')).toBeTruthy();
    cleanup();
    const line = (source: string, is: string) => ({
      id: source,
      of: 'visit' as const,
      version: 1,
      by: 'Ines Calloway',
      at: ago(1),
      test: { kind: 'line' as const, values: { source, is } },
    });
    const of = (is: string) =>
      visitOf('longcase', { benchTests: [line('going', is), line('strike', 'the final one')] });
    show(TestRunScreen, of('borrowed for the test'));
    expect(screen.getByText(/^Line, going: Borrowed for the test/)).toBeTruthy();
    cleanup();
    show(TestRunScreen, of('the final one'));
    expect(screen.queryByText('To weights and lines')).toBeNull();
  });

  const swing = (daysAgo: number, deg: number, drops: number | null = null) => ({
    id: `s${daysAgo}`,
    of: 'visit' as const,
    version: 1,
    by: 'Ines Calloway',
    at: ago(daysAgo),
    test: { kind: 'swing' as const, values: { deg, drops, stopped: null } },
  });
  const FALLS = [swing(3, 2.6, 1.5), swing(2, 2.3), swing(1, 2.05), swing(0.1, 1.8)];

  it('reckons a torsion clock to the warmth of a home by the strip that is in it', () => {
    const strip = {
      id: 'b1',
      of: 'movement' as const,
      version: 1,
      by: 'Ines Calloway',
      at: ago(400),
      test: {
        kind: 'torsion strip' as const,
        ...{ strip: 'fitted' as const, thicknessMm: 0.1, widthMm: null, freeMm: null, note: '' },
        alloy: 'not compensated' as const,
      },
    };
    const run = runOf([
      [3, 0],
      [2, -60],
      [1, -120],
    ]);
    const readings = run.readings.map((r, i) => ({ ...r, celsius: 23 + i }));
    show(TestRunScreen, visitOf('torsion', { testRun: { ...run, readings }, benchTests: [strip] }));
    expect(screen.getByText(/^From 23 to 25 °C, which makes 30 s a day.*room of 20 °C it keeps time\.$/)).toBeTruthy();
  });

  it('warns of a swing that fails before its wind is out, and takes the next one by its figure', async () => {
    show(
      TestRunScreen,
      visitOf('mantel-barrels', {
        testRun: runOf([[3, 0]], {
          events: [{ id: 'e', kind: 'wound', happenedAt: ago(3.2), note: '', detail: null, by: 'Ines Calloway' }],
        }),
        benchTests: FALLS,
      }),
    );
    expect(screen.getByText(/^Swing falls by 0\.27° a day: at 1\.5°, where a tooth drops, in 1 day/)).toBeTruthy();
    await person.type(screen.getByLabelText('Swings to one side, °'), '1,7{Enter}{Enter}');
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ test: { kind: 'swing', values: { deg: 1.7, drops: null } } }),
    );
  });

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
    await person.click(button('I turned it'));
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
    benchTests: [],
    heard: [],
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
    const weak = { ...row('C-5', rows[0]!.run), benchTests: FALLS };
    weak.run = { ...weak.run, startedAt: ago(3.2) };
    standIn({ '/api/on-test': [...rows, weak] });
    show(OnTestScreen, noVisit);
    expect(await screen.findByText('4 of 5 on test: something to do')).toBeTruthy();
    expect(screen.getByText(/^Swing falls by 0\.27° a day/)).toBeTruthy();
    expect(screen.getAllByRole('listitem').map((li) => /C-\d/.exec(li.textContent)![0])).toEqual([
      'C-4',
      'C-5',
      'C-2',
      'C-3',
      'C-1',
    ]);
    expect(screen.getAllByText(/[0-9] missed/)).toHaveLength(3);
  });

  it('a round goes to each in the order in which they stand', async () => {
    standIn({ '/api/on-test': rows.slice(0, 2) });
    show(OnTestScreen, noVisit);
    await person.click(await screen.findByRole('button', { name: 'Go round and read all' }));
    expect(screen.getByRole('heading', { name: 'Clock C-1' })).toBeTruthy();
    await person.click(button(/^Now/));
    await person.type(screen.getByLabelText('Temperature, °C'), '21,5');
    await person.click(button('Save the reading'));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v-C-1/testrun/readings', body: { celsius: 21.5 } }),
    );
    expect(screen.getByRole('heading', { name: 'Clock C-2' })).toBeTruthy();
    await person.click(button('Skip'));
    expect(screen.queryByRole('heading', { name: 'Clock C-2' })).toBeNull();
  });
});
