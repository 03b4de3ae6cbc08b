import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { Panel } from '../../ui/Answer.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useFew } from '../../ui/Few.tsx';
import { wantInWords } from './words.ts';

const AT_ONCE = 6;

/** Who asked whom for what. Nothing, where there was nothing. */
export function Contacts() {
  const { data = [] } = useQuery(fetched(api.exchange.contacts));
  const [shown, more] = useFew(data, AT_ONCE, 'contacts');
  if (data.length === 0) return null;
  return (
    <Panel title="Contacts with other shops">
      <ul className="divide-y divide-line">
        {shown.map((c, i) => (
          <li key={`${c.at} ${c.want} ${i}`} className="py-2">
            <b>{c.shop || 'A shop that is not known here'}</b>
            {c.movement && (
              <>
                {', '}
                <Link className="font-semibold text-steel underline" to={`/movements/${c.movement.id}`}>
                  {c.movement.code}
                </Link>
              </>
            )}
            <span className="block text-sm text-soft">
              {dayTime(c.at)}: {wantInWords(c)}
            </span>
          </li>
        ))}
      </ul>
      {more}
    </Panel>
  );
}
