import { describe, expect, it } from 'vitest';
import { decodePcm, wavFormat, writeWav } from './wav.ts';

const readerOf = (bytes: Uint8Array) => (from: number, to: number) => bytes.subarray(from, to);
const bytesOf = (base64: string) => Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));

// Oracle: eight frames of two tones, written by SoX 14.4.2 in each form, and its own list of the samples.
const WRITTEN = {
  '8 bits': 'UklGRjQAAABXQVZFZm10IBAAAAABAAIAQB8AAIA+AAACAAgAZGF0YRAAAACHkbrY2nLMKJ2bXNYxUyQ6',
  '16 bits': 'UklGRkQAAABXQVZFZm10IBAAAAABAAIAQB8AAAB9AAAEABAAZGF0YSAAAADDBrIQrjnqV0paZPJuTDGoCx31GuPbtFVtsVLT8qMUug==',
  '24 bits, extensible':
    'UklGRngAAABXQVZFZm10ICgAAAD+/wIAQB8AAIC7AAAGABgAFgAYAAMAAAABAAAAAAAQAIAAAKoAOJtxZmFjdAQAAAAIAAAA' +
    'ZGF0YTAAAAAAwwYAshAArjkA6lcASloAZPIAbkwAMagACx0A9RoA49sAtFUAbbEAUtMA8qMAFLo=',
  '32 bits, extensible':
    'UklGRogAAABXQVZFZm10ICgAAAD+/wIAQB8AAAD6AAAIACAAFgAgAAMAAAABAAAAAAAQAIAAAKoAOJtxZmFjdAQAAAAIAAAA' +
    'ZGF0YUAAAAAAAMMGAACyEAAArjkAAOpXAABKWgAAZPIAAG5MAAAxqAAACx0AAPUaAADj2wAAtFUAAG2xAABS0wAA8qMAABS6',
  '32 bits float':
    'UklGRnIAAABXQVZFZm10IBIAAAADAAIAQB8AAAD6AAAIACAAAABmYWN0BAAAAAgAAABkYXRhQAAAAABgWD0AkAU+ALjmPgDU' +
    'Lz8AlDQ/AMDZvQDcGD8Ani+/AFhoPgCoVz4AdJC+AGgrPwAmHb8AuLK+ABw4vwDYC78=',
};
const SAMPLES = [
  [
    0.052825927734, 0.45062255859, 0.70538330078, 0.59710693359, 0.22689819336, -0.28213500977, -0.61386108398,
    -0.71917724609,
  ],
  [
    0.13043212891, 0.68682861328, -0.10632324219, -0.68600463867, 0.21060180664, 0.66955566406, -0.34906005859,
    -0.54626464844,
  ],
];

const framesOf = (bytes: Uint8Array, channel: number) => {
  const format = wavFormat(readerOf(bytes), bytes.length);
  return {
    format,
    samples: [...decodePcm(format, bytes.subarray(format.dataStart, format.dataStart + format.dataBytes), channel)],
  };
};

describe('WAV', () => {
  it.each(Object.entries(WRITTEN))('of %s is read as another program wrote it', (kind, base64) => {
    for (const channel of [0, 1]) {
      const { format, samples } = framesOf(bytesOf(base64), channel);
      expect(format).toMatchObject({ sampleRate: 8000, channels: 2, cut: false });
      expect(samples).toHaveLength(8);
      samples.forEach((s, i) =>
        expect(Math.abs(s - SAMPLES[channel]![i]!), kind).toBeLessThan(kind === '8 bits' ? 0.008 : 1e-6),
      );
    }
  });
  it('is written so that it is read again, clipped at full scale', () => {
    const bytes = writeWav(Float32Array.of(0, 0.5, -1, 3), 44_100);
    expect(framesOf(bytes, 0)).toMatchObject({
      format: { sampleRate: 44_100, channels: 1, bits: 16 },
      samples: [0, 0.5, -1, 32_767 / 32_768],
    });
  });
  it('has its samples far behind its head, as field recorders write, in six channels too', () => {
    const channels = Array.from({ length: 6 }, (_, c) =>
      Float32Array.from({ length: 100 }, (_, i) => (c + 1) * i * 1e-3),
    );
    const plain = writeWav(channels, 48_000);
    // A piece that nobody here knows stands before the samples: 200 kB of a recorder's own.
    const junk = 200_000;
    const far = new Uint8Array(plain.length + 8 + junk);
    far.set(plain.subarray(0, 36));
    far.set(new TextEncoder().encode('bext'), 36);
    new DataView(far.buffer).setUint32(40, junk, true);
    far.set(plain.subarray(36), 44 + junk);
    const { format, samples } = framesOf(far, 4);
    expect(format).toMatchObject({ channels: 6, dataStart: 44 + junk + 8, dataBytes: 1200, cut: false });
    samples.forEach((s, i) => expect(Math.abs(s - 5 * i * 1e-3)).toBeLessThan(1e-4));
  });
  it('says its length in 64 bits, as EBU Tech 3306 has it', () => {
    const plain = writeWav(
      Float32Array.from({ length: 50 }, (_, i) => i / 100),
      8000,
    );
    const long = new Uint8Array(plain.length + 36);
    const view = new DataView(long.buffer);
    long.set(plain.subarray(0, 12));
    long.set(new TextEncoder().encode('RF64'));
    view.setUint32(4, 0xffffffff, true);
    long.set(new TextEncoder().encode('ds64'), 12);
    view.setUint32(16, 28, true);
    view.setBigUint64(20, BigInt(long.length - 8), true);
    view.setBigUint64(28, 100n, true);
    view.setBigUint64(36, 50n, true);
    long.set(plain.subarray(12), 48);
    view.setUint32(48 + 28, 0xffffffff, true);
    const { format, samples } = framesOf(long, 0);
    expect([format.dataBytes, format.cut, samples[7]]).toEqual([100, false, expect.closeTo(0.07, 3)]);
  });
  it('that was cut off is read as far as it goes', () => {
    const whole = bytesOf(WRITTEN['16 bits']);
    const { format, samples } = framesOf(whole.subarray(0, 44 + 14), 1);
    expect([format.cut, samples.length]).toEqual([true, 3]);
    const unknown = whole.slice();
    new DataView(unknown.buffer).setUint32(40, 0xffffffff, true);
    expect(framesOf(unknown, 0)).toMatchObject({ format: { cut: true, dataBytes: 32 } });
  });
  it.each<[string, (b: Uint8Array) => Uint8Array, string]>([
    ['another file', () => new TextEncoder().encode('ID3 is not what it should be'), 'not a WAV file'],
    [
      'a packed one',
      (b) => {
        b[20] = 2;
        return b;
      },
      'packed',
    ],
    [
      'sixty channels',
      (b) => {
        b[22] = 60;
        return b;
      },
      'channels',
    ],
    [
      'a rate of 100 Hz',
      (b) => {
        b.set([100, 0, 0, 0], 24);
        return b;
      },
      'sample rate',
    ],
    ['nothing behind its head', (b) => b.subarray(0, 44), 'no sound'],
  ])('refuses %s', (_name, change, message) => {
    const bytes = change(bytesOf(WRITTEN['16 bits']));
    expect(() => wavFormat(readerOf(bytes), bytes.length)).toThrow(message);
  });
});
