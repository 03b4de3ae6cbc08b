// @vitest-environment jsdom
import type { ClockBook } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { useAppState } from '../../data/app-state.ts';
import { sent, signedIn, standIn } from '../../../test/stage.tsx';
import { AT } from '../../../test/visit.ts';
import { ClockScreen } from './ClockScreen.tsx';

const person = userEvent.setup();
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('under another id is joined by one press, taken back by the notice, and parted where it was joined', async () => {
  const book: ClockBook = {
    ...{ clock: { id: 'c1', description: 'Slate clock' }, entries: [], photosAway: [], inTheShop: null },
    stays: [{ movement: { id: 'm1', code: 'M-333333', name: 'Round plate' }, from: '2019-05-02', until: null }],
    also: [{ id: 'c3', description: 'Black clock', by: 'Ines Calloway', at: AT }],
    others: [
      {
        ...{ id: 'c2', description: null, shops: ['Lantern Yard Workshop'] },
        ...{ from: '2012-03-04', until: '2016', visits: 2 },
      },
    ],
  };
  standIn({ '/api/clocks/c1': book });
  const queries = new QueryClient();
  signedIn(queries, { role: 'technician' });
  render(
    <QueryClientProvider client={queries}>
      <RouterProvider
        router={createMemoryRouter([{ path: '/clocks/:clockId', element: <ClockScreen /> }], {
          initialEntries: ['/clocks/c1'],
        })}
      />
    </QueryClientProvider>,
  );
  const other = (await screen.findByText(/also in a clock at Lantern Yard Workshop/)).closest('li')!;
  expect(other.textContent).toContain('2 visits, 4 March 2012 to 2016');
  await person.click(screen.getByRole('button', { name: 'It is this clock' }));
  await waitFor(() => expect(useAppState.getState().notice?.undo).toBeTruthy());
  useAppState.getState().notice!.undo!();
  await waitFor(() => expect(sent).toHaveLength(2));
  await person.click(screen.getByRole('button', { name: 'Not the same after all' }));
  await waitFor(() =>
    expect(sent.map((s) => `${s.method} ${s.url}`)).toEqual([
      'PUT /api/clocks/c1/same/c2',
      'DELETE /api/clocks/c1/same/c2',
      'DELETE /api/clocks/c1/same/c3',
    ]),
  );
});
