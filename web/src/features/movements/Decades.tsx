import type { Entry } from '@eclat/contract';
import { shopDay } from '../../ui/dates.ts';
import { Help } from '../../ui/help/Help.tsx';
import { dateInWords, yearSpan } from '@eclat/core/history';

const WIDTH = 1000;
const LEFT = 20;

/**
 * A service history as a line of decades. A day is a point, a year or a decade a bar as long as what is not known;
 * what cannot be dated stands before the line.
 */
export function Decades({ entries }: { entries: Entry[] }) {
  const dated = entries.flatMap((e) => {
    const span = yearSpan(e.date);
    return span ? [{ entry: e, span }] : [];
  });
  const undated = entries.filter((e) => yearSpan(e.date) === null);
  if (dated.length === 0) return null;
  const first = Math.floor(Math.min(...dated.map((d) => d.span[0])) / 10) * 10;
  const last = Math.max(first + 20, Math.ceil((Number(shopDay().slice(0, 4)) + 1) / 10) * 10);
  const start = undated.length > 0 ? 110 : LEFT;
  const x = (year: number) => start + ((year - first) / (last - first)) * (WIDTH - start - LEFT);
  const decades = Array.from({ length: (last - first) / 10 + 1 }, (_, i) => first + i * 10);
  const every = decades.length > 12 ? 2 : 1;
  return (
    <figure className="rounded-xl border border-line bg-enamel px-4 py-3">
      <figcaption className="-mt-2 -mb-4 flex justify-end">
        <Help about="decades" />
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} 96`}
        className="h-auto w-full"
        role="group"
        aria-label={
          `History by decades, from ${first} to ${last}: ` +
          entries.map((e) => `${dateInWords(e.date)} ${e.title}`).join('; ')
        }
      >
        <line x1={start} x2={WIDTH - LEFT} y1={58} y2={58} className="stroke-steel" strokeWidth={3} />
        {decades.map((d, i) => (
          <g key={d}>
            <path d={`M${x(d) - 4} 58 L${x(d)} 47 L${x(d) + 4} 58 Z`} className="fill-steel" />
            {i % every === 0 && (
              <text x={x(d)} y={84} textAnchor="middle" fontSize={16} className="fill-soft">
                {d}
              </text>
            )}
          </g>
        ))}
        {undated.length > 0 && (
          <>
            <line x1={20} x2={84} y1={58} y2={58} className="stroke-steel" strokeWidth={3} strokeDasharray="3 7" />
            <text x={52} y={84} textAnchor="middle" fontSize={16} className="fill-soft">
              undated
            </text>
          </>
        )}
        {undated.map((e, i) => (
          <Mark key={e.id} entry={e} from={32 + i * 20} to={32 + i * 20} />
        ))}
        {dated.map(({ entry, span }) => (
          <Mark key={entry.id} entry={entry} from={x(span[0])} to={x(span[1])} />
        ))}
      </svg>
    </figure>
  );
}

/** Service: a filled diamond. Inscription: an open one. The bar is what is not known of its date. */
function Mark({ entry, from, to }: { entry: Entry; from: number; to: number }) {
  const middle = (from + to) / 2;
  const service = entry.kind === 'visit';
  return (
    <a href={`#${entry.id}`} aria-label={`${dateInWords(entry.date)}: ${entry.title}`}>
      <title>{`${dateInWords(entry.date)}: ${entry.title}`}</title>
      {to - from > 4 && (
        <line
          x1={from}
          x2={to}
          y1={24}
          y2={24}
          className="stroke-brass-fill"
          strokeWidth={7}
          strokeLinecap="round"
          strokeOpacity={0.45}
        />
      )}
      <line x1={middle} x2={middle} y1={34} y2={56} className="stroke-line" strokeWidth={2} />
      <path
        d={`M${middle} 13 l11 11 l-11 11 l-11 -11 Z`}
        strokeWidth={3}
        className={service ? 'fill-steel stroke-steel' : 'fill-enamel stroke-brass-fill'}
      />
    </a>
  );
}
