import { describe, expect, it } from 'vitest';
import { nextAction, type VisitFacts } from './next.ts';
import { stripGate } from './power.ts';
import { signObstacles, type SignFacts } from './sign.ts';
import { notDone, SHAPE_IDS, stageOf, stagesOf, type StageState } from './index.ts';
import { STAGE_IDS, type StageId } from './stages.ts';

// Common practice: no plate nut is loosened before every spring is let down or caught and every weight is off.
describe('the strip gate', () => {
  it('stays shut while a train is wound or unknown', () => {
    const gate = stripGate(
      [
        { name: 'going train', state: 'let down' },
        { name: 'strike train', state: 'wound' },
        { name: 'chime train', state: 'unknown' },
      ],
      0,
    );
    expect(gate.open).toBe(false);
    expect(gate.unsafe).toEqual(['strike train', 'chime train']);
    expect(gate.reasons.join()).toContain('strike train is wound');
  });
  it('opens for let down and contained, or with a reason that is not blank', () => {
    expect(
      stripGate(
        [
          { name: 'going train', state: 'let down' },
          { name: 'strike train', state: 'contained' },
        ],
        0,
      ).open,
    ).toBe(true);
    expect(stripGate([{ name: 'going train', state: 'wound' }], 0, '   ').open).toBe(false);
    // A tie can burst: it is no containment.
    expect(stripGate([{ name: 'going train', state: 'tied' }], 0).reasons).toEqual([
      'going train is held by ties only',
    ]);
    expect(stripGate([{ name: 'going train', state: 'wound' }], 0, 'click broken, spring cut').open).toBe(true);
  });
  it('is not opened by a reason while a caution is unread', () => {
    expect(stripGate([{ name: 'going train', state: 'wound' }], 1, 'in a hurry').open).toBe(false);
  });
});

/** A full overhaul in which these stages are done. */
const after = (done: readonly StageId[]) =>
  stagesOf(
    { shape: 'overhaul', ownStock: false },
    done.map((stage) => ({ stage, state: 'done', why: '' })),
  );
const BEGUN = ['intake', 'assess', 'diagnose', 'agree', 'power', 'strip'] as const;

const facts: VisitFacts = {
  stages: after(BEGUN),
  closed: false,
  power: ['let down', 'wound'],
  stripBegun: true,
  standRun: null,
  secondLook: null,
  units: [],
  passes: [],
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
  trialEndsAt: null,
  newMovementWaits: false,
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
      stages: after([...BEGUN, 'clean', 'survey', 'fit', 'assemble', 'oil']),
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
    const asked: VisitFacts = { ...facts, power: [], stages: after(['intake', 'assess', 'diagnose']), unanswered: 2 };
    expect(nextAction(asked, 20)).toMatchObject({
      stage: 'agree',
      urgency: 'wait',
      text: 'The owner has 2 lines to answer',
    });
    expect(nextAction({ ...asked, lines: 0, unanswered: 0 }, 20).text).toBe('Write the estimate');
    expect(nextAction({ ...facts, power: [], unanswered: 1 }, 20)).toMatchObject({ stage: 'clean', urgency: 'next' });
  });
  it('counts what came off, and what is still apart', () => {
    const at = (done: readonly StageId[], change: Partial<VisitFacts>) =>
      nextAction({ ...facts, power: [], stages: after(done), ...change }, 20).text;
    const before = ['intake', 'assess', 'diagnose', 'agree', 'power'] as const;
    expect([at(before, { steps: 0 }), at(before, {})]).toEqual(['Log what comes off', '12 things off and logged']);
    const fitted = [...BEGUN, 'clean', 'survey', 'fit'] as const;
    expect([at(fitted, { apart: 1 }), at(fitted, { apart: 0 })]).toEqual([
      '1 thing still apart',
      'Everything that came off is accounted for',
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

const inside = { stopped: false, readings: 9, verdict: 'inside', nextReadingAt: null } as const;
const signable: SignFacts = {
  ...facts,
  stages: after(STAGE_IDS.filter((s) => s !== 'sign')),
  power: ['wound'],
  apart: 0,
  temporary: 0,
  notFinal: 0,
  stillIn: [],
  away: 0,
  failed: [],
  nothingDone: false,
  untested: 0,
  notReturned: 0,
  run: inside,
  privateWords: [],
};

describe('signing', () => {
  it('lets a finished visit through and names each thing that is not', () => {
    expect(signObstacles(signable)).toEqual([]);
    expect(
      signObstacles({
        ...signable,
        stages: after(STAGE_IDS.filter((s) => s !== 'sign' && s !== 'clean' && s !== 'run')),
        bushesLeft: 1,
        caseLeft: 2,
        power: ['unknown'],
        bathRunning: true,
        unanswered: 2,
        apart: 3,
        temporary: 1,
        notFinal: 2,
        stillIn: [{ what: 'The jumper 5 to 7 is still in', at: 'outputs' }],
        away: 1,
        notReturned: 1,
      }).map(({ what, at }) => [at, what]),
    ).toEqual([
      ['clean', 'Clean is not done'],
      ['run', 'Run is not done'],
      ['power', 'The power state of a train is unknown'],
      ['clean', 'A bath is still running'],
      ['fit', '1 hole still needs its bush'],
      ['case', '2 tasks on case, dial or glass are not done'],
      ['assemble', '3 things that came off are not accounted for'],
      ['assemble', '1 temporary thing is neither taken out nor declared'],
      ['assemble', '2 things are not final yet'],
      ['outputs', 'The jumper 5 to 7 is still in'],
      ['strip', '1 part is still with another hand'],
      ['agree', '2 lines of the estimate wait for the owner’s word'],
      [null, '1 thing that came with it is not ticked as going home'],
    ]);
  });
  it('takes a waiver with words for the run, not a blank one', () => {
    expect(signObstacles({ ...signable, run: { ...inside, verdict: 'outside' }, waiver: ' ' })).toHaveLength(1);
    expect(
      signObstacles({
        ...signable,
        run: { ...inside, verdict: 'outside' },
        waiver: 'owner wants it silent, as ornament',
      }),
    ).toEqual([]);
  });
});

describe('a job', () => {
  const job = (shape: (typeof SHAPE_IDS)[number], ownStock = false) => ({ shape, ownStock });
  const say = (stage: StageId, state: StageState['state'], why = ''): StageState => ({ stage, state, why });
  const open = (stages: readonly StageState[]) => stages.filter((s) => s.state === 'open').map((s) => s.stage);
  // Common practice: a clock that is only looked at is never taken down, and what is never taken down needs no survey.
  it('that is only looked at goes from assessment to the signature, and opens nothing', () => {
    expect(open(stagesOf(job('report'), []))).toEqual(['intake', 'assess', 'diagnose', 'deliver', 'sign']);
    for (const shape of SHAPE_IDS) {
      const stages = open(stagesOf(job(shape), []));
      if (stages.includes('strip')) expect(stages, shape).toContain('assemble');
      if (stages.includes('strip') || stages.includes('clean')) expect(stages, shape).toContain('power');
      expect(stages, shape).toEqual(expect.arrayContaining(['intake', 'assess', 'sign']));
    }
  });
  it('takes a stage in that the shape goes without, and keeps what was said when the shape changes', () => {
    const said = [say('oil', 'open'), say('agree', 'left', 'asked by phone')];
    expect(open(stagesOf(job('in place'), said))).toContain('oil');
    const stages = stagesOf(job('report'), said);
    expect(open(stages)).toContain('oil');
    expect(notDone(stages)).toContain('Agree, as far as agreed: asked by phone');
    // Said once more, it is the same: the page and the server may both ask.
    expect(stagesOf(job('report'), stages)).toEqual(stages);
  });
  it('of the shop’s own asks no owner', () => {
    expect(open(stagesOf(job('overhaul', true), []))).not.toEqual(expect.arrayContaining(['agree']));
    expect(
      stageOf(stagesOf(job('overhaul', true), [say('intake', 'done'), say('assess', 'done'), say('diagnose', 'done')])),
    ).toBe('power');
  });
  it('cured in place is signed with its run, without a word on power, holes or oil', () => {
    const done = (['intake', 'assess', 'diagnose', 'agree', 'fit', 'run', 'deliver'] as const).map((s) =>
      say(s, 'done'),
    );
    const cured = { ...signable, stages: stagesOf(job('in place'), done), power: ['unknown'] as const };
    expect(signObstacles(cured)).toEqual([]);
    expect(signObstacles({ ...cured, run: null }).map((o) => o.at)).toEqual(['run']);
    // Left with its reason, the run is no longer asked for.
    const left = stagesOf(job('in place'), [
      ...done.filter((s) => s.stage !== 'run'),
      say('run', 'left', 'sold as it is'),
    ]);
    expect(signObstacles({ ...cured, stages: left, run: null })).toEqual([]);
  });
  it('on trial waits for its day, then asks how it ended, and is not signed before', () => {
    const stages = stagesOf(
      job('in place'),
      STAGE_IDS.filter((s) => s !== 'sign').map((s) => say(s, 'done')),
    );
    const trial = { ...signable, stages, trialEndsAt: 50 };
    expect(nextAction(trial, 20)).toMatchObject({ urgency: 'wait', text: 'On trial' });
    expect(nextAction(trial, 60)).toMatchObject({ urgency: 'due', stage: 'sign' });
    expect(signObstacles(trial)).toHaveLength(1);
  });
  it('in which nothing comes apart is together: a wound train is no danger there, and one apart is', () => {
    const wound = { ...facts, power: ['wound'] as const, stripBegun: true };
    expect(nextAction({ ...wound, stages: stagesOf(job('in place'), []) }, 20).urgency).not.toBe('danger');
    expect(nextAction({ ...wound, stages: stagesOf(job('in place'), [say('strip', 'open')]) }, 20).urgency).toBe(
      'danger',
    );
  });
});
