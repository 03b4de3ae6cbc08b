import type { SetUp } from '@eclat/core/torsion';

const C = { x: 232, y: 110, r: 84 };
/** Where it drops, to either side: for the drawing only. */
const DROP_DEG = 70;
const at = (deg: number, r: number) => {
  const a = ((deg - 90) * Math.PI) / 180;
  return `${(C.x + r * Math.cos(a)).toFixed(1)} ${(C.y + r * Math.sin(a)).toFixed(1)}`;
};
const arc = (from: number, to: number, r: number) =>
  `M ${at(from, r)} A ${r} ${r} 0 ${Math.abs(to - from) > 180 ? 1 : 0} ${to > from ? 1 : 0} ${at(to, r)}`;
const shown = (deg: number) => Math.min(Math.max(deg, 0), 80);

/** The strip with its fork from the side, and from above how far it swings on after each drop. */
export function TorsionFigure({ came, set, escapement }: SetUp) {
  const [cw, ccw] = [escapement?.clockwise ?? null, escapement?.anticlockwise ?? null];
  const forkMm = set?.forkMm ?? came?.forkMm ?? null;
  const assemblyMm = set?.assemblyMm ?? came?.assemblyMm ?? null;
  const fork = forkMm && assemblyMm ? Math.min(120, Math.max(14, (130 * forkMm) / assemblyMm)) : 30;
  return (
    <svg viewBox="0 0 340 200" className="w-full max-w-md" role="img" aria-label="The strip, and its swing from above">
      <rect x={38} y={16} width={24} height={16} rx={2} className="fill-soft" />
      <line x1={50} y1={32} x2={50} y2={162} className="stroke-ink" strokeWidth={2} />
      <path
        d={`M 40 ${32 + fork} h 20 m -14 0 v 12 m 8 -12 v 12`}
        className="stroke-brass-fill"
        strokeWidth={4}
        fill="none"
      />
      <rect x={40} y={162} width={20} height={14} rx={2} className="fill-soft" />
      <text x={70} y={38 + fork} className="fill-ink text-[11px]">
        {forkMm === null ? 'fork' : `fork ${forkMm} mm`}
      </text>
      <text x={50} y={193} textAnchor="middle" className="fill-soft text-[11px]">
        {assemblyMm === null ? '' : `${assemblyMm} mm pin to pin`}
      </text>
      <path d={arc(-DROP_DEG, DROP_DEG, C.r)} className="stroke-line" strokeWidth={10} fill="none" />
      {cw !== null && (
        <path d={arc(DROP_DEG, DROP_DEG + shown(cw), C.r)} className="stroke-steel" strokeWidth={10} fill="none" />
      )}
      {ccw !== null && (
        <path
          d={arc(-DROP_DEG, -DROP_DEG - shown(ccw), C.r)}
          className="stroke-brass-fill"
          strokeWidth={10}
          fill="none"
        />
      )}
      {[-DROP_DEG, DROP_DEG].map((d) => (
        <path key={d} d={`M ${at(d, C.r - 12)} L ${at(d, C.r + 12)}`} className="stroke-ink" strokeWidth={2} />
      ))}
      <line
        x1={C.x}
        y1={C.y}
        x2={C.x}
        y2={C.y - C.r + 14}
        className="stroke-ink"
        strokeWidth={2}
        strokeDasharray="4 4"
      />
      <circle cx={C.x} cy={C.y} r={5} className="fill-ink" />
      <text x={C.x + 12} y={C.y + 34} className="fill-steel text-[11px]">
        {cw === null ? '' : `${cw}° on, clockwise`}
      </text>
      <text x={C.x - 12} y={C.y + 34} textAnchor="end" className="fill-brass text-[11px]">
        {ccw === null ? '' : `anticlockwise, ${ccw}° on`}
      </text>
    </svg>
  );
}
