import { AS_HEARD, type ClockSpec } from '@eclat/core/simulated';
import type { OpenMicrophone, Piece } from './microphone.ts';

const PIECE_MS = 50;
/** A worker that slept is not caught up with for longer than this. */
const MOST_BEHIND_S = 2;
export const SIMULATED_RATE = 44_100;

/**
 * A clock that is not there, behind the interface of a microphone: piece after piece, as fast as a sound card gives
 * them.
 */
export const openSimulated =
  (spec: Partial<ClockSpec>): OpenMicrophone =>
  (onPiece) => {
    const worker = new Worker(new URL('./simulated.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<Piece>) => onPiece(data);
    worker.postMessage({ ...AS_HEARD, ...spec, sampleRate: SIMULATED_RATE });
    let given = 0;
    const began = performance.now();
    const timer = setInterval(() => {
      const due = Math.floor(((performance.now() - began) / 1000) * SIMULATED_RATE);
      const count = Math.min(due - given, MOST_BEHIND_S * SIMULATED_RATE);
      if (count > 0) worker.postMessage({ first: given, count });
      given += Math.max(0, count);
    }, PIECE_MS);
    return Promise.resolve({
      name: 'Simulated clock',
      sampleRate: SIMULATED_RATE,
      meddles: [],
      close: () => {
        clearInterval(timer);
        worker.terminate();
      },
    });
  };
