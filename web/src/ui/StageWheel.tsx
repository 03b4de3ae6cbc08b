import { STAGES, stagesIn, stageName, type StageId, type Stand } from '@eclat/core/workflow';
import clsx from 'clsx';

const TEETH_PER_STAGE = 3;
const N = STAGES.length;

const at = (radius: number, turn: number): string => {
  const a = (turn - 0.25) * 2 * Math.PI;
  return `${(radius * Math.cos(a)).toFixed(2)} ${(radius * Math.sin(a)).toFixed(2)}`;
};

/** One stage's share of the rim: an arc with teeth on it. Turns are counted from twelve, clockwise. */
function sector(index: number): string {
  const gap = 0.006;
  const from = index / N + gap;
  const to = (index + 1) / N - gap;
  const step = (to - from) / TEETH_PER_STAGE;
  let path = `M ${at(64, from)} L ${at(82, from)}`;
  for (let tooth = 0; tooth < TEETH_PER_STAGE; tooth++) {
    const t = from + tooth * step;
    path +=
      ` L ${at(82, t + step * 0.14)} L ${at(97, t + step * 0.34)} L ${at(97, t + step * 0.66)} L ` +
      `${at(82, t + step * 0.86)}`;
  }
  return `${path} L ${at(82, to)} L ${at(64, to)} A 64 64 0 0 0 ${at(64, from)} Z`;
}
const SECTORS = STAGES.map((_, i) => sector(i));

/** Sectors that stand alike are one path: a bench of twenty wheels stays light to draw. */
const LOOKS = {
  done: 'fill-steel stroke-steel',
  now: 'fill-brass-fill stroke-brass-fill',
  ahead: 'fill-transparent stroke-line',
  outside: 'fill-transparent stroke-line opacity-40',
};
type Standing = keyof typeof LOOKS;

interface Props {
  stages: readonly Stand[];
  current: StageId;
  /** Large wheels carry words in the middle. */
  words?: boolean;
  /** Thin lines, for a wheel drawn large. */
  fine?: boolean;
  className?: string;
}

/** The stages of a visit as a toothed wheel that fills; those that are not in the job are faint. */
export function StageWheel({ stages, current, words = false, fine = words, className }: Props) {
  const done = stagesIn(stages, 'done', 'left');
  const outside = stagesIn(stages, 'not in this job');
  const all = N - outside.length;
  const standingOf = (id: StageId): Standing => {
    if (done.includes(id)) return 'done';
    if (id === current) return 'now';
    return outside.includes(id) ? 'outside' : 'ahead';
  };
  const says = `${done.length} of ${all} stages done, now ${stageName(current)}`;
  return (
    <svg viewBox="-100 -100 200 200" role="img" aria-label={says} className={clsx('shrink-0', className)}>
      {(Object.keys(LOOKS) as Standing[]).map((standing) => (
        <path
          key={standing}
          d={SECTORS.filter((_, i) => standingOf(STAGES[i]!.id) === standing).join(' ')}
          strokeWidth={fine ? 1.6 : 5}
          strokeLinejoin="round"
          className={LOOKS[standing]}
        />
      ))}
      {words ? (
        <>
          <text
            y={0}
            textAnchor="middle"
            className="fill-ink"
            fontSize={Math.min(30, 190 / stageName(current).length)}
            fontWeight={700}
          >
            {stageName(current)}
          </text>
          <text y={24} textAnchor="middle" className="fill-soft" fontSize={17}>
            {done.length} of {all} done
          </text>
        </>
      ) : (
        <circle r={24} className={current === 'sign' && done.length >= all - 1 ? 'fill-steel' : 'fill-line'} />
      )}
    </svg>
  );
}
