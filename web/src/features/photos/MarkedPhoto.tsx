import { drawMark, type MarkShape, type ShapeOnPhoto, type Spot } from '@eclat/core/photo';
import { PressBoard } from './PressBoard.tsx';

interface Mark extends Spot {
  number: number;
  shape?: MarkShape;
  to?: Spot | null;
}
interface Props {
  src: string;
  alt: string;
  photo: { width: number; height: number; marks: readonly Mark[] };
  /** What a press on it means, and what is drawn by it; left out where it is only looked at. */
  press?: { asks: string | null; shape?: MarkShape; onPress: (at: Spot, to: Spot | null) => void };
  chosen?: number | null;
}

/** What the second press of an arrow or an outline is for. */
const THEN: Partial<Record<MarkShape, string>> = {
  arrow: 'Press what it points at',
  outline: 'Press the other corner',
};

/** A photo with its numbered marks. White with a dark rim: seen on brass and on black oil alike. */
export function MarkedPhoto({ src, alt, photo, press, chosen = null }: Props) {
  const { width, height, marks } = photo;
  const r = Math.max(width, height) / 42;
  const picture = (
    <img src={src} alt={alt} width={width} height={height} className="block h-auto w-full" draggable={false} />
  );
  const drawn = marks.map((m) => (
    <Drawn key={m.number} mark={m} size={photo} r={r} chosen={m.number === chosen} number={m.number} />
  ));
  const shape = press?.shape ?? 'point';
  if (!press)
    return (
      <div className="relative overflow-hidden rounded-lg border border-line">
        {picture}
        <svg viewBox={`0 0 ${width} ${height}`} className="pointer-events-none absolute inset-0 size-full" aria-hidden>
          {drawn}
        </svg>
      </div>
    );
  return (
    <PressBoard
      size={photo}
      asks={press.asks}
      asksThen={THEN[shape]}
      onPress={press.onPress}
      picture={picture}
      className="w-full cursor-crosshair self-start overflow-hidden rounded-lg border border-line"
    >
      {(pair) => (
        <>
          {drawn}
          {pair && <Drawn mark={{ ...pair.from, to: pair.to, shape }} size={photo} r={r} chosen />}
        </>
      )}
    </PressBoard>
  );
}

function Drawn({
  mark,
  size,
  r,
  chosen,
  number,
}: {
  mark: Partial<ShapeOnPhoto> & Spot;
  size: { width: number; height: number };
  r: number;
  chosen: boolean;
  number?: number;
}) {
  const { path, number: at } = drawMark({ shape: 'point', to: null, ...mark }, size, r * 1.6);
  return (
    <>
      {path && (
        <g fill="none" strokeLinecap="round" strokeLinejoin="round">
          <path d={path} stroke={chosen ? '#f2d16b' : '#fff'} strokeWidth={r / 1.8} />
          <path d={path} stroke="#15295a" strokeWidth={r / 5} />
        </g>
      )}
      {number !== undefined && (
        <g transform={`translate(${at.x} ${at.y})`}>
          <circle r={r} fill={chosen ? '#f2d16b' : '#fff'} stroke="#15295a" strokeWidth={r / 4} />
          <text y={r * 0.36} textAnchor="middle" fontSize={r * 1.05} fontWeight={700} fill="#15295a">
            {number}
          </text>
        </g>
      )}
    </>
  );
}
