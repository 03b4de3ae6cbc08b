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
