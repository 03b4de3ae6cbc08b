import { describe, expect, it } from 'vitest';
import { nextAction, type VisitFacts } from './next.ts';
import { stripGate } from './power.ts';
import { signObstacles, type SignFacts } from './sign.ts';
import { STAGE_IDS } from './stages.ts';

// Common practice: no plate nut is loosened before every spring is let down or caught and every weight is off.
describe('the strip gate', () => {
  it('stays shut while a train is wound or unknown', () => {
    const gate = stripGate(
      [
        { train: 'going', state: 'let down' },
        { train: 'strike', state: 'wound' },
        { train: 'chime', state: 'unknown' },
      ],
      0,
    );
    expect(gate.open).toBe(false);
    expect(gate.unsafe).toEqual(['strike', 'chime']);
    expect(gate.reasons.join()).toContain('strike train is wound');
  });
  it('opens for let down and contained, or with a reason that is not blank', () => {
    expect(
      stripGate(
        [
          { train: 'going', state: 'let down' },
          { train: 'strike', state: 'contained' },
        ],
        0,
      ).open,
    ).toBe(true);
    expect(stripGate([{ train: 'going', state: 'wound' }], 0, '   ').open).toBe(false);
    expect(stripGate([{ train: 'going', state: 'wound' }], 0, 'click broken, spring cut').open).toBe(true);
  });
  it('is not opened by a reason while a caution is unread', () => {
    expect(stripGate([{ train: 'going', state: 'wound' }], 1, 'in a hurry').open).toBe(false);
  });
});

const facts: VisitFacts = {
  done: ['intake', 'assess', 'diagnose', 'agree', 'power', 'strip'],
  closed: false,
  power: ['let down', 'wound'],
  stripBegun: true,
  steps: 12,
  apart: 12,
  findings: 2,
  symptoms: 1,
  lines: 2,
  unanswered: 0,
  asked: 0,
  bathRunning: false,
  bathEndsAt: null,
  caseLeft: 0,
  caseEndsAt: null,
  bathStep: null,
  holesLeft: 0,
  bushesLeft: 0,
  oilLeft: 3,
  run: null,
  promisedAt: null,
};

describe('the next action', () => {
  it('puts danger before what is due, and what is due before the order of work', () => {
    expect(nextAction({ ...facts, bathEndsAt: 10 }, 20).urgency).toBe('danger');
    const safe = { ...facts, power: ['let down', 'contained'] as const };
    expect(nextAction({ ...safe, bathEndsAt: 10 }, 20)).toMatchObject({ stage: 'clean', urgency: 'due' });
    expect(nextAction({ ...safe, bathEndsAt: 30 }, 20)).toMatchObject({ stage: 'clean', urgency: 'wait' });
    expect(nextAction(safe, 20)).toMatchObject({ stage: 'clean', urgency: 'next' });
  });
  it('does not call a clock on test dangerous because it is wound', () => {
    const onTest: VisitFacts = {
      ...facts,
      done: [...facts.done, 'clean', 'survey', 'fit', 'assemble', 'oil'],
      run: { stopped: false, readings: 3, verdict: 'not yet', nextReadingAt: 50 },
    };
    expect(nextAction(onTest, 20)).toMatchObject({ stage: 'run', urgency: 'wait' });
    expect(nextAction(onTest, 60)).toMatchObject({ stage: 'run', urgency: 'due' });
    const ran = (change: object) =>
      nextAction({ ...onTest, run: { ...onTest.run!, nextReadingAt: null, ...change } }, 60);
    expect(ran({ stopped: true })).toMatchObject({ urgency: 'due', text: 'It stopped on test: find out why' });
    expect(ran({ verdict: 'inside' })).toMatchObject({ urgency: 'next', text: 'Inside tolerance: the run is done' });
  });
  it('waits for the owner before the work, and goes on with the rest when an addition waits', () => {
    const asked: VisitFacts = { ...facts, power: [], done: ['intake', 'assess', 'diagnose'], unanswered: 2 };
    expect(nextAction(asked, 20)).toMatchObject({
      stage: 'agree',
      urgency: 'wait',
      text: 'The owner has 2 lines to answer',
    });
    expect(nextAction({ ...asked, lines: 0, unanswered: 0 }, 20).text).toBe('Write the estimate');
    expect(nextAction({ ...facts, power: [], unanswered: 1 }, 20)).toMatchObject({ stage: 'clean', urgency: 'next' });
  });
  it('counts what came off, and what is still apart', () => {
    const at = (done: VisitFacts['done'], change: Partial<VisitFacts>) =>
      nextAction({ ...facts, power: [], done, ...change }, 20).text;
    const before = ['intake', 'assess', 'diagnose', 'agree', 'power'] as const;
    expect([at(before, { steps: 0 }), at(before, {})]).toEqual(['Log what comes off', '12 things off and logged']);
    const fitted = [...facts.done, 'clean', 'survey', 'fit'] as const;
    expect([at(fitted, { apart: 1 }), at(fitted, { apart: 0 })]).toEqual([
      '1 thing still apart',
      'Everything that came off has its word',
    ]);
  });
  it('calls when the case has dried, though the movement waits for something else', () => {
    expect(nextAction({ ...facts, power: [], caseEndsAt: 10 }, 20)).toMatchObject({ urgency: 'due', beside: true });
    expect(nextAction({ ...facts, power: [], caseEndsAt: 30 }, 20)).toMatchObject({
      stage: 'clean',
      urgency: 'next',
      beside: false,
    });
  });
  it('says a promise is overdue', () => {
    expect(nextAction({ ...facts, power: [], promisedAt: 10 }, 20).urgency).toBe('due');
  });
});

describe('signing', () => {
  const inside = { stopped: false, readings: 9, verdict: 'inside', nextReadingAt: null } as const;
  const ready: SignFacts = {
    ...facts,
    done: STAGE_IDS.filter((s) => s !== 'sign'),
    power: ['wound'],
    apart: 0,
    temporary: 0,
    away: 0,
    failed: [],
    untested: 0,
    notReturned: 0,
    run: inside,
    privateWords: [],
  };
  it('lets a finished visit through and names each thing that is not', () => {
    expect(signObstacles(ready)).toEqual([]);
    expect(
      signObstacles({
        ...ready,
        done: STAGE_IDS.filter((s) => s !== 'sign' && s !== 'clean' && s !== 'run'),
        bushesLeft: 1,
        caseLeft: 2,
        power: ['unknown'],
        bathRunning: true,
        unanswered: 2,
        apart: 3,
        temporary: 1,
        away: 1,
        notReturned: 1,
      }).map(({ what, at }) => [at, what]),
    ).toEqual([
      ['clean', 'Clean is not done'],
      ['run', 'Run is not done'],
      ['power', 'The power state of a train is unknown'],
      ['clean', 'A bath is still running'],
      ['fit', '1 hole still wants its bush'],
      ['case', '2 tasks on case, dial or glass are not done'],
      ['assemble', '3 things that came off are not accounted for'],
      ['assemble', '1 temporary thing is neither taken out nor declared'],
      ['strip', '1 part is still with another hand'],
      ['agree', '2 lines of the estimate wait for the owner’s word'],
      [null, '1 thing that came with it is not ticked as going home'],
    ]);
  });
  it('takes a waiver with words for the run, not a blank one', () => {
    expect(signObstacles({ ...ready, run: { ...inside, verdict: 'outside' }, waiver: ' ' })).toHaveLength(1);
    expect(
      signObstacles({ ...ready, run: { ...inside, verdict: 'outside' }, waiver: 'owner wants it silent, as ornament' }),
    ).toEqual([]);
  });
});
