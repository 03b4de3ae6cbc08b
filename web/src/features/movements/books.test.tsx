// @vitest-environment jsdom
import type { Entry, Role } from '@eclat/contract';
import { holeName, holesOf } from '@eclat/core/movement';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { sent, signedIn, standIn } from '../../../test/stage.tsx';
import { AT, visitOf } from '../../../test/visit.ts';
import { IntakeScreen } from '../reception/IntakeScreen.tsx';
import { BookScreen } from './BookScreen.tsx';
import { MovementsScreen } from './MovementsScreen.tsx';
import { CompareScreen } from './CompareScreen.tsx';
import { MergeSheet } from './MergeSheet.tsx';

const person = userEvent.setup();
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const open = (element: ReactNode, path = '/', at = '/', role: Role = 'technician') => {
  const queries = new QueryClient();
  signedIn(queries, { role });
  return render(
    <QueryClientProvider client={queries}>
      <RouterProvider router={createMemoryRouter([{ path, element }], { initialEntries: [at] })} />
    </QueryClientProvider>,
  );
};
const { movement } = visitOf('fusee');

describe('two books of one movement', () => {
  it('are found, named with how it was seen, and joined; the book itself is not offered', async () => {
    standIn({
      '/api/movements': {
        items: [
          { ...movement, entries: 1, lastDate: null },
          { ...movement, id: 'm2', code: 'M-333333', name: 'The same', entries: 2, lastDate: null },
        ],
        next: null,
      },
    });
    open(<MergeSheet movement={movement} onClose={() => undefined} />);
    await person.type(screen.getByLabelText('Find the other book'), 'same');
    expect(await screen.findAllByRole('button', { name: /^M-/ })).toHaveLength(1);
    await person.click(screen.getByRole('button', { name: /M-333333/ }));
    const sure = screen.getByRole('button', { name: 'They are one' }) as HTMLButtonElement;
    expect(sure.disabled).toBe(true);
    await person.type(screen.getByLabelText('How it was found'), 'same scratch');
    await person.click(sure);
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'POST',
        url: '/api/movements/m1/merger',
        body: { otherId: 'm2', why: 'same scratch' },
      }),
    );
  });
});

describe('side by side', () => {
  it('shows the last photo of a movement beside the one before it, and another when it is pressed', async () => {
    const photos = ['a', 'b', 'c'].map((id) => ({ id, caption: `Photo ${id}`, claim: 'C-1', at: AT }));
    standIn({ '/photos': photos, '/api/movements/m1': { movement, also: [], entries: [], inTheShop: null } });
    open(<CompareScreen />, '/compare/:movementId', '/compare/m1');
    await waitFor(() =>
      expect(screen.getAllByRole('img').map((i) => i.getAttribute('src'))).toEqual([
        '/api/photos/b/large',
        '/api/photos/a/large',
      ]),
    );
    await person.click(
      within(screen.getByRole('group', { name: 'Right: choose a photo' })).getByRole('button', { name: 'Photo c' }),
    );
    expect(screen.getAllByRole('img').map((i) => i.getAttribute('src'))).toEqual([
      '/api/photos/b/large',
      '/api/photos/c/large',
    ]);
  });
});

const KEY = 'kPrK_qmxVWaYVA9wwBF6Iuo3vVzz7TxHCTwXBygrS4k';

describe('a book of which not all is as it was signed', () => {
  it('says so before it is read, keeps apart what was changed, and says the rest quietly', async () => {
    const page = (id: string, title: string, proof: Entry['proof'], amends: string | null = null): Entry => ({
      ...{
        id,
        title,
        proof,
        amends,
        kind: amends ? 'amendment' : 'visit',
        date: '1921',
        text: 'Clnd',
        place: '',
      },
      ...{
        shop: 'Brackwater Clocks',
        signedBy: 'Eben Strake',
        record: null,
        takenOver: null,
        copyOf: null,
        sections: {},
        unread: [],
        log: null,
      },
      ...{ hash: id.repeat(64), writtenAt: AT, signature: { key: KEY, knownAs: null, movement: 'M-777777' } },
    });
    const entries = [
      page('a', 'Cleaned', 'proved'),
      page('b', 'Overhauled', 'changed'),
      page('c', 'x', 'page missing', 'a'),
      page('d', 'Bushed', 'unknown shop'),
    ];
    standIn({
      '/photos': [],
      '/api/movements/m1': {
        movement,
        also: [],
        gave: [],
        gone: [],
        photosAway: [],
        publicPage: null,
        entries,
        inTheShop: null,
      },
    });
    open(<BookScreen />, '/movements/:movementId', '/movements/m1', 'owner-of-shop');
    expect(await screen.findByText('2 entries of this book cannot be relied on')).toBeTruthy();
    const apart = screen.getByRole('heading', { name: 'Not what was signed' }).closest('section')!;
    expect(within(apart).getByText('Overhauled')).toBeTruthy();
    expect(screen.getAllByText('Overhauled')).toHaveLength(1);
    expect(screen.getByRole('heading', { name: '2 entries' })).toBeTruthy();
    expect(screen.getByText(/^Signature holds · key|^Signature holds$/)).toBeTruthy();
    expect(screen.getByText(/^Signed by a key that is not known here/)).toBeTruthy();
    expect(screen.getByText(/^An entry that this one was written on is missing/)).toBeTruthy();
    // The owner of the shop holds the key against what the other says, group by group.
    await person.click(screen.getByRole('button', { name: 'Know this key' }));
    expect(screen.getByLabelText(/^Key kPrK _qmx VWaY /)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'It is theirs' }));
    expect(sent.at(-1)).toMatchObject({ method: 'POST', body: { key: KEY, shop: 'Brackwater Clocks' } });
  });
});

describe('a book with a history', () => {
  const entry = (id: string, more: Partial<Entry>): Entry => ({
    ...{
      id,
      kind: 'visit',
      date: '2012-01-03',
      title: 'Overhauled',
      text: '',
      place: '',
      shop: 'A shop',
      signedBy: 'A',
    },
    ...{
      record: null,
      takenOver: null,
      copyOf: null,
      sections: {},
      unread: [],
      log: null,
      proof: 'proved',
      amends: null,
    },
    ...{ hash: id.repeat(64), writtenAt: AT, signature: null, ...more },
  });
  const reads = (id: string, date: string, text: string, carrier: string, more: object = {}) =>
    entry(id, {
      ...{ kind: 'inscription', date, text, title: `Inscription on the ${carrier}` },
      sections: { inscription: { version: 1, read: [{ carrier, ...more }] } },
    });

  it('tells hands apart thing by thing, and draws which holes are as made and which nobody looked at', async () => {
    const [first, second, third] = holesOf(movement.traits).map(holeName) as [string, string, string];
    const entries = [
      reads('a', '1871', 'J. Oc[kham?]', 'back board'),
      reads('b', '1880', 'again […]', 'back board', { sameHandAs: 'a'.repeat(64), likely: true }),
      reads('c', '1890', 'R.T.', 'front plate'),
      entry('d', {
        sections: {
          survey: { version: 1, holes: [{ hole: first, past: 'original' }] },
          fitting: { version: 1, bushes: [{ hole: second }] },
        },
      }),
    ];
    const clock = { id: 'c1', description: 'Slate mantel clock' };
    const rest = { also: [], gave: [], gone: [], photosAway: [], publicPage: null, inTheShop: null };
    standIn({ '/photos': [], '/api/movements/m1': { movement, entries, clock, ...rest } });
    open(<BookScreen />, '/movements/:movementId', '/movements/m1', 'owner-of-shop');
    await person.click(await screen.findByRole('button', { name: /^What is written on it 3 inscriptions, 2 hands/ }));
    const board = screen.getByRole('heading', { name: 'Back board' }).closest('li')!;
    expect(
      within(board)
        .getAllByRole('link')
        .map((l) => l.textContent),
    ).toEqual(['Hand AJ. Ockham1871', 'Hand A?again […]1880']);
    await person.click(screen.getByRole('button', { name: /^What is left .*1 of \d+ holes as made$/ }));
    const drawn = screen.getAllByRole('img').map((i) => i.getAttribute('aria-label'));
    expect(drawn.join('; ')).toContain(`${first}: as made; ${second}: bushed later; ${third}: not looked at yet`);
    expect(screen.getByRole('link', { name: 'Slate mantel clock' }).getAttribute('href')).toBe('/clocks/c1');
  });
});

describe('the books', () => {
  it('say when they were checked, and first of all which do not hold', async () => {
    const list = { items: [], next: null };
    const bad = { movementId: 'm1', code: 'M-777777', title: 'Overhauled', date: '1921', proof: 'changed' };
    standIn({ '/api/movement-books/check': { at: AT, entries: 3, broken: [], log: [] }, '/api/movements': list });
    open(<MovementsScreen />, '*');
    expect(await screen.findByText(/^3 entries checked, as signed, /)).toBeTruthy();
    cleanup();
    standIn({
      '/api/movement-books/check': { at: AT, entries: 3, broken: [bad, bad], log: ['Number 9 is gone.'] },
      '/api/movements': list,
    });
    open(<MovementsScreen />, '*');
    expect(await screen.findByText('2 entries are not as signed, or what came before is gone')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'M-777777' }).getAttribute('href')).toBe('/movements/m1');
    expect(screen.getByText('Number 9 is gone.')).toBeTruthy();
  });
});

describe('a record that came with it', () => {
  const entry = {
    kind: 'inscription',
    date: '189X',
    title: 'Inscription',
    text: 'Clnd',
    place: 'plate',
    shop: 'Brackwater Clocks',
    signedBy: 'Eben Strake',
    record: null,
    amends: null,
    hash: 'f'.repeat(64),
    writtenAt: AT,
  };
  const book = {
    format: 'eclat-movement-book',
    version: 1,
    movement: {
      id: '6f1c2d1e-0000-4000-8000-000000000001',
      code: 'M-777777',
      name: 'Fusee timepiece',
      familyId: 'fusee',
      maker: 'Tessel',
      marks: [
        { place: 'dial', text: '655' },
        { place: 'elsewhere', text: 'x' },
      ],
    },
    entries: [entry],
  };
  /** jsdom's files cannot be read as text. */
  const file = (content: string) =>
    Object.assign(new File([content], 'book.json', { type: 'application/json' }), {
      text: () => Promise.resolve(content),
      slice: () => ({ text: () => Promise.resolve(content.slice(0, 2)) }),
    });

  it('is shown before anything is written, fills in the movement, and is sent along', async () => {
    standIn({
      '/api/visits': { id: 'v9', claim: 'C-1' },
      '/api/movements-like': [],
      '/api/owners': { items: [], next: null },
      '/api/movement-records/check': {
        proofs: ['unknown shop'],
        here: [false],
        log: ['Their log was rewritten.'],
        photosAway: [],
      },
    });
    open(<IntakeScreen />, '*');
    await person.upload(screen.getByLabelText('It came with a record'), file(JSON.stringify(book)));
    expect(await screen.findByText('1 entry came with it and goes on in its book here')).toBeTruthy();
    expect(screen.getByText('Checked: 1 signed by a key that is not known here.')).toBeTruthy();
    expect(screen.getByText('Their log was rewritten.')).toBeTruthy();
    sent.length = 0;
    expect(screen.getByText(/Brackwater Clocks, Eben Strake/)).toBeTruthy();
    for (const [label, value] of [
      ['Name', 'Jory Vantrease'],
      ['The clock', 'Round dial'],
      ['What the owner says is wrong', 'Stops.'],
    ] as const)
      await person.type(screen.getByLabelText(label), value);
    await person.click(screen.getByRole('button', { name: 'Take it in' }));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({
        movement: {
          name: 'Fusee timepiece',
          familyId: 'fusee',
          maker: 'Tessel',
          marks: [{ place: 'dial', text: '655' }],
          history: [entry],
          historyFrom: expect.any(String),
        },
      }),
    );
  }, 20_000);
  it('of a movement that is here is told at the counter, and goes along into its book', async () => {
    const checked = { proofs: ['proved'], here: [true], joins: true, log: [], photosAway: [] };
    standIn({
      '/api/movement-records/check': { ...checked, book: { id: 'm1', code: 'M-AB12CD', name: 'Round plate' } },
      '/api/movements-like': [],
      '/api/movements-like?text=M-AB12CD': [
        { ...{ id: 'm1', code: 'M-AB12CD', name: 'Round plate', maker: '', marks: [], same: true, entries: [] } },
      ],
      '/api/movements/m1': { movement, also: [], entries: [], inTheShop: null, clock: null },
    });
    open(<IntakeScreen />, '*');
    await person.upload(screen.getByLabelText('It came with a record'), file(JSON.stringify(book)));
    expect(await screen.findByText('It has been here: Round plate')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'It is this one' }));
    expect(await screen.findByText(/The record that came with it, 1 entry, is joined/)).toBeTruthy();
    // Taken back, nothing of it is lost.
    await person.click(screen.getByRole('button', { name: 'Not this one' }));
    expect(await screen.findByText(/1 entry came with it and goes on in its book here/)).toBeTruthy();
  });
  it('joins the book that is here: what is new is told apart, another movement’s is asked about', async () => {
    const answers = {
      '/photos': [],
      '/api/movements/m1/record': {},
      '/api/movements/m1': {
        movement,
        also: [],
        gave: [],
        gone: [3],
        photosAway: ['ab'],
        entries: [],
        inTheShop: null,
      },
    };
    const two = JSON.stringify({ ...book, entries: [entry, { ...entry, title: 'Bushed', hash: 'e'.repeat(64) }] });
    const checked = (...here: boolean[]) => ({
      ...{ proofs: ['proved', 'unknown shop'], here, joins: here.includes(true), log: [], photosAway: [] },
    });
    standIn({ ...answers, '/api/movement-records/check': checked(true, false) });
    open(<BookScreen />, '/movements/:movementId', '/movements/m1');
    expect(await screen.findByText('1 entry of this book is gone')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Bring a record' }));
    const chooser = screen.getByLabelText('Choose the file');
    expect(document.activeElement).toBe(chooser);
    await person.upload(chooser, file(two));
    expect(await screen.findByText('1 entry would come in, 1 here already')).toBeTruthy();
    expect(screen.getByText('Checked: 1 signed by a key that is not known here.')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Bring it in' }));
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({ url: '/api/movements/m1/record', body: { history: [{}, {}], logs: [] } }),
    );
    cleanup();
    standIn({ ...answers, '/api/movement-records/check': checked(false, false) });
    open(<BookScreen />, '/movements/:movementId', '/movements/m1');
    await person.click(await screen.findByRole('button', { name: 'Bring a record' }));
    await person.upload(screen.getByLabelText('Choose the file'), file(two));
    expect(await screen.findByText(/^Nothing shows that this record is of /)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'It is the same movement: bring it in' })).toBeTruthy();
  });
  it.each([
    ['no JSON at all', 'hello', 'This is not a movement book'],
    ['another kind of file', '{"format":"something"}', 'This is not a movement book'],
    ...Object.entries({
      kind: { kind: 'rumour' },
      date: { date: 'spring 1' },
      amends: { kind: 'amendment', amends: null },
    }).map(([field, change]) => [
      `a book with a false ${field}`,
      JSON.stringify({ ...book, entries: [entry, { ...entry, ...change }] }),
      `Entry 2 of this book, ${field}: `,
    ]),
  ])('says so of %s', async (_, content, trouble) => {
    standIn();
    open(<IntakeScreen />, '*');
    await person.upload(screen.getByLabelText('It came with a record'), file(content));
    expect((await screen.findByRole('alert')).textContent).toContain(trouble);
  });
});
