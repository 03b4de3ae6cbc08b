// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { api } from '../../data/api.ts';
import { useAppState } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { nowStands, sent, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { outOf } from '../../app/Arrival.tsx';
import { Notes } from '../notes/Notes.tsx';
import { StageFoot } from './StageFoot.tsx';
import { VisitFrame } from './VisitFrame.tsx';
import { VisitBar } from './VisitBar.tsx';
import WayRound from './WayRound.tsx';

beforeEach(() => standIn());
afterEach(cleanup);
const visit = visitOf('quarter-chime');
const bar = (of = visit) =>
  show(() => <VisitBar visit={of} here="survey" stage="survey" onWay={() => {}} onLook={() => {}} />, of);

it('the most dangerous source stands first in the bar, and all of them are said', () => {
  const states = ['let down', 'wound', 'unknown'] as const;
  bar({ ...visit, power: visit.power.map((p, i) => ({ ...p, state: states[i]! })) });
  const badge = screen.getByRole('button', { name: /^Power/ });
  expect(badge.getAttribute('aria-label')).toMatch(/^Power: \S+ wound, \S+ unknown, \S+ let down$/);
  expect(badge.textContent).toMatch(/wound.*unknown.*let down/);
});

it('the wheel leads to the stages of this job; what is not in it stands apart, and keys lead there too', async () => {
  const person = userEvent.setup();
  const job = {
    ...visit,
    stages: visit.stages.map((s) => (s.stage === 'clean' ? { ...s, state: 'not in this job' as const } : s)),
  };
  let closed = 0;
  show(() => <WayRound visit={job} onClose={() => closed++} />, job);
  const out = screen.getByRole('heading', { name: 'Not in this job' });
  expect(out.nextElementSibling!.textContent).toContain('Clean');
  await person.keyboard('8');
  expect(closed).toBe(1);
  useAppState.setState({ singleKeys: false });
  await person.keyboard('7');
  expect(closed).toBe(1);
});

it('what was done here is taken back from the bar, step by step, until something else depends on it', async () => {
  const person = userEvent.setup();
  const by = { by: 'Ines Calloway', at: '2026-06-01T10:00:00.000Z' };
  const notes = ['n1', 'n2'].map((id) => ({ id, text: `Note ${id}`, ...by }));
  const Jot = () => {
    const add = useCommand(api.notes.add, { what: 'Note' });
    return (
      <>
        {notes.map(({ text }) => (
          <button key={text} onClick={() => add.mutate({ params: { visitId: visit.id }, body: { text } })}>
            {text}
          </button>
        ))}
        <StageFoot stage="survey" />
      </>
    );
  };
  useAppState.setState({ undos: [] });
  show(Jot, visit);
  const undo = screen.getByRole('button', { name: 'Undo' }) as HTMLButtonElement;
  expect(undo.disabled).toBe(true);
  for (const note of notes) {
    standIn({ '/notes': note });
    await person.click(screen.getByRole('button', { name: note.text }));
    await waitFor(() => expect(undo.title).toContain(note.text));
  }
  // Of another clock, and of another person: none of this bar’s business.
  const { undos } = useAppState.getState();
  useAppState.setState({
    undos: [...undos, { ...undos[0]!, key: 'x', visitId: 'other' }, { ...undos[0]!, key: 'y', personId: 'other' }],
  });
  standIn({});
  nowStands({ ...visit, notes });
  await person.keyboard('{Control>}z{/Control}');
  await waitFor(() => expect(sent.map((s) => `${s.method} ${s.url}`)).toEqual(['DELETE /api/visits/v1/notes/n2']));
  await waitFor(() => expect(useAppState.getState().notice?.text).toBe('Undone. Note: Note n2.'));
  nowStands({ ...visit, notes: [{ ...notes[0]!, text: 'Corrected by Wilf' }] });
  await person.click(undo);
  await waitFor(() =>
    expect(useAppState.getState().notice).toMatchObject({
      tone: 'danger',
      text: 'Not undone. Note: Note n1: it was changed since.',
    }),
  );
  expect(sent).toHaveLength(1);
  expect(undo.disabled).toBe(true);
});

it.each([
  ['/visits/v1/survey', '/'],
  ['/visits/v1/case', '/visits/v1'],
  ['/movements/m1/description', '/movements/m1'],
  ['/compare/m1', '/movements/m1'],
  ['/stores', '/'],
])('Esc on %s goes to %s', (from, to) => expect(outOf(from)).toBe(to));

const touch = (kind: 'touchstart' | 'touchend', x: number, y = 300) => {
  const at = { clientX: x, clientY: y };
  fireEvent(document, Object.assign(new Event(kind), { touches: [at], changedTouches: [at] }));
};

it('a finger from the right edge opens what is looked up; one that scrolls or begins elsewhere does not', async () => {
  standIn({ '/api/visits/v1': visit });
  const at = { initialEntries: ['/visits/v1/survey'] };
  const router = createMemoryRouter([{ path: 'visits/:visitId/*', element: <VisitFrame /> }], at);
  render(
    <QueryClientProvider client={new QueryClient()}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  await screen.findByRole('button', { name: 'Look up' });
  const edge = window.innerWidth - 5;
  for (const [from, to, down] of [
    [edge, edge - 20, 0],
    [edge, edge - 90, 200],
    [edge - 200, edge - 400, 0],
  ] as const) {
    touch('touchstart', from);
    touch('touchend', to, 300 + down);
    expect(router.state.location.search).toBe('');
  }
  touch('touchstart', edge);
  touch('touchend', edge - 90);
  await waitFor(() => expect(router.state.location.search).toBe('?look=photos'));
});

it('a note is kept and taken out; the field has the focus again for the next, but not under a finger', async () => {
  const person = userEvent.setup();
  const said = { id: 'n1', text: 'Ring her on Monday.', by: 'Wilf Arden', at: '2031-05-02T09:00:00Z' };
  show(Notes, { ...visit, notes: [said], complaint: 'It stops.', wanted: '' });
  expect(screen.getByText('It stops.')).toBeTruthy();
  expect(screen.queryByText('Wanted')).toBeNull();
  const field = screen.getByLabelText('Note');
  await person.click(screen.getByRole('button', { name: 'Save the note' }));
  expect(await screen.findByText('A note is needed.')).toBeTruthy();
  await person.type(field, 'Key in the case.{Control>}{Enter}{/Control}');
  // Typed on while it is on its way: the next one begins there.
  await person.type(field, 'And a photo.');
  await waitFor(() => expect((field as HTMLTextAreaElement).value).toBe('And a photo.'));
  expect(sent).toMatchObject([{ method: 'POST', body: { text: 'Key in the case.' } }]);
  const keep = screen.getByRole('button', { name: 'Save the note' });
  await person.click(keep);
  await waitFor(() => expect(sent.at(-1)).toMatchObject({ body: { text: 'And a photo.' } }));
  await waitFor(() => expect(document.activeElement).toBe(field));
  await person.type(field, 'And its weights.');
  await person.pointer({ keys: '[TouchA]', target: keep });
  await waitFor(() => expect(sent).toHaveLength(3));
  await waitFor(() => expect((field as HTMLTextAreaElement).value).toBe(''));
  expect(document.activeElement).not.toBe(field);
  await person.click(screen.getByRole('button', { name: /^Take out the note: Ring/ }));
  await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'DELETE' }));
});
