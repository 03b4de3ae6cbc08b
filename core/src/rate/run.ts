import type { Traits } from '../movement/index.ts';
import type { Choices } from '../rules/index.ts';
import { fitRate, READING_NOISE_S, type RateFit, type ReadBy } from './fit.ts';
import { currentSegment, type Reading } from './reading.ts';
import { judgeRate, protocolFor, wanderFor, type Protocol, type RateVerdict } from './verdict.ts';

export interface RunLog {
  startedAt: string;
  readBy: ReadBy;
  readings: readonly { readAt: string; errorS: number }[];
  events: readonly { kind: string; happenedAt: string }[];
}

export interface RunJudgement {
  protocol: Protocol;
  /** Readings since the clock was last touched: only these make the rate. */
  segment: Reading[];
  since: number;
  days: number;
  fit: RateFit | null;
  verdict: RateVerdict;
}

/** Winding does not break the line; a stop, a setting, an adjustment or a move does. */
export const breaksLine = (kind: string): boolean => kind !== 'wound';

/** The last few judgements: several parts of one screen ask for the same one, and the fit is the long part of it. */
const judged: { traits: Traits; choices: Choices; log: string; judgement: RunJudgement }[] = [];
const KEPT = 4;
const NO_CHOICES: Choices = {};

/** A test run as it stands now (ms since 1970). Times are ISO 8601. What it returns is not to be changed. */
export function judgeRun(traits: Traits, run: RunLog, now: number, choices: Choices = NO_CHOICES): RunJudgement {
  const { startedAt, readBy, readings, events } = run;
  // Past the last that was written down it is judged as it was then, whatever the time is.
  const written = [startedAt, ...readings.map((r) => r.readAt), ...events.map((e) => e.happenedAt)];
  const at = Math.min(now, Math.max(...written.map((t) => Date.parse(t))));
  const log = JSON.stringify([
    ...[startedAt, readBy, at],
    readings.map((r) => [r.readAt, r.errorS]),
    events.map((e) => [e.kind, e.happenedAt]),
  ]);
  const before = judged.find((j) => j.traits === traits && j.choices === choices && j.log === log);
  if (before) return before.judgement;
  const judgement = reckon(traits, run, now, choices);
  judged.unshift({ traits, choices, log, judgement });
  judged.length = Math.min(judged.length, KEPT);
  return judgement;
}

function reckon(traits: Traits, run: RunLog, now: number, choices: Choices): RunJudgement {
  const breaks = run.events.filter((e) => breaksLine(e.kind)).map((e) => Date.parse(e.happenedAt));
  const segment = currentSegment(
    run.readings.map((r) => ({ at: Date.parse(r.readAt), errorS: r.errorS })),
    breaks,
  );
  const since = Math.max(Date.parse(run.startedAt), ...breaks);
  const last = segment.at(-1)?.at ?? since;
  const protocol = protocolFor(traits, choices);
  const fit = fitRate(segment, READING_NOISE_S[run.readBy], wanderFor(protocol));
  // The run lasts as long as it has been watched, not as long as it has been left alone.
  return {
    protocol,
    segment,
    since,
    days: (last - since) / 86_400_000,
    fit,
    verdict: judgeRate(fit, protocol, since, Math.min(now, last)),
  };
}
