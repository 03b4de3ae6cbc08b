import { describe, expect, it } from 'vitest';
import { judgeRun, nextReading, wantOf } from '../rate/index.ts';
import { nextAction, signObstacles } from '../workflow/index.ts';
import { visitFacts } from './facts.ts';
import { finishedVisit, iso, now } from './sample.ts';
import { signFacts, type SignSource } from './sign-facts.ts';

const HOUR = 3_600_000;
const onTest = (change: Partial<SignSource>): SignSource => ({
  ...finishedVisit,
  ...change,
  stages: finishedVisit.stages.map((s) => ({ ...s, state: ['run', 'deliver'].includes(s.stage) ? 'open' : 'done' })),
});

describe('bushes', () => {
  // A bush fitted where the hole was found sound after all does not fill another hole.
  it('are counted hole by hole, on the bench as at the signature', () => {
    const visit: SignSource = {
      ...finishedVisit,
      holes: [
        { key: 'T2.back', verdict: 'sound' },
        { key: 'T3.front', verdict: 'bush' },
      ],
    };
    const stages = finishedVisit.stages.map((s) => ({ ...s, state: s.stage === 'fit' ? ('open' as const) : s.state }));
    expect(nextAction(visitFacts({ ...visit, stages }, now.getTime()), now.getTime()).text).toBe('1 bush to fit');
    expect(signObstacles(signFacts(visit, now, [])).map((o) => o.what)).toContain('1 hole still needs its bush');
  });
});

describe('the next reading of a run', () => {
  // A mantel clock is read daily and watched for a full wind of eight days (common practice).
  const read = (days: readonly number[], events: NonNullable<SignSource['testRun']>['events'] = []) =>
    onTest({
      testRun: {
        startedAt: iso(0),
        readBy: 'seconds hand',
        readings: days.map((d) => ({ readAt: iso(d), errorS: 5 * d })),
        events,
      },
    });
  const at = (days: number) => Date.parse(iso(days));
  /** What the bench, the list of clocks on test and the page of the run say. */
  const said = (visit: SignSource, days: number) => {
    const run = visit.testRun!;
    const judged = judgeRun(visit.movement.traits, run, at(days), {});
    return {
      bench: nextAction(visitFacts(visit, at(days)), at(days)).urgency === 'due',
      list: wantOf({ run, judged, failed: 0, weak: false }, at(days)).want === 'reading due',
      page: (nextReading(run, judged)?.at ?? Infinity) <= at(days),
    };
  };
  const all = (due: boolean) => ({ bench: due, list: due, page: due });
  it('is due a day after the last, in every place alike, though the verdict waits for the eighth day', () => {
    const visit = read([0, 1, 2, 3]);
    expect(said(visit, 3.9)).toEqual(all(false));
    expect(said(visit, 4.1)).toEqual(all(true));
    const judged = judgeRun(visit.movement.traits, visit.testRun!, at(4.1), {});
    expect(nextReading(visit.testRun!, judged)).toEqual({ at: at(4), decidesAt: at(8) });
  });
  it('is none once the verdict has fallen, however long ago', () => {
    expect(said(read([0, 1, 2, 3, 4, 5, 6, 7, 8]), 12)).toEqual(all(false));
  });
  it('is none while it stands still, and again once it has been read after that', () => {
    const stop = [{ kind: 'stopped', happenedAt: new Date(at(1) + HOUR).toISOString() }];
    expect(said(read([0, 1], stop), 3)).toMatchObject({ list: false, page: false });
    expect(nextAction(visitFacts(read([0, 1], stop), at(3)), at(3)).text).toContain('stopped');
    expect(said(read([0, 1, 2], stop), 3.1)).toEqual(all(true));
  });
});
