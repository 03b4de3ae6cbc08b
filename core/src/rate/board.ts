import type { RunJudgement } from './run.ts';

/** What a clock on test wants of a person, the most urgent first. */
export const WANTS = ['stopped', 'failed check', 'to be set', 'decided', 'reading due', 'running'] as const;
export type Want = (typeof WANTS)[number];

export interface OnTest {
  judged: RunJudgement;
  lastReadAt: number | null;
  lastEvent: { kind: string; at: number } | null;
  failed: number;
}

/** @returns what it wants, and since or until when (ms since 1970) */
export function wantOf({ judged, lastReadAt, lastEvent, failed }: OnTest, now: number): { want: Want; at: number } {
  const due = (lastReadAt ?? judged.since) + judged.protocol.readEveryHours * 3_600_000;
  if (lastEvent?.kind === 'stopped') return { want: 'stopped', at: lastEvent.at };
  if (failed > 0) return { want: 'failed check', at: judged.since };
  if (judged.verdict.kind === 'outside') return { want: 'to be set', at: lastReadAt ?? judged.since };
  if (judged.verdict.kind === 'inside') return { want: 'decided', at: lastReadAt ?? judged.since };
  return { want: due <= now ? 'reading due' : 'running', at: due };
}

/** Readings that should have been taken since the run began and were not: whole spaces left out between two. */
export function missedReadings(readAt: readonly number[], since: number, everyHours: number, now: number): number {
  const every = everyHours * 3_600_000;
  const all = [since, ...readAt.filter((t) => t >= since).sort((a, b) => a - b), now];
  // A reading may come half a space late before it counts as missed.
  return all.slice(1).reduce((n, t, i) => n + Math.max(0, Math.ceil((t - all[i]!) / every - 1.5)), 0);
}
