// @vitest-environment jsdom
import type { Movement, Visit } from '@eclat/contract';
import { familyById } from '@eclat/core/movement';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { sent, show, standIn } from '../../../../test/stage.tsx';
import { Describe } from './Describe.tsx';

const person = userEvent.setup();
const { traits } = familyById('mantel-barrels');
const by = { by: 'Wilmot', at: '2031-05-02T09:00:00.000Z' };
const first = { version: 1, traits, familyId: 'mantel-barrels', reason: 'As its template.', ...by };
const theirs = { ...first, version: 2, traits: { ...traits, windHours: 100 }, reason: 'Wound and watched.' };
const movement = { id: 'm1', name: 'x', familyId: 'mantel-barrels', traits, absent: [] } as unknown as Movement;
const Screen = () => <Describe movement={movement} />;

beforeEach(() => standIn({ descriptions: [theirs, first], '/families': [] }));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('what was typed while somebody else described it is offered against what stands now', async () => {
  const mine = { ...first, traits: { ...traits, escapement: 'pinwheel' }, reason: 'Pins on the wheel' };
  localStorage.setItem('eclat.draft.description.m1.1', JSON.stringify(mine));
  show(Screen, undefined as unknown as Visit);
  expect(await screen.findByText('Wilmot described it while you did')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Take mine again' }));
  // Theirs would be undone by mine where mine does not know of it: it is said.
  const changes = within(await screen.findByRole('list', { name: 'What changes' }));
  expect(changes.getByText(/pinwheel/)).toBeTruthy();
  expect(changes.getByText(/100/)).toBeTruthy();
  expect(screen.queryByText(/described it while you did/)).toBeNull();
  expect(sent).toEqual([]);
  await person.click(screen.getByRole('button', { name: 'Change the description' }));
  await waitFor(() => expect(sent[0]!.body).toMatchObject({ version: 2, reason: 'Pins on the wheel' }));
});
