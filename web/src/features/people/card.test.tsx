// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { sent, signedIn, standIn } from '../../../test/stage.tsx';
import { KnowByCard } from './ShopCard.tsx';

const person = userEvent.setup();
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const JWS = ['h', 'b', 's'].map((c) => c.repeat(24)).join('.');
const KEY = 'k'.repeat(43);
const card = { shop: 'Mill House', place: 'Pellmere', address: 'https://mill.example', key: KEY, known: false };

async function fetchFrom(typed: string, found: object): Promise<void> {
  standIn({ '/api/shop-cards/at': found, '/api/shop-cards/read': card });
  const queries = new QueryClient();
  signedIn(queries, { role: 'owner-of-shop' });
  render(
    <QueryClientProvider client={queries}>
      <KnowByCard />
    </QueryClientProvider>,
  );
  await person.click(screen.getByRole('button', { name: 'Know a shop by its card' }));
  await person.type(screen.getByLabelText('Or its web address'), `${typed}{Enter}`);
}

it('is fetched from an address by Enter, a host alone too, and known only when its key was looked at', async () => {
  await fetchFrom('mill.example', { found: 'card', card: JWS });
  await screen.findByText('Mill House');
  expect(sent.map((s) => [s.url, s.body])).toEqual([
    ['/api/shop-cards/at', { address: 'https://mill.example' }],
    ['/api/shop-cards/read', { card: JWS }],
  ]);
  await person.click(screen.getByRole('button', { name: 'It is theirs' }));
  await waitFor(() => expect(sent.at(-1)).toMatchObject({ url: '/api/signing-keys', body: { key: KEY, card: JWS } }));
});

it('that does not stand there is said, and the address stays to be corrected', async () => {
  await fetchFrom('http://localhost:4081', { found: 'none', why: 'No shop card stands there.' });
  expect((await screen.findByRole('alert')).textContent).toBe('No shop card stands there.');
  expect(sent[0]!.body).toEqual({ address: 'http://localhost:4081' });
  expect((screen.getByLabelText('Or its web address') as HTMLInputElement).value).toBe('http://localhost:4081');
});
