import {
  REPLACEMENT_PARTS,
  replacementChecks,
  replacementObstacles,
  type ReplacementCheck,
} from '@eclat/core/movement';
import { held } from '@eclat/core/rules';
import { Link } from 'react-router';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { day } from '../../ui/dates.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Point } from './Point.tsx';
import { PutIn } from './PutIn.tsx';

const TITLES = {
  match: '1. Does it match?',
  'moves over': '2. What moves over from the old one',
  'comes off': '3. What must come off the new one',
  'before it goes in': '4. Before it goes in',
} as const;

/** A whole movement in another's place, point by point; then both books say so. */
export function ReplacementScreen() {
  const visit = useThisVisit();
  const { out, checks: answers } = visit.replacement;
  if (out)
    return (
      <>
        <Answer tone="good" title={`${visit.movement.code} is in the place of ${out.code}`}>
          By {out.by}, {day(out.at)}. The old movement is {out.fate}: {out.why}
        </Answer>
        <Panel title="Both movements keep their books">
          <ul className="text-lg">
            <li>
              <Link className="font-semibold text-steel underline" to={`/movements/${visit.movement.id}`}>
                {visit.movement.code}
              </Link>{' '}
              {visit.movement.name}: goes on in this visit: how its springs stand first.
            </li>
            <li>
              <Link className="font-semibold text-steel underline" to={`/movements/${out.movementId}`}>
                {out.code}
              </Link>{' '}
              {out.name}:{' '}
              <Link className="font-semibold text-steel underline" to={`/visits/${out.visitId}/sign`}>
                what was done to it
              </Link>{' '}
              is closed into its book.
            </li>
          </ul>
        </Panel>
      </>
    );
  const points = replacementChecks(visit.movement.traits, held('new-movement', visit.rules.held).name);
  const open = points.filter((p) => !answers[p.id]).length;
  const obstacles = replacementObstacles(points, answers);
  return (
    <>
      <Answer tone={toneOf(obstacles, open, points)} title={titleOf(obstacles, open, points)}>
        {open === points.length &&
          'Each point is answered from the old and the new one side by side. Nothing changes until it is in.'}
      </Answer>
      {REPLACEMENT_PARTS.map((part) => {
        const of = points.filter((p) => p.part === part);
        return of.length === 0 ? null : (
          <Panel key={part} title={TITLES[part]}>
            <ul className="divide-y divide-line">
              {of.map((p) => (
                <Point key={p.id} point={p} answer={answers[p.id]} />
              ))}
            </ul>
          </Panel>
        );
      })}
      {!visit.closedAt && <PutIn obstacles={obstacles} />}
    </>
  );
}

function toneOf(obstacles: string[], open: number, points: ReplacementCheck[]) {
  if (obstacles.length === 0) return 'good';
  if (open === points.length) return 'info';
  return 'due';
}

function titleOf(obstacles: string[], open: number, points: ReplacementCheck[]) {
  if (obstacles.length === 0) return 'Every point is answered: it can go in';
  if (open === points.length) return 'Another movement in this case';
  if (open > 0) return `${open} of ${points.length} points to answer`;
  return obstacles[0];
}
