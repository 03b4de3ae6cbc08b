import jsQR from 'jsqr';

export interface Frame {
  data: Uint8ClampedArray;
  width: number;
  height: number;
}

/** Looks for a code in one picture, away from the page: what it says, or null. */
self.onmessage = ({ data: frame }: MessageEvent<Frame>) => {
  const found = jsQR(frame.data, frame.width, frame.height, { inversionAttempts: 'dontInvert' });
  self.postMessage(found?.data ?? null);
};
