// @vitest-environment jsdom
import type { OwnerPage, Line, Visit } from '@eclat/contract';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { AT, by, visitOf } from '../../../test/visit.ts';
import { OwnerPageScreen } from '../owner-page/OwnerPageScreen.tsx';
import { AgreementScreen } from './AgreementScreen.tsx';

const person = userEvent.setup();
const PROMISE = {
  '/promise': { half: '2031-06-01', nineInTen: '2031-06-20', odds: 0.31, reasons: ['the test run takes 8 days'] },
};
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const line = (id: string, change: Partial<Line> = {}): Line => ({
  id,
  version: 1,
  kind: 'labour',
  what: `work ${id}`,
  quantity: '2',
  price: '50.00',
  routes: [],
  optional: false,
  noGuarantee: false,
  findingId: null,
  fromSurvey: false,
  addition: false,
  decisions: [],
  state: null,
  ...by,
  ...change,
});
const said = (state: NonNullable<Line['state']>): Partial<Line> => ({
  state,
  decisions: [{ state, how: 'phone', who: 'Odile Tarrowby', note: '', ...by }],
});
function visit(lines: Line[], change: Partial<Visit['agreement']> = {}, more: Partial<Visit> = {}): Visit {
  const v = visitOf('fusee', more);
  return { ...v, agreement: { ...v.agreement, lines, ...change } };
}
const FINDING = '6f1c2d1e-0000-4000-8000-000000000001';
const finding = {
  id: FINDING,
  version: 1,
  place: 'suspension',
  seen: 'Kinked.',
  severity: 'stops it',
  effect: 'timekeeping',
  proposal: 'Replace',
  earlierRepair: false,
  doNotDisturb: false,
  hours: 0.5,
  cause: '',
  followsFrom: null,
  overturned: null,
  ...by,
} as const;

describe('the agreement', () => {
  it('says first what it waits for', () => {
    standIn(PROMISE);
    show(AgreementScreen, visit([]));
    expect(answer()).toContain('Write the estimate');
    cleanup();
    show(AgreementScreen, visit([line('a'), line('b', said('accepted'))]));
    expect(answer()).toContain('The owner has 1 line to answer');
    expect(answer()).toContain('Accepted so far 100.00 crowns; with all that is open 200.00 crowns.');
    cleanup();
    show(AgreementScreen, visit([line('a', said('accepted')), line('b', said('declined'))]));
    expect(answer()).toContain('Agreed: 100.00 crowns');
    cleanup();
    show(
      AgreementScreen,
      visit([line('a')], {
        questions: [{ id: 'q', text: 'Will the patina stay?', at: AT, answer: '', answeredBy: '' }],
      }),
    );
    expect(answer()).toContain('The owner asks: “Will the patina stay?”');
  });

  it('offers a line for each finding that proposes something, with its hours and the price of an hour', async () => {
    standIn(PROMISE);
    show(AgreementScreen, visit([], {}, { findings: [finding] }));
    await person.click(screen.getByRole('button', { name: 'Replace (suspension)' }));
    expect((screen.getByLabelText('Hours') as HTMLInputElement).value).toBe('0.5');
    await person.click(screen.getByRole('button', { name: 'Add it' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'POST',
        url: '/api/visits/v1/lines',
        body: { what: 'Replace (suspension)', quantity: '0.5', price: '50', findingId: FINDING },
      }),
    );
  }, 15_000);

  it('says at the field what a sum may be, and keeps what was typed', async () => {
    standIn(PROMISE);
    show(AgreementScreen, visit([]));
    await person.click(screen.getByRole('button', { name: 'Add a line' }));
    await person.type(screen.getByLabelText('What is done'), 'Overhaul');
    await person.type(screen.getByLabelText('Hours'), 'six');
    await person.click(screen.getByRole('button', { name: 'Add it' }));
    expect(await screen.findByText('A quantity such as 12.50.')).toBeTruthy();
    expect(sent).toEqual([]);
    expect(localStorage.getItem('eclat.draft.line.v1.new')).toContain('Overhaul');
  }, 15_000);

  it('records how the word was given and by whom, on every line after', async () => {
    standIn(PROMISE);
    show(AgreementScreen, visit([line('a'), line('b')]));
    await person.click(screen.getByRole('radio', { name: 'phone' }));
    const who = screen.getByLabelText('By whom');
    await person.clear(who);
    await person.type(who, 'her son');
    await person.click(
      within(screen.getByRole('radiogroup', { name: 'The owner’s word: work b' })).getByRole('radio', {
        name: 'declined',
      }),
    );
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: '/api/visits/v1/lines/b/decision',
        body: { state: 'declined', how: 'phone', who: 'her son' },
      }),
    );
  }, 15_000);

  it('sets lines of another alternative aside, and offers no correction of what was answered', () => {
    standIn(PROMISE);
    const routes = (['cure', 'overhaul'] as const).map((route) => ({ route, originality: '', guarantee: '' }));
    show(
      AgreementScreen,
      visit([line('a', said('accepted')), line('b', { routes: ['overhaul'] })], {
        routes,
        chosen: { route: 'cure', how: 'phone', who: 'x', ...by },
      }),
    );
    expect(screen.getByText(/not in the chosen alternative/)).toBeTruthy();
    expect(answer()).toContain('Agreed');
    expect(screen.queryByRole('button', { name: 'Correct: work a' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Correct: work b' })).toBeTruthy();
  });

  it('shows the odds of the date that was promised, and promises the better one by one press', async () => {
    standIn(PROMISE);
    show(AgreementScreen, visit([line('a')], {}, { promisedFor: '2031-06-01' }));
    expect(await screen.findByText('3 times in ten')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /^Promise 20 Jun/ }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ method: 'PATCH', body: { promisedFor: '2031-06-20', version: 1 } }),
    );
  });

  it('shows the owner’s address once, when it is made', async () => {
    standIn({ ...PROMISE, '/link': { token: 'abc', expiresAt: AT } });
    show(AgreementScreen, visit([line('a')]));
    await person.click(screen.getByRole('button', { name: 'Create the page' }));
    expect(((await screen.findByLabelText('Address of the owner’s page')) as HTMLInputElement).value).toMatch(
      /\/for-owner\/abc$/,
    );
  });
});

describe('the owner’s page', () => {
  const page: OwnerPage = {
    shop: 'Fennick Row Clock Room',
    timeZone: 'Europe/London',
    clock: 'Slate mantel clock',
    claim: 'C-1',
    complaint: 'Stops.',
    currency: 'crowns',
    taxPercent: '20',
    pricesIncludeTax: true,
    prices: 1,
    chosen: null,
    agreed: '0.00',
    promisedFor: null,
    expiresAt: AT,
    questions: [],
    routes: [],
    photos: [],
    lines: [
      {
        version: 1,
        id: 'a',
        kind: 'labour',
        what: 'Overhaul',
        amount: '325.00',
        routes: [],
        optional: false,
        noGuarantee: true,
        addition: true,
        state: null,
        seen: 'going train: hole oval',
      },
    ],
  };
  const open = (reply: OwnerPage) => {
    standIn({ '/for-owner/': reply });
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider
          router={createMemoryRouter([{ path: '/for-owner/:token', element: <OwnerPageScreen /> }], {
            initialEntries: ['/for-owner/t'],
          })}
        />
      </QueryClientProvider>,
    );
  };

  it('shows each line with what was seen, and sends the word for it', async () => {
    open(page);
    const group = await screen.findByRole('group', { name: 'Overhaul' });
    expect(screen.getByText(/cannot be guaranteed · found during the work/)).toBeTruthy();
    expect(screen.getByText('going train: hole oval')).toBeTruthy();
    await person.click(within(group).getByRole('button', { name: 'Accept' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ method: 'PUT', url: '/api/for-owner/t/lines/a', body: { state: 'accepted' } }),
    );
  });
  it('asks to choose how far to go before anything else, and sends a question once written', async () => {
    open({
      ...page,
      routes: [
        { route: 'cure', originality: 'All stays.', guarantee: 'None.', without: '50.00', withOptions: '80.00' },
      ],
    });
    expect(await screen.findByText('How far shall we go? Please choose')).toBeTruthy();
    const send = screen.getByRole('button', { name: 'Send it' }) as HTMLButtonElement;
    expect(send.disabled).toBe(true);
    await person.type(screen.getByLabelText('Your question'), 'When?');
    await person.click(send);
    await waitFor(() => expect(sent[0]!.body).toEqual({ text: 'When?' }));
    expect(sent[0]!.url).toMatch(/^\/api\/for-owner\/t\/questions\/[0-9a-f-]{36}$/);
  });
  it('says plainly when the address opens nothing any more', async () => {
    open(page);
    vi.stubGlobal(
      'fetch',
      async () => new Response(JSON.stringify({ title: 'There is no such page here.' }), { status: 404 }),
    );
    cleanup();
    render(
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
        <RouterProvider
          router={createMemoryRouter([{ path: '/for-owner/:token', element: <OwnerPageScreen /> }], {
            initialEntries: ['/for-owner/t'],
          })}
        />
      </QueryClientProvider>,
    );
    expect(await screen.findByText('This address no longer works')).toBeTruthy();
  });
});
