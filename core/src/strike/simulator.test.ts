import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import fc from 'fast-check';
import {
  faultsOf,
  judgeDial,
  RUN_ON,
  startStrike,
  strikeOnce,
  STRIKE_FAULTS,
  WORKS,
  type HeardMark,
  type Work,
} from './index.ts';

const chime = familyById('quarter-chime').traits;
/** Heard round the dial: twelve hours, or four quarters twice, the second time kept. */
function heard(work: Work, fault: string): HeardMark[] {
  let state = startStrike(work, fault);
  const all: HeardMark[] = [];
  for (let n = 0; n < 12; n++) {
    const once = strikeOnce(state);
    state = once.state;
    all.push({ mark: once.mark, heard: once.heard });
  }
  return all;
}
const judged = (work: Work, fault: string) =>
  judgeDial(work === 'count wheel' ? { ...chime, strike: 'count wheel' } : chime, heard(work, fault));

// Oracle: the judge of what is heard, which knows nothing of the works; and the practice of which fault sounds how.
describe('the simulated striking work', () => {
  it('without a fault strikes right round the dial and plays its quarters', () => {
    for (const work of ['rack', 'count wheel'] as const) expect(judged(work, 'none').hours!.kind, work).toBe('right');
    expect(judged('quarters', 'none').quarters!.right).toBe(true);
  });
  it.each([
    ['rack', 'oil-on-rack', 'always few'],
    ['rack', 'tail-on-edge', 'random'],
    ['rack', 'lever-not-falling', 'run-on'],
    ['rack', 'short-warning', 'misses'],
    ['count wheel', 'count-out', 'offset'],
    ['count wheel', 'lever-not-falling', 'run-on'],
  ] as const)('%s with %s is heard as what it is', (work, fault, kind) =>
    expect(judged(work, fault).hours!.kind).toBe(kind),
  );
  it('a count wheel that missed an hour is out of step from then on, a rack is not', () => {
    const wheel = heard('count wheel', 'short-warning'),
      rack = heard('rack', 'short-warning');
    expect(wheel.filter((x) => x.heard === 0).map((x) => x.mark)).toEqual(['h3', 'h8', 'h11']);
    expect([wheel[3]!.heard, rack[3]!.heard]).toEqual([3, 4]);
  });
  it('a locking plate a quarter out is heard a quarter out, a short warning is not a matter of phase', () => {
    expect(judged('quarters', 'plate-quarter-out').quarters!.words).toContain('1 quarter ahead');
    expect(judged('quarters', 'short-warning').quarters!.right).toBe(false);
  });
  it('names every fault with its cure', () => {
    for (const f of STRIKE_FAULTS) expect(f.cure.length).toBeGreaterThan(5);
  });
});

describe('whatever is done with the model', () => {
  const works = fc.constantFrom(...WORKS);

  it('a sound work strikes what the hand shows, however long it goes on', () => {
    fc.assert(
      fc.property(works, fc.integer({ min: 1, max: 60 }), (work, times) => {
        let state = startStrike(work, 'none');
        for (let n = 0; n < times; n++) {
          const once = strikeOnce(state);
          state = once.state;
          expect(once.heard).toBe(Number(once.mark.slice(1)));
        }
      }),
    );
  });

  it('every fault comes to its lock again, and says at each step what happened', () => {
    for (const work of WORKS)
      for (const fault of faultsOf(work)) {
        let state = startStrike(work, fault.id);
        for (let n = 0; n < 12; n++) {
          const once = strikeOnce(state);
          state = once.state;
          expect(once.heard, `${work} ${fault.id}`).toBeLessThanOrEqual(RUN_ON);
          expect(state).toMatchObject({ phase: 'locked', leverUp: false });
          expect(state.says.length).toBeGreaterThan(10);
        }
      }
  });

  it('a fault is heard within one round of the dial', () => {
    for (const work of WORKS)
      for (const { id } of faultsOf(work).filter((f) => f.id !== 'none'))
        expect(
          heard(work, id).some((x) => x.heard !== Number(x.mark.slice(1))),
          `${work} ${id}`,
        ).toBe(true);
  });
});
