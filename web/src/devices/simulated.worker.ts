import { seeded, SimulatedClock, type ClockSpec } from '@eclat/core/simulated';

/** Makes the sound of a clock away from the thread that draws. */
let clock: SimulatedClock | null = null;
self.onmessage = ({ data }: MessageEvent<ClockSpec | { first: number; count: number }>) => {
  if ('sampleRate' in data) {
    clock = new SimulatedClock(data, seeded(Math.floor(data.beats)));
    return;
  }
  const samples = clock!.give(data.count);
  (self as unknown as Worker).postMessage({ first: data.first, samples }, [samples.buffer]);
};
