// @vitest-environment jsdom
import type { Movement } from '@eclat/contract';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { sent, signedIn, standIn } from '../../../test/stage.tsx';
import { OtherShops } from './OtherShops.tsx';

const movement = { id: 'm1', code: 'M-AB12CD', name: 'Brass', marks: [] } as unknown as Movement;
const mill = { key: 'k'.repeat(43), shop: 'Mill House', place: 'Pellmere', address: 'https://mill.example' };
const yard = { key: 'y'.repeat(43), shop: 'Lantern Yard', place: '', address: '' };
const entry = {
  kind: 'visit',
  date: '2031-04-02',
  title: 'Overhauled',
  text: '',
  shop: 'Mill House',
  signedBy: 'J. Pellow',
};
const ASK = `/api/movements/m1/shops/${mill.key}/ask`;
const more = { shared: false, last: null };
const shops = (over: object = {}) => ({
  ...{ answers: 'by entries', everyShop: false, offered: [] },
  shops: [
    { ...mill, ...more },
    { ...yard, ...more },
  ],
  ...over,
});

function show(replies: Record<string, unknown>) {
  standIn({ '/api/movements/m1/shops': shops(), ...replies });
  const queries = new QueryClient();
  signedIn(queries);
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <OtherShops movement={movement} onClose={() => undefined} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}
const of = async (name: string) => within((await screen.findByText(new RegExp(name))).closest('li')!);
beforeEach(() => userEvent.setup());
afterEach(cleanup);

describe('other shops and a book', () => {
  it('are asked only where they can be reached; what comes is shown before it is taken in', async () => {
    show({
      [ASK]: {
        ...{ found: 'book', movementId: 'm1', more: 3 },
        book: { movement: { id: 'x', code: 'M-ZZ', name: 'Brass', marks: [] }, entries: [{ ...entry, hash: 'a' }] },
        checked: { proofs: ['proved'], here: [false], joins: true, log: [], photosAway: [] },
      },
    });
    expect((await of('Lantern Yard')).queryByRole('button')).toBeNull();
    const shop = await of('Mill House');
    await userEvent.click(shop.getByRole('button', { name: 'Ask what they have' }));
    expect(await shop.findByText('1 entry would come in')).toBeTruthy();
    expect(shop.getByText(/3 more entries did not come at once/)).toBeTruthy();
    expect(shop.queryByText(/Nothing shows/)).toBeNull();
    await userEvent.click(shop.getByRole('button', { name: 'Bring it in' }));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ url: '/api/movements/m1/record' }));
    expect(sent.at(-1)!.body).toMatchObject({ history: [{ title: 'Overhauled' }], historyFrom: 'Mill House' });
  });

  it('name a movement with such a mark, which a person compares first', async () => {
    show({
      [ASK]: { found: 'like', like: [{ id: 'x', code: 'M-ZZ', name: 'Two trains', maker: '', marks: ['6438'] }] },
    });
    const shop = await of('Mill House');
    await userEvent.click(shop.getByRole('button', { name: 'Ask what they have' }));
    await userEvent.click(await shop.findByRole('button', { name: 'This one' }));
    expect(sent.map((s) => s.body)).toEqual([{ as: null }, { as: 'x' }]);
  });

  it('may ask for it one by one, or all; and are told of when this shop answers nobody', async () => {
    show({ '/api/movements/m1/shops': shops({ answers: 'nothing' }) });
    expect(await screen.findByText(/answers no other shop yet/)).toBeTruthy();
    await userEvent.click((await of('Mill House')).getByRole('checkbox'));
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ key: mill.key, shared: true }));
    cleanup();
    show({ '/api/movements/m1/shops': shops({ everyShop: true }) });
    const box = (await of('Lantern Yard')).getByRole<HTMLInputElement>('checkbox');
    expect([box.checked, box.disabled]).toEqual([true, true]);
  });
});
