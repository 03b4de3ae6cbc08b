// @vitest-environment jsdom
import type { BenchRow, Hit, Person } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, Outlet, RouterProvider } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { standIn } from '../../../test/stage.tsx';
import { SearchField } from '../../ui/SearchField.tsx';
import {
  benchEntries,
  deeds,
  grouped,
  hitEntries,
  matching,
  placeEntries,
  ruleEntries,
  visitEntries,
} from './entries.ts';
import FindSheet from './FindSheet.tsx';
import { Arrival } from '../Arrival.tsx';
import { FindButton } from '../FindButton.tsx';
import { useAppState } from '../../data/app-state.ts';

const person: Person = { id: 'p1', name: 'Ines Calloway', role: 'technician' };
const row = {
  visitId: 'v1',
  claim: 'C-1001',
  clock: 'Slate mantel clock',
  owner: 'Odile Tarrowby',
  movementCode: 'K7Q2-90XR',
  next: { stage: 'strip', text: '', urgency: 'next', beside: false },
} as unknown as BenchRow;
const hit: Hit = {
  ...{ ownerId: 'o1', owner: 'Odile Tarrowby', clockId: 'c2', clock: 'Wall clock', movementId: 'm2' },
  ...{ movement: 'Pinned movement', code: 'ABCD-1234', why: '6438, back plate', openVisitId: null },
};
const names = (typed: string) =>
  matching(
    [
      ...benchEntries([row]),
      ...visitEntries({ id: 'v1', closedAt: null }, '/visits/v1/strip'),
      ...placeEntries(person),
      ...ruleEntries(),
      ...deeds(() => undefined, false),
    ],
    typed,
  ).map((e) => e.name);
afterEach(cleanup);

describe('what is found', () => {
  it('by the beginnings of words, in any order; what begins with the first of them comes first', () => {
    expect(names('tarrow sla')).toEqual(['Slate mantel clock']);
    expect(names('k7q2')).toEqual(['Slate mantel clock']);
    expect(names('str')[0]).toMatch(/^Str/);
    expect(names('late')).not.toContain('Slate mantel clock');
    expect(names('photo')).toEqual(
      expect.arrayContaining(['Take a photo', 'Look up: Photos', 'Count teeth on a photo']),
    );
    // Typed without its accent, and in another alphabet.
    expect(matching(benchEntries([{ ...row, owner: 'Éloïse Ångström' }]), 'eloise ang')).toHaveLength(1);
    expect(matching(benchEntries([{ ...row, owner: 'Ивана Чёрная' }]), 'черн')).toHaveLength(1);
    expect(names('  ')).toEqual([]);
    expect(names('zebra')).toEqual([]);
  });
  it('stands first where its name begins so: a clock that waits for a stage is not the stage', () => {
    const at = (typed: string) =>
      grouped(matching([...benchEntries([row]), ...visitEntries({ id: 'v1', closedAt: null }, '/')], typed), typed, 1);
    expect(at('stri')[0]).toMatchObject(['This clock', [{ name: 'Strip' }]]);
    expect(at('tarrowby')).toMatchObject([['In the shop', [{ name: 'Slate mantel clock' }]]]);
    const late = hitEntries([{ ...hit, clock: 'Strike clock' }], []);
    expect(grouped([...late, ...visitEntries({ id: 'v1', closedAt: null }, '/')], 'strike', 2).at(-1)?.[0]).toBe(
      'In the books',
    );
  });
  it('is nothing that this person may not open', () => {
    expect(placeEntries(person).map((e) => e.name)).not.toContain('People');
    expect(placeEntries({ role: 'owner-of-shop' }).map((e) => e.name)).toContain('People');
  });
  it('of the server is a clock in the shop once only, else its book', () => {
    expect(hitEntries([{ ...hit, openVisitId: 'v1' }], benchEntries([row]))).toEqual([]);
    expect(hitEntries([hit], benchEntries([row]))[0]).toMatchObject({ name: 'Wall clock', to: '/movements/m2' });
    expect(hitEntries([{ ...hit, openVisitId: 'v9' }], [])[0]).toMatchObject({ to: '/visits/v9' });
  });
});

describe('by the keyboard', () => {
  it('three letters, an arrow and Enter open what the server knows', async () => {
    standIn({ '/api/bench': [row], '/api/find?q=643': [hit] });
    Element.prototype.scrollIntoView = () => undefined;
    const closed = vi.fn();
    const router = createMemoryRouter([
      { path: '/', element: <FindSheet person={person} onKeys={() => undefined} onClose={closed} /> },
      { path: '/movements/:id', element: <p>The book</p> },
    ]);
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>,
    );
    const keys = userEvent.setup();
    expect(document.activeElement?.getAttribute('placeholder')).toContain('Clock');
    await keys.keyboard('643');
    await waitFor(() => expect(screen.getByRole('option', { name: /Wall clock/ })).toBeTruthy());
    await keys.keyboard('{Enter}');
    expect(await screen.findByText('The book')).toBeTruthy();
    expect(closed).toHaveBeenCalledOnce();
  });

  it('what is typed while it is on its way is in its field, and no key of the screen behind', async () => {
    standIn({ '/api/bench': [row], '/api/find?q=sla': [] });
    const behind = vi.fn();
    window.addEventListener('keydown', behind);
    const router = createMemoryRouter([
      { path: '/', element: <FindButton person={person} few={false} onKeys={() => undefined} /> },
    ]);
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>,
    );
    const press = (key: string, more = {}) => fireEvent.keyDown(document.body, { key, ...more });
    press('k', { ctrlKey: true });
    behind.mockClear();
    for (const key of ['s', 'l', 'a', 'Enter']) press(key);
    expect(behind).not.toHaveBeenCalled();
    const field = await screen.findByRole('combobox', { name: 'Find' });
    expect(field).toHaveProperty('value', 'sla');
    await waitFor(() => expect(document.activeElement).toBe(field));
    press('x');
    expect(behind).toHaveBeenCalledOnce();
    window.removeEventListener('keydown', behind);
    useAppState.getState().set({ findOpen: false });
  });

  it('a screen that arrives behind it leaves it its field, and has the focus when it closes', async () => {
    standIn({ '/api/bench': [row] });
    vi.spyOn(window, 'scrollTo').mockReturnValue();
    const screens = (
      <>
        <Arrival />
        <FindButton person={person} few={false} onKeys={() => undefined} />
        <main id="main" tabIndex={-1}>
          <Outlet />
        </main>
      </>
    );
    const router = createMemoryRouter([
      {
        element: screens,
        children: [
          { index: true, element: null },
          { path: 'late', element: <p>Late</p> },
        ],
      },
    ]);
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>,
    );
    fireEvent.keyDown(document.body, { key: 'k', ctrlKey: true });
    const field = await screen.findByRole('combobox', { name: 'Find' });
    await waitFor(() => expect(document.activeElement).toBe(field));
    await act(() => router.navigate('/late'));
    expect(screen.getByText('Late')).toBeTruthy();
    expect(document.activeElement).toBe(field);
    await userEvent.setup().keyboard('{Escape}');
    await waitFor(() => expect(document.activeElement?.id).toBe('main'));
    vi.restoreAllMocks();
  });

  it('arrows walk from a search field through its rows and back', async () => {
    // jsdom lays nothing out: all of it is in sight.
    vi.spyOn(HTMLElement.prototype, 'getClientRects').mockReturnValue([{}] as unknown as DOMRectList);
    render(
      <main>
        <button type="button">Before</button>
        <SearchField first label="Search" placeholder="" value="" onChange={() => undefined} />
        <ul>
          <li>
            <a href="/one">One</a>
            <a href="/one/more">Its book</a>
          </li>
          <li>
            <button type="button">Two</button>
          </li>
        </ul>
      </main>,
    );
    const keys = userEvent.setup();
    const at = () => document.activeElement?.textContent;
    await keys.keyboard('{ArrowDown}');
    expect(at()).toBe('One');
    await keys.keyboard('{ArrowDown}');
    expect(at()).toBe('Two');
    await keys.keyboard('{ArrowDown}');
    expect(at()).toBe('Two');
    await keys.keyboard('{ArrowUp}{ArrowUp}');
    expect(document.activeElement).toBe(screen.getByLabelText('Search'));
    vi.restoreAllMocks();
  });
});
