import type { ClockBook } from '@eclat/contract';
import { dateInWords } from '@eclat/core/history';
import { counted } from '@eclat/core/units';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';

type Props = { book: Pick<ClockBook, 'clock' | 'also' | 'others'> };

/**
 * Clocks in which its movements were as well: mostly another case, sometimes this one as another shop calls it. By one
 * press they are one, by the next they are two again.
 */
export function SameClock({ book: { clock, also, others } }: Props) {
  const params = (otherId: string) => ({ params: { clockId: clock.id, otherId } });
  const part = useCommand(api.movements.otherClock, { what: 'Clock' });
  const join = useCommand(api.movements.sameClock, {
    what: 'Clock',
    onDone: (_, command) => say('One clock now.', 'good', () => part.mutate(command)),
  });
  if (also.length + others.length === 0) return null;
  return (
    <ul className="border-t border-line">
      {also.map(({ id, description, by, at }) => (
        <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-2 last:border-b-0">
          <span className="min-w-56 flex-1">
            <b>The same clock: {description ?? 'under the id of another shop'}</b>{' '}
            <span className="text-soft">
              found by {by}, {dayTime(at)}
            </span>
          </span>
          <Button className="no-print" busy={part.isPending} onClick={() => part.mutate(params(id))}>
            Not the same after all
          </Button>
        </li>
      ))}
      {others.map((o) => (
        <li
          key={o.id}
          className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-2 last:border-b-0"
        >
          <span className="min-w-56 flex-1">
            Its movement was also in{' '}
            {o.description === null ? (
              `a clock at ${o.shops.join(', ')}`
            ) : (
              <Link className="font-semibold text-steel underline" to={`/clocks/${o.id}`}>
                {o.description}
              </Link>
            )}
            <span className="text-soft">
              , {counted(o.visits, 'visit')}, {years(o)}
            </span>
          </span>
          <Button className="no-print" busy={join.isPending} onClick={() => join.mutate(params(o.id))}>
            It is this clock
          </Button>
        </li>
      ))}
    </ul>
  );
}

const years = ({ from, until }: ClockBook['others'][number]): string =>
  from === until ? dateInWords(from) : `${dateInWords(from)} to ${dateInWords(until)}`;
