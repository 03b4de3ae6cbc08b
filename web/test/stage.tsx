import type { Person, Visit } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen } from '@testing-library/react';
import type { ComponentType } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { vi } from 'vitest';
import { sessionQuery, visitQuery } from '../src/data/queries.ts';
import { putRepliesBy } from '../src/data/refresh.ts';
import { loadWaysBack } from '../src/data/undo.ts';
import { replyInVisit } from '@eclat/contract/reply-in-visit';
import { ThisVisit } from '../src/features/visit/useThisVisit.ts';

putRepliesBy(replyInVisit);
await loadWaysBack();

/** What a screen changed, in order; what it only asked is not among it. */
export let sent: { method: string; url: string; body: Record<string, unknown> }[] = [];

const ASKED: Record<string, unknown> = {
  '/api/session': { person: null, shop: 'x', timeZone: 'Europe/London', firstRun: false, demo: false, now: Date.now() },
  '/api/causes': { causes: [], learn: true, signedVisits: 0, experience: {} },
  '/api/baths': [],
  '/api/sequences': [],
  '/api/stores': [],
  '/api/wanted': [],
  '/api/shop-work': [],
  '/shops': { answers: 'nothing', everyShop: false, shops: [], offered: [] },
  '/api/offers': [],
  '/api/exchange-log': [],
  '/type': { weaknesses: [], sisters: [] },
};

/** The visit as the server has it. */
let standing: Visit | null = null;
/** The server has it so now. */
export const nowStands = (visit: Visit): void => void (standing = visit);

/** A server that says yes to every change, and answers a question by the part of its address that is named. */
export function standIn(replies: Record<string, unknown> = {}): void {
  sent = [];
  localStorage.clear();
  // jsdom lays nothing out, so there is nothing to observe.
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    // A whole address goes before a part of one.
    if (init.method === 'GET' && standing && url === `/api/visits/${standing.id}` && !(url in replies))
      return new Response(JSON.stringify(standing), { status: 200 });
    const asked =
      Object.entries(replies).find(([whole]) => url === whole) ??
      Object.entries({ ...ASKED, ...replies }).find(
        ([part]) => url.includes(part) && (init.method === 'GET' || part in replies),
      );
    if (init.method !== 'GET')
      sent.push({
        method: init.method!,
        url,
        body: init.body ? (JSON.parse(init.body as string) as Record<string, unknown>) : {},
      });
    return new Response(JSON.stringify(asked?.[1] ?? { ok: true, verdict: 'sound' }), { status: 200 });
  });
}

/** Somebody is signed in at this browser. */
export const signedIn = (queries: QueryClient, person: Partial<Person> = {}): unknown =>
  queries.setQueryData(sessionQuery.queryKey, {
    person: { id: 'p', name: 'Ines Calloway', role: 'technician', ...person },
    shop: 'x',
    timeZone: 'Europe/London',
    firstRun: false,
    demo: false,
    now: 0,
  });

/** A stage on its bench: the visit given to it as its frame does. */
export function show(Stage: ComponentType, visit: Visit): void {
  const router = createMemoryRouter([
    {
      path: '*',
      element: (
        <ThisVisit value={visit}>
          <Stage />
        </ThisVisit>
      ),
    },
  ]);
  nowStands(visit);
  const queries = new QueryClient();
  if (visit as Visit | undefined) queries.setQueryData(visitQuery(visit.id).queryKey, visit);
  render(
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  unfold();
}
/** Opens what is folded, as somebody does who looks for something in it. */
export function unfold(): void {
  for (let fold; (fold = document.querySelector('[data-fold][aria-expanded="false"]'));) fireEvent.click(fold);
}
export const answer = () => screen.getAllByRole('status')[0]!.textContent;
