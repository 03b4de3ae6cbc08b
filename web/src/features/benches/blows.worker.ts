import { fromSound, type FromSound, type HeardAs } from '@eclat/core/benches';
import { BlowFinder } from '@eclat/core/sound';

/** Keeps a short recording away from the thread that draws, and finds its blows when it has ended. */
export type ToBlows = { sampleRate: number } | { samples: Float32Array } | { end: HeardAs; lastedS: number };
export interface FromBlows {
  /** Null: nothing to be told from it. */
  found: FromSound | null;
  /** Why nothing is told, where it was the sound. */
  wrong: 'too loud' | 'lost' | null;
}

let finder: BlowFinder | null = null;
self.onmessage = ({ data }: MessageEvent<ToBlows>) => {
  if ('sampleRate' in data) finder = new BlowFinder(data.sampleRate);
  else if ('samples' in data) finder?.push(data.samples);
  else {
    const wrong = wrongWith(finder, data.lastedS);
    const reply: FromBlows = { wrong, found: wrong ? null : fromSound(data.end, finder?.blows() ?? []) };
    self.postMessage(reply);
  }
};

function wrongWith(heard: BlowFinder | null, lastedS: number): FromBlows['wrong'] {
  if (heard?.lost(lastedS)) return 'lost';
  return heard?.tooLoud ? 'too loud' : null;
}
