import { ensure } from '../units/index.ts';
import { hear } from './hear.ts';
import type { Known, SoundReport } from './report/report.ts';
import { decodePcm, wavFormat, type ReadBytes } from './signal/wav.ts';

/** A file that never gets louder than this share of full scale is silent. */
const SILENT = 1e-4;
/** With more samples per million than this at full scale, the sound was too loud for the recorder. */
const CLIPPED_PPM = 200,
  FULL = 0.999;
const PIECE = 65_536;

/**
 * Hears a WAV file. Of several channels the one in which the beat is heard more steadily.
 * @throws Outside with what is wrong: not WAV, silent, or no beat in it
 */
export function hearWav(read: ReadBytes, bytes: number, known: Known = {}): SoundReport {
  const format = wavFormat(read, bytes);
  const frame = (format.bits / 8) * format.channels;
  const samples = format.dataBytes / frame;
  const channel = (c: number) => (from: number, count: number) =>
    from < 0 || from + count > samples
      ? null
      : decodePcm(format, read(format.dataStart + from * frame, format.dataStart + (from + count) * frame), c);

  let loudest = 0,
    full = 0;
  for (let at = 0; at < samples; at += PIECE)
    for (let c = 0; c < format.channels; c++)
      for (const s of channel(c)(at, Math.min(PIECE, samples - at))!) {
        const a = s < 0 ? -s : s;
        if (a > loudest) loudest = a;
        if (a >= FULL) full++;
      }
  ensure(loudest > SILENT + (format.bits === 8 ? 1 / 128 : 0), 'file', 'This file is silent.');
  const heard = Array.from({ length: format.channels }, (_, c) =>
    hear(format.sampleRate, samples, channel(c), known),
  ).filter((r) => r !== null);
  ensure(heard.length > 0, 'file', 'No beat was found in this sound.');
  const best = heard.reduce((a, b) => (b.rateStandardError < a.rateStandardError ? b : a));
  return {
    ...best,
    warnings: [
      ...(format.cut ? [`The file is cut off: ${(samples / format.sampleRate).toFixed(1)} s of it were heard.`] : []),
      ...(full > (CLIPPED_PPM / 1e6) * samples * format.channels ? ['The sound is clipped: record it less loud.'] : []),
      ...best.warnings,
    ],
  };
}
