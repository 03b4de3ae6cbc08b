// @vitest-environment jsdom
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AssessmentScreen } from './AssessmentScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('assess', () => {
  const finding = {
    id: 'f1',
    version: 3,
    place: 'case',
    seen: 'Door sags.',
    severity: 'looks',
    effect: 'looks',
    proposal: 'Glue',
    earlierRepair: false,
    doNotDisturb: false,
    hours: null,
    cause: '',
    followsFrom: null,
    overturned: null,
    ...by,
  } as const;
  it('sends only what was changed of a finding, with the version that was seen', async () => {
    show(AssessmentScreen, visitOf('longcase', { findings: [finding] }));
    await person.click(screen.getByRole('button', { name: 'Correct: case' }));
    const seen = screen.getByLabelText('What was seen');
    await person.clear(seen);
    await person.type(seen, 'Door binds.');
    await person.click(screen.getByRole('button', { name: 'Save changes' }));
    await waitFor(() => expect(sent[0]).toMatchObject({ method: 'PATCH', body: { seen: 'Door binds.', version: 3 } }));
    expect(Object.keys(sent[0]!.body).sort()).toEqual(['seen', 'version']);
  });
  it('follows from another, and is found otherwise by a later look: one press each and its words', async () => {
    const pin = { ...finding, id: 'f2', place: 'stop pin', seen: 'Bent.' };
    show(AssessmentScreen, visitOf('longcase', { findings: [{ ...finding, followsFrom: 'f2' }, pin] }));
    expect(screen.getByText(/^Because of/).textContent).toBe('Because of stop pin: Bent.');
    // Of what follows from it, it cannot itself follow.
    await person.click(screen.getByRole('button', { name: 'Correct: stop pin' }));
    expect(screen.queryByLabelText('Follows from')).toBeNull();
    await person.click(screen.getByRole('button', { name: 'Close' }));
    await person.click(screen.getByRole('button', { name: 'A later look: stop pin' }));
    await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText('What the later look found')));
    await person.keyboard('Straight: the light deceived.{Enter}');
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: '/api/visits/v1/findings/f2/overturned',
        body: { why: 'Straight: the light deceived.' },
      }),
    );
  });
  it('puts what can hurt first', () => {
    show(
      AssessmentScreen,
      visitOf('longcase', { findings: [finding, { ...finding, id: 'f2', place: 'lines', severity: 'safety' }] }),
    );
    expect(answer()).toContain('1 for safety');
    expect(screen.getAllByRole('button', { name: /^Correct/ }).map((b) => b.getAttribute('aria-label'))).toEqual([
      'Correct: lines',
      'Correct: case',
    ]);
    cleanup();
    // A later look leads: what it found otherwise hurts nobody.
    const lines = { ...finding, id: 'f2', severity: 'safety' as const, overturned: { why: 'A scratch.', ...by } };
    show(AssessmentScreen, visitOf('longcase', { findings: [finding, lines] }));
    expect(answer()).toContain('1 finding, none that stops it');
  });
  it('says at the field what is missing, and keeps what is typed on the device', async () => {
    show(AssessmentScreen, visitOf('longcase'));
    await person.click(screen.getByRole('button', { name: 'Add a finding' }));
    await person.type(screen.getByLabelText('Place'), 'hood');
    await person.click(screen.getByRole('button', { name: 'Record it' }));
    expect(await screen.findByText('What was seen is needed.')).toBeTruthy();
    expect(sent).toEqual([]);
    expect(localStorage.getItem('eclat.draft.finding.v1.new')).toContain('hood');
  });
});
