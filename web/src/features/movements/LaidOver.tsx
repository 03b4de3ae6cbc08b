import { layOver, type Laying, type Spot } from '@eclat/core/photo';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { Button } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { Mark, PressBoard } from '../photos/PressBoard.tsx';

export interface Shown {
  id: string;
  caption: string;
  at: string;
  width: number;
  height: number;
}
/** The same two spots on both photos, as shares, as they are pressed: the first on one and the other, the second. */
export type Spots = readonly Spot[];

const ASKED = 4;
const nameOf = (p: Shown): string => p.caption || `Photo, ${day(p.at)}`;

/** Two photos over each other, aligned by two spots that both show, with a line between them that is moved. */
export function LaidOver({
  first,
  second,
  spots,
  onSpots,
}: {
  first: Shown;
  second: Shown;
  spots: Spots;
  onSpots: (next: Spots) => void;
}) {
  const [marking, setMarking] = useState(false);
  if (marking && spots.length < ASKED) {
    return (
      <Align
        first={first}
        second={second}
        spots={spots}
        onSpots={onSpots}
        onStop={() => {
          onSpots([]);
          setMarking(false);
        }}
      />
    );
  }
  return (
    <Swept
      first={first}
      second={second}
      spots={spots}
      aligned={marking}
      onAlign={() => {
        onSpots([]);
        setMarking(true);
      }}
    />
  );
}

/** Spot one on the first photo, the same on the second; then spot two. */
function Align({
  first,
  second,
  spots,
  onSpots,
  onStop,
}: {
  first: Shown;
  second: Shown;
  spots: Spots;
  onSpots: (next: Spots) => void;
  onStop: () => void;
}) {
  const boards = useRef<HTMLDivElement>(null);
  const turn = spots.length % 2 === 0 ? first : second;
  const number = spots.length < 2 ? 1 : 2;
  // The hand goes on where the next press belongs.
  useEffect(() => {
    boards.current!.querySelectorAll('button')[spots.length % 2]!.focus();
  }, [spots.length]);
  const asks = (photo: Shown): string | null => {
    if (photo !== turn) return null;
    return turn === first ? `Press spot ${number} on the first photo` : 'Press the same spot on the second photo';
  };
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <div>
          <p role="status" className="text-xl font-semibold">
            {asks(turn)}
          </p>
          <p className="text-soft">Two spots that both photos show, far from each other: pillars, screw holes.</p>
        </div>
        <div className="flex gap-3">
          <Button disabled={spots.length === 0} onClick={() => onSpots(spots.slice(0, -1))}>
            Take the last one back
          </Button>
          <Button variant="plain" onClick={onStop}>
            Stop
          </Button>
        </div>
      </div>
      <div ref={boards} className="grid gap-4 md:grid-cols-2">
        {[first, second].map((photo, side) => (
          <PressBoard
            key={photo.id + String(side)}
            size={photo}
            asks={asks(photo)}
            onPress={(at) => photo === turn && onSpots([...spots, at])}
            picture={<img src={`/api/photos/${photo.id}/large`} alt="" className="block h-auto w-full rounded-lg" />}
            className={photo === turn ? 'rounded-lg outline-3 outline-steel' : 'rounded-lg opacity-70'}
            style={{ width: `min(100%, calc(max(14rem, 100dvh - 20rem) * ${photo.width / photo.height}))` }}
          >
            {() =>
              spots
                .filter((_, i) => i % 2 === side)
                .map((at, i) => (
                  <Mark
                    key={i}
                    at={{ x: at.x * photo.width, y: at.y * photo.height }}
                    of={photo.width}
                    says={String(i + 1)}
                  />
                ))
            }
          </PressBoard>
        ))}
      </div>
    </>
  );
}

/** How the second lies over the first, in its pixels; by their frames where no spots were pressed. */
function layingOf(first: Shown, second: Shown, spots: Spots) {
  const frame = first.width / second.width;
  if (spots.length < ASKED) return { laying: { a: frame, b: 0, dx: 0, dy: 0 }, wrong: null };
  const on = (photo: Shown, side: number): [Spot, Spot] => {
    const [p, q] = spots.filter((_, i) => i % 2 === side).map((s) => ({ x: s.x * photo.width, y: s.y * photo.height }));
    return [p!, q!];
  };
  const longest = { under: Math.max(first.width, first.height), over: Math.max(second.width, second.height) };
  try {
    return { laying: layOver(on(first, 0), on(second, 1), longest), wrong: null };
  } catch (error) {
    return { laying: { a: frame, b: 0, dx: 0, dy: 0 }, wrong: (error as Error).message };
  }
}

function Swept({
  first,
  second,
  spots,
  aligned,
  onAlign,
}: {
  first: Shown;
  second: Shown;
  spots: Spots;
  /** The last of the spots was pressed just now. */
  aligned: boolean;
  onAlign: () => void;
}) {
  const [at, setAt] = useState(50);
  const { laying, wrong } = layingOf(first, second, spots);
  const { width, height } = first;
  const line = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (aligned) line.current!.focus();
  }, [aligned]);
  return (
    <>
      {wrong && (
        <p role="status" className="font-semibold text-danger">
          {wrong}
        </p>
      )}
      <figure
        className="mx-auto w-full"
        style={{ maxWidth: `min(100%, calc(max(14rem, 100dvh - 20rem) * ${width / height}))` }}
      >
        <Both first={first} second={second} at={at} laying={laying} onSweep={setAt} />
        <input
          ref={line}
          type="range"
          min={0}
          max={100}
          step="any"
          value={at}
          aria-label="How much of the first photo is seen"
          aria-valuetext={`${at.toFixed(0)} %`}
          className="mt-2 h-11 w-full accent-steel"
          onChange={(e) => setAt(Number(e.target.value))}
        />
        <figcaption className="grid grid-cols-2 items-start gap-x-4 gap-y-2 sm:grid-cols-[1fr_auto_1fr]">
          <Caption photo={first} />
          <Button className="max-sm:order-last max-sm:col-span-2" onClick={onAlign}>
            {spots.length === ASKED ? 'Align again' : 'Align by two spots'}
          </Button>
          <span className="text-right">
            <Caption photo={second} />
          </span>
        </figcaption>
      </figure>
    </>
  );
}

/** The first as it is, left of the line; the second as it lies over it, right of it. */
function Both({
  first,
  second,
  at,
  laying: { a, b, dx, dy },
  onSweep,
}: {
  first: Shown;
  second: Shown;
  /** Where the line stands, per cent of the width. */
  at: number;
  laying: Laying;
  onSweep: (at: number) => void;
}) {
  const { width, height } = first;
  const sweep = (e: PointerEvent) => {
    if (e.buttons === 0) return;
    const box = e.currentTarget.getBoundingClientRect();
    onSweep(Math.min(100, Math.max(0, (100 * (e.clientX - box.left)) / box.width)));
  };
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block w-full touch-pan-y overflow-hidden rounded-lg bg-sunk"
      role="img"
      aria-label={`${nameOf(first)}, and over it ${nameOf(second)}`}
      onPointerDown={sweep}
      onPointerMove={sweep}
    >
      <defs>
        <clipPath id="swept">
          <rect x={(width * at) / 100} y={0} width={width} height={height} />
        </clipPath>
      </defs>
      <image href={`/api/photos/${first.id}/large`} width={width} height={height} />
      <g clipPath="url(#swept)">
        <rect width={width} height={height} className="fill-sunk" />
        <image
          href={`/api/photos/${second.id}/large`}
          width={second.width}
          height={second.height}
          transform={`matrix(${a} ${b} ${-b} ${a} ${dx} ${dy})`}
        />
      </g>
      <g strokeWidth={width / 200}>
        <line x1={(width * at) / 100} x2={(width * at) / 100} y2={height} stroke="#fff" />
        <line x1={(width * at) / 100} x2={(width * at) / 100} y2={height} stroke="#15295a" strokeWidth={width / 500} />
      </g>
    </svg>
  );
}

const Caption = ({ photo }: { photo: Shown }) => (
  <span>
    <b className="block">{photo.caption || 'Photo'}</b>
    <span className="text-soft">{day(photo.at)}</span>
  </span>
);
