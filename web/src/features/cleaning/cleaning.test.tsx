// @vitest-environment jsdom
import { stepsOf } from '@eclat/core/cleaning';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { AT, by, safeVisitOf, visitOf } from '../../../test/visit.ts';
import { BathBookScreen } from './BathBookScreen.tsx';
import { CleaningScreen } from './CleaningScreen.tsx';
import { PlanRun } from './PlanRun.tsx';

const person = userEvent.setup();
beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('clean', () => {
  it('names what must come out, and will not start before it is', async () => {
    show(PlanRun, safeVisitOf('torsion'));
    await person.click(screen.getByRole('button', { name: /going wheels/ }));
    expect(screen.getByText('At most 15 minutes')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /lacquered plates/ }));
    expect(screen.getByText('Must come out of the basket')).toBeTruthy();
    const start = screen.getByRole('button', { name: 'Begin the run' }) as HTMLButtonElement;
    expect(start.disabled).toBe(true);
    await person.click(screen.getByRole('button', { name: /lacquered plates/ }));
    await person.click(start);
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({
        sequence: 'ultrasonic',
        bath: 'ammoniated water',
        minutes: 5,
        overrideReason: '',
        fillId: null,
      }),
    );
  });
  const fill = {
    id: 'f1',
    version: 1,
    bath: 'ammoniated water',
    name: 'Tank',
    litres: 3,
    waterParts: 7,
    limitLoads: 4,
    limitDays: null,
    note: '',
    filledAt: AT,
    changedAt: null,
    changedBy: '',
    loads: 4,
    minutes: 60,
    clocks: 3,
    by: 'Ines',
  };
  it('puts the basket into the tank that is filled, and warns when it is past its rule', async () => {
    standIn({ '/api/baths': [fill] });
    show(PlanRun, safeVisitOf('mantel-barrels'));
    expect(await screen.findByText('Past its rule: 4 loads, to be changed after 4')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /^plates/ }));
    await person.click(screen.getByRole('button', { name: 'Begin the run' }));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ fillId: 'f1' }));
  });
  it('takes the whole movement by its sequence, one half after the other, and a part of many materials', async () => {
    show(PlanRun, safeVisitOf('mantel-barrels'));
    await person.selectOptions(screen.getByLabelText('Sequence'), 'Whole movement, nothing apart');
    await person.click(screen.getByRole('radio', { name: 'first half' }));
    await person.click(screen.getByRole('button', { name: 'Another part' }));
    await person.type(screen.getByLabelText('Part'), 'lever');
    await person.selectOptions(screen.getByLabelText('Made of'), 'plain steel');
    await person.click(screen.getByRole('button', { name: 'And of' }));
    await person.selectOptions(screen.getByLabelText('And of'), 'shellac setting');
    await person.type(screen.getByLabelText('Part'), '{Enter}');
    // The strictest material of the composite rules: shellac softens in ammonia.
    expect(screen.getByRole('list', { name: 'Must come out of the basket' }).textContent).toContain('shellac');
    await person.click(screen.getByRole('button', { name: /lever/ }));
    await person.click(screen.getByRole('button', { name: 'Begin the run' }));
    const names = () => (sent.at(-1)!.body['parts'] as { name: string }[]).map((p) => p.name);
    await waitFor(() => expect(names()).toEqual(['whole movement, first half']));
    await person.click(screen.getByRole('button', { name: /^whole movement/ }));
    expect(screen.getByRole('radio', { name: 'second half' }).getAttribute('aria-checked')).toBe('true');
    await person.click(screen.getByRole('button', { name: 'Begin the run' }));
    await waitFor(() => expect(names()).toEqual(['whole movement, second half']));
  });
  it('wipes what is named, in no bath and with no minutes', async () => {
    show(PlanRun, visitOf('torsion'));
    await person.selectOptions(screen.getByLabelText('Sequence'), 'Wiped, no bath');
    expect(screen.queryByLabelText('Minutes')).toBeNull();
    await person.click(screen.getByRole('button', { name: /^lacquered plates/ }));
    expect(screen.getByText('May be wiped')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Begin the run' }));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ sequence: 'wipe', bath: null, parts: [{ name: 'lacquered plates' }] }),
    );
  });
  it('makes a sequence of its own: what is wrong stands at its step, and nothing typed is lost', async () => {
    standIn({ '/api/baths': [] });
    show(BathBookScreen, visitOf('weight-shelf'));
    await person.click(await screen.findByRole('button', { name: 'New sequence' }));
    const step = (n: number) => within(screen.getByRole('listitem', { name: `Step ${n}` }));
    const fill = async (n: number, what: string, bath: string, more: Record<string, string> = {}) => {
      await person.type(step(n).getByLabelText(`${n}. What is done`), what);
      await person.selectOptions(step(n).getByLabelText('In'), bath);
      for (const [label, value] of Object.entries(more)) {
        await person.clear(step(n).getByLabelText(label));
        await person.type(step(n).getByLabelText(label), value);
      }
    };
    await person.type(screen.getByLabelText('What it is called'), 'Spirit and hot water');
    await fill(1, 'Soak, brush', 'petroleum solvent', { Minutes: '15', '°C': '40' });
    await person.click(screen.getByRole('button', { name: 'Another step' }));
    await fill(2, 'Hot water', 'water', { Minutes: '2', '°C': '60', Times: '2' });
    await person.click(screen.getByRole('button', { name: 'Save the sequence' }));
    expect(await screen.findByText('Never warmed: its vapour burns.')).toBeTruthy();
    await person.clear(step(1).getByLabelText('°C'));
    await person.click(screen.getByRole('button', { name: 'Save the sequence' }));
    expect(await step(2).findByText(/^Nothing drives this water out afterwards/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Another step' }));
    await fill(3, 'Into the fluid', 'dewatering fluid');
    await person.click(screen.getByRole('button', { name: 'Save the sequence' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/sequences',
        body: {
          name: 'Spirit and hot water',
          steps: [
            { what: 'Soak, brush', minutes: 15, bath: 'petroleum solvent', celsius: null, times: 1 },
            { what: 'Hot water', minutes: 2, bath: 'water', celsius: 60, times: 2 },
            { what: 'Into the fluid', minutes: null, bath: 'dewatering fluid' },
          ],
        },
      }),
    );
  });
  it('offers what the strip log says is off, with the material of its name', () => {
    const step = {
      version: 1,
      pass: 1,
      heldBy: '',
      place: '',
      remarks: [],
      note: '',
      group: '',
      photoId: null,
      recordingId: null,
      opens: null,
      overrideReason: '',
      fateNote: '',
      fateBy: '',
      fateAt: null,
      ...by,
    };
    show(
      PlanRun,
      visitOf('mantel-barrels', {
        strip: {
          ...visitOf('mantel-barrels').strip,
          steps: [
            { ...step, id: '1', what: 'moon wheel', fate: 'apart' },
            { ...step, id: '2', what: 'strike fly', fate: 'on again' },
          ],
        },
      }),
    );
    expect(screen.getByRole('button', { name: /moon wheel/ }).textContent).toContain('plain steel');
    expect(screen.queryByRole('button', { name: /strike fly/ })).toBeNull();
  });
  const steps = stepsOf('ultrasonic', {
    bath: 'ammoniated water',
    minutes: 5,
    parts: [{ name: 'plates', materials: ['bare brass'] }],
    choices: {},
  });
  const going = (change: object = {}) => ({
    id: 'b1',
    version: 3,
    sequence: 'ultrasonic' as const,
    name: 'Ultrasonic water bath',
    bath: 'ammoniated water' as const,
    parts: [{ name: 'plates', materials: ['bare brass' as const] }],
    minutes: 5,
    overrideReason: '',
    fillId: null,
    before: '',
    after: '',
    steps,
    step: 1,
    stepStartedAt: AT,
    endsAt: '2020-01-01T00:00:00.000Z',
    log: [{ step: 0, startedAt: AT, endsAt: null, endedAt: AT, by: 'Ines' }],
    startedAt: AT,
    stoppedAt: null,
    by: 'Ines',
    ...change,
  });
  it('says when time is up, and leads on, once more, or back', async () => {
    show(CleaningScreen, visitOf('mantel-barrels', { baths: [going()] }));
    expect(answer()).toContain('Time is up: in the bath, then look');
    for (const [name, to] of [
      [/^On to: Hot rinse/, 'next'],
      [/^Once more, 5 min/, 'again'],
      [/^Back/, 'back'],
    ] as const) {
      await person.click(screen.getByRole('button', { name }));
      await waitFor(() =>
        expect(sent.at(-1)).toMatchObject({ url: '/api/visits/v1/baths/b1/step', body: { to, version: 3 } }),
      );
    }
  });
  it('warms a bath before anybody knows what goes in; then what is put together goes into that one', async () => {
    show(CleaningScreen, safeVisitOf('mantel-barrels'));
    await person.click(screen.getByRole('button', { name: 'Warm the bath' }));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ sequence: 'ultrasonic', parts: [], minutes: 5 }));
    cleanup();
    const warming = going({ parts: [], step: 0, endsAt: null, log: [] });
    show(CleaningScreen, { ...safeVisitOf('mantel-barrels'), baths: [warming] });
    // Into the bath it goes only with something in it.
    expect(screen.queryByRole('button', { name: /^On to: In the bath/ })).toBeNull();
    expect(screen.queryByLabelText('Sequence')).toBeNull();
    await person.click(screen.getByRole('button', { name: /^strike wheels/ }));
    await person.click(screen.getByRole('button', { name: 'Into the basket' }));
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({
        url: '/api/visits/v1/baths/b1/basket',
        body: { parts: [{ name: 'strike wheels and arbors' }], version: 3 },
      }),
    );
  });
  it('asks why, once more is longer than its strictest part stands', async () => {
    const soon = new Date(Date.now() - 12 * 60_000).toISOString();
    show(CleaningScreen, visitOf('mantel-barrels', { baths: [going({ stepStartedAt: soon })] }));
    await person.click(screen.getByRole('button', { name: /^Once more, 5 min/ }));
    expect(screen.getByText('17 min in all; plates, bare brass, stands 15.')).toBeTruthy();
    await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText(/^Once more, with a reason/)));
    await person.keyboard('old varnish{Enter}');
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ to: 'again', reason: 'old varnish', version: 3 }));
  });
  it('has the caution of the next step before it, and asks at the end what it looks like', async () => {
    show(CleaningScreen, visitOf('mantel-barrels', { baths: [going({ step: 2 })] }));
    expect(screen.getByText('Before “Displace the water in alcohol”:').parentElement!.textContent).toContain(
      'no flame',
    );
    cleanup();
    show(CleaningScreen, visitOf('mantel-barrels', { baths: [going({ step: 4, endsAt: null })] }));
    await person.type(screen.getByLabelText('What it looks like now'), 'even');
    await person.click(screen.getByRole('button', { name: 'Parts are out' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v1/baths/b1/stopped', body: { after: 'even' } }),
    );
  });
  it('owes the second clean after bushing, by the house rule', () => {
    const bushed = {
      bushes: [
        {
          id: 'x',
          hole: 'T2.back',
          pivotMm: 1,
          boreMm: 1,
          outsideMm: 2,
          heightMm: 2,
          note: '',
          located: null,
          off: false,
          endShakeMm: null,
          spins: null,
          stockId: null,
          ...by,
        },
      ],
      baths: [going({ stoppedAt: AT })],
    };
    show(CleaningScreen, visitOf('mantel-barrels', bushed));
    expect(answer()).toContain('second, lighter clean');
    cleanup();
    const v = visitOf('mantel-barrels', bushed);
    show(CleaningScreen, { ...v, rules: { ...v.rules, held: { 'final-clean': 'before' } } });
    expect(answer()).toContain('One run is done');
  });
});

describe('the bath book', () => {
  it('reckons the mixture while it is typed, and says at the field what cannot be', async () => {
    show(BathBookScreen, visitOf('mantel-barrels'));
    await person.click(await screen.findByRole('button', { name: 'Fill one' }));
    const litres = screen.getByLabelText('Litres');
    await person.clear(litres);
    await person.type(litres, '4');
    expect(screen.getByText('0.50 l of concentrate and 3.50 l of water.')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'It is filled' }));
    expect(await screen.findByText(/Which tank or jar/)).toBeTruthy();
    expect(sent).toEqual([]);
    await person.type(screen.getByLabelText('Tank or jar'), 'Tank');
    await person.click(screen.getByRole('button', { name: 'It is filled' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/baths',
        body: { name: 'Tank', litres: 4, waterParts: 7, limitLoads: null },
      }),
    );
  });
});
