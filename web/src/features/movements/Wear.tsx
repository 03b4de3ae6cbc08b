import type { Entry } from '@eclat/contract';
import { dateInWords } from '@eclat/core/history';
import { holeHistories, type HoleHistory, type PlayAt } from '@eclat/core/record';
import { counted } from '@eclat/core/units';
import { useMemo, useState } from 'react';
import { Fold } from '../../ui/Fold.tsx';
import { Pick } from '../../ui/Pick.tsx';

const WIDTH = 400;
const HEIGHT = 190;
const [LEFT, RIGHT, TOP, BOTTOM] = [52, 16, 20, 34];
/** Steps of the scale, mm: the smallest that needs no more than four lines. */
const STEPS = [0.02, 0.05, 0.1, 0.2, 0.5, 1];
const MOST_LINES = 4;

const mm = (value: number): string => `${value.toFixed(2)} mm`;
const inWords = (p: PlayAt): string =>
  `${dateInWords(p.date)}: ${mm(p.playMm)} ${p.how === 'found' ? 'as found' : 'with a new bush'}`;

/** How holes wore over visits, whoever measured them; the one that moved most is shown first. */
export function Wear({ entries }: { entries: readonly Entry[] }) {
  const holes = useMemo(() => holeHistories(entries), [entries]);
  const [chosen, setChosen] = useState('');
  const shown = holes.find((h) => h.hole === chosen) ?? holes[0];
  if (!shown) return null;
  return (
    <Fold title="Wear over the years" says={`${counted(holes.length, 'hole')} measured more than once`}>
      <div className="flex flex-col gap-3 lg:grid lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)] lg:gap-6">
        <Curve hole={shown} />
        <div className="flex flex-col gap-3">
          <Pick label="Hole" value={shown.hole} onPick={setChosen}>
            {holes.map(({ hole }) => (
              <option key={hole}>{hole}</option>
            ))}
          </Pick>
          <ul>
            {shown.points.map((p) => (
              <li key={p.entry + p.how}>
                <a href={`#${p.entry}`} className="flex min-h-11 items-center hover:underline">
                  {inWords(p)}
                </a>
              </li>
            ))}
          </ul>
          <p className="text-sm text-soft">Play: the hole at its widest, less the pivot.</p>
        </div>
      </div>
    </Fold>
  );
}

/** Stretches between one bush and the next: nothing wore from the worn hole to the new one. */
function stretches(points: readonly PlayAt[]): PlayAt[][] {
  const all: PlayAt[][] = [[]];
  for (const p of points) {
    if (p.how === 'new bush') all.push([]);
    all.at(-1)!.push(p);
  }
  return all;
}

function Curve({ hole: { hole, points } }: { hole: HoleHistory }) {
  const most = Math.max(...points.map((p) => p.playMm));
  const step = STEPS.find((s) => most / s <= MOST_LINES) ?? most;
  const top = Math.max(step, Math.ceil(most / step) * step);
  const [first, last] = [Math.floor(points[0]!.year), Math.ceil(points.at(-1)!.year)];
  const x = (year: number) => LEFT + ((year - first) / Math.max(1, last - first)) * (WIDTH - LEFT - RIGHT);
  const y = (play: number) => HEIGHT - BOTTOM - (play / top) * (HEIGHT - TOP - BOTTOM);
  const lines = Array.from({ length: Math.round(top / step) + 1 }, (_, i) => i * step);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="h-auto w-full max-w-md"
      role="img"
      aria-label={`Play of ${hole}. ${points.map(inWords).join('. ')}`}
    >
      {lines.map((play) => (
        <g key={play}>
          <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(play)} y2={y(play)} className="stroke-line" />
          <text x={LEFT - 8} y={y(play) + 5} textAnchor="end" fontSize={16} className="fill-soft">
            {play.toFixed(2)}
          </text>
        </g>
      ))}
      {[first, last].map((year, i) => (
        <text
          key={year}
          x={x(year)}
          y={HEIGHT - 8}
          textAnchor={i === 0 ? 'start' : 'end'}
          fontSize={16}
          className="fill-soft"
        >
          {year}
        </text>
      ))}
      {stretches(points).map((stretch, i) => (
        <polyline
          key={i}
          points={stretch.map((p) => `${x(p.year)},${y(p.playMm)}`).join(' ')}
          className="fill-none stroke-steel"
          strokeWidth={3}
        />
      ))}
      {points.map((p) => (
        <circle
          key={p.entry + p.how}
          cx={x(p.year)}
          cy={y(p.playMm)}
          r={6}
          strokeWidth={3}
          className={p.how === 'found' ? 'fill-steel stroke-steel' : 'fill-enamel stroke-brass-fill'}
        >
          <title>{inWords(p)}</title>
        </circle>
      ))}
    </svg>
  );
}
