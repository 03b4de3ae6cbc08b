import { LEAST_RADIUS_PX, placeOf, type Spot, type Tooth, type ToothCount } from '@eclat/core/photo';
import { counted } from '@eclat/core/units';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import type { OnDevice } from './onDevice.ts';
import { PhotoBoard } from './PhotoBoard.tsx';
import { Mark } from './PressBoard.tsx';

/** Count, or why there is none; null while nothing was asked. */
type Found = ToothCount | 'busy' | 'failed' | null;

/** The middle, then the rim: then it is counted, in a worker. */
export function CountTeeth({ photo }: { photo: OnDevice }) {
  const [middle, setMiddle] = useState<Spot | null>(null);
  const [rim, setRim] = useState<Spot | null>(null);
  const [found, setFound] = useState<Found>(null);
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  const again = () => {
    stop();
    setMiddle(null);
    setRim(null);
    setFound(null);
  };
  const count = (from: Spot, to: Spot) => {
    setFound('busy');
    const w = new Worker(new URL('./teeth.worker.ts', import.meta.url), { type: 'module' });
    worker.current = w;
    w.onmessage = ({ data }: MessageEvent<ToothCount>) => {
      setFound(data);
      stop();
    };
    w.onerror = () => setFound('failed');
    w.postMessage({ picture: photo.picture, middle: from, rim: to });
  };
  const asks = asked(middle, rim);
  const result = typeof found === 'object' ? found : null;
  return (
    <>
      <Says asks={asks} found={found} />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <PhotoBoard
          photo={photo}
          asks={asks}
          onPress={(at) => {
            if (!middle) setMiddle(at);
            else if (!rim && Math.hypot(at.x - middle.x, at.y - middle.y) >= LEAST_RADIUS_PX) {
              setRim(at);
              count(middle, at);
            }
          }}
        >
          {middle && <Mark at={middle} of={photo.canvas.width} says="middle" />}
          {rim && !result && <Mark at={rim} of={photo.canvas.width} says="rim" />}
          {result && <Drawn found={result} of={photo.canvas.width} />}
        </PhotoBoard>
        <div className="flex flex-col gap-3">
          {result && <Why found={result} />}
          {(middle ?? rim) && <Button onClick={again}>{found === 'busy' ? 'Stop' : 'Press again'}</Button>}
        </div>
      </div>
    </>
  );
}

const asked = (middle: Spot | null, rim: Spot | null): string | null => {
  if (!middle) return 'Press the wheel’s middle';
  return rim ? null : 'Press its rim, on the teeth';
};

function Says({ asks, found }: { asks: string | null; found: Found }) {
  if (found === null) return <Answer tone="info" title={asks ?? ''} />;
  if (found === 'busy') return <Answer tone="info" title="Counting …" />;
  if (found === 'failed') return <Answer tone="due" title="This could not be counted here. Load the page again." />;
  if (found.teeth === null)
    return (
      <Answer tone="due" title="Not sure">
        Nearest {found.likely.map((l) => l.teeth).join(', ')}. Straighter from above, closer, without a shine on the
        rim; or press nearer to its middle.
      </Answer>
    );
  const gone = found.each.filter((t) => t.state === 'missing');
  const hidden = found.each.filter((t) => t.state === 'hidden').length;
  return (
    <Answer tone="good" title={`${found.teeth} teeth`}>
      {gone.length > 0 && `${counted(gone.length, 'tooth', 'teeth')} missing: ${places(gone, found)}. `}
      {hidden > 0 && `${hidden} hidden by a shine. `}
      {found.likely[1] && `${found.likely[1].teeth} is far less likely.`}
    </Answer>
  );
}

/** "2 at 5 o’clock, 1 at 9 o’clock" */
function places(teeth: readonly Tooth[], found: ToothCount): string {
  const at = teeth.map((t) => placeName(t, found));
  return [...new Set(at)].map((place) => `${at.filter((p) => p === place).length} ${place}`).join(', ');
}

/** Where a tooth stands on the photo, as on a dial. */
function placeName(tooth: Tooth, { rim }: ToothCount): string {
  const turn = Math.atan2(tooth.at.x - rim.x, -(tooth.at.y - rim.y)) / (2 * Math.PI);
  const hour = ((Math.round(12 * turn) + 11) % 12) + 1;
  return `at ${hour} o’clock`;
}

/** The rim that was found, and a mark where a tooth is missing. */
function Drawn({ found: { rim, each }, of }: { found: ToothCount; of: number }) {
  const line = Array.from({ length: 181 }, (_, i) => placeOf(rim, (2 * Math.PI * i) / 180, 1));
  return (
    <g fill="none" strokeWidth={of / 400}>
      <polyline points={line.map((p) => `${p.x.toFixed(1)},${p.y.toFixed(1)}`).join(' ')} stroke="#3d6bd6" />
      {each
        .filter((t) => t.state !== 'there')
        .map((t) => (
          <circle
            key={t.number}
            cx={t.at.x}
            cy={t.at.y}
            r={of / 60}
            stroke={t.state === 'missing' ? '#c4281c' : '#d8a51d'}
            strokeWidth={of / 200}
            strokeDasharray={t.state === 'missing' ? undefined : `${of / 100}`}
          />
        ))}
    </g>
  );
}

/** How many pieces of the strip stand under each other: on a phone each is still wide enough to be seen. */
const PIECES = 4;

/** The rim as a straight strip: the teeth stand side by side, and one sees what was counted. */
function Why({ found }: { found: ToothCount }) {
  const strip = useRef<HTMLCanvasElement>(null);
  const { wide, high, light } = found.strip;
  const piece = Math.ceil(wide / PIECES);
  useEffect(() => {
    const context = strip.current?.getContext('2d');
    if (!context) return;
    const gap = 4;
    const image = context.createImageData(piece, PIECES * (high + gap));
    for (let p = 0; p < PIECES; p++)
      for (let y = 0; y < high; y++)
        for (let x = 0; x < piece && p * piece + x < wide; x++) {
          const grey = 255 * Math.min(1, Math.max(0, light[y * wide + p * piece + x]!));
          const at = 4 * ((p * (high + gap) + y) * piece + x);
          image.data.set([grey, grey, grey, 255], at);
        }
    context.putImageData(image, 0, 0);
  }, [wide, high, light, piece]);
  return (
    <Panel title="Its rim, unrolled">
      <canvas
        ref={strip}
        width={piece}
        height={PIECES * (high + 4)}
        className="w-full rounded-lg"
        role="img"
        aria-label="The rim as a straight strip in four pieces"
      />
      <p className="mt-2 text-soft">
        Repeats {found.likely[0]!.teeth} times by {percent(found.likely[0]!.share)}, the next count{' '}
        {found.likely[1]?.teeth} by {percent(found.likely[1]?.share ?? 0)}.
      </p>
      {found.teeth !== null && (
        <div className="mt-3 flex flex-wrap gap-3">
          <Link className={buttonClass()} to={`/workings/gear-size?wheel=${found.teeth}`}>
            Its module and size
          </Link>
          <Link className={buttonClass()} to={`/workings/train-missing?wheel=${found.teeth}`}>
            Find what is lost beside it
          </Link>
        </div>
      )}
    </Panel>
  );
}

const percent = (share: number): string => `${(100 * share).toFixed(0)} %`;
