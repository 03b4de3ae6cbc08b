// @vitest-environment jsdom
import type { BenchEntry, BenchTest } from '@eclat/contract';
import { cleanup, createEvent, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAppState } from '../../data/app-state.ts';
import { AMPS, CALIPER, VOLTS } from '../../devices/typing.ts';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { ElectricScreen } from './ElectricScreen.tsx';
import { TorsionScreen } from './TorsionScreen.tsx';
import { AlarmScreen, OutputsScreen, StrikeSetUpScreen, WeightsScreen } from './TableScreens.tsx';
import { numberOf } from './NumberField.tsx';

const person = userEvent.setup();
beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const entry = (test: BenchTest, id = 'e1'): BenchEntry => ({
  id,
  test,
  of: 'visit',
  version: 1,
  by: 'Ines',
  at: '2031-05-02T09:00:00.000Z',
});
const step = (volts: number, did: 'moves' | 'advances') =>
  entry({ kind: 'step', volts, milliamps: null, did, supplyV: 24 }, `s${volts}`);

describe('the electric bench', () => {
  it('takes what a meter types, Enter after Enter, and one press for what happened', async () => {
    show(ElectricScreen, visitOf('electric-master', { benchTests: [step(9, 'moves')] }));
    expect(screen.getByLabelText<HTMLInputElement>('Supply, volts').value).toBe('24');
    await person.type(screen.getByLabelText('Volts'), `${VOLTS.reads(17)}{Enter}`);
    await person.keyboard(`${AMPS.reads(154.2)}{Enter}`);
    await person.click(screen.getByRole('button', { name: 'advances' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/benches',
        body: { test: { kind: 'step', volts: 17, milliamps: 154, did: 'advances', supplyV: 24 } },
      }),
    );
  });
  it('says first from where it steps, or what is wrong with the coil', () => {
    show(
      ElectricScreen,
      visitOf('electric-master', { benchTests: [step(9, 'moves'), step(17, 'advances'), step(24, 'advances')] }),
    );
    expect(answer()).toContain('It steps from 17 V');
    cleanup();
    show(
      ElectricScreen,
      visitOf('electric-master', {
        benchTests: [
          step(24, 'advances'),
          entry({ kind: 'coil', what: 'Rewind coil', ohms: null, expectedOhms: 110, atC: null }),
        ],
      }),
    );
    expect(answer()).toContain('open');
  });
  it.each([
    ['12,5', 12.5],
    ['109 Ω', 109],
    ['17.0 V', 17],
    ['-3', null],
    ['', null],
    ['9e9', null],
    ['500', null],
  ])('reads %j as %j', (typed, n) => expect(numberOf(typed, 400)).toBe(n));
  it('reads what loses, where that can be', () => expect(numberOf('−12,5 s', 400, -400)).toBe(-12.5));
});

describe('the torsion bench', () => {
  const strip = (thicknessMm: number, is: 'as it came' | 'tried' = 'as it came'): BenchTest => ({
    kind: 'torsion strip',
    ...{ strip: is, thicknessMm, widthMm: null, freeMm: 98, alloy: 'not known', note: '' },
  });
  const beats = (n: number, seconds: number): BenchTest => ({ kind: 'torsion beats', beats: n, seconds, wanted: 8 });
  const inOrder = (...tests: BenchTest[]) =>
    tests.map((t, i) => ({ ...entry(t, `t${i}`), at: `2031-05-02T09:0${i}:00.000Z` }));
  const item = (strength_mm: number, length_mm: number, id: string) => ({
    ...{ id, kind: 'suspension', name: 'Strip', sizes: { strength_mm, length_mm }, onHand: 3, kept: true, orders: [] },
  });

  it('takes what the caliper types, Enter after Enter, thousandths too', async () => {
    show(TorsionScreen, visitOf('torsion'));
    expect(answer()).toContain('Measure the strip that came with it');
    await person.type(screen.getByLabelText('Thickness'), '0.0038in{Enter}');
    await person.keyboard(`${CALIPER.reads(0.5)}{Enter}98{Enter}kinked{Enter}`);
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ test: { thicknessMm: 0.09652, widthMm: 0.5, freeMm: 98 } }),
    );
  });
  it('times the beat between two presses, and says at once what it comes to', async () => {
    let now = 1000;
    vi.spyOn(performance, 'now').mockImplementation(() => now);
    show(TorsionScreen, visitOf('torsion', { benchTests: inOrder(strip(0.0965)) }));
    await person.click(screen.getByRole('button', { name: 'Start at a turn' }));
    now += 300_500;
    await person.click(screen.getByRole('button', { name: /^Stop at a turn/ }));
    vi.restoreAllMocks();
    expect(screen.getByLabelText<HTMLInputElement>('Beats counted').value).toBe('40');
    // The count is the person's: one that was missed is typed over.
    await person.clear(screen.getByLabelText('Beats counted'));
    await person.type(screen.getByLabelText('Beats counted'), '39');
    expect(screen.getByText(/^7\.787 a minute: loses 38\.3 min a day/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Save the count' }));
    await waitFor(() =>
      expect(sent[0]!.body).toEqual({ test: { kind: 'torsion beats', beats: 39, seconds: 300.5, wanted: 8 } }),
    );
  });
  it('takes a count from the keyboard alone', async () => {
    show(TorsionScreen, visitOf('torsion', { benchTests: inOrder(strip(0.0965)) }));
    screen.getByLabelText('Beats counted').focus();
    await person.keyboard('40{Enter}301,2{Enter}');
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ test: { beats: 40, seconds: 301.2, wanted: 8 } }));
  });
  it('names the strip of the stores that comes nearest, and tries it with one press', async () => {
    standIn({ '/api/stores': [item(0.0991, 150, 'a'), item(0.1016, 150, 'b'), item(0.0991, 22, 'of a pendulum')] });
    show(TorsionScreen, visitOf('torsion', { benchTests: inOrder(strip(0.09652), beats(38, 300)) }));
    await waitFor(() => expect(answer()).toContain('Try 0.0039 in'));
    expect(screen.getAllByRole('button', { name: /^Try 0.00/ })).toHaveLength(2);
    await person.click(screen.getByRole('button', { name: /^Try 0.0039 in/ }));
    await waitFor(() => expect(sent.at(-1)!.body).toMatchObject({ test: { strip: 'tried', thicknessMm: 0.0991 } }));
  });
  it('begins with what was right in another of its type where nothing runs yet', () => {
    const before = inOrder(strip(0.094, 'tried'), beats(40, 300)).map((e) => ({ ...e, of: 'type' as const }));
    show(TorsionScreen, visitOf('torsion', { benchTests: [...before, entry(strip(0.1), 'own')] }));
    expect(answer()).toContain('It beat right on 0.0037 in');
    expect(screen.getByText('From what was right in another of its type.')).toBeTruthy();
  });
});

describe('a bench whose forms follow from the table', () => {
  it('weighs by Enter after Enter, says what is wrong, and keeps a wrong figure in its field', async () => {
    show(WeightsScreen, visitOf('longcase'));
    expect(answer()).toContain('Weigh each weight');
    const form = within(screen.getByRole('button', { name: /^Weight/ }).closest('section')!);
    await person.click(form.getByRole('radio', { name: 'going' }));
    await person.type(form.getByLabelText('Weighed, g'), '5{Enter}');
    expect(form.getByText('A number, 10 to 100000.')).toBeTruthy();
    expect(form.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
    await person.clear(form.getByLabelText('Weighed, g'));
    await person.type(form.getByLabelText('Weighed, g'), '5200 g{Enter}5300{Enter}');
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/benches',
        body: { test: { kind: 'weight', values: { source: 'going', grams: 5200, belongs: 5300, hangs: null } } },
      }),
    );
  });
  it('corrects an entry where it stands, and can leave it as it was', async () => {
    const line = entry({ kind: 'line', values: { source: 'going', is: 'the final one', turns: 22 } });
    show(WeightsScreen, visitOf('longcase', { benchTests: [line] }));
    const row = within(screen.getByRole('list', { name: 'Line' }));
    await person.click(row.getByRole('button', { name: 'Change: line' }));
    const turns = row.getByLabelText<HTMLInputElement>('Turns left when it is down');
    expect(turns.value).toBe('22');
    expect(row.getByRole('radio', { name: 'going' })).toBe(document.activeElement);
    await person.click(row.getByRole('button', { name: 'Cancel' }));
    expect(row.queryByLabelText('Turns left when it is down')).toBeNull();
    await person.click(row.getByRole('button', { name: 'Change: line' }));
    await person.clear(row.getByLabelText('Turns left when it is down'));
    await person.type(row.getByLabelText('Turns left when it is down'), '2,5');
    await person.click(row.getByRole('button', { name: 'Save the change' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: '/api/visits/v1/benches/e1',
        body: { version: 1, test: { kind: 'line', values: { source: 'going', turns: 2.5 } } },
      }),
    );
  });
  it('shows both in words where somebody else was faster', async () => {
    const line = (turns: number) => entry({ kind: 'line', values: { source: 'going', is: 'the final one', turns } });
    const ours = fetch;
    const race = { type: 'urn:eclat:lost-race', title: 'x', status: 409, current: { ...line(3), version: 2 } };
    vi.stubGlobal('fetch', (url: string, init: RequestInit) =>
      init.method === 'PUT' ? Promise.resolve(new Response(JSON.stringify(race), { status: 409 })) : ours(url, init),
    );
    show(WeightsScreen, visitOf('longcase', { benchTests: [line(22)] }));
    await person.click(screen.getByRole('button', { name: 'Change: line' }));
    await person.clear(screen.getAllByLabelText('Turns left when it is down')[0]!);
    await person.type(screen.getAllByLabelText('Turns left when it is down')[0]!, '2{Enter}');
    await waitFor(() =>
      expect(useAppState.getState().conflict?.fields).toEqual([
        {
          ...{ name: 'test', label: 'What was entered' },
          mine: 'Line: going, the final one, 2 turns left',
          theirs: 'Line: going, the final one, 3 turns left',
        },
      ]),
    );
  });
  it('says why it does not hear, and what to do', async () => {
    vi.stubGlobal(
      'Worker',
      class Silent {
        terminate() {}
        postMessage() {}
      },
    );
    show(AlarmScreen, visitOf('riveted-alarm'));
    await person.click(screen.getByRole('button', { name: 'Hear it ring' }));
    expect(await screen.findByText(/microphone/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Hear it ring' })).toBeTruthy();
  });
  it('leads with what is wrong, and asks a mains clock for its cord first, caution before it', () => {
    const perished = entry({ kind: 'mains cord', values: { state: 'perished' } });
    show(ElectricScreen, visitOf('synchronous', { benchTests: [perished] }));
    expect(answer()).toContain('Cord: Perished: it is not plugged in before it is renewed.');
    cleanup();
    show(ElectricScreen, visitOf('synchronous'));
    const cord = screen.getByRole('button', { name: /^Cord and strain relief/ }).closest('section')!;
    expect(cord.textContent).toMatch(/^Cord and strain reliefUnplugged, and its plug in sight\. Licensed people only/);
  });

  it('at lock, says which lever to move before anything is kept', async () => {
    show(StrikeSetUpScreen, visitOf('shelf-open-springs'));
    for (const seen of ['on the rim', 'in its notch', 'on its stop'])
      await person.click(screen.getByRole('radio', { name: seen }));
    expect(screen.getByText(/^The cam lever is in, the count lever rides on the rim/)).toBeTruthy();
    expect(sent).toEqual([]);
    await person.click(screen.getAllByRole('button', { name: 'Save' })[0]!);
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ test: { kind: 'at lock', values: { count: 'on the rim', bent: null } } }),
    );
  });
  it('draws the turn of a master, and says where each output is closed to those who do not see it', () => {
    const values = { terminal: '3', does: 'makes', from: 350, to: 10 };
    show(OutputsScreen, visitOf('electric-master', { benchTests: [entry({ kind: 'output', values })] }));
    expect(screen.getByRole('img', { name: 'One turn: terminal 3, 350° to 10°' })).toBeTruthy();
  });

  it('times a dwell by holding, with the finger or the space bar', () => {
    show(OutputsScreen, visitOf('electric-master'));
    const hold = screen.getByRole('button', { name: 'Hold while it is closed' });
    const at = (event: Event, ms: number) => Object.defineProperty(event, 'timeStamp', { value: ms });
    const field = screen.getByLabelText<HTMLInputElement>('Held closed, timed, s');
    fireEvent(hold, at(createEvent.pointerDown(hold), 1000));
    expect(hold.textContent).toBe('Let go when it opens');
    fireEvent(hold, at(createEvent.pointerUp(hold), 2680));
    expect(field.value).toBe('1.68');
    for (const repeat of [false, true, true])
      fireEvent(hold, at(createEvent.keyDown(hold, { key: ' ', repeat }), repeat ? 9400 : 9000));
    fireEvent(hold, at(createEvent.keyUp(hold, { key: ' ' }), 9500));
    expect(field.value).toBe('0.50');
    // Left with the key down, it has timed nothing.
    fireEvent(hold, at(createEvent.keyDown(hold, { key: ' ' }), 10_000));
    fireEvent.blur(hold);
    fireEvent(hold, at(createEvent.keyUp(hold, { key: ' ' }), 20_000));
    expect(field.value).toBe('0.50');
  });
});
