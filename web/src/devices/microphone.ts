import captureUrl from './capture.worklet.ts?worker&url';
import { wantsHttps } from './secure.ts';

/**
 * A piece of sound, and the number of its first sample since the microphone was opened: a gap in the numbers is lost
 * sound.
 */
export interface Piece {
  first: number;
  samples: Float32Array;
}

/** A microphone that is open. The real one and the stand-ins are behind the same interface. */
export interface Microphone {
  name: string;
  sampleRate: number;
  /** What the browser does to the sound although it was asked not to: words for the person, empty when it keeps off. */
  meddles: string[];
  close: () => void;
}
export type OpenMicrophone = (onPiece: (piece: Piece) => void, onEnd: (why: string) => void) => Promise<Microphone>;

const ASKED = { echoCancellation: false, noiseSuppression: false, autoGainControl: false } as const;
const MEDDLING: Record<keyof typeof ASKED, string> = {
  echoCancellation: 'takes echoes away',
  noiseSuppression: 'suppresses noise',
  autoGainControl: 'changes the loudness by itself',
};

/**
 * The device's own microphone, with everything off that a browser likes to do to a voice.
 * @throws when there is none or it may not be used
 */
export const openMicrophone: OpenMicrophone = async (onPiece, onEnd) => {
  const stream = await navigator.mediaDevices.getUserMedia({ audio: { ...ASKED, channelCount: 1 }, video: false });
  const [track] = stream.getAudioTracks();
  // Nobody waits for an answer to a tenth of a second: larger pieces get lost less on a busy machine.
  const context = new AudioContext({ latencyHint: 'playback' });
  try {
    await context.audioWorklet.addModule(captureUrl);
  } catch (error) {
    track?.stop();
    void context.close();
    throw error;
  }
  const capture = new AudioWorkletNode(context, 'eclat-capture', {
    numberOfOutputs: 0,
    channelCount: 1,
    channelCountMode: 'explicit',
  });
  capture.port.onmessage = ({ data }: MessageEvent<Piece>) => onPiece(data);
  context.createMediaStreamSource(stream).connect(capture);
  if (context.state === 'suspended') await context.resume();
  track!.onended = () => onEnd('The microphone was taken away.');
  const set = track!.getSettings() as Partial<Record<keyof typeof ASKED, boolean>>;
  return {
    name: track!.label || 'Microphone',
    sampleRate: context.sampleRate,
    meddles: (Object.keys(ASKED) as (keyof typeof ASKED)[]).filter((k) => set[k] === true).map((k) => MEDDLING[k]),
    close: () => {
      track!.onended = null;
      track!.stop();
      void context.close();
    },
  };
};

/** Why a microphone did not open, in words that say what to do. */
export function whyNoMicrophone(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (!('mediaDevices' in navigator)) return wantsHttps('microphone');
  if (name === 'NotAllowedError') return 'The microphone may not be used: allow it in the browser, beside the address.';
  if (name === 'NotFoundError') return 'There is no microphone on this device.';
  return `The microphone did not open${error instanceof Error && error.message ? `: ${error.message}` : ''}.`;
}
