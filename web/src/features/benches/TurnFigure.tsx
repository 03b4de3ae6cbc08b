import { outputsOf, type Output, type TableTest } from '@eclat/core/benches';

const SIZE = 300;
const OUTER = 128;
const LANE = 18;
const MOST = 6;
const TONES = ['stroke-steel', 'stroke-brass-fill', 'stroke-good'] as const;

const at = (deg: number, r: number) => {
  const a = ((deg - 90) * Math.PI) / 180;
  return `${(SIZE / 2 + r * Math.cos(a)).toFixed(1)} ${(SIZE / 2 + r * Math.sin(a)).toFixed(1)}`;
};

function arc({ from, span }: NonNullable<Output['closes']>, r: number): string {
  if (span >= 360) return `M ${at(0, r)} A ${r} ${r} 0 1 1 ${at(180, r)} A ${r} ${r} 0 1 1 ${at(360, r)}`;
  return `M ${at(from, r)} A ${r} ${r} 0 ${span > 180 ? 1 : 0} 1 ${at(from + span, r)}`;
}

/** One turn from above: where each output is closed, the outermost first, with its terminal at its beginning. */
export function TurnFigure({ tests }: { tests: readonly TableTest[] }) {
  const outputs = outputsOf(tests);
  if (outputs.length === 0) return null;
  const drawn = outputs.slice(0, MOST);
  return (
    <figure className="flex flex-wrap items-center gap-x-6 gap-y-3 rounded-xl border border-line bg-enamel p-4">
      <svg viewBox={`0 0 ${SIZE} ${SIZE}`} className="w-full max-w-72" role="img" aria-label={inWords(drawn)}>
        {[90, 180, 270].map((deg) => (
          <path
            key={deg}
            d={`M ${at(deg, OUTER + 8)} L ${at(deg, OUTER + 14)}`}
            className="stroke-soft"
            strokeWidth={2}
          />
        ))}
        {drawn.map((o, i) => {
          const r = OUTER - i * LANE;
          return (
            <g key={o.terminal}>
              <circle cx={SIZE / 2} cy={SIZE / 2} r={r} className="fill-none stroke-line" strokeWidth={2} />
              {o.closes && o.closes.span > 0 && (
                <path d={arc(o.closes, r)} className={`fill-none ${TONES[i % TONES.length]!}`} strokeWidth={11} />
              )}
            </g>
          );
        })}
        <text x={SIZE / 2} y={11} textAnchor="middle" className="fill-soft text-[12px]">
          0°
        </text>
        <text x={SIZE / 2} y={SIZE / 2 + 5} textAnchor="middle" className="fill-ink text-[13px]">
          one turn
        </text>
      </svg>
      <ul className="min-w-48 flex-1">
        {drawn.map((o, i) => (
          <li key={o.terminal} className="flex items-start gap-3 py-1">
            <svg viewBox="0 0 24 24" className="mt-0.5 size-6 shrink-0" aria-hidden>
              <path
                d="M 2 12 H 22"
                className={o.closes ? TONES[i % TONES.length] : 'stroke-line'}
                strokeWidth={9}
                strokeDasharray={o.closes ? undefined : '4 4'}
              />
            </svg>
            <span>
              <b>{o.terminal}</b>
              {o.feeds && `, ${o.feeds}`}
              <span className="block text-sm text-soft">{whereOf(o)}</span>
            </span>
          </li>
        ))}
        {outputs.length > MOST && <li className="text-soft">{outputs.length - MOST} more below.</li>}
      </ul>
    </figure>
  );
}

const whereOf = (o: Output): string => {
  if (o.does === 'never opens') return 'never opens';
  if (!o.closes) return o.does === 'makes' ? 'makes; where in its turn is not said' : o.does;
  return `${o.closes.from}° to ${Math.round(o.closes.from + o.closes.span) % 360}°`;
};
const inWords = (all: readonly Output[]): string =>
  `One turn: ${all.map((o) => `terminal ${o.terminal}, ${whereOf(o)}`).join('; ')}`;
