// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SigningScreen } from './SigningScreen.tsx';
import { answer, show, standIn } from '../../../test/stage.tsx';
import { AT, visitOf } from '../../../test/visit.ts';

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
  it('shows a closed visit as closed', () => {
    show(SigningScreen, visitOf('fusee', { closedAt: AT, entryId: 'e1' }));
    expect(answer()).toContain('Signed and closed');
    expect(screen.queryByRole('button', { name: 'Sign and close' })).toBeNull();
  });
});
