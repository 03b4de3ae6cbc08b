// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { AT, by, visitOf } from '../../../test/visit.ts';
import { DiagnosisScreen } from '../diagnosis/DiagnosisScreen.tsx';
import { ReceivedScreen } from './ReceivedScreen.tsx';
import { SigningScreen } from '../signing/SigningScreen.tsx';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('at the counter', () => {
  it('asks by a press, takes it back by another, and keeps what is written when the field is left', async () => {
    show(ReceivedScreen, visitOf('mantel-barrels', { answers: [{ question: 'beat', answer: 'it limps', ...by }] }));
    await person.click(
      within(screen.getByRole('radiogroup', { name: 'And the strike?' })).getByRole('radio', { name: 'silent' }),
    );
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: '/api/visits/v1/answers/strike',
        body: { answer: 'silent' },
      }),
    );
    await person.click(
      within(screen.getByRole('radiogroup', { name: 'Does it tick evenly?' })).getByRole('radio', { name: 'it limps' }),
    );
    await waitFor(() => expect(sent[1]!.body).toEqual({ answer: '' }));
    await person.type(screen.getByLabelText('When did it last run right?'), 'Last winter{Tab}');
    await waitFor(() =>
      expect(sent[2]).toMatchObject({ url: '/api/visits/v1/answers/last-right', body: { answer: 'Last winter' } }),
    );
  });
  it('lists a key by the square it fits, in what a caliper types', async () => {
    show(ReceivedScreen, visitOf('mantel-barrels'));
    await person.click(screen.getByRole('button', { name: 'Winding key' }));
    const square = screen.getByLabelText('Square that it fits');
    await person.type(square, '3,75 mm');
    await person.selectOptions(screen.getByLabelText('On the arbor'), 'loose');
    await person.click(screen.getByRole('button', { name: 'List it' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'POST',
        url: '/api/visits/v1/received',
        body: { what: 'Winding key', count: 1, squareMm: 3.75, fits: 'loose' },
      }),
    );
  });
  it('says beside the number that it disagrees, and what a borrowed thing leaves unproven', async () => {
    const visit = visitOf('lever-platform');
    visit.movement.marks = [
      { place: 'case', text: '6438' },
      { place: 'back plate', text: '6438' },
      { place: 'balance', text: '3902' },
    ];
    show(ReceivedScreen, visit);
    expect(screen.getByText(/Number 3902 on the balance, 6438 on the case and back plate/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /came alone/ }));
    await person.type(screen.getByLabelText('Borrowed to test it'), 'a bench supply');
    expect(screen.getByText('Stays unproven: that it runs on its own supply and wiring.')).toBeTruthy();
  });
  it('keeps what the owner wants, by itself', async () => {
    show(ReceivedScreen, visitOf('fusee', { wanted: '' }));
    await person.type(screen.getByLabelText('Wanted'), 'A full service');
    await person.click(screen.getByRole('button', { name: 'Save changes' }));
    await waitFor(() => expect(sent[0]).toMatchObject({ method: 'PATCH', body: { wanted: 'A full service' } }));
    expect(Object.keys(sent[0]!.body).sort()).toEqual(['version', 'wanted']);
  });
  it('links a return of earlier work', async () => {
    show(ReceivedScreen, visitOf('fusee', { earlier: [{ visitId: 'v0', claim: 'C-7', closedAt: AT }] }));
    await person.selectOptions(screen.getByLabelText(/come back because of earlier work/), 'v0');
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/callback', body: { visitId: 'v0' } }));
  });
  it('offers what is missing with its evidence', async () => {
    show(ReceivedScreen, visitOf('torsion'));
    await person.click(screen.getByText('Something is missing'));
    await person.click(screen.getAllByRole('button', { name: 'Dome' }).at(-1)!);
    expect((screen.getByLabelText('Evidence for it') as HTMLInputElement).value).toBe('a groove in the base');
    await person.click(screen.getByRole('button', { name: 'Put it on the list' }));
    await waitFor(() => expect(sent[0]).toMatchObject({ url: '/api/visits/v1/wanted', body: { what: 'Dome' } }));
  });
});

describe('the thread of a missing thing', () => {
  const ring = { id: 'w1', what: 'Glass ring', evidence: '', would: '', steps: [], ended: null, ...by };
  const step = { id: 's1', note: '', from: 'Quill & Pane', price: '18.50', expectedOn: null, ...by };
  it('offers what usually comes next; a guess is not kept without its words', async () => {
    show(ReceivedScreen, visitOf('torsion', { wantedThings: [{ ...ring, steps: [{ ...step, step: 'looked for' }] }] }));
    const next = () => within(screen.getByRole('group', { name: 'Glass ring: next' }));
    expect(
      next()
        .getAllByRole('button')
        .map((b) => b.textContent),
    ).toContain('guessed');
    await person.click(next().getByRole('button', { name: 'guessed' }));
    await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText('Where was evidence looked for?')));
    await person.keyboard('{Enter}');
    expect(await screen.findAllByText('Where was evidence looked for?')).toHaveLength(2);
    expect(sent).toEqual([]);
    await person.keyboard('Catalogues.{Enter}');
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        url: '/api/visits/v1/wanted/w1/steps',
        body: { step: 'guessed', note: 'Catalogues.' },
      }),
    );
  });
  it('says what lies in the stores that may be it, and what arrived is one press', async () => {
    const matches = [{ itemId: 'i1', name: 'Ring of glass', onHand: 1, shelf: 'drawer 2' }];
    standIn({ '/api/wanted': [{ ...ring, clock: 'x', claim: 'C-1', visitId: 'v1', here: true, matches }] });
    show(ReceivedScreen, visitOf('torsion', { wantedThings: [{ ...ring, steps: [{ ...step, step: 'ordered' }] }] }));
    expect(screen.getByText(/^Ordered from Quill & Pane, 18.50/)).toBeTruthy();
    expect((await screen.findByText('Ring of glass')).closest('p')!.textContent).toContain('drawer 2');
    await person.click(screen.getByRole('button', { name: 'arrived' }));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ step: 'arrived' }));
  });
});

describe('what was told and what was found before', () => {
  it('counts in the diagnosis until somebody has looked', () => {
    const told = { answers: [{ question: 'stops-after', answer: 'days, near the end of the wind', ...by }] };
    show(DiagnosisScreen, visitOf('mantel-barrels', told));
    expect(screen.getByText('told at the counter')).toBeTruthy();
    expect(screen.getAllByRole('status')[0]!.textContent).toContain('Likeliest');
    cleanup();
    show(DiagnosisScreen, visitOf('mantel-barrels', { ...told, observations: { 'stops-late': 'absent' } }));
    expect(screen.queryByText('told at the counter')).toBeNull();
  });
  it('says how often this shop found it', async () => {
    standIn({
      '/api/causes': {
        causes: [],
        learn: true,
        signedVisits: 15,
        experience: {
          'gummed-mainspring.going': {
            found: { times: 12, of: 15 },
            expected: { times: 12, of: 15 },
            shows: { 'stops-late': { times: 9, of: 12, blamed: 8.5 } },
          },
        },
      },
    });
    show(DiagnosisScreen, visitOf('mantel-barrels', { observations: { 'stops-late': 'present' } }));
    expect(await screen.findByText('found 12 of 15 times it was looked for')).toBeTruthy();
    expect(screen.getByText(/“stops late in the wind” \(9 of your last 12\)/)).toBeTruthy();
  });
  it('a thing that came is ticked as it goes home, and declined work is named', async () => {
    const visit = visitOf('fusee', {
      received: [
        {
          id: 'r1',
          version: 1,
          what: 'Pendulum',
          count: 1,
          condition: '',
          squareMm: null,
          fits: null,
          photoId: null,
          returnedBy: '',
          returnedAt: null,
        },
      ],
    });
    visit.agreement.lines = [
      {
        id: 'l',
        version: 1,
        kind: 'labour',
        what: 'Polish',
        quantity: '1',
        price: '1',
        routes: [],
        optional: true,
        noGuarantee: false,
        findingId: null,
        fromSurvey: false,
        addition: false,
        decisions: [],
        state: 'declined',
        ...by,
      },
    ];
    show(SigningScreen, visit);
    expect(screen.getAllByText('Polish').length).toBeGreaterThan(0);
    await person.click(screen.getByLabelText('Pendulum'));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v1/received/r1/returned', body: { returned: true } }),
    );
  });
});
