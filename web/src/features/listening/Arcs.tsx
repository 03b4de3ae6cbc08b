import type { Balance } from './sides.ts';
import { msWords } from './sides.ts';

const R = 130,
  CX = 200,
  CY = 178,
  FOOT = 150;
/** A small error must be seen from the bench: the first per cent moves the meeting place most. */
const angleOf = (share: number) => Math.sign(share) * 105 * (1 - Math.exp(-Math.abs(share) / 0.045));
const at = (deg: number, r = R) => {
  const a = ((deg - 90) * Math.PI) / 180;
  return `${(CX + r * Math.cos(a)).toFixed(1)} ${(CY + r * Math.sin(a)).toFixed(1)}`;
};
const arc = (from: number, to: number, r = R) =>
  `M ${at(from, r)} A ${r} ${r} 0 ${Math.abs(to - from) > 180 ? 1 : 0} ${to > from ? 1 : 0} ${at(to, r)}`;

/**
 * Two arcs that rise from the foot and meet at the top. They are equal, and meet under the mark, when the clock is in
 * beat.
 */
export function Arcs({ balance, faint, empty }: { balance: Balance | null; faint: boolean; empty: string }) {
  const meet = balance ? angleOf(balance.share) : 0;
  const band = balance ? angleOf(balance.limit) : 0;
  return (
    <svg
      viewBox="0 0 400 318"
      className="mx-auto w-full max-w-[40rem]"
      role="img"
      aria-label={balance ? `${balance.words}${balance.inBeat ? '' : `, ${msWords(balance.ms)}`}` : empty}
    >
      {balance && (
        <path d={arc(-band, band, R + 24)} fill="none" stroke="var(--good)" strokeWidth="5" strokeLinecap="round" />
      )}
      <path d={`M ${at(0, R + 30)} l -15 -24 h 30 Z`} fill={balance?.inBeat ? 'var(--good)' : 'var(--ink)'} />
      <g
        fill="none"
        strokeWidth="26"
        strokeLinecap="butt"
        opacity={faint ? 0.35 : 1}
        className="motion-safe:transition-opacity"
      >
        <path d={arc(-FOOT, meet - 2.4)} stroke={balance ? 'var(--steel)' : 'var(--line)'} />
        <path d={arc(FOOT, meet + 2.4)} stroke={balance ? 'var(--brass-fill)' : 'var(--line)'} />
        {balance && <path d={arc(FOOT, meet + 2.4)} stroke="var(--enamel)" strokeWidth="8" />}
      </g>
      {balance && (
        <circle
          cx={at(meet).split(' ')[0]}
          cy={at(meet).split(' ')[1]}
          r="9"
          fill="var(--enamel)"
          stroke="var(--ink)"
          strokeWidth="4"
        />
      )}
      <g textAnchor="middle" fill="var(--ink)" fontWeight="700">
        <BalanceWords balance={balance} empty={empty} />
      </g>
      {balance && (
        <g fontSize="16" fontWeight="600" fill="var(--ink)">
          <text x={CX - 78} y={CY + 136} textAnchor="end">
            {balance.names[0]}
          </text>
          <text x={CX + 78} y={CY + 136}>
            {balance.names[1]}
          </text>
        </g>
      )}
    </svg>
  );
}

function BalanceWords({ balance, empty }: { balance: Balance | null; empty: string }) {
  if (!balance)
    return (
      <text x={CX} y={CY + 8} fontSize="24" fill="var(--soft)">
        {empty}
      </text>
    );
  if (balance.inBeat)
    return (
      <>
        <text x={CX} y={CY + 2} fontSize="44" fill="var(--good)">
          In beat
        </text>
        <text x={CX} y={CY + 34} fontSize="21" fill="var(--soft)">
          within {msWords(balance.ms)}
        </text>
      </>
    );
  return (
    <>
      <text x={CX} y={CY - 34} fontSize="25">
        {balance.words}
      </text>
      <text x={CX} y={CY + 34} fontSize="68">
        {balance.ms.toFixed(balance.ms < 3 ? 1 : 0)}
      </text>
      <text x={CX} y={CY + 62} fontSize="20" fill="var(--soft)">
        ms, {(100 * Math.abs(balance.share)).toFixed(Math.abs(balance.share) < 0.01 ? 2 : 1)} %
      </text>
    </>
  );
}
