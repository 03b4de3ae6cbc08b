import { counted } from '@eclat/core/units';
import { Camera } from 'lucide-react';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { say } from '../data/app-state.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { wantsHttps } from './secure.ts';
import { openCamera, simulatedCamera, type OpenCamera } from './camera.ts';

interface Props {
  onPhoto: (file: File) => void;
  onClose: () => void;
  /** Another way to a photo. */
  instead?: ReactNode;
}

/** Stays open for one photo after another; where there is no camera, a simulated one stands in and says so. */
export function CameraSheet({ onPhoto, onClose, instead }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const [camera, setCamera] = useState<OpenCamera | null>(null);
  const [why, setWhy] = useState('');
  const [taken, setTaken] = useState(0);
  // A camera that is open shows nothing yet for a moment: there is no photo to be had of it.
  const [shows, setShows] = useState(false);
  useEffect(() => {
    let opened: OpenCamera | undefined;
    let gone = false;
    const started = navigator.mediaDevices ? openCamera() : Promise.reject(new Error(wantsHttps('camera')));
    started
      .catch((error: unknown) => {
        setWhy(`No camera here: ${error instanceof Error ? error.message : 'it may not be used'}.`.replace('..', '.'));
        return simulatedCamera();
      })
      .then(
        (c) => {
          opened = c;
          if (gone) c.close();
          else setCamera(c);
        },
        () => undefined,
      );
    return () => {
      gone = true;
      opened?.close();
    };
  }, []);
  useEffect(() => {
    if (video.current && camera?.stream) video.current.srcObject = camera.stream;
  }, [camera]);
  const ready = camera !== null && (shows || camera.stream === null);
  const press = () =>
    camera!.take(video.current).then(
      (file) => {
        onPhoto(file);
        setTaken((n) => n + 1);
      },
      (error: Error) => say(error.message, 'danger'),
    );
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Camera"
      description={taken === 0 ? 'It stays open for one photo after another.' : `${counted(taken, 'photo')} taken.`}
    >
      {camera?.stream ? (
        <video
          ref={video}
          autoPlay
          playsInline
          muted
          onLoadedData={() => setShows(true)}
          className="max-h-[60vh] w-full rounded-lg bg-black object-contain"
        />
      ) : (
        <p className="grid aspect-video place-items-center rounded-lg bg-sunk p-6 text-center text-soft">
          {camera ? `${why} The simulated one stands in.` : 'Opening the camera …'}
        </p>
      )}
      <Button variant="main" className="mt-4 min-h-16 w-full text-xl" disabled={!ready} onClick={() => void press()}>
        <Camera className="size-7" aria-hidden />
        Take it
      </Button>
      {instead && <div className="mt-3">{instead}</div>}
    </Sheet>
  );
}
