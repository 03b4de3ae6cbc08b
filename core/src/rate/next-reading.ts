import { breaksLine, type RunJudgement, type RunLog } from './run.ts';

const HOUR_MS = 3_600_000;

export interface NextReading {
  /** When it is due by the protocol's spacing, ms since 1970. */
  at: number;
  /** When the verdict can fall at the earliest; null when nobody can say. */
  decidesAt: number | null;
}

/**
 * The next reading that a run wants. None while the clock stands still, and none once the verdict has fallen.
 * Every place that says when to read asks here.
 */
export function nextReading(run: RunLog, judged: RunJudgement): NextReading | null {
  if (isStopped(run) || judged.verdict.kind !== 'not yet') return null;
  const last = judged.segment.at(-1)?.at ?? judged.since;
  const at = last + judged.protocol.readEveryHours * HOUR_MS;
  return { at, decidesAt: judged.verdict.readAgainAt };
}

/** The last thing that happened to it, but for winding, was that it stopped, and nobody has read it since. */
export function isStopped({ events, readings }: RunLog): boolean {
  const last = lastBreak(events);
  if (last?.kind !== 'stopped') return false;
  return readings.every((r) => Date.parse(r.readAt) < Date.parse(last.happenedAt));
}

/** The latest event that breaks the line. */
export const lastBreak = <E extends RunLog['events'][number]>(events: readonly E[]): E | undefined =>
  events
    .filter((e) => breaksLine(e.kind))
    .toSorted((a, b) => Date.parse(a.happenedAt) - Date.parse(b.happenedAt))
    .at(-1);
