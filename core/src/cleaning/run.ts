import type { Bath, Material } from './materials.ts';
import { planRun, type BasketPart } from './plan.ts';
import type { RunStep } from './sequences.ts';

/** A run as it stands: where it is in its steps, and what is behind it. Times are ISO 8601. */
export interface RunState {
  steps: readonly RunStep[];
  step: number;
  stepStartedAt: string;
  endsAt: string | null;
  log: readonly StepDone[];
}
export interface StepDone {
  step: number;
  startedAt: string;
  endsAt: string | null;
  endedAt: string;
  by: string;
}

const MINUTE = 60_000;
const endOf = (step: RunStep, at: Date): string | null =>
  step.minutes === null ? null : new Date(at.getTime() + step.minutes * MINUTE).toISOString();
/**
 * A run at the beginning of its first step.
 * @param at when it begins
 */
export const begin = (steps: readonly RunStep[], at: Date): RunState => ({
  steps,
  step: 0,
  stepStartedAt: at.toISOString(),
  endsAt: endOf(steps[0]!, at),
  log: [],
});

/** May it be done once more? What has a time, as often as a look asks for it. */
export const mayAgain = (run: RunState): boolean => run.steps[run.step]!.minutes !== null;

/**
 * What once more would be too much of: how long the basket would have lain in this bath, and what its strictest part
 * stands. Null: it may.
 * @param at when it is asked
 */
export function tooLongAgain(
  run: RunState & { parts: readonly BasketPart[] },
  at: Date,
): { minutes: number; limitMin: number; part: string; material: Material } | null {
  const { bath, minutes } = run.steps[run.step]!;
  if (bath === null || minutes === null) return null;
  const { limitMin, limitedBy } = planRun(run.parts, bath);
  const all = minutesIn(run, at.toISOString(), bath) + minutes;
  return limitMin !== null && limitedBy && all > limitMin ? { minutes: all, limitMin, ...limitedBy } : null;
}
/** Nothing was in a bath yet: it may be warmed before anybody knows what goes in. */
export const isBefore = (run: Pick<RunState, 'steps' | 'step'>): boolean =>
  run.steps.slice(0, run.step + 1).every((s) => s.bath === null);
/** A run that begins outside its bath, and is dipped later. */
export const mayWarm = (steps: readonly RunStep[]): boolean =>
  steps[0]?.bath === null && steps.some((s) => s.bath !== null);
/** Whether the step that runs is the last. */
export const isLast = (run: RunState): boolean => run.step === run.steps.length - 1;

/**
 * On to the next step, once more, or back to the one before, whose timer goes on as if it had not been left.
 * @returns null where that cannot be
 */
export function move(run: RunState, to: 'next' | 'again' | 'back', at: Date, by: string): RunState | null {
  if (to === 'back') {
    const last = run.log.at(-1);
    return last
      ? { ...run, step: last.step, stepStartedAt: last.startedAt, endsAt: last.endsAt, log: run.log.slice(0, -1) }
      : null;
  }
  if (to === 'next' ? isLast(run) : !mayAgain(run)) return null;
  const step = run.step + (to === 'next' ? 1 : 0);
  const done: StepDone = {
    step: run.step,
    startedAt: run.stepStartedAt,
    endsAt: run.endsAt,
    endedAt: at.toISOString(),
    by,
  };
  return {
    ...run,
    step,
    stepStartedAt: at.toISOString(),
    endsAt: endOf(run.steps[step]!, at),
    log: [...run.log, done],
  };
}

/**
 * Minutes that the basket really lay in a bath.
 * @param now until when the step that runs is counted; null for a run that is over
 */
export function minutesIn(
  run: Pick<RunState, 'steps' | 'step' | 'stepStartedAt' | 'log'>,
  now: string | null,
  bath?: Bath | null,
): number {
  const all = now === null ? run.log : [...run.log, { step: run.step, startedAt: run.stepStartedAt, endedAt: now }];
  const ms = all
    .filter((d) => {
      const b = run.steps[d.step]!.bath;
      return b !== null && (!bath || b === bath);
    })
    .reduce((sum, d) => sum + Date.parse(d.endedAt) - Date.parse(d.startedAt), 0);
  return Math.round(ms / MINUTE);
}

/** A tank or jar of one bath, from filling to changing. */
export interface Fill {
  filledAt: string;
  loads: number;
  limitLoads: number | null;
  limitDays: number | null;
}
/** Why a bath is past its house rule, or null. */
export function fillPast(fill: Fill, now: number): string | null {
  const days = Math.floor((now - Date.parse(fill.filledAt)) / (24 * 60 * MINUTE));
  if (fill.limitLoads !== null && fill.loads >= fill.limitLoads)
    return `${fill.loads} loads, to be changed after ${fill.limitLoads}`;
  if (fill.limitDays !== null && days >= fill.limitDays)
    return `${days} days old, to be changed after ${fill.limitDays}`;
  return null;
}
