// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { nowStands, sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';
import { ReceivedScreen } from '../reception/ReceivedScreen.tsx';
import { useAppState } from '../../data/app-state.ts';
import { MarkedPhoto } from './MarkedPhoto.tsx';
import { PhotoSheet } from './PhotoSheet.tsx';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const mark = (number: number, x: number) => ({
  ...{ id: `m${number}`, number, x, y: 0.5, findingId: null, note: '' },
  ...{ shape: 'point' as const, to: null },
});

const photo = (marks: ReturnType<typeof mark>[]) => ({
  id: 'p1',
  caption: 'Worn hole',
  stage: 'assess' as const,
  width: 1000,
  hash: 'ab'.repeat(32),
  height: 500,
  beforeId: null,
  marks,
  ...by,
});

/** A photo that is pressed on: with the pointer at these places of the page, down at the first and up at the last. */
function board(shape: 'point' | 'arrow' | 'outline') {
  const placed: unknown[][] = [];
  render(
    <MarkedPhoto
      src="x"
      alt=""
      photo={photo([])}
      press={{ asks: 'Press', shape, onPress: (...spots) => placed.push(spots) }}
    />,
  );
  const at = screen.getByRole('button', { name: /^Press/ });
  at.setPointerCapture = () => undefined;
  at.getBoundingClientRect = () => ({ left: 100, top: 100, width: 200, height: 100 }) as DOMRect;
  const send = (type: string, [clientX, clientY]: [number, number]) =>
    fireEvent(at, new MouseEvent(type, { bubbles: true, clientX, clientY }));
  const press = (from: [number, number], to = from) => {
    send('pointerdown', from);
    send('pointermove', to);
    send('pointerup', to);
  };
  return { at, placed, press };
}

describe('photos', () => {
  it('carry their numbers where they were placed', () => {
    const { container } = render(<MarkedPhoto src="x" alt="" photo={photo([mark(1, 0.25), mark(12, 1)])} />);
    expect([...container.querySelectorAll('g')].map((g) => [g.getAttribute('transform'), g.textContent])).toEqual([
      ['translate(250 250)', '1'],
      ['translate(1000 250)', '12'],
    ]);
  });
  it('take a point where they are pressed, never outside', () => {
    const { press, placed } = board('point');
    press([150, 175]);
    press([999, 0]);
    expect(placed).toEqual([
      [{ x: 0.25, y: 0.75 }, null],
      [{ x: 1, y: 0 }, null],
    ]);
  });
  it('take an arrow by one stroke, or by a press at each end', () => {
    const { press, placed } = board('arrow');
    press([120, 110], [180, 150]);
    press([120, 110]);
    expect(placed).toHaveLength(1);
    press([180, 150]);
    expect(placed).toEqual(
      Array.from({ length: 2 }, () => [
        { x: 0.1, y: 0.1 },
        { x: 0.4, y: 0.5 },
      ]),
    );
  });
  it('take marks from the keyboard alone: the arrows move the cross, Enter presses, Escape leaves a half one', () => {
    const { at, placed } = board('outline');
    const keys = (...all: string[]) => all.forEach((key) => fireEvent.keyDown(at, { key }));
    keys('Enter', 'Escape', 'Enter', 'ArrowRight', 'ArrowDown', 'Enter');
    // A step is 2 % of the longer side; this photo is twice as wide as high.
    expect(placed).toEqual([
      [
        { x: 0.5, y: 0.5 },
        { x: 0.52, y: 0.54 },
      ],
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
      followsFrom: null,
      overturned: null,
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

it(
  'what is taken out can be put back as it was, though its row is gone and the next one went out ' +
    'before the answer',
  async () => {
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
    await waitFor(() => expect(useAppState.getState().notice?.undo).toBeTruthy());
    cleanup();
    useAppState.getState().notice!.undo!();
    await waitFor(() =>
      expect(sent[2]).toMatchObject({
        method: 'POST',
        url: '/api/visits/v1/received',
        body: { what: 'Pendulum', count: 2, condition: 'rod bent' },
      }),
    );
  },
);

it('choose the photo that shows the same before, and never one that shows it after', async () => {
  const visit = visitOf('fusee', {
    photos: [
      { ...photo([]), id: 'p1', caption: 'Worn' },
      { ...photo([]), id: 'p2', caption: 'Bushed' },
      { ...photo([]), id: 'p3', caption: 'Polished', beforeId: 'p2' },
    ],
  });
  show(() => <PhotoSheet photo={visit.photos[1]!} onClose={() => undefined} />, visit);
  expect(screen.getByText('Polished')).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Choose its before' }));
  const offered = within(screen.getByRole('group', { name: 'Which photo shows it before?' }));
  expect(offered.getAllByRole('listitem')).toHaveLength(1);
  await person.click(offered.getByRole('button', { name: /Worn/ }));
  await waitFor(() =>
    expect(sent[0]).toMatchObject({
      method: 'PATCH',
      url: '/api/visits/v1/photos/p2',
      body: { beforeId: 'p1' },
    }),
  );
});

const WORN = '7d0c3f5e-3a55-4a0e-9c51-0b8f2f6f6b10';
it('of a pair are parted by one press, and a pair again by the notice', async () => {
  const visit = visitOf('fusee', {
    photos: [
      { ...photo([]), id: WORN, caption: 'Worn' },
      { ...photo([]), id: 'p2', caption: 'Bushed', beforeId: WORN },
    ],
  });
  show(() => <PhotoSheet photo={visit.photos[1]!} onClose={() => undefined} />, visit);
  await person.click(screen.getByRole('button', { name: 'Not this one: Worn' }));
  await waitFor(() => expect(useAppState.getState().notice?.undo).toBeTruthy());
  nowStands({ ...visit, photos: visit.photos.map((p) => ({ ...p, beforeId: null })) });
  useAppState.getState().notice!.undo!();
  await waitFor(() => expect(sent.map((s) => s.body)).toEqual([{ beforeId: null }, { beforeId: WORN }]));
});
