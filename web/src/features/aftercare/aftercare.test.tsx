// @vitest-environment jsdom
import type { Visit } from '@eclat/contract';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AftercareScreen } from './AftercareScreen.tsx';
import { BenchScreen } from '../bench/BenchScreen.tsx';
import { show, standIn } from '../../../test/stage.tsx';
import { by } from '../../../test/visit.ts';

vi.mock('../test-run/RateChart.tsx', () => ({ default: () => null }));

const person = userEvent.setup();

const DAY = 86_400_000;

const ago = (days: number) => new Date(Date.now() - days * DAY).toISOString();

const noVisit = undefined as unknown as Visit;

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('after it went home', () => {
  const due = {
    visitId: 'v9',
    claim: 'C-9',
    clock: 'Slate clock',
    movementId: 'm9',
    code: 'M-9',
    signedAt: ago(1200),
    oil: ago(40).slice(0, 10),
    overhaul: '2040-01-01',
  };
  const found = {
    visitId: 'v9',
    claim: 'C-9',
    clock: 'Slate clock',
    owner: 'Odile Tarrowby',
    code: 'M-9',
    openedAt: ago(1300),
    closedAt: ago(1200),
    why: 'oil: Clock oil, batch 22-07',
  };

  it('says what is due, what came back, and who had a batch', async () => {
    standIn({
      '/api/due-again': { items: [due], next: null },
      '/api/callbacks': { signed: 40, came: 1, rows: [] },
      '/api/recall': [found],
    });
    show(AftercareScreen, noVisit);
    expect(await screen.findByText(/^due since/)).toBeTruthy();
    expect(await screen.findByText('1 of 40 came back')).toBeTruthy();
    await person.type(screen.getByLabelText('Product, batch, part or type'), '22-07');
    expect(await screen.findByText('1 visit had it')).toBeTruthy();
    expect(screen.getByText('oil: Clock oil, batch 22-07')).toBeTruthy();
  });

  it('stands on the bench for a month before it is due, under the work and only while all is shown', async () => {
    const row = {
      visitId: 'v1',
      claim: 'C-1',
      clock: 'Wall clock',
      owner: 'Maud Ellershaw',
      movementCode: 'M-1',
      familyId: 'longcase',
      shape: 'overhaul',
      stages: [],
      power: [],
      next: { stage: 'intake', text: 'Photographs first', urgency: 'next', beside: false },
      bathEndsAt: null,
      promisedFor: null,
      openedAt: by.at,
      photoId: null,
      cautions: [],
      asked: 0,
    };
    standIn({ '/api/due-again': { items: [due], next: 'more' }, '/api/bench': [row] });
    show(BenchScreen, noVisit);
    const reminds = within(await screen.findByRole('region', { name: 'Due again' }));
    expect(reminds.getAllByRole('link').map((l) => l.textContent)).toEqual(['C-9', 'All that are due again']);
    await person.type(screen.getByLabelText('Search the bench'), 'wall');
    expect(screen.queryByRole('region', { name: 'Due again' })).toBeNull();
  });

  it('says so when there is nothing', async () => {
    standIn({
      '/api/due-again': { items: [], next: null },
      '/api/callbacks': { signed: 0, came: 0, rows: [] },
      '/api/recall': [],
    });
    show(AftercareScreen, noVisit);
    expect(await screen.findByText('Nothing was signed in this time.')).toBeTruthy();
    await person.type(screen.getByLabelText('Product, batch, part or type'), 'zz');
    expect(await screen.findByText('No visit had it.')).toBeTruthy();
  });
});
