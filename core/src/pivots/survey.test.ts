import { describe, expect, it } from 'vitest';
import { ARBOR_CLASSES } from '../movement/index.ts';
import { bushedHoles, clearanceOf, END_SHAKE_MM, judgeEndShake, leftAs, playFits, wornSince } from './index.ts';

describe('play that was seen', () => {
  // By hand: 2 mm of plate leaning by 3° to each side is 2 × 0.0524 = 0.105 mm; 0.3 mm of play in the middle is 0.6 at
  // the pivot when the far one has none.
  it('becomes a clearance by the formula of its way', () => {
    expect(clearanceOf({ kind: 'lean', leanDeg: 3, plateMm: 2 })).toBeCloseTo(0.105, 3);
    expect(clearanceOf({ kind: 'play', playMm: 0.3, atMm: 20, farMm: 0, gapMm: 40 })).toBeCloseTo(0.6, 9);
  });
  // Common practice: between plates the lean is hundredths of a degree, too little for the eye.
  it('is lean in one plate only, and sideways play only between two', () => {
    expect([
      playFits('lean', 'one-plate'),
      playFits('lean', 'one-wheel'),
      playFits('play', 'train'),
      playFits('play', 'one-plate'),
    ]).toEqual([true, false, true, false]);
  });
});

describe('end shake', () => {
  // From memory: a train arbor moves by the thickness of a thick paper, and never half a millimetre and more.
  it('has a lower and an upper limit, the closest at the balance', () => {
    expect([0, 0.1, 0.3, 0.5, 0.7].map((mm) => judgeEndShake(mm, 'train'))).toEqual([
      'too little',
      'right',
      'right',
      'right',
      'too much',
    ]);
    expect(judgeEndShake(0.3, 'balance')).toBe('too much');
    for (const c of ARBOR_CLASSES) expect(END_SHAKE_MM[c][0]).toBeLessThan(END_SHAKE_MM[c][1]);
    expect(() => judgeEndShake(-1, 'train')).toThrow('Between 0 and 10 mm.');
  });
});

it('a hole whose last bush went off centre wants one again', () => {
  const b = (hole: string, off: boolean) => ({ hole, off });
  expect([
    ...bushedHoles([
      b('T2.back', true),
      b('T3.front', false),
      b('T2.back', false),
      b('T4.front', false),
      b('T4.front', true),
    ]),
  ]).toEqual(['T2.back', 'T3.front']);
});

it('says what a hole wore since the last survey, by the year', () => {
  const then = { pivotMm: 1.2, holeLongMm: 1.26, at: '2020-12-01T00:00:00Z' };
  expect(wornSince(then, { pivotMm: 1.18, holeLongMm: 1.36, at: '2026-12-01T00:00:00Z' })).toEqual({
    mm: expect.closeTo(0.12, 9),
    mmAYear: expect.closeTo(0.02, 3),
  });
  // Worn to 1.6 and bushed to 1.25: it is the bush that wore since.
  const left = leftAs({ pivotMm: 1.2, holeLongMm: 1.6, bushed: { pivotMm: 1.18, boreMm: 1.23 } })!;
  expect(
    wornSince({ ...left, at: then.at }, { pivotMm: 1.18, holeLongMm: 1.29, at: '2026-12-01T00:00:00Z' }).mm,
  ).toBeCloseTo(0.06, 9);
  expect(wornSince(then, { ...then, holeLongMm: 1.3, at: '2020-12-20T00:00:00Z' }).mmAYear).toBeNull();
  // A verdict by feel is no figure: nothing is reckoned from it.
  expect(leftAs({ pivotMm: null, holeLongMm: null, bushed: null })).toBeNull();
});
