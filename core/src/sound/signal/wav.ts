import { ensure } from '../../units/index.ts';

/** What the head of a WAV file says of the sound behind it. */
export interface WavFormat {
  sampleRate: number;
  channels: number;
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
export const MOST_MINUTES = 20;
const MOST_CHANNELS = 16;
/** More pieces than any recorder writes before its samples: a file of nothing else is none. */
const MOST_PIECES = 1000;
/** In a 64-bit file the length stands elsewhere. */
const ELSEWHERE = 0xffffffff;

/** Bytes of a file from..to, as far as there are any. */
export type ReadBytes = (from: number, to: number) => Uint8Array;

const viewOf = (b: Uint8Array) => new DataView(b.buffer, b.byteOffset, b.byteLength);
const tagOf = (b: Uint8Array, at = 0) => String.fromCharCode(...b.subarray(at, at + 4));

/** Whether it begins as a WAV file does, of 32 or of 64 bits. */
export const isWav = (head: Uint8Array): boolean =>
  head.length >= 12 && ['RIFF', 'RF64', 'BW64'].includes(tagOf(head)) && tagOf(head, 8) === 'WAVE';

/**
 * Reads the head of a WAV file, wherever in the file its samples begin. Sources: Multimedia Programming Interface and
 * Data Specifications 1.0 (1991), chapter "Waveform Audio File Format", and its extensible form (1999); EBU Tech 3306
 * (RF64) and ITU-R BS.2088 (BW64) for files with lengths of 64 bits.
 * @param read gives bytes of the file
 * @param fileBytes how long the whole file is
 * @throws Outside when it is not WAV, or of a kind that is not read
 */
export function wavFormat(read: ReadBytes, fileBytes: number): WavFormat {
  ensure(isWav(read(0, 12)), 'file', 'This is not a WAV file.');
  let format: Pick<WavFormat, 'sampleRate' | 'channels' | 'bits' | 'float'> | null = null;
  let longData: number | null = null;
  let at = 12;
  for (let piece = 0; piece < MOST_PIECES && at + 8 <= fileBytes; piece++) {
    const head = read(at, at + 8 + 40);
    if (head.length < 8) break;
    const name = tagOf(head);
    const size = viewOf(head).getUint32(4, true);
    const body = at + 8;
    if (name === 'ds64' && head.length >= 24) longData = Number(viewOf(head).getBigUint64(16, true));
    else if (name === 'fmt ') {
      ensure(size >= 16 && head.length >= 24, 'file', 'The head of this WAV file is damaged.');
      format = readFormat(viewOf(head), 8, size);
    } else if (name === 'data') {
      ensure(format !== null, 'file', 'The head of this WAV file is damaged: samples come before their format.');
      return samplesOf(format, body, size === ELSEWHERE && longData !== null ? longData : size, fileBytes);
    }
    at = body + size + (size % 2);
  }
  ensure(false, 'file', format ? 'This WAV file holds no sound.' : 'The head of this WAV file is damaged.');
}

function samplesOf(
  format: Pick<WavFormat, 'sampleRate' | 'channels' | 'bits' | 'float'>,
  dataStart: number,
  said: number,
  fileBytes: number,
): WavFormat {
  const frame = (format.bits / 8) * format.channels;
  const there = Math.max(0, fileBytes - dataStart);
  // A recorder that was cut off wrote no length, or the greatest; a stream never knew it.
  const unknown = said === 0 || said === ELSEWHERE;
  const dataBytes = Math.floor(Math.min(unknown ? there : said, there) / frame) * frame;
  ensure(dataBytes > 0, 'file', 'This WAV file holds no sound.');
  ensure(
    dataBytes / frame / format.sampleRate <= MOST_MINUTES * 60 + 1,
    'file',
    `This is longer than ${MOST_MINUTES} minutes.`,
  );
  return { ...format, dataStart, dataBytes, cut: unknown || said > there };
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
  ensure(channels >= 1 && channels <= MOST_CHANNELS, 'file', `One to ${MOST_CHANNELS} channels can be read.`);
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

/** A WAV file in 16 bits, of one channel or of several that are as long as each other. What is too loud is clipped. */
export function writeWav(sound: Float32Array | readonly Float32Array[], sampleRate: number): Uint8Array<ArrayBuffer> {
  const channels = sound instanceof Float32Array ? [sound] : sound;
  const count = channels[0]?.length ?? 0;
  const frame = 2 * channels.length;
  const bytes = new Uint8Array(44 + count * frame);
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
  view.setUint16(22, channels.length, true);
  view.setUint32(24, sampleRate, true);
  view.setUint32(28, sampleRate * frame, true);
  view.setUint16(32, frame, true);
  view.setUint16(34, 16, true);
  view.setUint32(40, count * frame, true);
  channels.forEach((samples, c) => {
    for (let i = 0, at = 44 + 2 * c; i < count; i++, at += frame)
      view.setInt16(at, Math.max(-32_768, Math.min(32_767, Math.round(samples[i]! * 32_768))), true);
  });
  return bytes;
}
