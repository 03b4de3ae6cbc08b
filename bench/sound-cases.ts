import { hear, type Known, type SoundReport } from '@eclat/core/sound';
import { AS_HEARD, seeded, SimulatedClock, type ClockSpec, type Disturbance } from '@eclat/core/simulated';
import { USUAL_BEATS } from '@eclat/core/train';

/** One simulated clock heard, and how long that took. */
export function heard(
  spec: Partial<ClockSpec>,
  seed: number,
  seconds: number,
  known: Known = {},
  beside: Disturbance = {},
): { report: SoundReport | null; ms: number } {
  const clock = new SimulatedClock({ ...AS_HEARD, ...spec }, seeded(seed), beside);
  const rate = clock.spec.sampleRate;
  const sound = clock.give(Math.round(rate * seconds));
  const began = performance.now();
  const report = hear(
    rate,
    sound.length,
    (from, count) => (from < 0 || from + count > sound.length ? null : sound.subarray(from, from + count)),
    known,
  );
  return { report, ms: performance.now() - began };
}

/** Any clock in any room with any disturbance, the same for the same number. */
export function anyCase(number: number): {
  spec: Partial<ClockSpec>;
  beside: Disturbance;
  seconds: number;
  words: string;
} {
  const chance = seeded(number * 7919 + 13);
  const between = (a: number, b: number) => a + (b - a) * chance();
  const one = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)]!;
  const usual = chance() < 0.7;
  const beats = usual ? one(USUAL_BEATS) : Math.round(480 * (36_000 / 480) ** chance());
  const lever = beats >= 14_000 && chance() < 0.85;
  const beatMs = 3_600_000 / beats;
  const seconds = Math.min(60, Math.max(20, (beatMs / 1000) * 16));
  const spec: Partial<ClockSpec> = {
    sampleRate: one([8000, 16_000, 22_050, 44_100, 44_100, 48_000]),
    escaping: lever ? 'lever' : 'pendulum',
    beats,
    rate: between(-300, 300),
    beatErrorMs: (chance() < 0.5 ? 1 : -1) * chance() ** 2 * 0.12 * beatMs,
    amplitudeDeg: between(150, 310),
    scatterMs: between(0.03, lever ? 0.2 : 0.6),
    wanderMs: chance() < 0.3 ? between(0, 0.1) : 0,
    teeth: 15 + Math.floor(chance() * 25),
    toothMs: chance() < 0.4 ? between(0, 0.3) : 0,
    tockDb: chance() < 0.15 ? between(8, 25) : between(0, 6),
    snrDb: between(6, 30),
    room: one(['none', 'bench', 'hall']),
  };
  const kind = chance();
  const beside: Disturbance = {};
  let what = 'alone';
  if (kind < 0.15) {
    const fromS = between(0, seconds * 0.6);
    beside.talk = [{ fromS, toS: fromS + between(3, seconds * 0.4), db: between(-6, 10) }];
    what = 'talk';
  } else if (kind < 0.3) {
    const [fromS, everyS] = [between(1, seconds * 0.5), between(0.7, 2)];
    beside.blows = Array.from({ length: 12 }, (_, i) => ({
      atS: fromS + i * everyS,
      hz: between(300, 900),
      db: between(5, 25),
    })).filter((b) => b.atS < seconds - 1);
    what = 'hammers';
  } else if (kind < 0.42) {
    beside.other = {
      spec: { ...AS_HEARD, beats: one(USUAL_BEATS), rate: between(-200, 200), scatterMs: 0.2 },
      db: between(-18, -3),
    };
    what = `a clock of ${beside.other.spec.beats}`;
  } else if (kind < 0.5) {
    beside.missing = Array.from({ length: Math.floor((seconds * 1000 * 0.08) / beatMs) }, () =>
      Math.floor((chance() * seconds * 1000) / beatMs),
    );
    what = 'beats missing';
  }
  return {
    spec,
    beside,
    seconds,
    words:
      `${beats} ${spec.escaping}, ${spec.sampleRate} Hz, ${spec.snrDb!.toFixed(0)} dB, room ` +
      `${spec.room}, tock −${spec.tockDb!.toFixed(0)} dB, ${what}`,
  };
}
