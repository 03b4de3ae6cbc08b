// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FittingScreen } from '../fitting/FittingScreen.tsx';
import { AssemblyScreen } from './AssemblyScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, safeVisitOf } from '../../../test/visit.ts';

const person = userEvent.setup();
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const BUSH = { pivotMm: 1, boreMm: 1, outsideMm: 2, heightMm: 2, note: '', located: null, off: false };
const bush = (hole: string) => ({ id: hole, hole, ...BUSH, endShakeMm: null, spins: null, stockId: null, ...by });
const tried = (hole: string, word: 'free' | 'drags' | 'shakes', cure = '') => ({ id: 't1', hole, word, cure, ...by });
const FIT = { id: 'd1', train: null, ...by, endedBy: '', endedAt: null };

beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('a train together dry', () => {
  it('is begun for the trains that were bushed, in one press', async () => {
    show(FittingScreen, safeVisitOf('mantel-barrels', { bushes: [bush('T2.back')] }));
    const trains = within(screen.getByRole('group', { name: 'Which train' }));
    expect(trains.getAllByRole('button').map((b) => b.textContent)).toEqual(['Going train', 'All trains']);
    await person.click(trains.getByRole('button', { name: 'All trains' }));
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/dry-fits', body: { train: null } }));
  });
  it('says of each bush how it feels, what was done then, and asks for it once more', async () => {
    const bushes = [bush('T2.back')];
    show(FittingScreen, safeVisitOf('mantel-barrels', { bushes, dryFits: [FIT] }));
    await person.click(screen.getByRole('radio', { name: 'drags' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v1/dry-tries', body: { hole: 'T2.back', word: 'drags' } }),
    );
    cleanup();
    show(
      FittingScreen,
      safeVisitOf('mantel-barrels', { bushes, dryFits: [FIT], dryTries: [tried('T2.back', 'drags')] }),
    );
    expect(answer()).toContain('1 bush not free yet');
    await person.click(button('driven out a hair'));
    await waitFor(() =>
      expect(sent[1]).toMatchObject({ url: '/api/visits/v1/dry-tries/t1/cure', body: { cure: 'driven out a hair' } }),
    );
    cleanup();
    const dryTries = [tried('T2.back', 'drags', 'driven out a hair')];
    show(FittingScreen, safeVisitOf('mantel-barrels', { bushes, dryFits: [FIT], dryTries }));
    expect(screen.getByText('Feel it again: driven out a hair')).toBeTruthy();
    expect(screen.getByRole('radio', { name: 'drags' }).getAttribute('aria-checked')).toBe('false');
  });
});

describe('before the plates close', () => {
  const LOOK = {
    id: 'l1',
    what: 'before the plates close',
    of: '',
    word: null,
    note: '',
    lookedBy: '',
    lookedAt: null,
  };
  it('a look is asked for in one press; somebody else answers, with words if it is not right', async () => {
    show(AssemblyScreen, safeVisitOf('mantel-barrels'));
    await person.click(button('Ask for a look'));
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/second-looks' }));
    cleanup();
    // Nobody is signed in here: it is not the one who asked.
    show(AssemblyScreen, safeVisitOf('mantel-barrels', { secondLooks: [{ ...LOOK, ...by }] }));
    await person.click(button('Not yet'));
    expect(screen.getByText('What is not right yet?')).toBeTruthy();
    await person.type(screen.getByLabelText('What was seen'), 'count lever outside');
    await person.click(button('Not yet'));
    await waitFor(() =>
      expect(sent[1]).toMatchObject({ method: 'PUT', body: { word: 'not yet', note: 'count lever outside' } }),
    );
  });
  it('it is said how its plates went together, and the next one finds it', async () => {
    show(AssemblyScreen, safeVisitOf('mantel-barrels'));
    expect(screen.getByText(/The thin ones last: .*fly/)).toBeTruthy();
    await person.click(button('Save for next time'));
    expect(await screen.findByText('From which corner, which pivots last, or what helped?')).toBeTruthy();
    await person.click(screen.getByRole('radio', { name: 'lower left' }));
    await person.click(button('Save for next time'));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ corner: 'lower left', last: '' }));
    cleanup();
    const closings = [{ id: 'c1', corner: 'lower left' as const, last: 'fly', note: '', own: false, ...by }];
    show(AssemblyScreen, safeVisitOf('mantel-barrels', { closings }));
    expect(screen.getAllByText('From the lower left; last: fly').length).toBeGreaterThan(0);
    expect(screen.queryByRole('button', { name: 'Take back' })).toBeNull();
  });
});
