import { counted } from '../units/index.ts';
import { CAMBRIDGE_QUARTERS } from './sequences.ts';

/**
 * A striking work that can be stepped through, with a fault put in. What it does follows from its parts, not from the
 * fault's name.
 */
export const WORKS = ['rack', 'count wheel', 'quarters'] as const;
export type Work = (typeof WORKS)[number];

export interface StrikeFault {
  id: string;
  name: string;
  works: readonly Work[];
  cure: string;
}
/** Practice: the faults a learner meets first. */
export const STRIKE_FAULTS: readonly StrikeFault[] = [
  { id: 'none', name: 'nothing is wrong', works: WORKS, cure: 'Leave it.' },
  {
    id: 'oil-on-rack',
    name: 'oil on the rack: it does not fall',
    works: ['rack'],
    cure: 'Clean rack, post and hook, and leave them dry.',
  },
  {
    id: 'tail-on-edge',
    name: 'rack tail lands on the edge of a step',
    works: ['rack'],
    cure: 'Set the tail to the middle of each step, hands at the hour.',
  },
  {
    id: 'lever-not-falling',
    name: 'locking lever does not fall',
    works: ['count wheel', 'rack'],
    cure: 'Free its arbor, look at its spring.',
  },
  {
    id: 'short-warning',
    name: 'warning run too short',
    works: WORKS,
    cure: 'Mesh the warning wheel anew: half a turn to run at lock.',
  },
  {
    id: 'count-out',
    name: 'count wheel a place out',
    works: ['count wheel'],
    cure: 'Trip it until count and hand agree.',
  },
  {
    id: 'plate-quarter-out',
    name: 'locking plate a quarter out',
    works: ['quarters'],
    cure: 'The minute hand a square on, or the plate re-set; the drum is left alone.',
  },
];
/** Faults that such a striking work can have. */
export const faultsOf = (work: Work): StrikeFault[] => STRIKE_FAULTS.filter((f) => f.works.includes(work));

export type Phase = 'locked' | 'lifting' | 'warned' | 'running';
export interface StrikeState {
  work: Work;
  fault: string;
  phase: Phase;
  /** Quarters since twelve; hours alone are let off by rack and count wheel. */
  quarter: number;
  /** Blows, or changes, of this release so far. */
  sounded: number;
  /** Teeth by which the rack has fallen and not been gathered yet. */
  rackTeeth: number;
  /** Blows left until the count lever finds its slot. */
  toSlot: number;
  /** Which count the wheel stands at next, or quarter the drum plays next. */
  countAt: number;
  leverUp: boolean;
  /** Of the half turn that the warning wheel has to run, how much is left. */
  warningTurn: number;
  /** In words, what just happened. */
  says: string;
}

/** A work that runs on is stopped by hand after so many. */
export const RUN_ON = 16;
const wrap = (n: number, m: number) => ((n % m) + m) % m;
const HALF_TURN = 0.5,
  SHORT_TURN = 0.06;
/** A warning run that is too short sometimes still unlocks: at these hours it does not. */
const TOO_SHORT_AT = new Set([3, 8, 11]);

/** At lock, with the hand just after twelve. */
export const startStrike = (work: Work, fault: string): StrikeState => ({
  work,
  fault,
  phase: 'locked',
  quarter: 0,
  sounded: 0,
  rackTeeth: 0,
  toSlot: 0,
  leverUp: false,
  warningTurn: HALF_TURN,
  countAt: fault === (work === 'count wheel' ? 'count-out' : 'plate-quarter-out') ? 2 : 1,
  says: 'Locked. The train is held, the hammer is at rest.',
});

/** The hour that the hand shows, 1 to 12. */
export const hourOf = (s: StrikeState): number => wrap(Math.floor(s.quarter / 4) - 1, 12) + 1;

/** One step on: the hand lifts, the train warns, it is let go, it sounds once more, it locks. */
export function stepStrike(s: StrikeState): StrikeState {
  switch (s.phase) {
    case 'locked':
      return lift(s);
    case 'lifting':
      return {
        ...s,
        phase: 'warned',
        warningTurn: s.fault === 'short-warning' ? SHORT_TURN : HALF_TURN,
        says:
          s.fault === 'short-warning'
            ? 'Warning: the train ran hardly at all and is held by the warning lever.'
            : 'Warning: the train ran half a turn and is held by the warning lever.',
      };
    case 'warned':
      return letGo(s);
    case 'running':
      return sound(s);
  }
}

/** Teeth that the rack falls on the step of this hour. A tail on the edge of a step slips on to the next one. */
function rackFalls(fault: string, step: number): number {
  if (fault === 'oil-on-rack') return 1;
  return fault === 'tail-on-edge' && step % 3 === 0 ? wrap(step, 12) + 1 : step;
}

function lift(s: StrikeState): StrikeState {
  const quarter = s.quarter + (s.work === 'quarters' ? 1 : 4);
  const next = { ...s, quarter, phase: 'lifting' as const, sounded: 0, leverUp: true };
  if (s.work !== 'rack') return { ...next, says: 'The pin lifts the lever out of its slot.' };
  const step = hourOf(next);
  const fell = rackFalls(s.fault, step);
  return {
    ...next,
    rackTeeth: fell,
    says:
      s.fault === 'oil-on-rack'
        ? 'The hook is lifted; the rack hardly moves.'
        : `The hook is lifted; the rack falls by ${counted(fell, 'tooth', 'teeth')}, its tail on the snail.`,
  };
}

function letGo(s: StrikeState): StrikeState {
  const place = s.work === 'quarters' ? wrap(s.quarter - 1, 4) + 1 : hourOf(s);
  if (s.fault === 'short-warning' && (s.work === 'quarters' ? place === 3 : TOO_SHORT_AT.has(place)))
    return {
      ...s,
      phase: 'locked',
      leverUp: false,
      rackTeeth: 0,
      says: 'Let go: the train did not get clear of its lock, and nothing sounds.',
    };
  return {
    ...s,
    phase: 'running',
    toSlot: s.work === 'rack' ? s.rackTeeth : s.countAt,
    says: 'The warning lever drops: the train runs.',
  };
}

function sound(s: StrikeState): StrikeState {
  const sounded = s.sounded + 1;
  const rackTeeth = Math.max(0, s.rackTeeth - 1),
    toSlot = Math.max(0, s.toSlot - 1);
  const over = s.work === 'rack' ? rackTeeth === 0 : toSlot === 0;
  const stuck = s.fault === 'lever-not-falling';
  const what =
    s.work === 'quarters'
      ? `Change ${CAMBRIDGE_QUARTERS[s.countAt as 1 | 2 | 3 | 4][Math.min(sounded, s.countAt) - 1]}`
      : `Blow ${sounded}`;
  if (!over)
    return {
      ...s,
      sounded,
      rackTeeth,
      toSlot,
      says: `${what}.${s.work === 'rack' ? ' The pallet gathers a tooth.' : ' The lever rides on the wheel.'}`,
    };
  if (stuck && sounded < RUN_ON)
    return { ...s, sounded, rackTeeth, toSlot, says: `${what}. It should lock now: the lever stays up.` };
  const places = s.work === 'quarters' ? 4 : 12;
  return {
    ...s,
    sounded,
    rackTeeth,
    toSlot,
    phase: 'locked',
    leverUp: false,
    countAt: s.work === 'rack' ? s.countAt : wrap(s.countAt, places) + 1,
    says: stuck ? `${what}, and stopped by hand: it ran on.` : `${what}, the last. The lever drops, the train locks.`,
  };
}

/** Lets it off once and runs it to its lock. @returns the state after it, and what was heard */
export function strikeOnce(s: StrikeState): { state: StrikeState; mark: string; heard: number } {
  let state = stepStrike(s);
  while (state.phase !== 'locked') state = stepStrike(state);
  return {
    state,
    mark: state.work === 'quarters' ? `q${wrap(state.quarter - 1, 4) + 1}` : `h${hourOf(state)}`,
    heard: state.sounded,
  };
}
