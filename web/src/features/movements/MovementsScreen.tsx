import type { ReplyOf } from '@eclat/contract';
import { dateInWords } from '@eclat/core/history';
import { familyById } from '@eclat/core/movement';
import { counted } from '@eclat/core/units';
import { BookOpen, ShieldCheck } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import type { api } from '../../data/api.ts';
import { useLastCheck, useMovements } from '../../data/queries.ts';
import { useFew } from '../../ui/Few.tsx';
import { Answer, Empty, Failed, Loading } from '../../ui/Answer.tsx';
import { dayTime } from '../../ui/dates.ts';
import { AllOffered } from '../exchange/Offers.tsx';
import { SearchField } from '../../ui/SearchField.tsx';

/** What a screen holds well; the others are one press, or a word, away. */
const AT_ONCE = 20;

/** Every movement that was ever here, with its book. */
export function MovementsScreen() {
  const [search, setSearch] = useSearchParams();
  const q = search.get('q') ?? '';
  const { data, error } = useMovements(q);
  if (error && !data) return <Failed error={error} />;
  return (
    <div className="mx-auto max-w-5xl px-4 py-5 md:px-6">
      <h1 className="text-3xl">Movement books</h1>
      <p className="mt-1 mb-4 text-lg text-soft">
        What was done to each movement, by whom and when. No owner’s name is shown.
      </p>
      <Checked />
      <AllOffered />
      <SearchField
        first
        className="mb-4"
        label="Search the movements"
        placeholder="Code, maker’s mark, serial number or name"
        value={q}
        onChange={(v) => setSearch(v ? { q: v } : {}, { replace: true })}
      />
      <BookList key={q} data={data} q={q} />
      {data?.next && (
        <p className="mt-3 text-center text-soft">More match: type more of the code, the mark or the name.</p>
      )}
    </div>
  );
}

/** Signatures are checked once a day: quiet where all hold, first where one does not. */
function Checked() {
  const check = useLastCheck();
  if (!check) return null;
  const { at, entries, broken, log } = check;
  if (broken.length + log.length === 0)
    return (
      <p className="mb-3 flex items-center gap-2 text-sm text-soft">
        <ShieldCheck className="size-4 shrink-0" aria-hidden />
        {entries === 0 ? 'No entry yet' : `${counted(entries, 'entry', 'entries')} checked, as signed`}, {dayTime(at)}
      </p>
    );
  const books = [...new Map(broken.map((b) => [b.movementId, b])).values()];
  return (
    <div className="mb-4">
      <Answer
        tone="danger"
        title={
          broken.length > 0
            ? `${counted(broken.length, 'entry is', 'entries are')} not as signed, or what came before is gone`
            : 'The log of what was signed does not hold'
        }
      >
        Checked {dayTime(at)}.{books.length > 0 && ' In the books of '}
        {books.map((b, i) => (
          <span key={b.movementId}>
            {i > 0 && ', '}
            <Link className="font-semibold whitespace-nowrap underline" to={`/movements/${b.movementId}`}>
              {b.code}
            </Link>
          </span>
        ))}
        {books.length > 0 && '.'}
        {log.map((words) => (
          <p key={words}>{words}</p>
        ))}
      </Answer>
    </div>
  );
}

function BookList({ data, q }: { data: ReplyOf<typeof api.movements.search> | undefined; q: string }) {
  const [shown, rest] = useFew(data?.items ?? [], AT_ONCE, 'movements');
  if (!data) return <Loading what="the books" />;
  if (data.items.length === 0)
    return <Empty>{q ? `No movement matches “${q}”.` : 'A movement’s book begins when its clock is taken in.'}</Empty>;
  return (
    <>
      <ul className="overflow-hidden rounded-xl border border-line bg-enamel">
        {shown.map((m) => (
          <BookRow key={m.id} of={m} />
        ))}
      </ul>
      {rest}
    </>
  );
}

function BookRow({ of: m }: { of: ReplyOf<typeof api.movements.search>['items'][number] }) {
  return (
    <li className="border-b border-line last:border-b-0">
      <Link
        to={`/movements/${m.id}`}
        className="grid grid-cols-[2rem_minmax(0,1fr)_auto] items-center gap-4 px-4 py-3 hover:bg-steel-wash"
      >
        <BookOpen className="size-6 text-steel" aria-hidden />
        <span className="min-w-0">
          <span className="block truncate text-lg font-bold">{m.name}</span>
          <span className="block truncate text-sm text-soft">
            {familyById(m.familyId).name}
            {m.maker && ` · ${m.maker}`}
            {m.marks.length > 0 && ` · ${m.marks.map((k) => k.text).join(', ')}`}
          </span>
        </span>
        <span className="max-w-28 text-right sm:max-w-none">
          <span className="block font-bold">{m.code}</span>
          <span className="block text-sm text-soft">
            {m.entries === 0
              ? 'nothing yet'
              : `${counted(m.entries, 'entry', 'entries')}${m.lastDate ? `, last ${dateInWords(m.lastDate)}` : ''}`}
          </span>
        </span>
      </Link>
    </li>
  );
}
