import { fromSound, type FromSound, type HeardAs } from '@eclat/core/benches';
import { BlowFinder } from '@eclat/core/sound';

/** Keeps a short recording away from the thread that draws, and finds its blows when it has ended. */
export type ToBlows = { sampleRate: number } | { samples: Float32Array } | { end: HeardAs };
export interface FromBlows {
  /** Null: nothing to be told from it. */
  found: FromSound | null;
}

let finder: BlowFinder | null = null;
self.onmessage = ({ data }: MessageEvent<ToBlows>) => {
  if ('sampleRate' in data) finder = new BlowFinder(data.sampleRate);
  else if ('samples' in data) finder?.push(data.samples);
  else {
    const reply: FromBlows = { found: fromSound(data.end, finder?.blows() ?? []) };
    self.postMessage(reply);
  }
};
