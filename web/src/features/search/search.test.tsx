// @vitest-environment jsdom
import type { Hit } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { IntakeScreen } from '../reception/IntakeScreen.tsx';

const person = userEvent.setup();
const OWNER = '6f1c2d1e-0000-4000-8000-000000000001',
  CLOCK = '6f1c2d1e-0000-4000-8000-000000000002',
  MOVEMENT = '6f1c2d1e-0000-4000-8000-000000000003';
const hit: Hit = {
  ownerId: OWNER,
  owner: 'Hesper Lunt',
  clockId: CLOCK,
  clock: 'Slate mantel clock',
  movementId: MOVEMENT,
  movement: 'Round-plate movement',
  code: 'M-222222',
  why: '6438, back plate',
  openVisitId: null,
};
let hits: Hit[];
let posted: Record<string, unknown>[];
beforeEach(() => {
  hits = [hit];
  posted = [];
  localStorage.clear();
  sessionStorage.clear();
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    if (init.method === 'POST') posted.push(JSON.parse(init.body as string) as Record<string, unknown>);
    const reply = replyTo(url);
    return new Response(JSON.stringify(reply), { status: 200 });
  });
});
function replyTo(url: string): unknown {
  if (url.startsWith('/api/find')) return hits;
  if (url.includes('/clocks'))
    return [
      {
        id: CLOCK,
        description: 'Slate mantel clock',
        movement: { id: MOVEMENT, code: 'M-222222', name: 'Round-plate movement' },
      },
    ];
  return url.startsWith('/api/visits') ? { id: 'v9', claim: 'C-1' } : { items: [], next: null };
}
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const show = () =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <RouterProvider router={createMemoryRouter([{ path: '*', element: <IntakeScreen /> }])} />
    </QueryClientProvider>,
  );
const look = (q: string) => person.type(screen.getByLabelText(/Has it been here/), q);

describe('has it been here', () => {
  it('a known clock is taken in with its owner and movement, without typing either again', async () => {
    show();
    await look('6438');
    await person.click(await screen.findByRole('button', { name: /Slate mantel clock.*It is this one/ }));
    expect(screen.getByText('Hesper Lunt')).toBeTruthy();
    await person.type(screen.getByLabelText('What the owner says is wrong'), 'Stops again.');
    await person.click(screen.getByRole('button', { name: 'Take it in' }));
    await waitFor(() => expect(posted[0]).toMatchObject({ ownerId: OWNER, clockId: CLOCK, complaint: 'Stops again.' }));
    for (const none of ['owner', 'clock', 'movement', 'movementId']) expect(posted[0]).not.toHaveProperty(none);
  });
  it('a movement that came alone is known, and its clock is still to be named', async () => {
    hits = [{ ...hit, ownerId: null, owner: '', clockId: null, clock: '' }];
    show();
    await look('6438');
    await person.click(await screen.findByRole('button', { name: /It is this one/ }));
    expect(screen.getByText('A movement that is known here, with its history')).toBeTruthy();
    expect(screen.getByLabelText('The clock')).toHaveProperty('value', '');
  });
  it('one that is in the shop now is opened, not taken in twice', async () => {
    hits = [{ ...hit, openVisitId: 'v1' }];
    show();
    await look('Hesper');
    expect((await screen.findByRole('link', { name: /In the shop now/ })).getAttribute('href')).toBe('/visits/v1');
    expect(screen.queryByText('It is this one')).toBeNull();
  });
  it('says when nothing like that was here, and Enter sends no half-filled form', async () => {
    hits = [];
    show();
    await look('zzzz{Enter}');
    expect(await screen.findByText(/Nothing like that was here before/)).toBeTruthy();
    expect(posted).toEqual([]);
  });
});
