import type { PointerEvent } from 'react';

interface Mark {
  number: number;
  x: number;
  y: number;
}
interface Props {
  src: string;
  alt: string;
  photo: { width: number; height: number; marks: readonly Mark[] };
  /** Where it was pressed, as shares of width and height. */
  onPlace?: (x: number, y: number) => void;
  chosen?: number | null;
}

/** A photo with its numbered points. White with a dark rim: seen on brass and on black oil alike. */
export function MarkedPhoto({ src, alt, photo, onPlace, chosen = null }: Props) {
  const { width, height, marks } = photo;
  const r = Math.max(width, height) / 42;
  const place = (e: PointerEvent<HTMLDivElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    onPlace?.(
      Math.min(1, Math.max(0, (e.clientX - box.left) / box.width)),
      Math.min(1, Math.max(0, (e.clientY - box.top) / box.height)),
    );
  };
  return (
    <div
      className={`relative overflow-hidden rounded-lg border border-line ${onPlace ? 'cursor-crosshair' : ''}`}
      {...(onPlace ? { onPointerUp: place } : {})}
    >
      <img src={src} alt={alt} width={width} height={height} className="block h-auto w-full" draggable={false} />
      <svg viewBox={`0 0 ${width} ${height}`} className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        {marks.map((m) => (
          <g key={m.number} transform={`translate(${m.x * width} ${m.y * height})`}>
            <circle r={r} fill={m.number === chosen ? '#f2d16b' : '#fff'} stroke="#15295a" strokeWidth={r / 4} />
            <text y={r * 0.36} textAnchor="middle" fontSize={r * 1.05} fontWeight={700} fill="#15295a">
              {m.number}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
