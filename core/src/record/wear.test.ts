import { describe, expect, it } from 'vitest';
import { holeHistories } from './index.ts';

const HOLE = 'T2 second wheel, back plate';
const measured = (pivotMm: unknown, holeLongMm: unknown, hole: unknown = HOLE) => ({ hole, pivotMm, holeLongMm });
const entry = (date: string, holes: unknown, bushes: { hole: string; pivotMm: number; boreMm: number }[] = []) => ({
  ...{ id: date, date, sections: { survey: { version: 1, holes } } },
  record: { bushes },
});

describe('the play of a hole over the years', () => {
  it('grows from visit to visit, falls with a bush on the day it is fitted, and grows again', () => {
    const [one, ...rest] = holeHistories([
      entry('2020-05-01', [measured(1.64, 1.72)]),
      entry('2012-03-01', [measured(1.66, 1.72)]),
      // Found worn and bushed on one day: first as found, then as it left.
      entry('2016-03-01', [measured(1.65, 1.94)], [{ hole: HOLE, pivotMm: 1.65, boreMm: 1.7 }]),
    ]);
    expect(rest).toEqual([]);
    expect(one!.points.map((p) => [p.date.slice(0, 4), p.how, p.playMm.toFixed(2)])).toEqual([
      ['2012', 'found', '0.06'],
      ['2016', 'found', '0.29'],
      ['2016', 'new bush', '0.05'],
      ['2020', 'found', '0.08'],
    ]);
    expect(one!.points[0]!.year).toBeCloseTo(2012.17, 1);
  });

  it('says nothing of a hole measured once, judged by feel, undated, or read smaller than its pivot', () => {
    expect(holeHistories([entry('2012', [measured(1.6, 1.7)])])).toEqual([]);
    expect(holeHistories([entry('2012', [measured(1.6, 1.7)]), entry('XXXX', [measured(1.6, 1.8)])])).toEqual([]);
    expect(
      holeHistories([entry('2012', [measured(1.6, 1.7)]), entry('2020', [{ hole: HOLE, verdict: 'sound' }])]),
    ).toEqual([]);
    expect(holeHistories([entry('2012', [measured(1.6, 1.7)]), entry('2020', [measured(1.7, 1.6)])])).toEqual([]);
    // A stranger’s entry may hold anything.
    for (const odd of [null, 'x', [null], [measured('1', 2)], [measured(1, 2, 7)], [measured(Infinity, NaN)]])
      expect(holeHistories([entry('2012', odd), entry('2020', odd)])).toEqual([]);
  });

  it('puts first the hole that moved most', () => {
    const holes = (second: number) => [measured(1, 1.05, 'A'), measured(1, second, 'B'), measured(1, 1.05, 'C')];
    const told = holeHistories([entry('2012', holes(1.05)), entry('2020', holes(1.3))]);
    expect(told.map((h) => h.hole)).toEqual(['B', 'A', 'C']);
  });
});
