import { STAGES, stageName, type StageId } from '@eclat/core/workflow';
import { SUBJECTS, WORKINGS, type Subject } from '@eclat/core/workings';
import { BadgeCheck, Camera } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { buttonClass } from '../../ui/Button.tsx';
import { useFew } from '../../ui/Few.tsx';
import { SearchField } from '../../ui/SearchField.tsx';
import { findWorkings } from './find.ts';

/** How many of a subject stand there before one is asked for. */
const FIRST = 3;

const Head = () => (
  <div className="mb-4 flex flex-wrap items-end justify-between gap-4">
    <div>
      <h1 className="text-3xl">Workings</h1>
      <p className="mt-1 text-lg text-soft">
        {WORKINGS.length} calculations of the bench, each with its formula and its checks.
      </p>
    </div>
    <div className="flex flex-wrap gap-3">
      <Link to="/measure-photo" className={buttonClass()}>
        <Camera className="size-5" aria-hidden />
        Count teeth on a photo
      </Link>
      <Link to="/workings/checks" className={buttonClass()}>
        <BadgeCheck className="size-5" aria-hidden />
        What they are checked against
      </Link>
    </div>
  </div>
);

/** Every calculation, found by words or by the stage in which it is wanted. */
export function WorkingsScreen() {
  const [search, setSearch] = useSearchParams();
  const q = search.get('q') ?? '';
  const stage = (search.get('stage') ?? '') as StageId | '';
  const change = (name: string, value: string) =>
    setSearch(
      (before) => {
        if (value) before.set(name, value);
        else before.delete(name);
        return before;
      },
      { replace: true },
    );
  const found = findWorkings(q, stage);
  return (
    <div className="mx-auto max-w-7xl px-4 py-5 md:px-6">
      <Head />
      <div className="mb-5 flex flex-wrap gap-3">
        <SearchField
          first
          className="min-w-64 flex-1"
          label="Search the workings"
          placeholder="What do you want to know? nut, lost wheel, mainspring …"
          value={q}
          onChange={(v) => change('q', v)}
        />
        <label className="block">
          <span className="sr-only">Stage of the work</span>
          <select
            className="min-h-12 rounded-lg border border-line bg-enamel px-3 text-lg"
            value={stage}
            onChange={(e) => change('stage', e.target.value)}
          >
            <option value="">In every stage</option>
            {STAGES.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </select>
        </label>
      </div>
      {found.length === 0 && (
        <p className="py-10 text-center text-lg text-soft">
          Nothing of that name{stage ? ` in ${stageName(stage).toLowerCase()}` : ''}.{' '}
          <button
            type="button"
            className="min-h-11 font-semibold text-steel underline"
            onClick={() => setSearch({}, { replace: true })}
          >
            Show all
          </button>
        </p>
      )}
      <div className="gap-5 lg:columns-2 xl:columns-3">
        {SUBJECTS.filter((s) => found.some((w) => w.subject === s)).map((subject) => (
          <Group
            key={subject}
            subject={subject}
            list={found.filter((w) => w.subject === subject)}
            all={q !== '' || stage !== ''}
          />
        ))}
      </div>
    </div>
  );
}

/** @param all what was asked for is shown whole */
function Group({ subject, list, all }: { subject: Subject; list: typeof WORKINGS; all: boolean }) {
  const [shown, rest] = useFew(list, all ? list.length : FIRST, 'workings');
  return (
    <section
      aria-label={subject}
      className="mb-5 break-inside-avoid overflow-hidden rounded-xl border border-line bg-enamel"
    >
      <h2 className="border-b border-line bg-sunk px-4 py-2 text-lg">{subject}</h2>
      <ul>
        {shown.map((w) => (
          <li key={w.id} className="border-b border-line last:border-b-0">
            <Link to={`/workings/${w.id}`} className="block px-4 py-2.5 hover:bg-steel-wash">
              <span className="block font-bold">{w.title}</span>
              <span className="block text-sm text-soft">{w.asks}</span>
            </Link>
          </li>
        ))}
      </ul>
      {rest && <div className="border-t border-line px-4">{rest}</div>}
    </section>
  );
}
