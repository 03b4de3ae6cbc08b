import { isWav, writeWav } from '@eclat/core/sound';

const RATE = 48_000;

/**
 * A sound file as WAV: itself where it is one, else what the browser makes of it (MP3, M4A, Ogg, FLAC, as far as it
 * can), with all its channels.
 * @throws with words for the person when the browser cannot read it
 */
export async function asWav(file: File): Promise<Blob> {
  if (isWav(new Uint8Array(await file.slice(0, 12).arrayBuffer()))) return file;
  try {
    const sound = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(await file.arrayBuffer());
    const channels = Array.from({ length: sound.numberOfChannels }, (_, c) => sound.getChannelData(c));
    return new Blob([writeWav(channels, sound.sampleRate)], { type: 'audio/wav' });
  } catch {
    throw new Error('This browser cannot read such a sound. WAV can always be read.');
  }
}
