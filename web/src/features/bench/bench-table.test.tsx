// @vitest-environment jsdom
import type { BenchRow } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { signedIn, standIn } from '../../../test/stage.tsx';
import { useAppState } from '../../data/app-state.ts';
import { matches } from './bench-rows.ts';
import { BenchScreen } from './BenchScreen.tsx';
import './BenchTable.tsx'; // it would come later

const NOW = Date.parse('2031-05-02T09:00:00Z');
const row = (n: number, more: Partial<BenchRow> = {}): BenchRow => ({
  visitId: `v${n}`,
  claim: `C-${n}`,
  clock: `Clock ${n}`,
  owner: 'Odile Tarrowby',
  movementCode: 'M-1',
  familyId: 'longcase',
  shape: 'overhaul',
  stages: [],
  together: true,
  power: [{ source: 'going', label: 'going', state: 'let down' }],
  next: { stage: 'clean', text: 'Next bath', urgency: 'next', beside: false },
  bathEndsAt: null,
  promisedFor: null,
  openedAt: '2031-04-01T09:00:00Z',
  photoId: null,
  cautions: [],
  asked: 0,
  workedBy: null,
  ...more,
});
const SHOP = [
  row(1, { promisedFor: '2031-05-09', workedBy: 'Wilf Arden' }),
  row(2, { promisedFor: '2031-05-01', familyId: 'fusee', workedBy: 'Ines Calloway' }),
  row(3, { promisedFor: '2031-05-10', next: { stage: 'oil', text: 'Oil', urgency: 'next', beside: false } }),
  row(4),
];

afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

function openBench(rows: BenchRow[], at = '/'): ReturnType<typeof createMemoryRouter> {
  vi.useFakeTimers({ now: NOW, toFake: ['Date'] });
  standIn({ '/api/bench': rows, '/api/due-again': { items: [], next: null } });
  const queries = new QueryClient();
  signedIn(queries);
  const router = createMemoryRouter([{ path: '*', element: <BenchScreen /> }], { initialEntries: [at] });
  render(
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  return router;
}
const table = (): HTMLElement => document.querySelector('table[aria-label="The bench"]')!;
const clocks = async (): Promise<string[]> => {
  await waitFor(() => expect(table()).toBeTruthy());
  return [...table().querySelectorAll('tbody a')].map((l) => /Clock \d+/.exec(l.textContent)![0]);
};
const person = userEvent.setup();
const pick = (label: string, name: string) => person.selectOptions(screen.getByLabelText(label), name);

it('is filtered by stage, person, promise and movement, and says so where nothing is left', async () => {
  openBench(SHOP, '/?view=table');
  expect(await clocks()).toEqual(['Clock 1', 'Clock 2', 'Clock 3', 'Clock 4']);
  // Today is 2 May: the ninth is a week on, the tenth is later.
  for (const [promise, left] of [
    ['Promised and late', ['Clock 2']],
    ['Promised within a week', ['Clock 1']],
    ['Promised for later', ['Clock 3']],
    ['No date promised', ['Clock 4']],
  ] as const) {
    await pick('Promised', promise);
    expect(await clocks()).toEqual(left);
  }
  await pick('Promised', 'Any promise');
  await pick('Stage', 'Clean');
  await pick('Worked on by', 'Ines Calloway');
  expect(await clocks()).toEqual(['Clock 2']);
  await pick('Movement', 'Longcase clock');
  expect(screen.getByText('No clock on the bench matches.')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Show all' }));
  expect(await clocks()).toHaveLength(4);
});

it('is sorted by a press on a head, those without a date last either way, and is found so again', async () => {
  const router = openBench(SHOP, '/');
  await screen.findByRole('heading', { level: 1 });
  await person.keyboard('v');
  await clocks();
  const head = () => screen.getByRole('button', { name: 'Promised' });
  await person.click(head());
  expect(await clocks()).toEqual(['Clock 2', 'Clock 1', 'Clock 3', 'Clock 4']);
  await person.click(head());
  expect(await clocks()).toEqual(['Clock 3', 'Clock 1', 'Clock 2', 'Clock 4']);
  expect(head().closest('th')!.getAttribute('aria-sort')).toBe('descending');
  expect(router.state.location.search).toBe('?view=table&by=promise&down=1');
  // Gone to a clock, and to the bench again by its name.
  cleanup();
  openBench(SHOP);
  expect(await clocks()).toEqual(['Clock 3', 'Clock 1', 'Clock 2', 'Clock 4']);
  await person.click(screen.getByRole('button', { name: 'What now' }));
  expect(table()).toBeNull();
  expect(useAppState.getState().benchView).toBe('');
});

it('finds and orders names of other alphabets as their readers would', async () => {
  const owners = ['Österlund', 'Zander', 'Ängström', 'Щукина', 'Abel', 'Łukasz', '鈴木'];
  const rows = owners.map((owner, n) => row(n, { owner, clock: `${owner} Clock ${n}` }));
  openBench(rows, '/?view=table&by=clock');
  await clocks();
  // Unicode Collation Algorithm: Ł beside L, not after Z; then Cyrillic, then Han. Where Ä and Ö stand is the reader's.
  const shown = [...table().querySelectorAll('tbody a')].map((l) => l.textContent.split(' ')[0]!);
  expect(shown.filter((o) => !/^[ÄÖ]/.test(o))).toEqual(['Abel', 'Łukasz', 'Zander', 'Щукина', '鈴木']);
  for (const [q, found] of [
    ['osterlund', 'Österlund'],
    ['o\u0308sterlund', 'Österlund'],
    ['щук', 'Щукина'],
    ['鈴', '鈴木'],
  ] as const)
    expect(rows.filter((r) => matches(r, q)).map((r) => r.owner)).toEqual([found]);
});

it('draws what is in view of 300 clocks, and the arrows go on through all', async () => {
  openBench(
    Array.from({ length: 300 }, (_, i) => row(i + 1)),
    '/?view=table&by=no-such-column&promise=toString',
  );
  const drawn = await clocks();
  expect(drawn.length).toBeGreaterThan(5);
  expect(drawn.length).toBeLessThan(80);
  expect(table().getAttribute('aria-rowcount')).toBe('301');
  table().querySelector<HTMLElement>('tbody a')!.focus();
  for (const n of [2, 3]) {
    await person.keyboard('{ArrowDown}');
    await waitFor(() => expect(document.activeElement?.textContent).toMatch(new RegExp(`^Clock ${n}C`)));
  }
  const held = document.activeElement;
  await new Promise((tick) => setTimeout(tick, 1100)); // the countdowns of the bench have gone on
  expect(document.activeElement).toBe(held);
  await person.keyboard('{ArrowUp}');
  await waitFor(() => expect(document.activeElement?.textContent).toMatch(/^Clock 2C/));
});
