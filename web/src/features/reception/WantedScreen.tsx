import { counted } from '@eclat/core/units';
import { Link } from 'react-router';
import { useWanted } from '../../data/queries.ts';
import { Answer, Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Matches } from './Matches.tsx';
import { stepWords } from './wanted-words.ts';

/** What is wanted over all clocks: what may have come in for it first, then what was wanted longest. */
export function WantedScreen() {
  const { data, error } = useWanted();
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="what is wanted" />;
  const found = data.filter((w) => w.matches.length > 0);
  const rows = [...found, ...data.filter((w) => w.matches.length === 0)];
  return (
    <div className="mx-auto flex max-w-4xl flex-col gap-4 px-4 py-5 md:px-6">
      <h1 className="text-3xl">Wanted</h1>
      {found.length > 0 ? (
        <Answer tone="due" title={`${counted(found.length, 'thing')} may lie in the stores`} />
      ) : (
        <Answer
          tone="info"
          title={data.length === 0 ? 'Nothing is wanted' : `${counted(data.length, 'thing')} wanted`}
        />
      )}
      {rows.length === 0 ? (
        <Empty>What is missing on a clock is put on its list at intake, and listed here until it is found.</Empty>
      ) : (
        <Panel>
          <ul className="divide-y divide-line">
            {rows.map((w) => (
              <li key={w.id} className="flex flex-col gap-1 py-3">
                <p className="flex flex-wrap items-baseline gap-x-3">
                  <b className="text-lg">{w.what}</b>
                  <Link
                    className="min-h-11 content-center text-steel underline"
                    to={`/visits/${w.visitId}/${w.here ? 'fit' : 'intake'}`}
                  >
                    {w.claim}, {w.clock}
                  </Link>
                  {!w.here && <span className="text-soft">went home without it</span>}
                </p>
                {w.would && <p className="text-soft">Would fit: {w.would}</p>}
                {w.steps.length > 0 && <p>{stepWords(w.steps.at(-1)!)}</p>}
                <Matches matches={w.matches} />
              </li>
            ))}
          </ul>
        </Panel>
      )}
    </div>
  );
}
