import type { StageId } from '../workflow/index.ts';

/** Bench time of one person on one stage of a visit. ISO 8601; null: it runs. */
export interface TimeSpent {
  stage: StageId;
  by: string;
  startedAt: string;
  endedAt: string | null;
}

const HOUR = 3_600_000;
/** A clock that nobody stopped is no work: more than this at a stretch is not counted, and is said. House rule. */
export const LONGEST_H = 12;

/** Hours of bench time, all of it or by a choice; what still runs is counted until `now` (ms). */
export const hoursSpent = (
  times: readonly TimeSpent[],
  now: number,
  of: (t: TimeSpent) => boolean = () => true,
): number =>
  times
    .filter(of)
    .reduce(
      (sum, t) =>
        sum +
        Math.min(
          LONGEST_H,
          Math.max(0, ((t.endedAt === null ? now : Date.parse(t.endedAt)) - Date.parse(t.startedAt)) / HOUR),
        ),
      0,
    );

/** Hours by stage, in the order of the first start. */
export function hoursByStage(times: readonly TimeSpent[], now: number): { stage: StageId; hours: number }[] {
  return [...new Set(times.map((t) => t.stage))].map((stage) => ({
    stage,
    hours: hoursSpent(times, now, (t) => t.stage === stage),
  }));
}

/** So many timed jobs must be signed before they say anything about the next one. House rule. */
const LEAST_JOBS = 3;
/** What this shop's timed jobs took for each hour that was written, or null while there are too few. */
export function paceOf(jobs: readonly { writtenH: number; workedH: number }[]): { jobs: number; share: number } | null {
  const timed = jobs.filter((j) => j.writtenH > 0 && j.workedH > 0);
  if (timed.length < LEAST_JOBS) return null;
  const sum = (pick: (j: (typeof timed)[number]) => number) => timed.reduce((s, j) => s + pick(j), 0);
  return { jobs: timed.length, share: sum((j) => j.workedH) / sum((j) => j.writtenH) };
}
