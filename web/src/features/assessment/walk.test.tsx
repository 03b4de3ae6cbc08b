// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { familyById } from '@eclat/core/movement';
import { walkOf } from '@eclat/core/assess';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';
import { AssessmentScreen } from './AssessmentScreen.tsx';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('the walk', () => {
  const places = walkOf(familyById('fusee').traits);
  it('goes on by itself, one key for each place, and a finding opens its form there', async () => {
    show(AssessmentScreen, visitOf('fusee'));
    expect(screen.getByRole('group', { name: 'case is' })).toBeTruthy();
    fireEvent.keyDown(document.body, { key: 'o' });
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ method: 'PUT', url: '/api/visits/v1/places/case', body: { state: 'in order' } }),
    );
    fireEvent.keyDown(document.body, { key: 'x' });
    await waitFor(() =>
      expect(sent[1]).toMatchObject({
        url: `/api/visits/v1/places/${encodeURIComponent(places[1]!.place)}`,
        body: { state: 'not looked at' },
      }),
    );
    fireEvent.keyDown(document.body, { key: 'f' });
    expect(((await screen.findByLabelText('Place')) as HTMLInputElement).value).toBe(places[2]!.place);
  });
  it('says how far it is, and that a finding is not written yet', () => {
    show(
      AssessmentScreen,
      visitOf('fusee', {
        places: [
          { place: 'case', state: 'in order', ...by },
          { place: 'dial', state: 'finding', ...by },
        ],
      }),
    );
    expect(screen.getByRole('heading', { name: `The walk: 2 of ${places.length} places` })).toBeTruthy();
    expect(screen.getByText(/not written yet/)).toBeTruthy();
  });
  it('takes a word of the trade with how bad it usually is', async () => {
    show(AssessmentScreen, visitOf('fusee'));
    await person.click(screen.getByRole('button', { name: 'Add a finding' }));
    await person.type(screen.getByLabelText('Place'), 'plates');
    await person.click(screen.getByRole('button', { name: 'punched holes' }));
    await person.click(screen.getByRole('button', { name: 'Record it' }));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({
        place: 'plates',
        seen: 'Punched holes',
        severity: 'harms it',
        earlierRepair: true,
      }),
    );
  });
  it('takes a figure with how it was got, and goes on to the next field', async () => {
    show(AssessmentScreen, visitOf('lever-platform'));
    await person.selectOptions(screen.getByLabelText('How amplitude was got'), 'slow-motion film');
    await person.type(screen.getByLabelText('Amplitude, °'), '240{Enter}');
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/measurements',
        body: { kind: 'amplitude', value: 240, how: 'slow-motion film' },
      }),
    );
    expect(document.activeElement).toBe(screen.getByLabelText(/^Regulator/));
    await person.type(screen.getByLabelText(/^Regulator/), '140{Enter}');
    expect(screen.getByText('Between 0 and 100 %.')).toBeTruthy();
    expect(sent).toHaveLength(1);
  });
});
