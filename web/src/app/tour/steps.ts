import type { BenchRow } from '@eclat/contract';
import type { StageId } from '@eclat/core/workflow';
import { useAppState } from '../../data/app-state.ts';

/** One thing to do in the demo shop, by hand. */
export interface TourStep {
  title: string;
  /** What to press or type, and what is seen then. */
  does: string;
  /** Where it is done, by what stands in the shop now. */
  to: (rows: readonly BenchRow[]) => string;
}

/** A clock that waits at this stage; else any that can be looked at there. */
const atStage =
  (stage: StageId, fits: (row: BenchRow) => boolean = () => true): TourStep['to'] =>
  (rows) => {
    const waits = rows.filter((r) => r.next.stage === stage);
    const row = waits.find(fits) ?? waits[0] ?? rows.find(fits) ?? rows[0];
    return row ? `/visits/${row.visitId}/${stage}` : '/';
  };

const isWound = (r: BenchRow): boolean => !r.together && r.power.some((p) => p.state === 'wound');

/** About five minutes each, in the order in which a clock goes through the shop. */
export const TOUR: readonly TourStep[] = [
  {
    title: 'Look at the bench',
    does: 'Every clock with its next step: what can hurt is first, then what is due. Press v for all as a table.',
    to: () => '/',
  },
  {
    title: 'Find anything',
    does: 'Press Ctrl K, or the magnifying glass, and type 6438: a number on a plate. Arrows and Enter, or a finger.',
    to: () => '/',
  },
  {
    title: 'Take a clock in',
    does: 'Type owner, clock, movement and what is wrong, choose the family, press Take it in: it has its number.',
    to: () => '/intake',
  },
  {
    title: 'Make it safe',
    does: 'A spring is wound: the plates stay closed. Choose Let down, and see the mark in the bar change.',
    to: atStage('power', isWound),
  },
  {
    title: 'Find the cause',
    does: 'Say Yes or No to what it does. The causes are ranked, each with its reasons, and what to look at next.',
    to: atStage('diagnose', (r) => r.familyId === 'regulator'),
  },
  {
    title: 'Ask the owner',
    does: 'Ways to go, each with its price and what stays original. Create the page, further down, and look at it.',
    to: atStage('agree'),
  },
  {
    title: 'Take it apart',
    does: 'Choose what comes off and what held it, and press Log it. It goes together in this order backwards.',
    to: atStage('strip'),
  },
  {
    title: 'Judge the holes',
    does: 'Press sound or bush, or the keys s and u: the next hole comes by itself. Or type three sizes with Enter.',
    to: atStage('survey'),
  },
  {
    title: 'Oil it',
    does: 'Press a point when its oil is on. The plates below show what is left; a crossed drop stays dry.',
    to: atStage('oil'),
  },
  {
    title: 'Listen to it',
    does: 'Choose Simulated clock and press Listen. The two arcs meet under the mark when it is in beat.',
    to: () => '/listen',
  },
  {
    title: 'Take a reading',
    does: 'Press Now as the hand meets a minute mark. The answer above says whether to turn the nut, or to wait.',
    to: atStage('run', (r) => r.familyId === 'longcase' && r.together),
  },
  {
    title: 'Open a movement’s book',
    does: 'Open the movement found: marks and services since 1890, by shops long closed. It goes with the clock.',
    to: () => '/movements?q=6438',
  },
];

/** From its first step. @returns where that is done */
export function beginTour(): string {
  useAppState.getState().set({ tour: 0 });
  return '/';
}
