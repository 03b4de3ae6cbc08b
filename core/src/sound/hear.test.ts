import { describe, expect, it } from 'vitest';
import { AS_HEARD, seeded, SimulatedClock, type ClockSpec, type Disturbance } from '../simulated/index.ts';
import { bestRateError, hear, hearWav, writeWav, type Known } from './index.ts';

const source = (sound: Float32Array) => (from: number, count: number) =>
  from < 0 || from + count > sound.length ? null : sound.subarray(from, from + count);
const soundOf = (spec: Partial<ClockSpec>, seconds: number, beside: Disturbance = {}, seed = 7) => {
  const clock = new SimulatedClock({ ...AS_HEARD, ...spec }, seeded(seed), beside);
  return { clock, sound: clock.give(Math.round(seconds * clock.spec.sampleRate)), rate: clock.spec.sampleRate };
};
function hearing(
  spec: Partial<ClockSpec>,
  {
    seconds = 20,
    known = {},
    beside = {},
    seed = 7,
  }: { seconds?: number; known?: Known; beside?: Disturbance; seed?: number } = {},
) {
  const { sound, rate } = soundOf(spec, seconds, beside, seed);
  return hear(rate, sound.length, source(sound), known);
}

/** Ticks by hand, apart from the simulated clock: one decaying tone each from its exact moment on, the tick louder. */
function ticks(atS: readonly number[], seconds: number, rate: number): Float32Array {
  const out = new Float32Array(Math.round(seconds * rate));
  atS.forEach((at, k) => {
    const hz = k % 2 === 0 ? 2900 : 2300;
    for (let i = Math.ceil(at * rate); i < Math.min(out.length, (at + 0.03) * rate); i++) {
      const t = i / rate - at;
      out[i] = out[i]! + (k % 2 === 0 ? 0.3 : 0.2) * Math.exp(-t / 0.002) * Math.sin(2 * Math.PI * hz * t);
    }
  });
  return out;
}

describe('a beat is heard', () => {
  // Oracle: moments that were put into the sound, worked by hand.
  it.each([
    [7200, 22_050, 12],
    [18_000, 44_100, 1.5],
    [3600, 8000, 40],
    [36_000, 48_000, 0.4],
  ])('as it was put there: %d beats an hour at %d Hz, %d ms out of beat', (beats, rate, ms) => {
    const [gains, seconds] = [25, 24];
    const beatS = 3600 / beats / (1 + gains / 86_400);
    const at = Array.from(
      { length: Math.floor((seconds - 0.5) / beatS) },
      (_, k) => 0.2 + k * beatS + (k % 2) * (ms / 1000),
    );
    const sound = ticks(at, seconds, rate);
    const report = hear(rate, sound.length, source(sound))!;
    expect(report.beatsPerHour).toBe(beats);
    expect(Math.abs(report.rateSecondsPerDay - gains)).toBeLessThan(0.1);
    expect(Math.abs(report.beatErrorMs! - ms)).toBeLessThan(0.1);
    // The tock comes late, so that the way back from it is the short one.
    expect(report).toMatchObject({ shortSide: 'tock to tick', missing: 0, extra: 0, stoppedS: null });
  });
  it('to within what is possible, with the amplitude of a lever', () => {
    const report = hearing(
      { beats: 18_000, escaping: 'lever', rate: -14, beatErrorMs: 1.1, amplitudeDeg: 231 },
      { seconds: 60, known: { liftDeg: 52 } },
    )!;
    expect(report.rateStandardError).toBeLessThan(2 * bestRateError(18_000, 60, 0.1));
    expect(Math.abs(report.rateSecondsPerDay + 14)).toBeLessThan(4 * bestRateError(18_000, 60, 0.1));
    expect(Math.abs(report.beatErrorMs! - 1.1)).toBeLessThan(0.1);
    expect(Math.abs(report.amplitudeDegrees! - 231)).toBeLessThan(5);
    expect(report.warnings).toEqual([]);
  });
  it.each<[string, Disturbance]>([
    ['somebody talks louder than it ticks', { talk: [{ fromS: 3, toS: 14, db: 6 }] }],
    ['it strikes', { blows: Array.from({ length: 6 }, (_, i) => ({ atS: 4 + 1.4 * i, hz: 620, db: 6 })) }],
    ['another clock stands in the room', { other: { spec: { ...AS_HEARD, beats: 9000, rate: 90 }, db: -9 } }],
  ])('although %s', (_what, beside) => {
    const report = hearing({ beats: 7200, rate: 20, beatErrorMs: 6, sampleRate: 22_050 }, { beside })!;
    expect(report.beatsPerHour).toBe(7200);
    expect(Math.abs(report.rateSecondsPerDay - 20)).toBeLessThan(2);
    expect(Math.abs(report.beatErrorMs! - 6)).toBeLessThan(0.5);
  });
  // Seeds at which the room's answer was taken for the tock, or for the drop.
  it.each([
    [1005, -35, -4, 215],
    [1017, 9, 0, 299],
    [1025, -15, -4, 235],
  ])('although a hall rings on (%d)', (seed, rate, beatErrorMs, amplitudeDeg) => {
    const report = hearing(
      { beats: 18_000, escaping: 'lever', room: 'hall', rate, beatErrorMs, amplitudeDeg },
      { seconds: 60, known: { liftDeg: 52 }, seed },
    )!;
    expect(Math.abs(report.rateSecondsPerDay - rate)).toBeLessThan(4 * bestRateError(18_000, 60, 0.1));
    expect(Math.abs(report.beatErrorMs! - Math.abs(beatErrorMs))).toBeLessThan(0.1);
    expect(Math.abs(report.amplitudeDegrees! - amplitudeDeg)).toBeLessThan(5);
    expect(report).toMatchObject({ missing: 0, warnings: [] });
  });
  it('and another clock is named', () =>
    expect(
      hearing(
        { beats: 7200, sampleRate: 22_050 },
        { beside: { other: { spec: { ...AS_HEARD, beats: 9000, rate: 90 }, db: -4 } } },
      )!.warnings.join(),
    ).toContain('Another clock'));
  it('with beats that fail, and with its stop', () => {
    expect(hearing({ beats: 7200, sampleRate: 22_050 }, { beside: { missing: [21, 22, 33] } })!.missing).toBe(3);
    const report = hearing(
      { beats: 7200, sampleRate: 22_050 },
      { beside: { missing: Array.from({ length: 60 }, (_, i) => 30 + i) } },
    )!;
    expect(report.stoppedS).toBeGreaterThan(14);
    expect(report.stoppedS).toBeLessThan(16);
  });
  it('and the pattern of its escape wheel', () => {
    const report = hearing(
      { beats: 18_000, escaping: 'lever', teeth: 15, toothMs: 0.4, scatterMs: 0.05, sampleRate: 22_050 },
      { seconds: 40 },
    )!;
    expect(report.wheel!.teeth).toBe(15);
    expect(hearing({ beats: 18_000, escaping: 'lever', sampleRate: 22_050 }, { seconds: 40 })!.wheel).toBeNull();
  });
});

describe('what is not sure is said', () => {
  it('where only one of two is heard, unless the number is known', () => {
    const spec: Partial<ClockSpec> = { beats: 7200, tockDb: 60, sampleRate: 22_050 };
    expect(hearing(spec)!.warnings.join()).toContain('ambiguous');
    const known = hearing(spec, { known: { beats: 7200 } })!;
    expect(known).toMatchObject({ beatsPerHour: 7200, beatErrorMs: null, shortSide: null });
    expect(known.warnings.join()).toContain('Only one of tick and tock');
    expect(Math.abs(known.measuredBeats - 7200)).toBeLessThan(1);
  });
  it('of a number that is not usual', () => {
    const report = hearing({ beats: 8412, sampleRate: 22_050 })!;
    expect(report.beatsPerHour).toBe(8412);
    expect(report.warnings.join()).toContain('no usual number');
  });
  // Fact: a torsion pendulum of eight beats a minute that loses fifty minutes to hours a day.
  it.each([
    [-3000, 463],
    [-12_000, 413],
    [-18_000, 380],
  ])('of a torsion clock that loses %d s a day, by its number and without', (rate, beats) => {
    // Three milliseconds of a beat of eight seconds are no uneven escapement: practice.
    const slow = { beats: 480, rate, beatErrorMs: 90, scatterMs: 3, sampleRate: 8000 };
    expect(hearing(slow, { seconds: 90 })!.beatsPerHour).toBe(beats);
    const known = hearing(slow, { seconds: 90, known: { beats: 480 } })!;
    expect(Math.abs(known.rateSecondsPerDay - rate)).toBeLessThan(30);
    expect(known.warnings.join()).not.toContain('unevenly');
  });
  it('of two clocks that are heard as one, and of a slow one beside a fast one', () => {
    const beside = (beats: number, rate: number, db: number): Disturbance => ({
      other: { spec: { ...AS_HEARD, beats, rate, scatterMs: 0.2 }, db },
    });
    const [alike, slow] = [
      hearing(
        {
          beats: 5400,
          rate: 117.7,
          beatErrorMs: 9.09,
          scatterMs: 0.45,
          teeth: 37,
          toothMs: 0.186,
          tockDb: 3.14,
          snrDb: 27.6,
          room: 'none',
          sampleRate: 48_000,
        },
        { beside: beside(5400, -25, -8.7), seed: 696 },
      )!,
      hearing(
        {
          beats: 480,
          rate: 279.3,
          beatErrorMs: 473.5,
          scatterMs: 0.308,
          teeth: 24,
          toothMs: 0.208,
          tockDb: 4.88,
          snrDb: 15,
          room: 'none',
          sampleRate: 22_050,
        },
        { seconds: 60, beside: beside(8640, 66.9, -5.77), seed: 829 },
      )!,
    ];
    // what is heard is not the clock that is meant, and that is said
    expect([alike.beatsPerHour, slow.beatsPerHour]).toEqual([10_800, 8640]);
    expect(alike.warnings.join()).toMatch(/unevenly|two clocks|another clock/);
    expect(slow.warnings.join()).toContain('a slow clock may be near');
  });
  it('of an amplitude that nobody can hear', () =>
    expect(hearing({ beats: 7200, sampleRate: 22_050 }, { known: { liftDeg: 52 } })).toMatchObject({
      amplitudeDegrees: null,
    }));
  it.each<[string, Partial<ClockSpec>, Disturbance]>([
    ['noise', { snrDb: -60 }, {}],
    ['talk', { snrDb: -60 }, { talk: [{ fromS: 0, toS: 30, db: 66 }] }],
    ['a few hammer blows', { snrDb: -30 }, { blows: [1.5, 3.1, 4.4, 6.2].map((atS) => ({ atS, hz: 500, db: 50 })) }],
  ])('and nothing is heard in %s', (_what, spec, beside) =>
    expect(hearing({ sampleRate: 22_050, ...spec }, { beside })).toBeNull(),
  );
  it('the interval holds the truth, whether the beat wanders or not', () => {
    for (const wanderMs of [0, 0.15]) {
      let inside = 0;
      for (let seed = 0; seed < 12; seed++) {
        const report = hearing(
          { beats: 9000, rate: 10, wanderMs, sampleRate: 8000, snrDb: 14, room: 'none' },
          { seconds: 20, seed },
        )!;
        if (Math.abs(report.rateSecondsPerDay - 10) <= report.rateHalfWidth) inside++;
      }
      expect(inside, `wander ${wanderMs}`).toBeGreaterThanOrEqual(10);
    }
  });
});

describe('a file', () => {
  const bytes = (() => {
    const { sound, rate } = soundOf({ beats: 7200, rate: 12, sampleRate: 16_000 }, 20);
    return writeWav(sound, rate);
  })();
  const read = (b: Uint8Array) => hearWav((from, to) => b.subarray(from, to), b.length);
  it('is heard, and a cut one as far as it goes', () => {
    expect(read(bytes)).toMatchObject({ beatsPerHour: 7200, warnings: [] });
    expect(read(bytes.subarray(0, bytes.length - 200_000)).warnings.join()).toContain('cut off: 13.8');
  });
  it('that is silent, or has no beat, is refused', () => {
    expect(() => read(writeWav(new Float32Array(80_000), 16_000))).toThrow('silent');
    expect(() => read(writeWav(soundOf({ snrDb: -60, sampleRate: 16_000 }, 10).sound, 16_000))).toThrow('No beat');
  });
});
