import { describe, expect, it } from 'vitest';
import { AS_HEARD, seeded, SimulatedClock, type ClockSpec } from '../simulated/index.ts';
import { BlowCounter, CardClock, Listener } from './index.ts';

const RATE = 16_000,
  PIECE = 800;
/** Plays a clock to it, piece after piece as a sound card would, and looks at it after each. */
function play(
  listener: Listener,
  spec: Partial<ClockSpec>,
  seconds: number,
  each: (l: Listener, clock: SimulatedClock) => void = () => {},
  seed = 11,
): SimulatedClock {
  const clock = new SimulatedClock({ ...AS_HEARD, sampleRate: RATE, ...spec }, seeded(seed));
  for (let at = 0; at < seconds * RATE; at += PIECE) {
    listener.push(clock.give(PIECE));
    each(listener, clock);
  }
  return clock;
}

describe('a listener', () => {
  it('says a few seconds after it began which side is short, and never lags behind', () => {
    const listener = new Listener(RATE);
    let foundAt = Infinity,
      late = 0;
    play(listener, { beats: 7200, beatErrorMs: 14, rate: 40 }, 40, (l, clock) => {
      const live = l.live();
      if (live.sides) foundAt = Math.min(foundAt, live.seconds);
      // Oracle: the moments at which the simulated clock beat.
      if (live.lastS === null || live.seconds < 15) return;
      const due = clock.beatsAtS.filter((b) => b < live.seconds - 0.25).at(-1)!;
      if (live.lastS < due - 0.02) late++;
    });
    expect(foundAt).toBeLessThan(8);
    expect(late).toBe(0);
    const { sides, state, rough } = listener.live();
    expect([state, rough]).toEqual(['heard', false]);
    // The tick is the louder here, and the tock 14 ms late.
    expect(sides!.tickToTockMs - sides!.tockToTickMs).toBeCloseTo(28, 0);
    const report = listener.report(30)!;
    expect(Math.abs(report.rateSecondsPerDay - 40)).toBeLessThan(3 * Math.max(0.3, report.rateStandardError));
    expect(report).toMatchObject({ beatsPerHour: 7200, shortSide: 'tock to tick', missing: 0, extra: 0, warnings: [] });
  });
  it('follows a hand on the crutch', () => {
    const listener = new Listener(RATE, { beats: 7200 });
    const clock = play(listener, { beats: 7200, beatErrorMs: 14 }, 30);
    // The same clock, bent into beat: its sounds are the same, its tock is where it belongs.
    (clock.spec as { beatErrorMs: number }).beatErrorMs = 0;
    for (let i = 0; i < (8 * RATE) / PIECE; i++) listener.push(clock.give(PIECE));
    const { sides } = listener.live();
    expect(Math.abs(sides!.tickToTockMs - sides!.tockToTickMs)).toBeLessThan(1);
  });
  it('logs when it stopped, when it went again, and what it could not hear', () => {
    const listener = new Listener(RATE);
    play(listener, { beats: 9000 }, 25);
    const stoppedAt = listener.seconds;
    expect(listener.part()).toMatchObject({ fromS: expect.closeTo(0, -1), report: { beatsPerHour: 9000, missing: 0 } });
    play(listener, { beats: 9000, tockDb: 200, snrDb: -80 }, 0.001);
    for (let i = 0; i < (12 * RATE) / PIECE; i++)
      listener.push(new Float32Array(PIECE).map((_, j) => 1e-4 * Math.sin(j * j)));
    expect(listener.live().state).toBe('lost');
    const stop = listener.events.find((e) => e.kind === 'stopped')!;
    expect(Math.abs(stop.atS - stoppedAt)).toBeLessThan(1.5);
    listener.skip(90 * RATE);
    play(listener, { beats: 9000 }, 20, () => {}, 12);
    expect(listener.events.map((e) => e.kind)).toEqual(['found', 'stopped', 'not listened', 'found']);
    expect(listener.events[2]!.says).toContain('90 s');
    expect(listener.live()).toMatchObject({ state: 'heard' });
    // What was heard before it stopped is kept as a line of its own.
    expect(listener.hours).toHaveLength(1);
    expect(listener.hours[0]!.report!.beatsPerHour).toBe(9000);
  });
});

describe('beside the beat', () => {
  it('blows are counted and timed, ticks are not', () => {
    const counter = new BlowCounter(RATE);
    const blows = Array.from({ length: 7 }, (_, i) => ({ atS: 3 + 1.25 * i, hz: 540, db: 14 }));
    const clock = new SimulatedClock({ ...AS_HEARD, sampleRate: RATE, beats: 7200 }, seeded(5), { blows });
    for (let at = 0; at < 18 * RATE; at += PIECE) counter.push(clock.give(PIECE));
    expect(counter.strikes.map((s) => s.blows)).toEqual([7]);
    expect(counter.strikes[0]!.everyS).toBeCloseTo(1.25, 2);
    expect(Math.abs(counter.strikes[0]!.fromS - 3)).toBeLessThan(0.03);
  });
  // Oracle: a card that was made to run so fast, pieces that come late by chance.
  it('the sound card is measured by the computer’s time, and its error holds the truth', () => {
    const chance = seeded(3);
    let inside = 0;
    for (let trial = 0; trial < 20; trial++) {
      const ppm = 120 * chance() - 60;
      const card = new CardClock(48_000);
      let lost = 0;
      for (let n = 0; n < 900 * 48_000; n += 2048)
        lost += card.take(n, 1e12 + (1000 * n) / (48_000 * (1 + ppm / 1e6)) + 40 * chance() ** 4);
      expect(lost).toBe(0);
      const { ppmFast, error } = card.rate()!;
      expect(error).toBeLessThan(3);
      if (Math.abs(ppmFast - ppm) < 2 * error) inside++;
    }
    expect(inside).toBeGreaterThanOrEqual(18);
  });
  it('sound that was not taken is missed, a page that was held up is not', () => {
    const card = new CardClock(48_000);
    let lost = 0;
    for (let i = 0; i < 2000; i++) {
      const t = (i * 2048) / 48_000 + (i > 900 ? 60 : 0); // a minute asleep
      lost += card.take(i * 2048, 1000 * t + (i > 400 && i < 450 ? (450 - i) * 40 : 0)); // and once two seconds busy
    }
    expect(Math.abs(lost / 48_000 - 60)).toBeLessThan(0.5);
  });
});
