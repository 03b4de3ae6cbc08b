import { describe, expect, it } from 'vitest';
import { signObstacles } from '../workflow/index.ts';
import { finishedVisit as visit, now } from './sample.ts';
import { signFacts, type SignSource } from './sign-facts.ts';

const obstacles = (change: Partial<SignSource>, waiver = '', note = '') =>
  signObstacles(signFacts({ ...visit, ...change }, now, [{ where: 'the note', text: note }], waiver)).map(
    (o) => o.what,
  );

describe('what stands in the way of a signature', () => {
  it('is nothing when all is done', () => expect(obstacles({})).toEqual([]));
  it('is a coat that has not dried', () =>
    expect(obstacles({ casework: [{ ...visit.casework[0]!, doneAt: null }] })).toEqual([
      '1 task on case, dial or glass is not done',
    ]));
  it('is a hole without its bush', () => expect(obstacles({ bushes: [] })).toEqual(['1 hole still needs its bush']));
  it('is an addition without the owner’s word, and a thing that is not going home', () => {
    expect(
      obstacles({ agreement: { lines: [{ ...visit.agreement.lines[0]!, state: 'ask later' }], chosen: null } }),
    ).toEqual(['1 line of the estimate waits for the owner’s word']);
    expect(obstacles({ received: [{ returnedAt: null }, { returnedAt: null }] })).toEqual([
      '2 things that came with it are not ticked as going home',
    ]);
  });
  it('is a thing left over, a tie left in, or a part still at the turner’s', () => {
    expect(obstacles({ strip: { ...visit.strip, steps: [{ fate: 'apart' }] } })).toEqual([
      '1 thing that came off is not accounted for',
    ]);
    expect(
      obstacles({
        strip: { ...visit.strip, temporary: [{ kind: 'put in', ended: null }], custody: [{ backAt: null }] },
      }),
    ).toEqual(['1 temporary thing is neither taken out nor declared', '1 part is still with another hand']);
  });
  it('is a word of the owner, until it is taken out or the signer keeps it', () => {
    const owner = { ...visit.owner, name: 'Ada Steel' };
    const note = 'Steel pinion renewed.';
    expect(obstacles({ owner }, '', note)).toEqual(['“steel” belongs to the owner and stands in the note']);
    expect(obstacles({ owner, keptWords: [{ word: 'steel' }] }, '', note)).toEqual([]);
  });
  it('is a bath that runs', () =>
    expect(obstacles({ baths: [{ ...visit.baths[0]!, stoppedAt: null }] })).toEqual(['A bath is still running']));
  it('is a stage that was taken up again', () =>
    expect(obstacles({ stages: visit.stages.map((s) => (s.stage === 'clean' ? { ...s, state: 'open' } : s)) })).toEqual(
      ['Clean is not done'],
    ));
  it('is a train of which nobody knows', () =>
    expect(obstacles({ power: [{ state: 'unknown' }] })).toEqual(['The power state of a train is unknown']));
  it('is a run that is too short, unless it is waived', () => {
    const short = { testRun: { ...visit.testRun!, readings: visit.testRun!.readings.slice(0, 3) } };
    expect(obstacles(short)).toHaveLength(1);
    expect(obstacles(short, 'goes to a museum store, not to run')).toEqual([]);
  });
  it('is a function that nobody tried in position, unless it is waived; and a check that failed, at its stage', () => {
    const open = visit.checks.filter((c) => c.check !== 'f-strike');
    expect(obstacles({ checks: open })).toEqual([
      '1 function in position has no answer: test, or say why it is waived',
    ]);
    expect(obstacles({ checks: open }, 'stays silent')).toEqual([]);
    expect(
      signObstacles(
        signFacts(
          { ...visit, checks: [...visit.checks, { check: 'd-level', result: 'failed', note: 'rocks' }] },
          now,
          [],
        ),
      ),
    ).toEqual([{ what: 'A check stands failed: Level, and it stays so', at: 'deliver' }]);
  });
  it('is a job in which nothing was done; not a look, nor another movement in its place', () => {
    const nothing: Partial<SignSource> = {
      ...{ baths: [], bushes: [], holes: [], parts: [], work: [], oiled: [], benchTests: [], casework: [], units: [] },
      ...{ strip: { ...visit.strip, steps: [] }, testRun: null },
    };
    const said = (change: Partial<SignSource>) => obstacles({ ...nothing, ...change }, 'watched').join();
    expect(said({})).toContain('Nothing that was done is entered');
    expect(said({ job: { ...visit.job, shape: 'report' } })).not.toContain('Nothing that was done');
    expect(said({ replacement: { out: {} } })).not.toContain('Nothing that was done');
    expect(said({ casework: visit.casework })).not.toContain('Nothing that was done');
  });
  it('is the owner’s name in the note as it is typed', () => {
    expect(obstacles({}, '', 'Mrs Tarrowby dropped it')[0]).toContain('the note');
  });
});
