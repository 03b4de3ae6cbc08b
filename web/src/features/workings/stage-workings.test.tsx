// @vitest-environment jsdom
import type { KeptWorking, Visit } from '@eclat/contract';
import { WORKINGS } from '@eclat/core/workings';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AT, by, visitOf } from '../../../test/visit.ts';
import { useAppState } from '../../data/app-state.ts';
import { visitQuery } from '../../data/queries.ts';
import { loadWaysBack } from '../../data/undo.ts';
import { knownOf } from './prefill.ts';
import StageWorkings from './StageWorkings.tsx';

const person = userEvent.setup();
let sent: { method: string; url: string; body: unknown }[];
beforeEach(() => {
  sent = [];
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    if (url === '/api/visits/v1') return new Response(JSON.stringify(standing), { status: 200 });
    sent.push({ method: init.method!, url, body: init.body ? JSON.parse(init.body as string) : null });
    return new Response(JSON.stringify({ ok: true }), { status: 200 });
  });
});
afterEach(() => {
  cleanup();
  localStorage.clear();
  useAppState.setState({ notice: null });
  vi.unstubAllGlobals();
});

let standing: Visit;
await loadWaysBack();
function show(visit: Visit, stage: 'fit' | 'run' = 'run'): void {
  const router = createMemoryRouter([{ path: '*', element: <StageWorkings visit={visit} stage={stage} /> }]);
  standing = visit;
  const queries = new QueryClient();
  queries.setQueryData(visitQuery(visit.id).queryKey, visit);
  render(
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
}
const kept = (change: Partial<KeptWorking> = {}): KeptWorking => ({
  id: 'k1',
  working: 'beat-error',
  version: 1,
  stage: 'run',
  input: { tickToTockMs: 450, tockToTickMs: 550, oscillator: 'pendulum' },
  result: {},
  says: 'Out of beat by 10.0 %.',
  ...by,
  ...change,
});
const START = Date.parse(AT);
const testRun = {
  id: 't1',
  startedAt: AT,
  readBy: 'seconds hand' as const,
  place: 'stand',
  conditions: null,
  events: [],
  readings: [0, 1, 2, 3].map((d) => ({
    id: `r${d}`,
    readAt: new Date(START + d * 86_400_000).toISOString(),
    errorS: 12 * d,
    celsius: null,
    by: 'Ines Calloway',
  })),
};

describe('the workings of a stage', () => {
  it('are those of use for this movement', () => {
    show(visitOf('torsion'), 'fit');
    expect(screen.getByRole('button', { name: 'Strength of a torsion strip' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Line to cut' })).toBeNull();
  });

  it('start empty, ask for what is missing, and are kept with their inputs', async () => {
    show(visitOf('longcase'));
    await person.click(screen.getByRole('button', { name: 'Beat error' }));
    const sheet = within(screen.getByRole('dialog'));
    expect(sheet.getByLabelText('Tick to tock, ms')).toHaveProperty('value', '');
    expect(sheet.getByRole('status').textContent).toMatch(/Still needed: tick to tock, tock to tick/);
    expect(sheet.getByRole('button', { name: 'Save with this visit' })).toHaveProperty('disabled', true);
    await person.type(sheet.getByLabelText('Tick to tock, ms'), '980{Enter}1020');
    expect(sheet.getByRole('status').textContent).toMatch(/In beat|Out of beat/);
    await person.click(sheet.getByRole('button', { name: 'Save with this visit' }));
    await waitFor(() =>
      expect(sent).toContainEqual({
        method: 'POST',
        url: '/api/visits/v1/workings',
        body: {
          working: 'beat-error',
          stage: 'run',
          input: { tickToTockMs: 980, tockToTickMs: 1020, oscillator: 'pendulum' },
        },
      }),
    );
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  it('keep what is half typed for this clock, and for no other', async () => {
    show(visitOf('longcase'));
    await person.click(screen.getByRole('button', { name: 'Beat error' }));
    await person.type(screen.getByLabelText('Tick to tock, ms'), '980');
    cleanup();
    show(visitOf('longcase'));
    await person.click(screen.getByRole('button', { name: 'Beat error' }));
    expect(screen.getByLabelText('Tick to tock, ms')).toHaveProperty('value', '980');
    cleanup();
    show(visitOf('longcase', { id: 'v2' }));
    await person.click(screen.getByRole('button', { name: 'Beat error' }));
    expect(screen.getByLabelText('Tick to tock, ms')).toHaveProperty('value', '');
  });

  it('that were kept stand with their answer, and say so when another version reckons now', () => {
    show(
      visitOf('longcase', {
        workings: [
          kept(),
          kept({ id: 'k2', version: 0 }),
          kept({ id: 'k3', working: 'gone-since', says: 'Was so.' }),
          kept({ id: 'k4', stage: 'fit', says: 'Elsewhere.' }),
        ],
      }),
    );
    expect(screen.getAllByText('Out of beat by 10.0 %.')).toHaveLength(2);
    expect(screen.getByText(/by version 0 of it; it is 1 now/)).toBeTruthy();
    expect(screen.getByText('Was so.')).toBeTruthy();
    expect(screen.queryByText('Elsewhere.')).toBeNull();
    expect(screen.getAllByRole('link', { name: 'Beat error' })[0]!.getAttribute('href')).toContain('tickToTockMs=450');
  });

  it('are taken back, and the taking back is undone', async () => {
    show(visitOf('longcase', { workings: [kept()] }));
    await person.click(screen.getByRole('button', { name: 'Take back: Beat error' }));
    await waitFor(() => expect(useAppState.getState().notice?.undo).toBeTypeOf('function'));
    useAppState.getState().notice!.undo!();
    await waitFor(() => expect(sent.map((s) => s.method)).toEqual(['DELETE', 'POST']));
    expect(sent[1]!.body).toMatchObject({ working: 'beat-error', input: kept().input });
  });

  it('are only read once the visit is signed', () => {
    show(visitOf('longcase', { closedAt: AT, workings: [kept()] }));
    expect(screen.getByText('Out of beat by 10.0 %.')).toBeTruthy();
    expect(screen.queryAllByRole('button')).toEqual([]);
  });
});

describe('what a visit knows already', () => {
  const known = (id: string, visit: Visit) =>
    knownOf(
      WORKINGS.find((w) => w.id === id)!,
      visit,
      START + 3 * 86_400_000,
    );
  it('is the rate of its test run, its readings and its kind', () => {
    const visit = visitOf('mantel-barrels', { testRun });
    expect(known('set-rate', visit)).toEqual({ rate: 12, noise: 3 });
    expect(known('rate-readings', visit)).toEqual({
      family: 'mantel-barrels',
      readBy: 'seconds hand',
      readings: [0, 1, 2, 3].map((days) => ({ days, errorS: 12 * days })),
    });
    expect(known('strike-heard', visit)).toEqual({ control: 'rack' });
    expect(known('promise-date', visit)).toMatchObject({ from: '2031-05-05', trials: 10_000 });
  });
  it('is nothing where nothing was measured', () => {
    expect(known('spring-turns', visitOf('mantel-barrels'))).toEqual({});
    expect(known('set-rate', visitOf('mantel-barrels'))).toEqual({ noise: 3 });
  });
});
