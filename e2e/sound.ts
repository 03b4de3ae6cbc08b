import { AS_HEARD, seeded, SimulatedClock, type ClockSpec } from '@eclat/core/simulated';
import { writeWav } from '@eclat/core/sound';

/** A clock as a WAV file. */
export const wavOf = (spec: Partial<ClockSpec>, seconds: number) =>
  Buffer.from(
    writeWav(
      new SimulatedClock({ ...AS_HEARD, sampleRate: 48_000, ...spec }, seeded(3)).give(seconds * 48_000),
      48_000,
    ),
  );
export const heardAs = { beats: 7200, rate: 30, beatErrorMs: 14 };

/** An alarm that rings evenly for some five seconds, over the ticking of its clock, quiet before and after. */
export function alarmWav(): { bytes: Buffer; seconds: number } {
  const RATE = 48_000;
  const blows: { atS: number; hz: number; db: number }[] = [];
  for (let i = 0; i < 40; i++) blows.push({ atS: 2 + 0.125 * i + 0.004 * (i % 3), hz: 1100, db: 12 });
  const clock = new SimulatedClock({ ...AS_HEARD, sampleRate: RATE, beats: 14_400 }, seeded(3), { blows });
  const sound = clock.give(9 * RATE).map((s) => 0.3 * s);
  return { bytes: Buffer.from(writeWav(sound, RATE)), seconds: blows.at(-1)!.atS - 2 + 0.125 };
}
