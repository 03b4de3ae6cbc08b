import { ImagePlus } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { CodeReader, placeOfCode } from '../../devices/code.ts';
import { openCamera } from '../../devices/camera.ts';
import { wantsHttps } from '../../devices/secure.ts';
import { useBench } from '../../data/queries.ts';
import { buttonClass } from '../../ui/Button.tsx';
import { useFew } from '../../ui/Few.tsx';
import { matches } from './bench-rows.ts';

const LOOK_EVERY_MS = 200;
const AT_ONCE = 12;

/** Which clock is this? By the code on its label, or by what is written there. */
export function WhichScreen() {
  const go = useNavigate();
  const [foreign, setForeign] = useState('');
  const found = (text: string | null) => {
    if (text === null) return;
    const place = placeOfCode(text);
    if (place) void go(place);
    else setForeign(text);
  };
  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-4 px-4 py-4">
      <h1 className="text-2xl">Which clock is this?</h1>
      <Scan onCode={found} />
      {foreign && (
        <p role="status" className="rounded-lg bg-brass-wash px-4 py-2 break-words">
          <b>This code is not of a clock here.</b> It says: {foreign.slice(0, 200)}
        </p>
      )}
      <ByWords />
    </div>
  );
}

function Scan({ onCode }: { onCode: (text: string | null) => void }) {
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
        <p className="rounded-xl bg-sunk px-4 py-3 text-soft">{why} Take a photo of the label instead, or type.</p>
      )}
      <FromPhoto onCode={onCode} />
    </div>
  );
}

/** A photo of the label: where a page gets no camera, the device’s own takes it. */
function FromPhoto({ onCode }: { onCode: (text: string | null) => void }) {
  const id = useId();
  const [none, setNone] = useState('');
  const look = async (file: File) => {
    setNone('');
    const reader = new CodeReader();
    try {
      const picture = await createImageBitmap(file);
      const text = await reader.read(picture, picture.width, picture.height);
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
      <input
        id={id}
        type="file"
        accept="image/*"
        capture="environment"
        className="peer sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void look(file);
        }}
      />
      <label
        htmlFor={id}
        className={buttonClass('quiet', 'peer-focus-visible:outline-3 peer-focus-visible:outline-brass-fill')}
      >
        <ImagePlus className="size-5" aria-hidden />
        Photo of a label
      </label>
      {none && (
        <p role="status" className="mt-2 font-semibold text-danger">
          {none}
        </p>
      )}
    </div>
  );
}

function ByWords() {
  const { data = [] } = useBench();
  const [typed, setTyped] = useState('');
  const [shown, rest] = useFew(
    data.filter((r) => matches(r, typed)),
    AT_ONCE,
    'clocks',
  );
  return (
    <section aria-label="By what is written on it" className="flex flex-col gap-2">
      <label className="font-semibold">
        Claim, owner, clock or code
        <input
          className="mt-1 min-h-12 w-full rounded-lg border border-line bg-enamel px-3 text-lg font-normal"
          value={typed}
          inputMode="search"
          onChange={(e) => setTyped(e.target.value)}
        />
      </label>
      <ul className="divide-y divide-line rounded-xl border border-line bg-enamel empty:hidden">
        {shown.map((r) => (
          <li key={r.visitId}>
            <Link to={`/visits/${r.visitId}`} className="flex min-h-14 items-center gap-3 px-4 hover:bg-steel-wash">
              <b className="w-20 shrink-0 tabular-nums">{r.claim}</b>
              <span className="min-w-0 flex-1 truncate">{r.clock}</span>
              <span className="truncate text-soft max-sm:hidden">{r.owner}</span>
            </Link>
          </li>
        ))}
      </ul>
      {rest}
    </section>
  );
}
