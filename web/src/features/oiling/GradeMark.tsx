import type { Grade } from '@eclat/core/oiling';

export const GRADE_NAMES: Record<Grade, string> = {
  grease: 'Grease',
  heavy: 'Heavy oil',
  clock: 'Clock oil',
  fine: 'Fine oil',
  none: 'Leave dry',
};

/** A drop about the middle of a box of 24, by size. */
const drop = (s: number) =>
  `M12 ${12 - 9 * s} C ${12 + 4 * s} ${12 - 3 * s} ${12 + 7 * s} ${12} ${12 + 7 * s} ${12 + 3 * s} A ` +
  `${7 * s} ${7 * s} 0 0 1 ${12 - 7 * s} ${12 + 3 * s} C ${12 - 7 * s} ${12} ${12 - 4 * s} ` +
  `${12 - 3 * s} 12 ${12 - 9 * s} Z`;

function Shape({ grade }: { grade: Grade }) {
  if (grade === 'grease')
    return <path d="M3 18 C4 10 8 13 9 9 C11 4 15 5 15 10 C19 9 21 13 21 18 Z" className="fill-brass-fill" />;
  if (grade === 'none')
    return (
      <>
        <path d={drop(0.85)} className="fill-none stroke-danger" strokeWidth={2} />
        <path d="M4 4 L20 20" className="stroke-danger" strokeWidth={2.4} />
      </>
    );
  return <path d={drop({ heavy: 1.1, clock: 0.85, fine: 0.55 }[grade])} className="fill-steel" />;
}

/** Drop by size; grease a dab; dry an empty drop crossed out. */
export const GradeMark = ({ grade }: { grade: Grade }) => (
  <svg viewBox="0 0 24 24" className="size-9 shrink-0" aria-hidden>
    <Shape grade={grade} />
  </svg>
);

/** The same on a plate, in a ring that is filled in when the point is ticked. */
export const GradeShape = ({ grade, done }: { grade: Grade; done: boolean }) => (
  <g>
    <circle
      r={13}
      className={done ? 'fill-steel-wash stroke-steel' : 'fill-enamel stroke-soft'}
      strokeWidth={done ? 3 : 1.6}
      strokeDasharray={done ? undefined : '3 2.5'}
    />
    <g transform="translate(-9 -9) scale(0.75)">
      <Shape grade={grade} />
    </g>
  </g>
);
