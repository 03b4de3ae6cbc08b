import { ensure } from '../../units/index.ts';

/** What the head of a WAV file says of the sound behind it. */
export interface WavFormat {
  sampleRate: number;
  channels: 1 | 2;
  bits: 8 | 16 | 24 | 32;
  /** 32-bit floating point; whole numbers otherwise. */
  float: boolean;
  /** Where the samples begin, and how many whole bytes of them the file really has. */
  dataStart: number;
  dataBytes: number;
  /** The file ends before its head says that it does. */
  cut: boolean;
}

const PCM = 1,
  FLOAT = 3,
  EXTENSIBLE = 0xfffe;
/** Longer than any head that is written by a recorder. */
export const WAV_HEAD_BYTES = 65_536;
export const MOST_MINUTES = 20;

/**
 * Reads the head of a WAV file. Source: Multimedia Programming Interface and Data Specifications 1.0 (1991), chapter
 * "Waveform Audio File Format", and its extensible form (1999).
 * @param head the first bytes of the file, at least those before the samples
 * @param fileBytes how long the whole file is
 * @throws Outside when it is not WAV, or of a kind that is not read
 */
export function wavFormat(head: Uint8Array, fileBytes: number): WavFormat {
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  const tag = (at: number) => String.fromCharCode(...head.subarray(at, at + 4));
  ensure(head.length >= 12 && tag(0) === 'RIFF' && tag(8) === 'WAVE', 'file', 'This is not a WAV file.');
  let format: Pick<WavFormat, 'sampleRate' | 'channels' | 'bits' | 'float'> | null = null;
  for (let at = 12; at + 8 <= head.length;) {
    const name = tag(at);
    const size = view.getUint32(at + 4, true);
    const body = at + 8;
    if (name === 'fmt ') {
      ensure(size >= 16 && body + 16 <= head.length, 'file', 'The head of this WAV file is damaged.');
      format = readFormat(view, body, size);
    } else if (name === 'data') {
      ensure(format !== null, 'file', 'The head of this WAV file is damaged: samples come before their format.');
      const frame = (format.bits / 8) * format.channels;
      const there = Math.max(0, fileBytes - body);
      // A recorder that was cut off wrote no length, or the greatest; a stream never knew it.
      const unknown = size === 0 || size === 0xffffffff;
      const dataBytes = Math.floor(Math.min(unknown ? there : size, there) / frame) * frame;
      ensure(dataBytes > 0, 'file', 'This WAV file holds no sound.');
      ensure(
        dataBytes / frame / format.sampleRate <= MOST_MINUTES * 60 + 1,
        'file',
        `This is longer than ${MOST_MINUTES} minutes.`,
      );
      return { ...format, dataStart: body, dataBytes, cut: unknown || size > there };
    }
    at = body + size + (size % 2);
  }
  ensure(false, 'file', format ? 'This WAV file holds no sound.' : 'The head of this WAV file is damaged.');
}

function readFormat(
  view: DataView,
  body: number,
  size: number,
): Pick<WavFormat, 'sampleRate' | 'channels' | 'bits' | 'float'> {
  let kind = view.getUint16(body, true);
  const [channels, sampleRate, bits] = [
    view.getUint16(body + 2, true),
    view.getUint32(body + 4, true),
    view.getUint16(body + 14, true),
  ];
  if (kind === EXTENSIBLE && size >= 40 && body + 26 <= view.byteLength) kind = view.getUint16(body + 24, true);
  ensure(kind === PCM || kind === FLOAT, 'file', 'This WAV file is packed. Save it as PCM.');
  ensure(channels === 1 || channels === 2, 'file', 'One or two channels can be read.');
  ensure(
    kind === FLOAT ? bits === 32 : [8, 16, 24, 32].includes(bits),
    'file',
    `Samples of ${bits} bits cannot be read: 8, 16, 24 or 32, or 32-bit float.`,
  );
  ensure(sampleRate >= 8000 && sampleRate <= 192_000, 'file', 'A sample rate of 8 to 192 kHz can be read.');
  return {
    sampleRate,
    channels: channels,
    bits: bits as WavFormat['bits'],
    float: kind === FLOAT,
  };
}

/** Samples of one channel, −1 to 1, out of whole frames of bytes. */
export function decodePcm({ bits, float, channels }: WavFormat, bytes: Uint8Array, channel = 0): Float32Array {
  const width = bits / 8;
  const frame = width * channels;
  const out = new Float32Array(Math.floor(bytes.length / frame));
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = channel * width;
  if (float)
    for (let i = 0; i < out.length; i++, at += frame) {
      const v = view.getFloat32(at, true);
      out[i] = Number.isFinite(v) ? v : 0;
    }
  else if (bits === 16) for (let i = 0; i < out.length; i++, at += frame) out[i] = view.getInt16(at, true) / 32_768;
  else if (bits === 8) for (let i = 0; i < out.length; i++, at += frame) out[i] = (bytes[at]! - 128) / 128;
  else if (bits === 24)
    for (let i = 0; i < out.length; i++, at += frame)
      out[i] = ((view.getInt8(at + 2) << 16) | (bytes[at + 1]! << 8) | bytes[at]!) / 8_388_608;
  else for (let i = 0; i < out.length; i++, at += frame) out[i] = view.getInt32(at, true) / 2_147_483_648;
  return out;
}

/** A WAV file of one channel in 16 bits. What is louder than full scale is clipped. */
export function writeWav(samples: Float32Array, sampleRate: number): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(44 + samples.length * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, s: string) => {
    for (let i = 0; i < s.length; i++) bytes[at + i] = s.charCodeAt(i);
  };
  text(0, 'RIFF');
  text(8, 'WAVEfmt ');
  text(36, 'data');
  view.setUint32(4, bytes.length - 8, true);
  view.setUint32(16, 16, true);
  view.setUint16(20, PCM, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, sampleRate, true);
  view.setUint32(28, sampleRate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  view.setUint32(40, samples.length * 2, true);
  for (let i = 0; i < samples.length; i++)
    view.setInt16(44 + i * 2, Math.max(-32_768, Math.min(32_767, Math.round(samples[i]! * 32_768))), true);
  return bytes;
}
