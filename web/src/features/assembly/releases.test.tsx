// @vitest-environment jsdom
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AssemblyScreen } from './AssemblyScreen.tsx';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

vi.mock('../test-run/RateChart.tsx', () => ({ default: () => null }));

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('the minute of release', () => {
  it('is judged from what was read, wear apart from setting', () => {
    const read = (minute: number, i: number) => ({ id: `r${i}`, wanted: 0 as const, minute, ...by });
    show(AssemblyScreen, visitOf('mantel-barrels', { releases: [58, 58.1, 57.9].map(read) }));
    expect(screen.getByText(/Early by 2.0 min: turn its collet 12° forward/)).toBeTruthy();
    cleanup();
    show(AssemblyScreen, visitOf('mantel-barrels', { releases: [58, 2, 59].map(read) }));
    expect(screen.getByText(/no setting cures/)).toBeTruthy();
  });

  it('takes half minutes with a comma and nothing that is no minute', async () => {
    show(AssemblyScreen, visitOf('mantel-barrels'));
    const field = screen.getByLabelText('Minute on the dial as it let off');
    await person.type(field, '61');
    expect(screen.getByText('From 0 to under 60.')).toBeTruthy();
    await person.clear(field);
    await person.type(field, '59,5{Enter}');
    await waitFor(() => expect(sent[0]!.body).toEqual({ wanted: 0, minute: 59.5 }));
  });
});
