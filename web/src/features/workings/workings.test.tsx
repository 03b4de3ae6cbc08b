// @vitest-environment jsdom
import { fieldsOf, runWorking, typedOf, WORKINGS, workingById } from '@eclat/core/workings';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAppState } from '../../data/app-state.ts';
import { fromAddress, toAddress } from './address.ts';
import { Figure } from './figures/index.tsx';
import { findWorkings } from './find.ts';
import { WorkingScreen } from './WorkingScreen.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
  useAppState.setState({ units: 'metric', notice: null });
});
const person = userEvent.setup();

function open(path: string) {
  const router = createMemoryRouter([{ path: '/workings/:working', element: <WorkingScreen /> }], {
    initialEntries: [path],
  });
  render(
    <QueryClientProvider client={new QueryClient()}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  return router;
}
const says = () => screen.getByRole('status').textContent;

describe('a working on its page', () => {
  it('answers while it is typed, and puts it into the address', async () => {
    const router = open('/workings/pendulum-length');
    expect(says()).toMatch(/993\.6 mm/);
    const field = screen.getByLabelText('Beats an hour');
    await person.clear(field);
    await person.type(field, '7200');
    expect(says()).toMatch(/248\.4 mm/);
    expect(router.state.location.search).toContain('beats=7200');
  });

  it('asks between thousandths and millimetres, at the field, and takes the answer', async () => {
    open(
      '/workings/hole-verdict?holeLongMm=1.3&holeShortMm=1.25&arbor=train&in=the%20plate%20or%20a%20bush&pivotMm=48',
    );
    expect(says()).toMatch(/Millimetres or thousandths/);
    await person.click(screen.getByRole('button', { name: /48 thousandths/ }));
    expect(screen.getByLabelText('Pivot, mm')).toHaveProperty('value', '48 thou');
    expect(says()).toMatch(/Sound|Marginal/);
  });

  it('says what is wrong at its field, and loses nothing', async () => {
    open('/workings/spring-turns?barrelMm=20&arborMm=25&thicknessMm=0.4');
    expect(
      document.getElementById(screen.getByLabelText('Arbor across, mm').getAttribute('aria-describedby')!)?.textContent,
    ).toMatch(/smaller than the inside/);
    expect(screen.getByLabelText('Thickness, mm')).toHaveProperty('value', '0.4');
    await person.clear(screen.getByLabelText('Arbor across, mm'));
    await person.type(screen.getByLabelText('Arbor across, mm'), '7');
    expect(says()).toMatch(/Cut it to/);
  });

  it('is cleared, and the clearing is taken back', async () => {
    open('/workings/gear-size');
    await person.click(screen.getByRole('button', { name: 'Clear' }));
    expect(screen.getByLabelText('Wheel')).toHaveProperty('value', '');
    useAppState.getState().notice!.undo!();
    expect(await screen.findByDisplayValue('60')).toBe(screen.getByLabelText('Wheel'));
  });

  it('reads in inches for those who measure in them, and turns a sent address over', () => {
    useAppState.setState({ units: 'inch' });
    open('/workings/gear-size?wheel=60&pinion=8&measured=wheel%20across&sizeMm=25.4');
    expect(screen.getByLabelText('Its size, in')).toHaveProperty('value', '1');
    expect(screen.getByText('Wheel across').closest('div')?.querySelector('dd')?.textContent).toBe('1.0000 in');
  });

  it('shows its checks, each run as it is shown', () => {
    open('/workings/mass');
    expect(screen.getAllByLabelText('holds')).toHaveLength(workingById('mass')!.checks.length);
  });
});

describe('what belongs to all workings', () => {
  it.each(WORKINGS.map((w) => [w.id, w] as const))('%s stands in an address and comes back from it', (_, w) => {
    const fields = fieldsOf(w.inputs);
    const typed = typedOf(fields, w.example);
    expect(fromAddress(new URLSearchParams(toAddress(typed).toString()), fields)).toEqual(typed);
  });
  it('leaves out of an address what is not in shape', () => {
    expect(
      fromAddress(
        new URLSearchParams({ meshes: '[[1,2]]', escapeTeeth: '30' }),
        fieldsOf(workingById('train-beats')!.inputs),
      ),
    ).toEqual({ escapeTeeth: '30' });
    expect(fromAddress(new URLSearchParams('utm=1'), fieldsOf(workingById('train-beats')!.inputs))).toBeNull();
  });
  it.each(
    WORKINGS.filter((w) => w.figure && !['circular', 'fusee', 'rate'].includes(w.figure)).map(
      (w) => [w.id, w] as const,
    ),
  )('%s is drawn from finite figures', (_, w) => {
    const outcome = runWorking(w, w.example);
    if (!outcome.ok) throw new Error('the example must run');
    const { container } = render(<Figure name={w.figure} input={w.example} result={outcome.result} />);
    expect(container.querySelector('svg[role="img"]')?.getAttribute('aria-label')?.length).toBeGreaterThan(10);
    expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
  });
  it('is found by the words of the bench', () => {
    expect(findWorkings('rating nut', '').map((w) => w.id)).toContain('set-rate');
    expect(findWorkings('lost wheel', 'fit').map((w) => w.id)).toEqual(['train-missing']);
    expect(findWorkings('tick tock', 'run')[0]?.id).toBe('beat-error');
    expect(findWorkings('astrolabe', '')).toEqual([]);
  });
});

describe('long work', () => {
  /** A worker that answers when it is told to. */
  class Slow {
    static all: Slow[] = [];
    ended = false;
    onmessage: ((e: { data: unknown }) => void) | null = null;
    onerror: (() => void) | null = null;
    asked: { id: string; input: unknown } | null = null;
    constructor() {
      Slow.all.push(this);
    }
    postMessage(asked: { id: string; input: unknown }) {
      this.asked = asked;
    }
    terminate() {
      this.ended = true;
    }
    answer() {
      act(() => this.onmessage!({ data: runWorking(workingById(this.asked!.id)!, this.asked!.input) }));
    }
  }
  beforeEach(() => {
    Slow.all = [];
    vi.stubGlobal('Worker', Slow);
  });
  afterEach(() => vi.unstubAllGlobals());
  const asked = async (n: number) => {
    await waitFor(() => expect(Slow.all[n]?.asked).toBeTruthy());
    return Slow.all[n]!;
  };

  it('goes on away from the page, and the answer is shown when it is there', async () => {
    open('/workings/train-missing');
    const worker = await asked(0);
    expect(says()).toMatch(/Calculating/);
    worker.answer();
    expect(says()).toMatch(/Most usual: 60\/8/);
    expect(worker.ended).toBe(true);
  });

  it('is ended when other figures are typed, and an answer to the old ones is never shown', async () => {
    open('/workings/train-missing');
    const first = await asked(0);
    const field = screen.getByLabelText('Beats an hour wanted');
    await person.clear(field);
    await person.type(field, '7200');
    expect(first.ended).toBe(true);
    const last = await asked(Slow.all.length - 1);
    await waitFor(() => expect(Slow.all.at(-1)!.asked?.input).toMatchObject({ beats: 7200 }));
    expect(last.ended || last === Slow.all.at(-1)).toBe(true);
    Slow.all.at(-1)!.answer();
    expect(says()).toMatch(/Most usual: (?!60\/8)/);
  });

  it('can be stopped, and what failed is said', async () => {
    open('/workings/train-missing');
    const worker = await asked(0);
    await person.click(screen.getByRole('button', { name: 'Stop' }));
    expect(worker.ended).toBe(true);
    expect(screen.queryByText(/Calculating/)).toBeNull();
    cleanup();
    open('/workings/promise-date');
    const broken = await asked(Slow.all.length); // the one that this page begins
    act(() => broken.onerror!());
    expect(says()).toMatch(/could not be calculated/);
  });

  it('fills a table that is sorted by any column, and shows all of it when asked', async () => {
    open(
      '/workings/train-missing?beats=3600&escapeTeeth=30&known=%5B%5D&unknown=2&tolerancePercent=0.2' +
        '&wheelsFrom=24&wheelsTo=120&pinionsFrom=6&pinionsTo=16',
    );
    (await asked(0)).answer();
    const wheels = () =>
      screen
        .getAllByRole('row')
        .slice(1)
        .map((r) => Number(r.querySelector('td')!.textContent));
    expect(wheels()).toHaveLength(8);
    await person.click(screen.getByRole('button', { name: /^Show all/ }));
    await person.click(screen.getByRole('button', { name: 'Wheel' }));
    expect(screen.getByRole('columnheader', { name: 'Wheel' }).getAttribute('aria-sort')).toBe('ascending');
    expect(wheels()).toEqual([...wheels()].sort((a, b) => a - b));
    expect(wheels().length).toBeGreaterThan(100);
  });
});
