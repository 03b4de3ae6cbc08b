// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SigningScreen } from './SigningScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { AT, by, visitOf } from '../../../test/visit.ts';

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('sign', () => {
  it('says what stands in the way, with the way to it', () => {
    show(SigningScreen, visitOf('fusee'));
    expect(answer()).toMatch(/\d+ things stand in the way/);
    expect(screen.getByRole('link', { name: 'Clean is not done' }).getAttribute('href')).toContain('clean');
    expect((screen.getByRole('button', { name: 'Sign and close' }) as HTMLButtonElement).disabled).toBe(true);
  });
  it('lets a word stay that is the owner’s name and means something else, with why; it can be taken back', async () => {
    const person = userEvent.setup();
    const visit = visitOf('fusee', { cause: 'Steel pinion worn' });
    visit.owner = { ...visit.owner, name: 'Ada Steel' };
    show(SigningScreen, visit);
    expect(answer()).toContain('“steel” belongs to the owner and stands in a cause');
    await person.click(screen.getByRole('button', { name: 'It means something else' }));
    await person.type(screen.getByLabelText('Why “steel” stays'), 'the metal{Enter}');
    expect(sent).toMatchObject([{ url: '/api/visits/v1/kept-words', body: { word: 'steel', why: 'the metal' } }]);
    cleanup();
    show(SigningScreen, { ...visit, keptWords: [{ id: 'k', word: 'steel', why: 'the metal', ...by }] });
    expect(answer()).not.toContain('belongs to the owner');
    await person.click(screen.getByRole('button', { name: 'Take it back' }));
    expect(sent.at(-1)).toMatchObject({ method: 'DELETE', url: '/api/visits/v1/kept-words/k' });
  });
  it('shows a closed visit as closed', () => {
    show(SigningScreen, visitOf('fusee', { closedAt: AT, entryId: 'e1' }));
    expect(answer()).toContain('Signed and closed');
    expect(screen.queryByRole('button', { name: 'Sign and close' })).toBeNull();
  });
});
