import { writeWav } from '@eclat/core/sound';
import { openMicrophone, type Microphone, type OpenMicrophone } from './microphone.ts';

/** Enough for a voice; a remark is small then. */
const VOICE_HZ = 16_000;
const MOST_SECONDS = 60;

export interface Recorder {
  seconds: () => number;
  stop: () => { wav: Blob; seconds: number };
  cancel: () => void;
}

/** Records a voice until it is stopped, a minute at the most. @throws when the microphone does not open */
export async function recordVoice(onFull: () => void, open: OpenMicrophone = openMicrophone): Promise<Recorder> {
  const pieces: Float32Array[] = [];
  let count = 0;
  let rate = 48_000;
  const microphone: Microphone = await open(({ samples }) => {
    if (count >= MOST_SECONDS * rate) return;
    pieces.push(samples);
    count += samples.length;
    if (count >= MOST_SECONDS * rate) onFull();
  }, onFull);
  rate = microphone.sampleRate;
  return {
    seconds: () => count / rate,
    cancel: microphone.close,
    stop: () => {
      microphone.close();
      const whole = new Float32Array(count);
      let at = 0;
      for (const p of pieces) {
        whole.set(p, at);
        at += p.length;
      }
      const every = Math.max(1, Math.floor(rate / VOICE_HZ));
      return {
        wav: new Blob([writeWav(thinned(whole, every), Math.round(rate / every))], { type: 'audio/wav' }),
        seconds: count / rate,
      };
    },
  };
}

/** One sample of so many: their mean. */
function thinned(samples: Float32Array, every: number): Float32Array {
  const out = new Float32Array(Math.floor(samples.length / every));
  for (let i = 0; i < out.length; i++) {
    let sum = 0;
    for (let j = 0; j < every; j++) sum += samples[i * every + j]!;
    out[i] = sum / every;
  }
  return out;
}
