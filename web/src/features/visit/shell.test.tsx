// @vitest-environment jsdom
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { say, useAppState } from '../../data/app-state.ts';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { StageFoot } from './StageFoot.tsx';
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

it('what was done last is taken back from the bar, once, and on its own clock only', async () => {
  const person = userEvent.setup();
  show(() => <StageFoot stage="survey" />, visit);
  const undo = screen.getByRole('button', { name: 'Undo' }) as HTMLButtonElement;
  expect(undo.disabled).toBe(true);
  let back = 0;
  say('Step taken out.', 'good', () => back++);
  await waitFor(() => expect(undo.disabled).toBe(false));
  useAppState.setState({ notice: null }); // the notice has gone
  await person.click(undo);
  expect(back).toBe(1);
  expect(undo.disabled).toBe(true);
  say('Step taken out.', 'good', () => back++);
  const { undo: held } = useAppState.getState();
  useAppState.setState({ undo: { ...held!, at: '/visits/another' } });
  await waitFor(() => expect(undo.disabled).toBe(true));
  expect(sent).toEqual([]);
});
