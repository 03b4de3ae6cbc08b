// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { familyById } from '@eclat/core/movement';
import { walkOf } from '@eclat/core/assess';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { AT, by, visitOf } from '../../../test/visit.ts';
import { AssessmentScreen } from '../assessment/AssessmentScreen.tsx';
import { CALIPER, METER, typeInto } from '../../devices/typing.ts';
import { SimulatedPrinter } from '../../devices/printer.ts';
import { DiagnosisScreen } from '../diagnosis/DiagnosisScreen.tsx';
import { ReceivedScreen } from './ReceivedScreen.tsx';
import { useStore } from '../../data/app-state.ts';
import { SigningScreen } from '../signing/SigningScreen.tsx';
import { MarkedPhoto } from '../photos/MarkedPhoto.tsx';
import { PhotoSheet } from '../photos/PhotoSheet.tsx';

const person = userEvent.setup();
beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const mark = (number: number, x: number) => ({ id: `m${number}`, number, x, y: 0.5, findingId: null, note: '' });
const photo = (marks: ReturnType<typeof mark>[]) => ({
  id: 'p1',
  caption: 'Worn hole',
  stage: 'assess' as const,
  width: 1000,
  height: 500,
  marks,
  ...by,
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
      { place: 'case', text: '4711' },
      { place: 'back plate', text: '4711' },
      { place: 'balance', text: '3902' },
    ];
    show(ReceivedScreen, visit);
    expect(screen.getByText(/Number 3902 on the balance, 4711 on the case and back plate/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: /came alone/ }));
    await person.type(screen.getByLabelText('Borrowed to test it'), 'a bench supply');
    expect(screen.getByText('Stays unproven: that it runs on its own supply and wiring.')).toBeTruthy();
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

describe('the walk', () => {
  const places = walkOf(familyById('fusee').traits);
  it('goes on by itself, one key for each place, and a finding opens its form there', async () => {
    show(AssessmentScreen, visitOf('fusee'));
    expect(screen.getByRole('group', { name: 'case is' })).toBeTruthy();
    fireEvent.keyDown(window, { key: 'o' });
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ method: 'PUT', url: '/api/visits/v1/places/case', body: { state: 'in order' } }),
    );
    fireEvent.keyDown(window, { key: 'x' });
    await waitFor(() =>
      expect(sent[1]).toMatchObject({
        url: `/api/visits/v1/places/${encodeURIComponent(places[1]!.place)}`,
        body: { state: 'not looked at' },
      }),
    );
    fireEvent.keyDown(window, { key: 'f' });
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

describe('photos', () => {
  it('carry their numbers where they were placed', () => {
    const { container } = render(<MarkedPhoto src="x" alt="" photo={photo([mark(1, 0.25), mark(12, 1)])} />);
    expect([...container.querySelectorAll('g')].map((g) => [g.getAttribute('transform'), g.textContent])).toEqual([
      ['translate(250 250)', '1'],
      ['translate(1000 250)', '12'],
    ]);
  });
  it('take a point where they are pressed, never outside', () => {
    const placed: number[][] = [];
    const { container } = render(
      <MarkedPhoto src="x" alt="" photo={photo([])} onPlace={(x, y) => placed.push([x, y])} />,
    );
    const box = container.firstElementChild!;
    box.getBoundingClientRect = () => ({ left: 100, top: 100, width: 200, height: 100 }) as DOMRect;
    fireEvent(box, new MouseEvent('pointerup', { bubbles: true, clientX: 150, clientY: 175 }));
    fireEvent(box, new MouseEvent('pointerup', { bubbles: true, clientX: 999, clientY: 0 }));
    expect(placed).toEqual([
      [0.25, 0.75],
      [1, 0],
    ]);
  });
  it('tie a point to a finding, and move in the order', async () => {
    const finding = {
      id: 'f1',
      version: 1,
      place: 'plates',
      seen: 'Rust.',
      severity: 'harms it',
      effect: 'value',
      proposal: '',
      earlierRepair: false,
      doNotDisturb: false,
      hours: null,
      cause: '',
      ...by,
    } as const;
    const visit = visitOf('fusee', {
      findings: [finding],
      photos: [photo([mark(1, 0.2)]), { ...photo([]), id: 'p2' }],
    });
    show(() => <PhotoSheet photo={visit.photos[0]!} onClose={() => undefined} />, visit);
    await person.selectOptions(screen.getByLabelText('Point 1 shows'), 'f1');
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: '/api/visits/v1/photos/p1/marks/m1',
        body: { x: 0.2, findingId: 'f1' },
      }),
    );
    await person.click(screen.getByRole('button', { name: 'Later in the order' }));
    await waitFor(() => expect(sent[1]).toMatchObject({ method: 'PATCH', body: { position: 1 } }));
    expect((screen.getByRole('button', { name: 'Earlier in the order' }) as HTMLButtonElement).disabled).toBe(true);
  });
});

it('what is taken out can be put back as it was, though its row is gone and the next one went out before the answer', async () => {
  const key = {
    id: 'r1',
    version: 1,
    what: 'Pendulum',
    count: 2,
    condition: 'rod bent',
    squareMm: null,
    fits: null,
    photoId: null,
    returnedBy: '',
    returnedAt: null,
  };
  show(ReceivedScreen, visitOf('mantel-barrels', { received: [{ ...key, id: 'r0', what: 'Dome' }, key] }));
  for (const what of ['Dome', 'Pendulum']) fireEvent.click(screen.getByRole('button', { name: `Take out: ${what}` }));
  await waitFor(() =>
    expect(sent.map((s) => s.url)).toEqual(['/api/visits/v1/received/r0', '/api/visits/v1/received/r1']),
  );
  await waitFor(() => expect(useStore.getState().notice?.undo).toBeTruthy());
  cleanup();
  useStore.getState().notice!.undo!();
  await waitFor(() =>
    expect(sent[2]).toMatchObject({
      method: 'POST',
      url: '/api/visits/v1/received',
      body: { what: 'Pendulum', count: 2, condition: 'rod bent' },
    }),
  );
});

describe('devices', () => {
  it('type into the field that waits, and press Enter once the page has it; a form is sent as by a finger', async () => {
    const heard: string[] = [];
    function Field({ alone }: { alone?: boolean }) {
      const [value, setValue] = useState('');
      return (
        <input
          aria-label={alone ? 'alone' : 'in a form'}
          value={value}
          onChange={(e) => setValue(e.target.value)}
          onKeyDown={(e) => {
            if (alone && e.key === 'Enter') {
              e.preventDefault();
              heard.push(value);
            }
          }}
        />
      );
    }
    function Sends() {
      return (
        <>
          <Field alone />
          <form
            onSubmit={(e) => {
              e.preventDefault();
              heard.push(`sent ${(e.currentTarget[0] as HTMLInputElement).value}`);
            }}
          >
            <Field />
          </form>
          <button
            type="button"
            onClick={() =>
              ['alone', 'in a form'].forEach((f) => typeInto(screen.getByLabelText(f), CALIPER.reads(1.2449)))
            }
          >
            Send
          </button>
        </>
      );
    }
    render(<Sends />);
    await person.click(screen.getByRole('button', { name: 'Send' }));
    await waitFor(() => expect(heard).toEqual(['1.24 mm', 'sent 1.24 mm']));
    expect(typeInto(document.body, '1')).toBe(false);
  });
  it('show no more than they can resolve', () =>
    expect([CALIPER.reads(3.999), METER.reads(12.34), METER.reads(112.4)]).toEqual(['4.00 mm', '12.3', '112']));
  it('a simulated printer keeps what it printed', async () => {
    const kept: string[] = [];
    await new SimulatedPrinter(
      (p) => kept.push(p.picture),
      () => Promise.resolve(),
    ).print({ picture: 'label', copies: 1 });
    expect(kept).toEqual(['label']);
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
          'gummed-mainspring.going': { found: { times: 12, of: 15 }, shows: { 'stops-late': { times: 9, of: 12 } } },
        },
      },
    });
    show(DiagnosisScreen, visitOf('mantel-barrels', { observations: { 'stops-late': 'present' } }));
    expect(await screen.findByText('found in 12 of your last 15')).toBeTruthy();
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
