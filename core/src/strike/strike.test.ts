import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import {
  arborsThatFit,
  gapsOf,
  CAMBRIDGE_QUARTERS,
  clicksForAge,
  dialMarks,
  hourBlows,
  HOURS,
  inPairs,
  judgeDial,
  judgeQuarters,
  judgeRelease,
  judgeSpacing,
  judgeStrike,
  moonAgeDays,
  quarterNotes,
  wantedAt,
  watchBells,
  yearsToADayWrong,
} from './index.ts';

const dial = (shift: number) => Array.from({ length: 12 }, (_, i) => ({ hand: i + 1, heard: ((i + shift) % 12) + 1 }));

describe('what should sound', () => {
  it('on the hours and halves', () => {
    expect(hourBlows(false).reduce((a, b) => a + b)).toBe(78);
    expect(hourBlows(true).reduce((a, b) => a + b)).toBe(90);
  });
  it('on the quarters', () => {
    // Published: tune of 1793; each of the five changes twice an hour, 40 notes.
    const all = Object.values(CAMBRIDGE_QUARTERS).flat();
    for (const change of [1, 2, 3, 4, 5]) expect(all.filter((c) => c === change)).toHaveLength(2);
    expect(([1, 2, 3, 4] as const).map(quarterNotes)).toEqual([4, 8, 12, 16]);
  });
  it('on the watch bells', () => {
    // Custom of the sea: one bell half an hour into a watch, eight at its end; the day has six watches of 36 bells.
    expect(Array.from({ length: 48 }, (_, i) => watchBells(i)).reduce((a, b) => a + b)).toBe(216);
    expect([watchBells(1), watchBells(8), watchBells(23), inPairs(7)]).toEqual([1, 8, 7, '2 2 2 1']);
  });
});

describe('what was heard', () => {
  it('is out of step by what it was turned', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 11 }), fc.integer({ min: 3, max: 12 }), (shift, n) => {
        const v = judgeStrike(
          dial(shift)
            .slice(0, n)
            .filter((x) => x.heard > 2).length < 3
            ? dial(shift)
            : dial(shift).slice(0, n),
          'count wheel',
        );
        expect(v).toMatchObject({ kind: 'offset', by: shift > 6 ? shift - 12 : shift });
      }),
    );
  });
  it('cures itself when it is tripped as often as it says', () => {
    for (let shift = 1; shift < 12; shift++) {
      const trips = Number(/Trip it (\d+)/.exec(judgeStrike(dial(shift), 'count wheel').words)![1]);
      expect((shift + trips) % 12).toBe(0);
    }
  });
  // Practice.
  it.each([
    [
      [
        [1, 1],
        [2, 2],
        [3, 3],
      ],
      'rack',
      'right',
    ],
    [
      [
        [5, 1],
        [6, 1],
        [7, 2],
      ],
      'rack',
      'always few',
    ],
    [
      [
        [5, 5],
        [6, 40],
        [7, 7],
      ],
      'count wheel',
      'run-on',
    ],
    [
      [
        [5, 5],
        [6, 0],
        [7, 7],
      ],
      'count wheel',
      'misses',
    ],
    [
      [
        [5, 4],
        [6, 6],
        [7, 9],
      ],
      'rack',
      'random',
    ],
  ] as const)('%j on a %s is %s', (pairs, control, kind) =>
    expect(
      judgeStrike(
        pairs.map(([hand, heard]) => ({ hand, heard })),
        control,
      ).kind,
    ).toBe(kind),
  );
  // Practice: a rack counts along the snail, the hand goes round the dial; twelve tells a bent tail from a hand.
  it('tells a bent rack tail from an hour hand, and says what would tell them', () => {
    const along = (by: number, hours: readonly number[]) =>
      judgeStrike(
        hours.map((hand) => ({ hand, heard: hand + by })),
        'rack',
      );
    expect(along(1, HOURS)).toMatchObject({ kind: 'tail', by: 1 });
    expect(along(-1, HOURS)).toMatchObject({ kind: 'tail', by: -1 });
    expect(judgeStrike(dial(1), 'rack')).toMatchObject({ kind: 'offset', by: 1 });
    expect(along(1, [3, 4, 5]).words).toMatch(
      /Hear 12 o’clock: if it gives 13, the rack tail is bent.*If it gives 1, /,
    );
    expect(along(-1, [3, 4, 5]).words).toMatch(/Hear 1 o’clock: if it gives less than one.*If it gives 12, /);
    expect(along(-1, [2, 3, 4]).words).not.toMatch(/does not fall/);
    expect(along(9, [5, 6, 7]).kind).toBe('run-on');
  });
  it('is tripped twice as often where the halves are on the wheel', () => {
    // A wheel with a blow for each half gives 24 blows' places a turn: each hour is two of them.
    for (let shift = 1; shift < 12; shift++) {
      const trips = Number(/Trip it (\d+)/.exec(judgeStrike(dial(shift), 'count wheel', 'on the count').words)![1]);
      const places = hourBlows(true);
      const at = (2 * shift + trips) % places.length;
      expect(places[at]).toBe(1);
      expect(places[(at + 2) % places.length]).toBe(2);
    }
  });
  // Custom of the sea: two at one o'clock, eight at four, eight and twelve.
  it('knows the bells of the watch, and a watch that is out', () => {
    const bells = (out: number) => HOURS.map((hand) => ({ hand, heard: watchBells((2 * hand + out) % 48) }));
    expect(judgeStrike(bells(0), 'ship bells').kind).toBe('right');
    const late = judgeStrike(bells(3), 'ship bells');
    expect(late).toMatchObject({ kind: 'offset', by: 3 });
    expect(late.words).toContain('Trip it 5 times');
  });
  it('cannot be judged from two hours', () =>
    expect(() => judgeStrike(dial(1).slice(0, 2), 'rack')).toThrow(RangeError));
  it('tells a locking plate out of step from one that wanders', () => {
    expect([judgeQuarters([1, 2, 3, 4]), judgeQuarters([3, 4, 1, 2]), judgeQuarters([1, 3, 2, 4])]).toEqual([
      { right: true, outOfStepBy: null },
      { right: false, outOfStepBy: 2 },
      { right: false, outOfStepBy: null },
    ]);
  });
  it('is even, tires or hurries', () => {
    const times = (gaps: number[]) => gaps.reduce((t, g) => [...t, t.at(-1)! + g], [0]);
    expect(judgeSpacing(times([1.5, 1.52, 1.49, 1.5, 1.51, 1.5])).words).toMatch(/Even/);
    expect(judgeSpacing(times([1, 1.1, 1.2, 1.35, 1.5, 1.7])).words).toMatch(/slows/);
    expect(judgeSpacing(times([1.7, 1.5, 1.35, 1.2, 1.1, 1])).words).toMatch(/hurries/);
    expect(judgeSpacing(times([1, 1.5, 1, 1.5, 1, 1.5])).words).toMatch(/Uneven|slows/);
  });
});

describe('the minute of release', () => {
  it('is put right by what it says', () => {
    fc.assert(
      fc.property(fc.integer({ min: -29, max: 29 }), (late) => {
        const { squares, colletDeg } = judgeRelease([(late + 60) % 60]);
        expect(late + 15 * squares + colletDeg / 6).toBeCloseTo(0, 9);
        expect(Math.abs(colletDeg)).toBeLessThanOrEqual(45);
      }),
    );
  });
  it('names wear where it scatters', () => expect(judgeRelease([59, 1.5, 0.2, 58.6]).words).toMatch(/scatters/));
});

describe('the moon', () => {
  // Published: eclipses of the sun, which are new moons (UTC). The mean moon is within 14 hours of the true one.
  it.each(['2024-04-08T18:21Z', '2025-03-29T10:58Z', '2025-09-21T19:54Z', '2026-02-17T12:01Z', '2026-08-12T17:37Z'])(
    'is new at %s',
    (when) => {
      const age = moonAgeDays(Date.parse(when));
      expect(Math.min(age, 29.530588853 - age)).toBeLessThan(14 / 24);
    },
  );
  it('has 59 clicks to a moon, and is a day wrong in 2.64 years', () => {
    expect([clicksForAge(0, 118), clicksForAge(14.8, 118), clicksForAge(29.52, 118)]).toEqual([0, 30, 0]);
    expect(yearsToADayWrong(29.5)).toBeCloseTo(2.64, 2);
  });
});

describe('stops at the same place', () => {
  const arbors = [
    { name: 'great', minutes: 720 },
    { name: 'centre', minutes: 60 },
    { name: 'third', minutes: 7.5 },
  ];
  it('point at the arbor of that turn', () => {
    expect(arborsThatFit(gapsOf([3, 63.5, 123, 183]), arbors).map((a) => a.name)).toEqual(['centre']);
    expect(arborsThatFit([14.9], arbors)).toMatchObject([{ name: 'third', turns: 2 }]);
    expect(arborsThatFit([40], arbors)).toEqual([]);
  });
});

describe('what was heard round the dial', () => {
  const rack = familyById('quarter-chime').traits;
  const hours = (f: (h: number) => number) => HOURS.map((h) => ({ mark: `h${h}`, heard: f(h) }));
  // Common practice, as in the handbooks: a constant error is a setting, no rule is a tail or a lever.
  it('is a setting, a lever, or right', () => {
    expect(
      judgeDial(
        rack,
        hours((h) => h),
      ).right,
    ).toBe(true);
    expect(
      judgeDial(
        rack,
        hours((h) => (h % 12) + 1),
      ),
    ).toMatchObject({ right: false, symptoms: ['wrong-constant'] });
    expect(
      judgeDial(
        rack,
        hours(() => 1),
      ).symptoms,
    ).toEqual(['far-too-few']);
    expect(
      judgeDial(
        rack,
        hours((h) => (h === 7 ? 0 : h)),
      ).symptoms,
    ).toEqual(['misses-strike']);
    expect(
      judgeDial(rack, [
        { mark: 'h1', heard: 1 },
        { mark: 'h2', heard: 2 },
      ]).hours,
    ).toBeNull();
  });
  it('counts halves and quarters in', () => {
    const halves = (f: (h: number) => number) =>
      judgeDial(rack, [...hours((h) => h), ...HOURS.map((h) => ({ mark: `p${h}`, heard: f(h) }))]);
    expect([
      halves(() => 1).right,
      halves((h) => h).right,
      halves(() => 0).right,
      halves((h) => (h === 4 ? 3 : 1)).halves!.words.includes('half past 4'),
    ]).toEqual([true, true, false, true]);
    const quarters = (...q: number[]) =>
      judgeDial(rack, [...hours((h) => h), ...q.map((heard, i) => ({ mark: `q${i + 1}`, heard }))]);
    expect([quarters(1, 2, 3, 4).right, quarters(2, 3, 4, 1).symptoms, quarters(1, 2, 3).quarters]).toEqual([
      true,
      ['quarters-order'],
      null,
    ]);
  });
  const wheel = familyById('shelf-open-springs').traits;
  // Practice: a count wheel tripped once too often gives its half at the hour and its hour at the half.
  it('half an hour out is tripped once, and is no count lever', () => {
    for (const to of [0, 1]) {
      const half = judgeDial(wheel, [
        ...hours(() => 1),
        ...HOURS.map((h) => ({ mark: `p${h}`, heard: ((h - 1 + to) % 12) + 1 })),
      ]);
      expect(half.symptoms).toEqual(['half-hour-out']);
      expect(half.hours!.words).toContain('Trip it once');
    }
    const lever = judgeDial(wheel, [...hours(() => 1), ...HOURS.map((h) => ({ mark: `p${h}`, heard: 1 }))]);
    expect(lever.symptoms).toEqual(['far-too-few']);
  });
  // Practice: the number comes from the locking plate, the phrases from the drum; the drum never first.
  it('asks for the phrases when the number is right, and blames the drum only then', () => {
    const q = (numbers: number[], phrases: number[] = []) => [
      ...hours((h) => h),
      ...numbers.map((heard, i) => ({ mark: `q${i + 1}`, heard })),
      ...phrases.map((heard, i) => ({ mark: `f${i + 1}`, heard })),
    ];
    expect(dialMarks(rack, false, q([1, 2, 3, 4])).slice(-4)).toEqual(['f1', 'f2', 'f3', 'f4']);
    expect(dialMarks(rack, false, q([2, 3, 4, 1])).slice(-1)).toEqual(['q4']);
    expect(judgeDial(rack, q([1, 2, 3, 4], [1, 1, 0, 1])).symptoms).toEqual(['wrong-phrases']);
    expect(judgeDial(rack, q([2, 3, 4, 1], [0, 0, 0, 0])).quarters!.words).toMatch(/1 square on.*leave the drum alone/);
  });
  it('of a ship’s clock is its watch', () => {
    const ship = familyById('ships-bells').traits;
    const marks = dialMarks(ship, false);
    expect(marks).toHaveLength(24);
    expect([wantedAt(ship, 'h4'), wantedAt(ship, 'p4'), wantedAt(ship, 'h12'), wantedAt(ship, 'p12')]).toEqual([
      8, 1, 8, 1,
    ]);
    const all = marks.map((mark) => ({ mark, heard: wantedAt(ship, mark) }));
    expect(judgeDial(ship, all)).toMatchObject({ right: true, symptoms: [] });
  });
  it('is asked only of what strikes', () => {
    expect(dialMarks(familyById('torsion').traits, true)).toEqual([]);
    expect(dialMarks(rack, false).slice(-5)).toEqual(['h12', 'q1', 'q2', 'q3', 'q4']);
  });
});
