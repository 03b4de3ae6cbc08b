import { decodePcm, wavFormat } from '@eclat/core/sound';
import { expect, it, vi } from 'vitest';
import { recordVoice } from './record.ts';
import type { OpenMicrophone } from './microphone.ts';

it('a voice is kept thinned to what a voice needs, and ends by itself after a minute', async () => {
  let give: (samples: Float32Array) => void = () => undefined;
  const close = vi.fn();
  const open: OpenMicrophone = async (onPiece) => {
    let first = 0;
    give = (samples) => {
      onPiece({ first, samples });
      first += samples.length;
    };
    return { name: 'm', sampleRate: 48_000, meddles: [], close };
  };
  const full = vi.fn();
  const recorder = await recordVoice(full, open);
  give(new Float32Array(48_000).fill(0.5));
  expect(recorder.seconds()).toBe(1);
  const { wav, seconds } = recorder.stop();
  const bytes = new Uint8Array(await wav.arrayBuffer());
  const format = wavFormat((from, to) => bytes.subarray(from, to), bytes.length);
  expect([seconds, format.sampleRate, format.dataBytes / 2, close.mock.calls.length]).toEqual([1, 16_000, 16_000, 1]);
  expect(decodePcm(format, bytes.subarray(format.dataStart)).every((s) => s === 0.5)).toBe(true);

  await recordVoice(full, open);
  for (let i = 0; i < 70; i++) give(new Float32Array(48_000));
  expect(full).toHaveBeenCalledTimes(1);
});
