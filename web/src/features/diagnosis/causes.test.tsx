// @vitest-environment jsdom
import type { Role } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { sent, standIn, signedIn } from '../../../test/stage.tsx';
import { AT } from '../../../test/visit.ts';
import { CausesScreen } from './CausesScreen.tsx';

const person = userEvent.setup();
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const KNOWN = {
  causes: [
    {
      id: 'own-1',
      name: 'Magnetised crutch',
      prior: 'rare',
      oscillators: [],
      fittings: [],
      trains: [],
      shows: { 'rate-wanders': 'H' },
      look: { what: 'Hold a compass to it', minutes: 1, level: 0 },
      remedy: 'Demagnetise',
      by: 'Ines Calloway',
      at: AT,
    },
  ],
  learn: true,
  signedVisits: 15,
  experience: { 'worn-hole.going': { found: { times: 12, of: 15 }, shows: {} } },
};

function open(role: Role, known: object = KNOWN): void {
  standIn({ '/api/causes': known });
  const client = new QueryClient();
  signedIn(client, { role });
  render(
    <QueryClientProvider client={client}>
      <RouterProvider router={createMemoryRouter([{ path: '*', element: <CausesScreen /> }])} />
    </QueryClientProvider>,
  );
}

describe('causes and counts', () => {
  it('says what the numbers rest on, by the names of the causes', async () => {
    open('technician');
    expect(await screen.findByText('15 signed visits sharpen the numbers')).toBeTruthy();
    expect(screen.getByText('Worn, oval hole, going').closest('li')!.textContent).toContain('12 of 15');
    expect(screen.getByText(/Rate wanders \(mostly\)/)).toBeTruthy();
  });
  it('is turned off and on by the owner of the shop only', async () => {
    open('technician');
    await screen.findByText(/sharpen the numbers/);
    expect(screen.queryByRole('button', { name: 'Use Eclat’s numbers' })).toBeNull();
    cleanup();
    open('owner-of-shop');
    await person.click(await screen.findByRole('button', { name: 'Use Eclat’s numbers' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ method: 'PUT', url: '/api/causes/learning', body: { learn: false } }),
    );
  });
  it('lets the counter look, not change', async () => {
    open('counter');
    await screen.findByText('Magnetised crutch');
    expect(screen.queryByRole('button', { name: 'Add a cause' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Take out: Magnetised crutch' })).toBeNull();
  });
  it('takes a cause of the shop’s own, which must show something', async () => {
    open('technician', { ...KNOWN, causes: [], experience: {}, signedVisits: 0 });
    await person.click(await screen.findByRole('button', { name: 'Add a cause' }));
    await person.type(screen.getByLabelText('What it is called'), 'Loose seat');
    await person.type(screen.getByLabelText('How to look for it'), 'Rock the movement');
    await person.type(screen.getByLabelText('Remedy'), 'Screw it down');
    await person.click(screen.getByRole('button', { name: 'Add it' }));
    expect(await screen.findByText('At least one symptom that it shows.')).toBeTruthy();
    expect(sent).toEqual([]);
    await person.selectOptions(screen.getByLabelText('Add a symptom'), 'stops-hours');
    await person.click(screen.getByRole('radio', { name: 'mostly' }));
    await person.click(screen.getByRole('button', { name: 'Add it' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'POST',
        url: '/api/causes',
        body: { name: 'Loose seat', shows: { 'stops-hours': 'H' }, look: { minutes: 5, level: 0 } },
      }),
    );
  }, 20_000);
});
