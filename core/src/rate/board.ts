import { isStopped, lastBreak, nextReading } from './next-reading.ts';
import type { RunJudgement, RunLog } from './run.ts';

/** What a clock on test wants of a person, the most urgent first. */
export const WANTS = [
  'stopped',
  'failed check',
  'weak swing',
  'to be set',
  'decided',
  'reading due',
  'running',
] as const;
export type Want = (typeof WANTS)[number];

export interface OnTest {
  run: RunLog;
  judged: RunJudgement;
  /** Checks that stand failed. */
  failed: number;
  /** Its swing is too small, or falls to where it stops. */
  weak: boolean;
}

/** @returns what it wants, and since or until when (ms since 1970) */
export function wantOf({ run, judged, failed, weak }: OnTest, now: number): { want: Want; at: number } {
  if (isStopped(run)) return { want: 'stopped', at: Date.parse(lastBreak(run.events)!.happenedAt) };
  if (failed > 0) return { want: 'failed check', at: judged.since };
  if (weak) return { want: 'weak swing', at: judged.segment.at(-1)?.at ?? judged.since };
  const next = nextReading(run, judged);
  if (next) return { want: next.at <= now ? 'reading due' : 'running', at: next.at };
  const at = judged.segment.at(-1)?.at ?? judged.since;
  return { want: judged.verdict.kind === 'outside' ? 'to be set' : 'decided', at };
}

/** Readings that should have been taken since the run began and were not: whole spaces left out between two. */
export function missedReadings(readAt: readonly number[], since: number, everyHours: number, now: number): number {
  const every = everyHours * 3_600_000;
  const all = [since, ...readAt.filter((t) => t >= since).sort((a, b) => a - b), now];
  // A reading may come half a space late before it counts as missed.
  return all.slice(1).reduce((n, t, i) => n + Math.max(0, Math.ceil((t - all[i]!) / every - 1.5)), 0);
}
