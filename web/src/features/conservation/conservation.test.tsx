// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';
import { Decisions } from './Decisions.tsx';

const person = userEvent.setup();
beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.unstubAllGlobals();
});

const LEAVE = { way: 'Leave it as it is', undone: 'yes', chosen: false, why: '' } as const;
const GILD = { way: 'Gild it anew', undone: 'no', chosen: false, why: '' } as const;
const decision = {
  ...{ id: 'd1', version: 2, about: 'Columns', of: 'case, dial, glass' as const, agreed: false },
  ...by,
};

it('is written: about what, each way by one press, and the owner’s yes before what cannot be undone', async () => {
  show(Decisions, visitOf('mantel-barrels'));
  await person.click(screen.getByRole('button', { name: 'Add a decision' }));
  await person.type(await screen.findByLabelText('What it is about'), 'Varnish of the case');
  await person.click(screen.getByRole('button', { name: 'Renew the finish' }));
  const [, renew] = within(screen.getByRole('list', { name: 'Ways' })).getAllByRole('listitem');
  // The chip is gone: the hand is at the way that it made.
  expect(document.activeElement).toBe(within(renew!).getByRole('button', { name: 'Choose this' }));
  await person.keyboard('{Enter}');
  await person.type(within(renew!).getByLabelText('Why'), 'It flakes off');
  await person.click(screen.getByRole('button', { name: 'Save the decision' }));
  expect((await screen.findByRole('alert')).textContent).toContain('owner’s yes comes first');
  expect(sent).toEqual([]);
  const yes = () => screen.getByLabelText('It cannot be undone, and the owner agreed') as HTMLInputElement;
  await person.click(yes());
  // Chosen anew, it is asked anew.
  await person.click(within(renew!).getByRole('button', { name: 'Chosen' }));
  await person.click(within(renew!).getByRole('button', { name: 'Choose this' }));
  expect(yes().checked).toBe(false);
  await person.click(yes());
  await person.click(screen.getByRole('button', { name: 'Save the decision' }));
  await waitFor(() =>
    expect(sent[0]).toMatchObject({
      method: 'POST',
      url: '/api/visits/v1/conservation',
      body: {
        about: 'Varnish of the case',
        agreed: true,
        ways: [
          { way: 'Leave it as it is', undone: 'yes', chosen: false },
          { way: 'Renew the finish', undone: 'no', chosen: true, why: 'It flakes off' },
        ],
      },
    }),
  );
});

it('says what it does not say yet, and moves the choice from one way to another', async () => {
  show(
    Decisions,
    visitOf('mantel-barrels', { conservation: [{ ...decision, ways: [LEAVE, { ...GILD, chosen: true }] }] }),
  );
  expect(screen.getByText('Say why: “Leave it as it is” could be undone.')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Correct Columns' }));
  await person.click(await screen.findByRole('button', { name: 'Choose this' }));
  await person.click(screen.getByRole('button', { name: 'Save the decision' }));
  await waitFor(() =>
    expect(sent[0]).toMatchObject({
      method: 'PATCH',
      body: { version: 2, ways: [{ chosen: true }, { chosen: false }] },
    }),
  );
});

it('is read only once the visit is closed', () => {
  show(
    Decisions,
    visitOf('mantel-barrels', {
      closedAt: '2031-05-02T09:00:00.000Z',
      conservation: [{ ...decision, ways: [{ ...LEAVE, chosen: true }, GILD] }],
    }),
  );
  expect(screen.queryAllByRole('button')).toEqual([]);
  expect(screen.getByText(/Not chosen/).textContent).toContain('Gild it anew, cannot be undone');
});
