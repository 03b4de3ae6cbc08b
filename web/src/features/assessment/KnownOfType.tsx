import { counted } from '@eclat/core/units';
import { useQuery } from '@tanstack/react-query';
import { Columns2, TriangleAlert } from 'lucide-react';
import { Link } from 'react-router';
import { memo } from 'react';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { buttonClass } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Weaknesses of the type, from this shop's own movements of the same maker and name, and sisters to compare with. */
export const KnownOfType = memo(function KnownOfType() {
  const { movement } = useThisVisit();
  const { data } = useQuery(fetched(api.assessment.knownOfType, { params: { movementId: movement.id } }));
  if (!data || (data.weaknesses.length === 0 && data.sisters.length === 0)) return null;
  return (
    <section aria-label="Known about this type" className="rounded-xl border-2 border-brass-fill bg-brass-wash p-4">
      <h2 className="flex items-center gap-2 text-xl">
        <TriangleAlert className="size-6 shrink-0 text-brass" aria-hidden />
        Known about this type
      </h2>
      <ul className="mt-1">
        {data.weaknesses.map((w) => (
          <li key={w.place}>
            <b>{w.place}</b>, {w.movements} of your {counted(w.of, 'other')}: {w.seen.join(' ')}
          </li>
        ))}
      </ul>
      {data.sisters.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2">
          {data.sisters.slice(0, 3).map((s) => (
            <Link
              key={s.movementId}
              className={buttonClass('quiet')}
              to={`/compare/${movement.id}?with=${s.movementId}`}
            >
              <Columns2 className="size-5" aria-hidden />
              Compare with {s.code}
            </Link>
          ))}
        </div>
      )}
    </section>
  );
});
