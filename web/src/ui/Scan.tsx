import { ImagePlus } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { openCamera } from '../devices/camera.ts';
import { CodeReader, PHOTO_ACROSS } from '../devices/code.ts';
import { wantsHttps } from '../devices/secure.ts';
import { ChooseFile } from './ChooseFile.tsx';

const LOOK_EVERY_MS = 200;

interface Props {
  /** What the code is on. */
  of: 'label' | 'card';
  /** What it says; null where none is seen. Called again and again while the camera looks. */
  onCode: (text: string | null) => void;
}

/** A code before the camera, or on a photo. */
export function Scan({ of, onCode }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const [why, setWhy] = useState('');
  const told = useRef(onCode);
  useEffect(() => {
    told.current = onCode;
  });
  useEffect(() => {
    let timer: ReturnType<typeof setInterval> | undefined;
    let shut: (() => void) | undefined;
    let gone = false;
    const reader = new CodeReader();
    const started = navigator.mediaDevices ? openCamera() : Promise.reject(new Error(wantsHttps('camera')));
    started.then(
      (camera) => {
        shut = camera.close;
        if (gone) return camera.close();
        const at = video.current!;
        at.srcObject = camera.stream;
        timer = setInterval(() => {
          void reader.read(at, at.videoWidth, at.videoHeight).then(
            (text) => told.current(text),
            () => undefined,
          );
        }, LOOK_EVERY_MS);
      },
      (error: unknown) => {
        const said = error instanceof Error ? error.message : 'it may not be used';
        setWhy(`No camera here: ${said}.`.replace('..', '.'));
      },
    );
    return () => {
      gone = true;
      clearInterval(timer);
      shut?.();
      reader.close();
    };
  }, []);
  return (
    <div className="flex flex-col gap-3">
      {why === '' ? (
        <video
          ref={video}
          autoPlay
          playsInline
          muted
          aria-label="What the camera sees"
          className="aspect-video max-h-[36dvh] w-full rounded-xl bg-black object-cover"
        />
      ) : (
        <p className="rounded-xl bg-sunk px-4 py-3 text-soft">
          {why} Take a photo of the {of} instead{of === 'label' && ', or type'}.
        </p>
      )}
      <FromPhoto of={of} onCode={onCode} />
    </div>
  );
}

/** A photo of it: where a page gets no camera, the device’s own takes it. */
function FromPhoto({ of, onCode }: Props) {
  const [none, setNone] = useState('');
  const look = async (file: File) => {
    setNone('');
    const reader = new CodeReader();
    try {
      const picture = await createImageBitmap(file);
      const text = await reader.read(picture, picture.width, picture.height, PHOTO_ACROSS);
      if (text === null) setNone('No code is seen on this photo: hold it straight, and nearer.');
      onCode(text);
    } catch {
      setNone('This is not a photo that can be read.');
    } finally {
      reader.close();
    }
  };
  return (
    <div>
      <ChooseFile camera accept="image/*" onFiles={([file]) => void look(file)}>
        <ImagePlus className="size-5" aria-hidden />
        Photo of a {of}
      </ChooseFile>
      {none && (
        <p role="status" className="mt-2 font-semibold text-danger">
          {none}
        </p>
      )}
    </div>
  );
}
