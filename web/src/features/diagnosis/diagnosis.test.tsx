// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DiagnosisScreen } from './DiagnosisScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { AT, by, visitOf } from '../../../test/visit.ts';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('diagnose', () => {
  it('asks only what this movement can show, and not of a dead one how it goes', () => {
    show(DiagnosisScreen, visitOf('torsion', { observations: { dead: 'present' } }));
    expect(screen.queryByRole('radiogroup', { name: 'Misses a strike now and then' })).toBeNull();
    expect(screen.getAllByText('cannot be seen while it is dead').length).toBeGreaterThan(3);
    expect(screen.queryByRole('radiogroup', { name: 'Gains' })).toBeNull();
  });
  it('names another cause with why, and the first thought stays in sight', async () => {
    const before = { of: 'cause', said: 'Oil in the train', why: 'A hole was drilled.', ...by };
    show(DiagnosisScreen, visitOf('longcase', { cause: 'Hole in the motor', earlierWords: [before] }));
    expect(screen.getByText('Oil in the train').closest('li')!.textContent).toContain('A hole was drilled.');
    expect(screen.queryByLabelText('Why it is another one')).toBeNull();
    await person.type(screen.getByLabelText('Cause'), ', drilled');
    await person.type(screen.getByLabelText('Why it is another one'), 'seen under the lens');
    await person.keyboard('{Enter}');
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({ body: { cause: 'Hole in the motor, drilled', why: 'seen under the lens' } }),
    );
  });
  it('ranks the causes with a reason for each', () => {
    show(
      DiagnosisScreen,
      visitOf('mantel-barrels', { observations: { 'stops-late': 'present', 'small-swing': 'present' } }),
    );
    expect(answer()).toMatch(/Likeliest: gummed mainspring, going, \d+ %Look next: /);
    expect(screen.getByText(/^It is only gummed mainspring, going: \d+ %; or /)).toBeTruthy();
    const [first] = within(
      screen.getByRole('heading', { name: 'Causes, likeliest first' }).closest('section')!,
    ).getAllByRole('listitem');
    expect(first!.textContent).toContain('mostly shows as “stops late in the wind”');
  });
});

describe('looks', () => {
  const seen = { observations: { 'stops-hours': 'present', 'rate-wanders': 'present' } } as const;
  const panel = () => within(screen.getByRole('heading', { name: 'Look next' }).closest('section')!);

  it('are offered with what each outcome would mean, and what was found is sent', async () => {
    show(DiagnosisScreen, visitOf('longcase', seen));
    const [first] = panel().getAllByRole('group');
    expect(first!.closest('li')!.textContent).toMatch(/\d+ min, .*If found \d+ %, if not (under )?\d+ %\./);
    await person.click(within(first!).getByRole('button', { name: 'Not there' }));
    await waitFor(() =>
      expect(sent).toContainEqual(
        expect.objectContaining({
          method: 'PUT',
          url: expect.stringMatching(/^\/api\/visits\/v1\/looks\//),
          body: { outcome: 'clear' },
        }),
      ),
    );
  });

  it('that were taken speak for and against, are not offered again, and can be taken back', async () => {
    show(
      DiagnosisScreen,
      visitOf('longcase', {
        ...seen,
        looks: [
          { look: 'worn-hole.going', outcome: 'found', ...by },
          { look: 'out-of-beat', outcome: 'clear', ...by },
        ],
      }),
    );
    expect(answer()).toMatch(/Likeliest: worn, oval hole, going/);
    expect(panel().queryByRole('group', { name: 'Worn, oval hole, going' })).toBeNull();
    expect(panel().getByText(/nothing there/).textContent).toContain('Out of beat');
    await person.click(panel().getByRole('button', { name: 'Take back the look: Out of beat' }));
    await waitFor(() =>
      expect(sent).toContainEqual(
        expect.objectContaining({ url: '/api/visits/v1/looks/out-of-beat', body: { outcome: null } }),
      ),
    );
  });

  it('are not offered before anything was observed, nor pressed once the visit is signed', () => {
    show(DiagnosisScreen, visitOf('longcase'));
    expect(screen.queryByRole('heading', { name: 'Look next' })).toBeNull();
    cleanup();
    show(DiagnosisScreen, visitOf('longcase', { ...seen, closedAt: AT }));
    expect(panel().queryAllByRole('button', { name: 'Found' })).toEqual([]);
    expect(
      panel()
        .queryAllByRole('button')
        .map((b) => b.textContent),
    ).toEqual(['Fewer looks']);
  });
});
