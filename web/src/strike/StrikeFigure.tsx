import { hourOf, type StrikeState } from '@eclat/core/strike';

const point = (cx: number, cy: number, r: number, deg: number) => { const a = ((deg - 90) * Math.PI) / 180; return `${(cx + r * Math.cos(a)).toFixed(1)} ${(cy + r * Math.sin(a)).toFixed(1)}`; };
const teethOfCount = (at: number) => (at * (at + 1)) / 2;

/** The snail: twelve steps, the deepest at twelve. */
function Snail({ hour }: { hour: number }) {
  const d = Array.from({ length: 12 }, (_, i) => { const r = 62 - i * 3.6; return `${i === 0 ? 'M' : 'L'} ${point(150, 210, r, i * 30 - 15)} A ${r} ${r} 0 0 1 ${point(150, 210, r, i * 30 + 15)}`; }).join(' ');
  return <g transform={`rotate(${-(hour - 1) * 30} 150 210)`}><path d={`${d} Z`} className="fill-brass-wash stroke-brass-fill" strokeWidth={3} /><circle cx={150} cy={210} r={8} className="fill-brass-fill" /></g>;
}

/** The count wheel: slots after one blow, two, three … round its rim; that of the quarters after one change to four. */
function CountWheel({ state, sections, named = false }: { state: StrikeState; sections: number; named?: boolean }) {
  const whole = teethOfCount(sections);
  const turn = (blows: number) => (blows * 360) / whole;
  const gone = teethOfCount(state.countAt - 1) + (state.phase === 'running' ? state.sounded : 0);
  return (
    <g transform={`rotate(${-turn(gone)} 150 200)`}>
      <circle cx={150} cy={200} r={78} className="fill-brass-wash stroke-brass-fill" strokeWidth={3} />
      {Array.from({ length: sections }, (_, i) => <path key={i} d={`M ${point(150, 200, 80, turn(teethOfCount(i)) - 2)} L ${point(150, 200, 62, turn(teethOfCount(i)) - 1.6)} L ${point(150, 200, 62, turn(teethOfCount(i)) + 1.6)} L ${point(150, 200, 80, turn(teethOfCount(i)) + 2)}`} className="fill-enamel stroke-brass-fill" strokeWidth={2} />)}
      {named && ['¼', '½', '¾', '1'].map((name, i) => { const [x, y] = point(150, 200, 46, turn(teethOfCount(i) + (i + 1) / 2)).split(' '); return <text key={name} x={x} y={y} dy={5} textAnchor="middle" fontSize={16} className="fill-ink" transform={`rotate(${turn(gone)} ${x} ${y})`}>{name}</text>; })}
      <circle cx={150} cy={200} r={8} className="fill-brass-fill" />
    </g>
  );
}

/** The cam of the quarters turns with the minute hand; each lobe lifts the release lever, the one of the hour a little higher. */
function QuarterRelease({ minute, lifted }: { minute: number; lifted: boolean }) {
  const lobes = [0, 1, 2, 3].map((i) => `L ${point(300, 226, 19, i * 90 - 34)} L ${point(300, 226, i === 0 ? 38 : 33, i * 90 - 7)} L ${point(300, 226, i === 0 ? 38 : 33, i * 90 + 3)} L ${point(300, 226, 19, i * 90 + 8)}`).join(' ');
  return (
    <g>
      <g transform={`rotate(${minute} 300 226)`}><path d={`M ${lobes.slice(2)} Z`} className="fill-brass-wash stroke-brass-fill" strokeWidth={3} strokeLinejoin="round" /><circle cx={300} cy={226} r={6} className="fill-brass-fill" /></g>
      <g transform={`rotate(${lifted ? 9 : 0} 376 168)`}><path d="M376 168 L 302 190 M376 168 L 410 184" className="fill-none stroke-steel" strokeWidth={6} strokeLinecap="round" /><circle cx={376} cy={168} r={6} className="fill-steel" /></g>
      <text x={300} y={281} textAnchor="middle" fontSize={15} className="fill-soft">release</text>
    </g>
  );
}

/** The work as it stands: what was lifted, what fell, what holds. Each part is drawn from its own state. */
export function StrikeFigure({ state }: { state: StrikeState }) {
  const hour = hourOf(state);
  const up = state.leverUp;
  const blow = state.phase === 'running' && state.sounded > 0;
  const minute = (state.quarter % 4) * 90 - (state.phase === 'lifting' ? 12 : state.phase === 'warned' ? 6 : 0);
  return (
    <svg viewBox="0 0 560 285" className="mx-auto max-h-[24rem] w-full" role="img" aria-label={`${state.says} ${up ? 'The lever is up.' : 'The lever is down.'} ${state.work === 'rack' ? `Rack down by ${state.rackTeeth}.` : ''}`}>
      {state.work === 'rack' ? <Snail hour={hour} /> : <CountWheel state={state} sections={state.work === 'quarters' ? 4 : 12} named={state.work === 'quarters'} />}
      {state.work === 'quarters' && <QuarterRelease minute={minute} lifted={state.phase === 'lifting' || state.phase === 'warned'} />}
      {state.work === 'rack' && (
        <g transform={`rotate(${-state.rackTeeth * 2.2} 300 250)`} className="stroke-steel">
          <path d="M300 250 L 214 214" strokeWidth={7} strokeLinecap="round" /><circle cx={300} cy={250} r={7} className="fill-steel" />
          <path d="M300 250 L 318 120" strokeWidth={7} strokeLinecap="round" />
          {Array.from({ length: 13 }, (_, i) => <path key={i} d={`M ${318 - i * 6} ${120 + i * 0.9} l -3 -9 l -3 9`} className="fill-none" strokeWidth={2} />)}
        </g>
      )}
      <g transform={`rotate(${up ? -13 : 0} 420 110)`}><path d={state.work === 'rack' ? 'M420 110 L 268 104 L 262 116' : 'M420 110 L 166 96 L 150 124'} className="fill-none stroke-ink" strokeWidth={7} strokeLinejoin="round" strokeLinecap="round" /><circle cx={420} cy={110} r={7} className="fill-ink" /></g>
      <text x={430} y={100} fontSize={15} className="fill-soft">lever {up ? 'up' : 'down'}</text>
      <g><circle cx={430} cy={210} r={30} className="fill-enamel stroke-brass-fill" strokeWidth={3} /><path d={`M430 210 L ${point(430, 210, 27, state.phase === 'locked' ? 0 : state.phase === 'running' ? 40 : state.warningTurn * 360)}`} className="stroke-ink" strokeWidth={4} /><text x={430} y={260} textAnchor="middle" fontSize={15} className="fill-soft">warning wheel</text></g>
      <g><path d="M486 60 A 34 34 0 0 1 554 60 Z" className="fill-brass-fill" /><g transform={`rotate(${blow ? 0 : 16} 520 130)`}><path d="M520 130 L 520 74" className="stroke-ink" strokeWidth={5} /><rect x={509} y={62} width={22} height={14} rx={3} className="fill-ink" /></g>{blow && <path d="M478 50 l -12 -8 M478 66 l -14 2" className="stroke-brass" strokeWidth={3} />}</g>
      <g><circle cx={60} cy={60} r={44} className="fill-enamel stroke-line" strokeWidth={3} /><path d={`M60 60 L ${point(60, 60, 24, hour * 30 + minute / 12)}`} className="stroke-ink" strokeWidth={6} strokeLinecap="round" /><path d={`M60 60 L ${point(60, 60, 37, minute)}`} className="stroke-ink" strokeWidth={3.5} strokeLinecap="round" /></g>
    </svg>
  );
}
