import { runCheck, SUBJECTS, WORKINGS, type CheckKind } from '@eclat/core/workings';
import { ArrowLeft } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Answer } from '../../ui/Answer.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { CheckList, KINDS } from './CheckList.tsx';

/** Every working with what it was checked against, run in this browser as the page is opened. */
export function WorkingChecksScreen() {
  const [search, setSearch] = useSearchParams();
  const kind = (search.get('kind') ?? '') as CheckKind | '';
  const failed = useMemo(
    () => WORKINGS.flatMap((w) => w.checks.filter((c) => runCheck(w, c).some((f) => !f.holds))).length,
    [],
  );
  const all = WORKINGS.flatMap((w) => w.checks);
  const count = (k: CheckKind) => all.filter((c) => c.kind === k).length;
  return (
    <div className="mx-auto flex max-w-7xl flex-col gap-5 px-4 py-5 md:px-6">
      <div>
        <Link to="/workings" className="inline-flex min-h-11 items-center gap-2 font-semibold text-steel">
          <ArrowLeft className="size-5" aria-hidden />
          All workings
        </Link>
        <h1 className="text-3xl">What the workings are checked against</h1>
      </div>
      {failed === 0 ? (
        <Answer tone="good" title={`All ${all.length} checks of ${WORKINGS.length} workings hold`}>
          {count('published')} against published figures, {count('by hand')} worked by hand, {count('practice')} against
          practice, {count('memory')} from memory. They were run just now, in this browser.
        </Answer>
      ) : (
        <Answer tone="danger" title={`${failed} of ${all.length} checks do not hold in this browser`}>
          Do not trust the workings concerned, and say so to whoever keeps Eclat for you.
        </Answer>
      )}
      <Choice
        label="Kind of check"
        hideLabel
        value={kind}
        options={(Object.keys(KINDS) as CheckKind[]).map((k) => [k, `${KINDS[k].word} (${count(k)})`] as const)}
        onChange={(k) => setSearch({ kind: k }, { replace: true })}
        onClear={() => setSearch({}, { replace: true })}
      />
      {SUBJECTS.map((subject) => {
        const list = WORKINGS.filter((w) => w.subject === subject && (!kind || w.checks.some((c) => c.kind === kind)));
        return list.length === 0 ? null : (
          <section key={subject} aria-label={subject} className="rounded-xl border border-line bg-enamel p-5">
            <h2 className="mb-3 text-xl">{subject}</h2>
            {list.map((w) => (
              <div key={w.id} className="border-t border-line py-3 first-of-type:border-t-0">
                <h3 className="mb-2 text-lg">
                  <Link className="font-semibold text-steel underline" to={`/workings/${w.id}`}>
                    {w.title}
                  </Link>
                </h3>
                <CheckList working={kind ? { ...w, checks: w.checks.filter((c) => c.kind === kind) } : w} />
              </div>
            ))}
          </section>
        );
      })}
    </div>
  );
}
