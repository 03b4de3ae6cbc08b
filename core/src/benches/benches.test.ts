import { describe, expect, it } from 'vitest';
import { driveBy, FAMILIES, familyById } from '../movement/index.ts';
import {
  benchWords,
  BLIND_DEG,
  chainHours,
  drumTurn,
  frayedUnsaid,
  kindsFor,
  LEAST_MEGOHMS,
  onBorrowed,
  outputSpeed,
  poiseOf,
  sayAlarm,
  sayBalance,
  sayMains,
  sayRecorder,
  sayStrikeSetUp,
  sayRepeat,
  sayWeights,
  spread,
  springLeft,
  stepsOff,
  typedAtBench,
  warmthOf,
  wrongIn,
  type TableTest,
  type Values,
} from './index.ts';

const test = (kind: TableTest['kind'], values: Values): TableTest => ({ kind, values });
const longcase = familyById('longcase').traits;
const [going, strike] = longcase.sources.map((s) => s.id) as [string, string];

describe('the table of kinds', () => {
  it('asks of each movement what it has, and of no other', () => {
    const ids = (family: string, bench: 'mains' | 'weights') =>
      kindsFor(bench, familyById(family).traits).map((k) => k.id);
    expect(ids('longcase', 'weights')).toEqual(['weight', 'line']);
    expect(ids('mantel-barrels', 'weights')).toEqual([]);
    expect(ids('synchronous', 'mains')).toContain('output speed');
    for (const f of FAMILIES)
      if (!f.traits.fittings.includes('mains cord')) expect(ids(f.id, 'mains'), f.id).not.toContain('mains cord');
  });
  it('says what is wrong at its field', () => {
    const wrong = (values: Values) => wrongIn(test('weight', values)).map((w) => w.field);
    expect(wrong({ source: going, grams: 4200 })).toEqual([]);
    expect(wrong({ source: going })).toEqual(['grams']);
    expect(wrongIn(test('mains signs', { drops: null }))).toMatchObject([{ field: 'drops' }]);
    expect(wrong({ source: going, grams: 0 })).toEqual(['grams']);
    expect(wrong({ source: going, grams: Number.NaN })).toEqual(['grams']);
    expect(wrong({ source: going, grams: 4200, hangs: 'upside down' })).toEqual(['hangs']);
    expect(wrong({ source: going, grams: 4200, colour: 'green' })).toEqual(['colour']);
    expect(wrong({ source: going, grams: '4200' })).toEqual(['grams']);
  });
  it('is told in words, and gives out what a person typed', () => {
    const t = test('line', { source: going, is: 'frayed, left in', breaks: 40, note: 'Mr Pell wants it kept' });
    expect(benchWords(t, longcase)).toBe('Line: going, frayed, left in, breaks at 40 kg, Mr Pell wants it kept');
    expect(typedAtBench(t)).toEqual(['Mr Pell wants it kept']);
  });
});

describe('mains', () => {
  const says = (...tests: TableTest[]) => sayMains(tests);
  const of = (what: string, ...tests: TableTest[]) => says(...tests).find((s) => s.what === what);

  it('turns as its supply does', () => {
    // Practice: a 4 rpm output made for 60 Hz turns at 3.33 on 50.
    const v = { turns: 10, seconds: 180, belongs: 4, built: 60, supply: 50 };
    expect(outputSpeed(v).wanted).toBeCloseTo(3.33, 2);
    // Published: 120 f/p, 2 poles at 60 Hz are 3600 a minute.
    expect(outputSpeed({ ...v, belongs: (120 * 60) / 2, supply: 60 }).wanted).toBe(3600);
    const speed = (turns: number, seconds: number, supply = '50 Hz') =>
      test('output speed', { turns, seconds, belongs: 4, built: '60 Hz', supply });
    expect(of('Speed', speed(20, 360))).toMatchObject({ good: true });
    expect(of('Supply', speed(20, 360))!.says).toBe('Built for 60 Hz: on 50 it loses 4.0 h a day.');
    expect(of('Supply', speed(24, 360, '60 Hz'))).toBeUndefined();
    expect(of('Speed', speed(18, 360))).toMatchObject({ good: false });
    // Half a turn watched proves no step.
    expect(of('Speed', speed(0.5, 9))).toMatchObject({ good: null });
  });
  it('keeps off the mains what its insulation or earth does not allow', () => {
    // Published: VDE 0701-0702, 1 MΩ with an earth, 2 MΩ without, 0.3 Ω of the earth.
    const read = (values: Values) =>
      test('mains insulation', { class: 'earthed', megohms: 50, earthOhms: 0.2, ...values });
    expect(says(read({})).every((s) => s.good)).toBe(true);
    expect(of('Insulation', read({ megohms: LEAST_MEGOHMS.earthed - 0.1 }))!.says).toContain('not on the mains');
    expect(of('Insulation', read({ megohms: 1.5 }))!.good).toBe(true);
    expect(of('Insulation', read({ class: 'double insulated', megohms: 1.5 }))!.good).toBe(false);
    expect(of('Earth', read({ earthOhms: 0.4 }))!.good).toBe(false);
    expect(of('Earth', read({ earthOhms: null }))!.good).toBeNull();
    // No insulation makes an old two-wire clock with bare metal a safe one.
    expect(of('Earth', read({ class: 'two wires, bare metal', megohms: 999 }))!.good).toBe(false);
    expect(of('Cord', test('mains cord', { state: 'renewed', relief: 'yes' }))!.says).toContain('who renewed it');
    expect(of('Cord', test('mains cord', { state: 'sound', relief: 'no', by: 'x' }))!.good).toBe(false);
  });
  it('tells rotor from coil', () => {
    const tried = (pair: string, did: string) => test('rotor trial', { pair, did });
    const [own, known, away] = [
      'its rotor in its coil',
      'a known rotor in its coil',
      'its rotor in a known coil',
    ] as const;
    const motor = (...t: TableTest[]) => of('Motor', ...t)!.says;
    // Practice: a known good one turns in the same coil, so the coil is sound.
    expect(motor(tried(own, 'hums'), tried(known, 'runs'))).toContain('the coil is sound, the rotor is not');
    expect(motor(tried(own, 'stays dead'), tried(away, 'runs'))).toContain('the rotor is sound');
    expect(motor(tried(known, 'stays dead'), tried(away, 'hums'))).toContain('rotor and coil');
    expect(motor(tried(away, 'hums'))).toContain('the rotor is stiff');
    expect(motor(tried(own, 'hums'))).toContain('Try a known rotor');
    expect(of('Motor', tried(own, 'hums'), tried(own, 'runs'))!.good).toBe(true);
  });
  it('does not call three starts a proof, nor one to the left a start', () => {
    const start = (tries: number, right: number, meant = 'by itself') => test('mains start', { tries, right, meant });
    expect(of('Start', start(3, 3))!.good).toBeNull();
    expect(of('Start', start(10, 10))!.good).toBe(true);
    expect(of('Start', start(10, 9))!.good).toBe(false);
    expect(of('Start', start(4, 0, 'by its knob'))!.good).toBe(true);
    expect(of('Start', start(4, 5))!.good).toBe(false);
  });
});

/** A balance with a heavy point, stepped through time: s/day that the weight makes of it, at this amplitude. */
function simulatedPoise(amplitudeDeg: number, heavyToDown: number): number {
  const period = (pull: number) => {
    let [angle, speed, t] = [(amplitudeDeg * Math.PI) / 180, 0, 0];
    const dt = 1e-4;
    for (let half = 0; half < 2;) {
      const force = (a: number) => -a - pull * Math.sin(a + heavyToDown);
      const before = speed;
      const mid = speed + (force(angle) * dt) / 2;
      angle += mid * dt;
      speed = mid + (force(angle) * dt) / 2;
      t += dt;
      if (half === 0 && before < 0 && speed >= 0) half = 1;
      else if (half === 1 && before > 0 && speed <= 0) half = 2;
    }
    return t;
  };
  return 86_400 * (period(0) / period(0.002) - 1);
}

describe('balance and platform', () => {
  const lever = { escapement: 'lever' } as const;
  const position = (where: string, values: Values) => test('position', { when: 'after', in: where, ...values });

  it('finds the heavy point of a simulated balance: below 220° where it gains, above it the other way', () => {
    // Simulation, and published: the error is gone at 219.5°.
    for (const [amplitude, sign] of [
      [150, 1],
      [280, -1],
    ] as const)
      expect(Math.sign(simulatedPoise(amplitude, 0)), `${amplitude}`).toBe(sign);
    expect(Math.abs(simulatedPoise(BLIND_DEG, 0))).toBeLessThan(0.1 * Math.abs(simulatedPoise(150, 0)));
    // Heavy towards 3: with 9 up, 3 is down.
    const hours = { '12 up': 6, '3 up': 9, '6 up': 12, '9 up': 3 } as const;
    for (const amplitude of [150, 280]) {
      const rates = Object.fromEntries(
        Object.entries(hours).map(([p, down]) => [p, simulatedPoise(amplitude, ((3 - down) * Math.PI) / 6)]),
      ) as Record<keyof typeof hours, number>;
      expect(poiseOf(rates, amplitude).heavyAt, `${amplitude}`).toBeCloseTo(3, 1);
    }
    expect(poiseOf({ '12 up': 0, '3 up': 0, '6 up': 30, '9 up': 0 }, 220).heavyAt).toBeNull();
  });
  it('holds before and after together, and knows knocking from health', () => {
    const pair = [
      test('position', { when: 'before', in: 'dial up', amplitude: 120 }),
      position('dial up', { amplitude: 285, rate: 12 }),
    ];
    expect(sayBalance(lever, pair)[0]).toEqual({
      what: 'Dial up',
      good: true,
      says: '120° before, 285° after; 12 s a day. Healthy.',
    });
    expect(sayBalance(lever, [position('dial up', { amplitude: 330 })])[0]!.good).toBe(false);
    // Of a cylinder no range is known: it is not called ill.
    expect(sayBalance({ escapement: 'cylinder' }, [position('dial up', { amplitude: 180 })])[0]!.good).toBeNull();
  });
  it('tells a bad pivot from poise, and play from both', () => {
    const says = (...t: TableTest[]) => sayBalance(lever, t).map((s) => s.says);
    const flat = says(
      position('dial up', { rate: 40, amplitude: 210 }),
      position('dial down', { rate: 0, amplitude: 270 }),
    );
    expect(flat.at(-1)).toContain('the one it turns on dial up');
    const play = (now: string) => says(test('end play', { did: 'tightened', now }))[0];
    expect(play('none')).toContain('binds');
    expect(play('just felt')).toContain('right');
  });
  it('learns the hairspring, and warmth', () => {
    expect(springLeft([{ shorterMm: 2, before: -300, after: -100 }])).toEqual({ perMm: 100, shorterMm: 1 });
    expect(springLeft([{ shorterMm: 0, before: -300, after: -100 }])).toBeNull();
    // From memory of history: uncompensated, 6 min 33 s from 32 to 92 °F.
    const per = warmthOf([
      { celsius: 0, rate: 0 },
      { celsius: 33.3, rate: -393 },
    ])!;
    expect(per).toBeCloseTo(-11.8, 1);
    const read = (celsius: number, rate: number) => test('warmth', { celsius, rate });
    expect(sayBalance(lever, [read(10, 0), read(30, -220)])[0]!.says).toContain('not compensated');
    expect(sayBalance(lever, [read(20, 0), read(22, -90)])[0]!.good).toBeNull();
  });
});

describe('alarm and repeat', () => {
  it('tells an alarm that is set wrong from one that does not know when', () => {
    const at = (...late: number[]) => sayAlarm(late.map((x, i) => test('alarm release', { set: 4 * i, late: x })))[0]!;
    expect(at(20, 22, 21).says).toContain('set the alarm hand');
    expect(at(20, -10, 15)).toMatchObject({ good: false });
    expect(at(20, -10, 15).says).toContain('the edge of the cam');
    expect(at(3, 5, 4).good).toBe(true);
    expect(at(3).good).toBeNull();
    // Worked example of texts on statistics, from memory: the sample deviation of these eight is √(32/7).
    expect(spread([2, 4, 4, 4, 5, 5, 7, 9]).sd).toBeCloseTo(Math.sqrt(32 / 7), 12);
    // Facts of the trade: whose click slips may let go its spring.
    expect(sayAlarm([test('alarm run', { seconds: 20, even: 'evenly', click: 'slips' })])[0]!.says).toContain(
      'let its',
    );
  });
  it('says what to move by what a simulated snail repeats', () => {
    const times = Array.from({ length: 48 }, (_, i) => ({ hour: Math.floor(i / 4) || 12, quarter: i % 4 }));
    const heard = (strikes: (minutes: number) => number) =>
      sayRepeat(
        times.map((t) => ({ ...t, hours: strikes((t.hour % 12) * 60 + t.quarter * 15 + 2), quarters: t.quarter })),
      );
    const snail = (minutes: number) => Math.floor((((minutes % 720) + 720) % 720) / 60) || 12;
    expect(heard(snail)).toMatchObject([{ good: true }]);
    expect(heard((m) => snail(m + 60))[0]!.says).toContain('Always 1 hour too many');
    expect(heard((m) => snail(m - 120))[0]!.says).toContain('Always 2 hours too few');
    // Facts of the trade: joined so by its maker, the hour changes in the last quarter.
    expect(heard((m) => snail(m + 14))[0]!.says).toContain('comes early');
    expect(heard((m) => snail(m - 10))[0]!.says).toContain('comes late');
    expect(sayRepeat([{ hour: 12, quarter: 0, hours: 1, quarters: 0 }])[0]!.good).toBe(false);
    // Silent at twelve, or fourteen for two, is right on no dial.
    for (const [hour, hours] of [
      [12, 0],
      [2, 14],
    ] as const)
      expect(sayRepeat([{ hour, quarter: 0, hours, quarters: 0 }])[0]!.good, `${hours}`).toBe(false);
    expect(sayRepeat([{ hour: 5, quarter: 2, hours: 5, quarters: 1 }])[0]!.says).toContain('quarter rack');
  });
});

describe('recorders', () => {
  const says = (...tests: TableTest[]) => sayRecorder(tests);
  it('times a drum by two marks on its trace, no closer than a ruler', () => {
    // Common practice: a weekly chart of about 290 mm goes 41.4 mm a day.
    const week = { hours: 24, apartMm: 290 / 7, roundMm: 290 };
    expect(drumTurn(week).hours).toBeCloseTo(168, 9);
    const trace = (hours: number, apartMm: number) => test('trace', { hours, apartMm, roundMm: 290, meant: 168 });
    expect(says(trace(24, 41.4))[0]).toMatchObject({ good: true });
    expect(says(trace(24, 40.4))[0]!.says).toContain('falls behind');
    // Over the whole week the same ruler sees a seventh of that.
    expect(drumTurn({ hours: 166, apartMm: 286, roundMm: 290 }).within).toBeLessThan(drumTurn(week).within / 6);
    expect(says(trace(24, 300))[0]!.says).toContain('measure again');
  });
  it('judges each column and each half of the day by itself, the last word leading', () => {
    const print = (column: string, minutes: number) => test('print', { column, minutes });
    expect(says(print('in', 3), print('out', 0), print('in', 1)).map((s) => [s.what, s.good])).toEqual([
      ['Print, in', true],
      ['Print, out', true],
    ]);
    const day = (values: Values) => test('day change', { at: 'at midnight', late: 0, whole: 'yes', ...values });
    expect(says(day({ late: 20 }))[0]!.says).toContain('20 min late');
    expect(says(day({ fly: 'with a blow' })).map((s) => s.good)).toEqual([true, false]);
    expect(says(day({ whole: 'no', late: 0 }))).toMatchObject([{ good: false }]);
  });
});

describe('weights, lines and chains', () => {
  const weigh = (source: string, grams: number, belongs: number | null) => test('weight', { source, grams, belongs });
  const line = (values: Values) => test('line', { source: going, is: 'the final one', ...values });
  const bad = (...tests: TableTest[]) =>
    sayWeights(longcase, tests)
      .filter((s) => s.good === false)
      .map((s) => s.says);

  it('sees that two weights are changed over, and does not call either wrong', () => {
    expect(bad(weigh(going, 5200, 4000), weigh(strike, 4010, 5300))).toEqual([
      expect.stringMatching(/are changed over\.$/),
    ]);
    expect(bad(weigh(going, 4050, 4000), weigh(strike, 5300, 5300))).toEqual([]);
    expect(bad(weigh(going, 3000, 4000))[0]).toContain('too light');
    expect(bad(weigh(going, 9000, null))).toEqual([]);
  });
  it('wants a line that breaks at five times its pull, lands first and keeps its turns', () => {
    // Practice: five times the pull; a pulley halves it. 24 kg is enough for 9 kg on a pulley, not for 9 kg straight.
    expect(bad(line({ breaks: 24, load: 9, pulley: 'yes' }))).toEqual([]);
    expect(bad(line({ breaks: 24, load: 9, pulley: 'no' }))[0]).toContain('take one of 45 kg or more');
    // The weight that was weighed is the load, where no other is said.
    expect(bad(weigh(going, 9000, 9000), line({ breaks: 24 }))).toHaveLength(1);
    expect(bad(line({ lands: 'no', turns: 3 }))[0]).toContain('pulls at the knot');
    expect(bad(line({ turns: 1, lands: 'yes' }))[0]).toContain('leave two to three');
  });
  it('does not forget a borrowed line, until the final one is on that train', () => {
    const borrowed = line({ is: 'borrowed for the test', breaks: 50, load: 5 });
    expect(onBorrowed([borrowed])).toEqual([going]);
    expect(onBorrowed([borrowed, test('line', { source: strike, is: 'the final one' })])).toEqual([going]);
    expect(onBorrowed([borrowed, line({})])).toEqual([]);
    expect(frayedUnsaid([line({ is: 'frayed, left in' })])).toHaveLength(1);
    expect(frayedUnsaid([line({ is: 'frayed, left in', note: 'The owner keeps it as it is.' })])).toEqual([]);
    expect(bad(line({ is: 'frayed, left in' }))[0]).toContain('the owner’s answer');
    expect(bad(line({ is: 'frayed, left in', note: 'The owner keeps it as it is.' }))).toEqual([]);
  });
  it('lets one weight on an endless chain fall half of what both trains take', () => {
    // A simulation of the loop: what both sprockets let into it hangs in two falls.
    const [goingMm, strikeMm, drop] = [60, 312, 1290];
    let [loop, hours] = [0, 0];
    while (loop / 2 < drop) {
      loop += (goingMm + strikeMm / 12) / 3600;
      hours += 1 / 3600;
    }
    expect(chainHours(drop, goingMm, strikeMm, true)).toBeCloseTo(hours, 2);
    expect(chainHours(1440, 60, 0, false)).toBe(24);
    const traits = {
      ...driveBy(longcase, strike, going),
      sources: [{ id: going, kind: 'weight on endless chain' as const, name: '' }],
    };
    const chain = test('chain', { source: going, links: 100, lengthMm: 830, pitchMm: 8, click: 'loose' });
    const said = sayWeights(traits, [chain]).map((s) => s.says);
    expect(said.join(' ')).toMatch(/8\.30 mm a link on a sprocket of 8 mm: stretched.*as dangerous as any click/);
  });
});

describe('the strike at lock', () => {
  const on = (family: string) => familyById(family).traits;
  const lock = (count: string, cam: string, pin: string): TableTest => ({
    kind: 'at lock',
    values: { count, cam, pin, bent: null },
  });
  const says = (family: string, ...tests: TableTest[]) => sayStrikeSetUp(on(family), tests).at(0)!;

  // Facts of the trade: a train that locks at its warning wheel rests on it; any other rests half a turn from it.
  it.each([
    ['shelf-open-springs', 'on its stop', true, /All three hold/],
    ['shelf-open-springs', 'past its stop', false, /runs on by a turn/],
    ['shelf-open-springs', 'half a turn off', false, /no power reaches it, or a lever rubs/],
    ['longcase-30-hour', 'half a turn off', true, /All three hold/],
    ['longcase-30-hour', 'on its stop', false, /holds it, not the lock/],
    ['longcase-30-hour', 'close to its stop', false, /No run to warning/],
    ['month-wall', 'on its stop', null, /where this strike locks/],
  ] as const)('of %s with its warning pin %s', (family, pin, good, words) => {
    const { says: said, good: is } = says(family, lock('in its slot', 'in its notch', pin));
    expect([is, said]).toEqual([good, expect.stringMatching(words)]);
  });
  it('says which lever to move, and is not fooled by a train that was stopped in between', () => {
    expect(says('shelf-open-springs', lock('on the rim', 'in its notch', 'on its stop')).says).toMatch(
      /move the count/,
    );
    expect(says('shelf-open-springs', lock('in its slot', 'beside its notch', 'on its stop')).says).toMatch(
      /move the cam/,
    );
    expect(says('shelf-open-springs', lock('on the rim', 'beside its notch', 'past its stop'))).toMatchObject({
      good: null,
      says: expect.stringMatching(/not lock/),
    });
    const early = {
      kind: 'rack at lock' as const,
      values: { hook: 'on an earlier tooth', pallet: 'on its stop', pin: '' },
    };
    expect(says('mantel-barrels', early).says).toMatch(/a blow early/);
  });

  const tripped = (how: string, went = 'right each time', times = 3): TableTest => ({
    kind: 'tripped',
    values: { how, times, went, note: null },
  });
  it('is proved no further than it was tripped', () => {
    const of = (...tests: TableTest[]) => says('shelf-open-springs', ...tests);
    expect(of(tripped('by finger', 'right each time', 1)).says).toMatch(/Twice in a row/);
    expect(of(tripped('by finger')).says).toBe(
      'Proved: count and lock. Not yet: lift and warning, that the going train lifts it.',
    );
    expect(of(tripped('by the hands')).says).toMatch(/^Proved: count and lock, lift and warning\. Not yet/);
    expect(of(tripped('by itself, running'))).toMatchObject({ good: true });
    // Right by the hands, not by itself: the going train is what is weak.
    expect(of(tripped('by the hands'), tripped('by itself, running', 'missed some')).says).toMatch(
      /going train gives too little/,
    );
    // Wrong by finger, mended, then right by the hands: that proves the count too.
    expect(of(tripped('by finger', 'ran on'), tripped('by the hands')).says).toMatch(/^Proved: count and lock, lift/);
    // Proved, and then not any more.
    expect(of(tripped('by the hands'), tripped('by finger', 'ran on'))).toMatchObject({ good: false });
  });

  it('tells what a tone wants, by the last try', () => {
    const hammer = (tone: string, gap: number | null, travel: number | null = null): TableTest => ({
      kind: 'hammer',
      values: { hammer: 'rod 2', tone, gap, travel },
    });
    const of = (...tests: TableTest[]) => says('shelf-open-springs', ...tests).says;
    expect(of(hammer('dull', 0))).toMatch(/rests on what it strikes/);
    expect(of(hammer('dull', 2))).toMatch(/loose at its foot/);
    expect(of(hammer('weak', 8))).toMatch(/too far off/);
    expect(of(hammer('weak', 1, 3))).toMatch(/Weak, lifted by 3 mm/);
    expect(of(hammer('dull', 0), hammer('clear', 1))).toBe('Clear. After 2 tries.');
  });
});

describe('steps and screws', () => {
  it('a snail, drawn evenly, with one worn step is told from one that is right', () => {
    const snail = (bad: number, by: number) =>
      [1, 3, 4, 7, 9, 12].map((hour) => ({ hour, mm: 14 - 0.8 * hour + (hour === bad ? by : 0) }));
    expect(stepsOff(snail(0, 0))).toEqual([]);
    expect(stepsOff(snail(7, -0.35))).toEqual([{ hour: 7, byMm: expect.closeTo(-0.35, 2) }]);
    // At the end of the line too, where least squares would tilt towards it.
    expect(stepsOff(snail(12, 0.4))).toEqual([{ hour: 12, byMm: expect.closeTo(0.4, 1) }]);
    expect(stepsOff(snail(0, 0).slice(0, 3))).toBeNull();
  });
  it('timing screws are turned by what they did, and not at all when they do the wrong thing', () => {
    const screws = (...tried: [number, number, number][]) =>
      sayBalance(
        familyById('lever-platform').traits,
        tried.map(([turns, before, after]) => test('timing screws', { turns, before, after })),
      )[0]!.says;
    expect(screws([0.5, -40, -20])).toBe(
      'A turn in makes 40 s a day: 0.50 turns in still, both alike, or the poise goes.',
    );
    expect(screws([0.5, -40, -20], [0.5, -20, 1])).toMatch(/leave them/);
    expect(screws([0.5, -40, -60])).toMatch(/it is not that/);
  });
});
