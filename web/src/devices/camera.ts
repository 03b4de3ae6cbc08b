import { clockTime } from '../ui/dates.ts';
/**
 * A camera that is looked through before it is pressed. The real one and the stand-in are behind the same interface.
 */
export interface OpenCamera {
  /** What it sees, for a video element; null where a picture stands in for it. */
  stream: MediaStream | null;
  take: (video: HTMLVideoElement | null) => Promise<File>;
  close: () => void;
}

const QUALITY = 0.92;
const asFile = (canvas: HTMLCanvasElement, name: string) =>
  new Promise<File>((done, fail) =>
    canvas.toBlob(
      (b) => (b ? done(new File([b], name, { type: 'image/jpeg' })) : fail(new Error('The camera gave no picture.'))),
      'image/jpeg',
      QUALITY,
    ),
  );

/**
 * The device's own camera, the one that looks away from the person where there are two.
 * @throws when there is none or it may not be used
 */
export async function openCamera(): Promise<OpenCamera> {
  const stream = await navigator.mediaDevices.getUserMedia({
    video: { facingMode: 'environment', width: { ideal: 2400 } },
    audio: false,
  });
  return {
    stream,
    take: async (video) => {
      const canvas = document.createElement('canvas');
      canvas.width = video!.videoWidth;
      canvas.height = video!.videoHeight;
      canvas.getContext('2d')!.drawImage(video!, 0, 0);
      return asFile(canvas, 'camera.jpg');
    },
    close: () => stream.getTracks().forEach((t) => t.stop()),
  };
}

/** A stand-in that always sees the same thing: a round plate on a bench, with the time it was taken. */
export function simulatedCamera(now: () => Date = () => new Date()): OpenCamera {
  return {
    stream: null,
    take: async () => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [1600, 1200];
      const c = canvas.getContext('2d')!;
      c.fillStyle = '#7c8894';
      c.fillRect(0, 0, 1600, 1200);
      c.fillStyle = '#c3a155';
      c.beginPath();
      c.arc(800, 600, 430, 0, 2 * Math.PI);
      c.fill();
      c.fillStyle = '#15295a';
      c.font = '64px sans-serif';
      c.fillText(`Simulated camera, ${clockTime(now().getTime())}`, 380, 1150);
      return asFile(canvas, 'simulated.jpg');
    },
    close: () => undefined,
  };
}
