import { hourOf, type StrikeState } from '@eclat/core/strike';

const point = (cx: number, cy: number, r: number, deg: number) => {
  const a = ((deg - 90) * Math.PI) / 180;
  return `${(cx + r * Math.cos(a)).toFixed(1)} ${(cy + r * Math.sin(a)).toFixed(1)}`;
};
const teethOfCount = (at: number) => (at * (at + 1)) / 2;

const deg = (rad: number) => (rad * 180) / Math.PI;
const rad = (d: number) => (d * Math.PI) / 180;

/**
 * The rack turns about R, its tail of length L falls on the snail about S. A tooth of the rack is so many degrees, so
 * each step of the snail lies where the tail then stands: by the law of cosines, and the drawing works as the thing
 * does.
 */
const R = { x: 300, y: 250 },
  S = { x: 150, y: 210 },
  L = 136,
  TOOTH_DEG = 1.55,
  GATHERED_DEG = 24.6,
  TEETH_AT = 140,
  HOOK_DEG = -6;
const D = Math.hypot(R.x - S.x, R.y - S.y);
const toSnail = deg(Math.atan2(S.y - R.y, S.x - R.x)); // as SVG turns: clockwise from the right
const tailDeg = (teeth: number) => toSnail + GATHERED_DEG - TOOTH_DEG * teeth;
const stepRadius = (hour: number) =>
  Math.sqrt(L * L + D * D - 2 * L * D * Math.cos(rad(GATHERED_DEG - TOOTH_DEG * hour)));
const tailTip = (teeth: number) => ({
  x: R.x + L * Math.cos(rad(tailDeg(teeth))),
  y: R.y + L * Math.sin(rad(tailDeg(teeth))),
});

/** The snail: twelve steps, the deepest at twelve; the one of this hour under the tail. */
function Snail({ hour }: { hour: number }) {
  const tip = tailTip(hour);
  const under = deg(Math.atan2(tip.x - S.x, S.y - tip.y));
  const d = Array.from({ length: 12 }, (_, i) => {
    const r = stepRadius(i + 1);
    return (
      (i === 0 ? 'M' : 'L') + ` ${point(S.x, S.y, r, i * 30 - 15)} A ${r} ${r} 0 0 1 ${point(S.x, S.y, r, i * 30 + 15)}`
    );
  }).join(' ');
  return (
    <g transform={`rotate(${under - (hour - 1) * 30} ${S.x} ${S.y})`}>
      <path d={`${d} Z`} className="fill-brass-wash stroke-brass-fill" strokeWidth={3} />
      <circle cx={S.x} cy={S.y} r={8} className="fill-brass-fill" />
    </g>
  );
}

/** As it stands gathered up; turned by what it has fallen. Its teeth pass under the hook one by one. */
function Rack({ fallen }: { fallen: number }) {
  const tip = tailTip(0);
  const tooth = (i: number) =>
    'M ' +
    point(R.x, R.y, TEETH_AT - 9, HOOK_DEG + (i - 0.5) * TOOTH_DEG) +
    ' L ' +
    point(R.x, R.y, TEETH_AT, HOOK_DEG + i * TOOTH_DEG) +
    ' L ' +
    point(R.x, R.y, TEETH_AT - 9, HOOK_DEG + (i + 0.5) * TOOTH_DEG);
  return (
    <g transform={`rotate(${-TOOTH_DEG * fallen} ${R.x} ${R.y})`} className="fill-none stroke-steel">
      <path
        d={
          `M ${R.x} ${R.y} L ${tip.x.toFixed(1)} ${tip.y.toFixed(1)} M ${R.x} ${R.y} L ` +
          `${point(R.x, R.y, TEETH_AT - 12, 4)}`
        }
        strokeWidth={7}
        strokeLinecap="round"
      />
      <path
        d={
          `M ${point(R.x, R.y, TEETH_AT - 12, HOOK_DEG - 1)} A ${TEETH_AT - 12} ${TEETH_AT - 12} 0 0 1 ` +
          `${point(R.x, R.y, TEETH_AT - 12, HOOK_DEG + 20)}`
        }
        strokeWidth={6}
      />
      <path d={Array.from({ length: 13 }, (_, i) => tooth(i)).join(' ')} strokeWidth={1.8} />
      <circle cx={R.x} cy={R.y} r={7} className="fill-steel" />
    </g>
  );
}

/** The count wheel: slots after one blow, two, three … round its rim; that of the quarters after one change to four. */
function CountWheel({ state, sections, named = false }: { state: StrikeState; sections: number; named?: boolean }) {
  const whole = teethOfCount(sections);
  const turn = (blows: number) => (blows * 360) / whole;
  const gone = teethOfCount(state.countAt - 1) + (state.phase === 'running' ? state.sounded : 0);
  return (
    <g transform={`rotate(${-turn(gone)} 150 200)`}>
      <circle cx={150} cy={200} r={78} className="fill-brass-wash stroke-brass-fill" strokeWidth={3} />
      {Array.from({ length: sections }, (_, i) => (
        <path
          key={i}
          d={
            `M ${point(150, 200, 80, turn(teethOfCount(i)) - 2)} L ` +
            `${point(150, 200, 62, turn(teethOfCount(i)) - 1.6)} L ` +
            `${point(150, 200, 62, turn(teethOfCount(i)) + 1.6)} L ` +
            `${point(150, 200, 80, turn(teethOfCount(i)) + 2)}`
          }
          className="fill-enamel stroke-brass-fill"
          strokeWidth={2}
        />
      ))}
      {named &&
        ['¼', '½', '¾', '1'].map((name, i) => {
          const [x, y] = point(150, 200, 46, turn(teethOfCount(i) + (i + 1) / 2)).split(' ');
          return (
            <text
              key={name}
              x={x}
              y={y}
              dy={5}
              textAnchor="middle"
              fontSize={16}
              className="fill-ink"
              transform={`rotate(${turn(gone)} ${x} ${y})`}
            >
              {name}
            </text>
          );
        })}
      <circle cx={150} cy={200} r={8} className="fill-brass-fill" />
    </g>
  );
}

/**
 * The cam of the quarters turns with the minute hand; each lobe lifts the release lever, the one of the hour a little
 * higher.
 */
function QuarterRelease({ minute, lifted }: { minute: number; lifted: boolean }) {
  const lobes = [0, 1, 2, 3]
    .map(
      (i) =>
        `L ${point(300, 226, 19, i * 90 - 34)} L ${point(300, 226, i === 0 ? 38 : 33, i * 90 - 7)} L ` +
        `${point(300, 226, i === 0 ? 38 : 33, i * 90 + 3)} L ${point(300, 226, 19, i * 90 + 8)}`,
    )
    .join(' ');
  return (
    <g>
      <g transform={`rotate(${minute} 300 226)`}>
        <path
          d={`M ${lobes.slice(2)} Z`}
          className="fill-brass-wash stroke-brass-fill"
          strokeWidth={3}
          strokeLinejoin="round"
        />
        <circle cx={300} cy={226} r={6} className="fill-brass-fill" />
      </g>
      <g transform={`rotate(${lifted ? 9 : 0} 376 168)`}>
        <path
          d="M376 168 L 302 202 M376 168 L 410 184"
          className="fill-none stroke-steel"
          strokeWidth={6}
          strokeLinecap="round"
        />
        <circle cx={376} cy={168} r={6} className="fill-steel" />
      </g>
      <text x={300} y={281} textAnchor="middle" fontSize={15} className="fill-soft">
        release
      </text>
    </g>
  );
}

/** The work as it stands: what was lifted, what fell, what holds. Each part is drawn from its own state. */
export function StrikeFigure({ state }: { state: StrikeState }) {
  const hour = hourOf(state);
  const up = state.leverUp;
  const blow = state.phase === 'running' && state.sounded > 0;
  const minute = (state.quarter % 4) * 90 - liftOf(state);
  return (
    <svg
      viewBox="0 0 560 285"
      className="mx-auto max-h-[24rem] w-full"
      role="img"
      aria-label={
        `${state.says} ` +
        (up ? 'The lever is up.' : 'The lever is down.') +
        ' ' +
        (state.work === 'rack' ? `Rack down by ${state.rackTeeth}.` : '')
      }
    >
      {state.work === 'rack' ? (
        <Snail hour={hour} />
      ) : (
        <CountWheel state={state} sections={state.work === 'quarters' ? 4 : 12} named={state.work === 'quarters'} />
      )}
      {state.work === 'quarters' && (
        <QuarterRelease minute={minute} lifted={state.phase === 'lifting' || state.phase === 'warned'} />
      )}
      {state.work === 'rack' && <Rack fallen={state.rackTeeth} />}
      <g transform={`rotate(${up ? 7 : 0} 420 110)`}>
        <path
          d={state.work === 'rack' ? 'M420 110 L 292 98 L 285 110' : 'M420 110 L 158 96 L 150 134'}
          className="fill-none stroke-ink"
          strokeWidth={7}
          strokeLinejoin="round"
          strokeLinecap="round"
        />
        <circle cx={420} cy={110} r={7} className="fill-ink" />
      </g>
      <text x={430} y={100} fontSize={15} className="fill-soft">
        lever {up ? 'up' : 'down'}
      </text>
      <g>
        <circle cx={430} cy={210} r={30} className="fill-enamel stroke-brass-fill" strokeWidth={3} />
        <path d={`M430 210 L ${point(430, 210, 27, turnOf(state))}`} className="stroke-ink" strokeWidth={4} />
        <text x={430} y={260} textAnchor="middle" fontSize={15} className="fill-soft">
          warning wheel
        </text>
      </g>
      <g>
        <path d="M486 60 A 34 34 0 0 1 554 60 Z" className="fill-brass-fill" />
        <g transform={`rotate(${blow ? 0 : 16} 520 130)`}>
          <path d="M520 130 L 520 74" className="stroke-ink" strokeWidth={5} />
          <rect x={509} y={62} width={22} height={14} rx={3} className="fill-ink" />
        </g>
        {blow && <path d="M478 50 l -12 -8 M478 66 l -14 2" className="stroke-brass" strokeWidth={3} />}
      </g>
      <g>
        <circle cx={60} cy={60} r={44} className="fill-enamel stroke-line" strokeWidth={3} />
        <path
          d={`M60 60 L ${point(60, 60, 24, hour * 30 + minute / 12)}`}
          className="stroke-ink"
          strokeWidth={6}
          strokeLinecap="round"
        />
        <path
          d={`M60 60 L ${point(60, 60, 37, minute)}`}
          className="stroke-ink"
          strokeWidth={3.5}
          strokeLinecap="round"
        />
      </g>
    </svg>
  );
}

function liftOf(state: StrikeState) {
  if (state.phase === 'lifting') return 12;
  if (state.phase === 'warned') return 6;
  return 0;
}

function turnOf(state: StrikeState) {
  if (state.phase === 'locked') return 0;
  if (state.phase === 'running') return 40;
  return state.warningTurn * 360;
}
