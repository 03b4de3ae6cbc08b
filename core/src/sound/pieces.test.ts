import { describe, expect, it } from 'vitest';
import { AS_HEARD, seeded, SimulatedClock, type ClockSpec, type Disturbance } from '../simulated/index.ts';
import { BlowCounter, Listener, SoundRing } from './index.ts';

const RATE = 16_000,
  PIECE = 1600;
function play(
  listener: { push: (s: Float32Array) => void },
  spec: Partial<ClockSpec>,
  seconds: number,
  beside: Disturbance = {},
  seed = 21,
): void {
  const clock = new SimulatedClock({ ...AS_HEARD, sampleRate: RATE, ...spec }, seeded(seed), beside);
  for (let at = 0; at < seconds * RATE; at += PIECE) listener.push(clock.give(PIECE));
}

describe('a ring of sound', () => {
  const numbered = (from: number, count: number) => Float32Array.from({ length: count }, (_, i) => from + i);

  it('gives back what was pushed, by its number, over its own end', () => {
    const ring = new SoundRing(100);
    for (let at = 0; at < 250; at += 35) ring.push(numbered(at, 35));
    expect(ring.give(200, 80)).toEqual(numbered(200, 80));
    expect(ring.give(190, 1)).toEqual(numbered(190, 1));
  });

  it('says so when it is gone, or not there yet', () => {
    const ring = new SoundRing(100);
    ring.push(numbered(0, 60));
    expect(ring.give(-1, 4)).toBeNull();
    expect(ring.give(58, 4)).toBeNull();
    expect(ring.give(56, 4)).toEqual(numbered(56, 4));
    ring.push(numbered(60, 90));
    expect(ring.give(49, 4)).toBeNull();
    expect(ring.give(50, 4)).toEqual(numbered(50, 4));
  });

  it('takes more at once than it holds, and keeps the last of it', () => {
    const ring = new SoundRing(10);
    ring.push(numbered(0, 37));
    expect(ring.give(27, 10)).toEqual(numbered(27, 10));
    expect(ring.give(26, 2)).toBeNull();
  });
});

describe('a listener that goes on', () => {
  it('finds another clock that is put in the place of the first', () => {
    const listener = new Listener(RATE);
    play(listener, { beats: 7200 }, 20);
    expect(listener.report()!.beatsPerHour).toBe(7200);
    listener.push(new Float32Array(8 * RATE)); // carried away
    play(listener, { beats: 9000 }, 25, {}, 22);
    expect(listener.report()!.beatsPerHour).toBe(9000);
    expect(listener.events.map((e) => e.kind)).toEqual(['found', 'stopped', 'found']);
  });

  it('goes on under the same beat when only what it is held against changes', () => {
    const listener = new Listener(RATE);
    play(listener, { beats: 7200, rate: 0 }, 20);
    const { beats } = listener.live();
    listener.know({ card: { ppmFast: 100, error: 1 } });
    // 100 millionths fast, so that the clock was heard 8.64 s a day slow. Definition.
    expect(listener.report()!.rateSecondsPerDay).toBeCloseTo(8.6, 0);
    expect(listener.live().beats).toBe(beats);
  });

  it('misses what is missing, and says when', () => {
    const listener = new Listener(RATE);
    play(listener, { beats: 7200 }, 30, { missing: [45] });
    const missed = listener.events.filter((e) => e.kind === 'missed');
    expect(missed).toHaveLength(1);
    expect(missed[0]!.says).toContain('1 beat was');
    expect(Math.abs(missed[0]!.atS - 22.8)).toBeLessThan(1);
  });

  it('hears the amplitude of a lever when its lift angle is said', () => {
    const listener = new Listener(RATE, { liftDeg: 52 });
    play(listener, { beats: 18_000, escaping: 'lever', amplitudeDeg: 260 }, 25);
    expect(Math.abs(listener.report()!.amplitudeDegrees! - 260)).toBeLessThan(12);
  });

  it('says nothing where nothing beats', () => {
    const listener = new Listener(RATE);
    const random = seeded(9);
    for (let i = 0; i < 30 * 10; i++)
      listener.push(Float32Array.from({ length: PIECE }, () => 0.01 * (random() - 0.5)));
    expect([listener.live().state, listener.report(), listener.events]).toEqual(['listening', null, []]);
  });
});

describe('a counter of blows', () => {
  const blows = (n: number, everyS: number, db = 14) =>
    Array.from({ length: n }, (_, i) => ({ atS: 2 + everyS * i, hz: 620, db }));

  it.each([
    [12, 1.1],
    [3, 2.2],
    [1, 1],
  ])('counts %d, one every %d s', (n, everyS) => {
    const counter = new BlowCounter(RATE);
    play(counter, { beats: 7200 }, 2 + n * everyS + 7, { blows: blows(n, everyS) });
    expect(counter.strikes.map((s) => s.blows)).toEqual([n]);
    if (n > 1) expect(Math.abs(counter.strikes[0]!.everyS! - everyS)).toBeLessThan(0.03);
    else expect(counter.strikes[0]!.everyS).toBeNull();
  });

  it('tells an uneven strike from an even one', () => {
    const uneven = [0, 1, 2.4, 3.1, 4.6].map((s) => ({ atS: 2 + s, hz: 620, db: 14 }));
    const [a, b] = [new BlowCounter(RATE), new BlowCounter(RATE)];
    play(a, { beats: 7200 }, 13, { blows: uneven });
    play(b, { beats: 7200 }, 13, { blows: blows(5, 1.15) });
    expect(a.strikes[0]!.unevenS!).toBeGreaterThan(5 * b.strikes[0]!.unevenS!);
  });

  it('takes no clock for a strike', () => {
    const counter = new BlowCounter(RATE);
    play(counter, { beats: 3600 }, 20);
    expect([counter.now, counter.strikes]).toEqual([0, []]);
  });
});
