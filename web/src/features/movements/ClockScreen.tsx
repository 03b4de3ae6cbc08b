import type { ClockBook } from '@eclat/contract';
import { byDate, dateInWords } from '@eclat/core/history';
import { inscribedOnClock, ofTheClock, shownOnce } from '@eclat/core/record';
import { byCount, counted } from '@eclat/core/units';
import { Link, useParams } from 'react-router';
import { useClockBook } from '../../data/queries.ts';
import { Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { TitleOf } from '../../ui/TitleOf.tsx';
import { ProofOf } from './BookPage.tsx';
import { BookFile, InTheShop } from './BookLinks.tsx';
import { DateOf } from './DateOf.tsx';
import { Decades } from './Decades.tsx';
import { Inscriptions } from './Inscriptions.tsx';
import { PhotosOf } from './PhotosOf.tsx';
import { SameClock } from './SameClock.tsx';
import { List } from './SectionsOf.tsx';

/** A clock by itself: case, dial and glass, whatever movement was in it. */
export function ClockScreen() {
  const { clockId } = useParams();
  const { data, error } = useClockBook(clockId!);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the clock" />;
  return <ClockOf book={data} />;
}

type ClockEntry = ClockBook['entries'][number];

function ClockOf({ book }: { book: ClockBook }) {
  const { clock, entries, photosAway, inTheShop } = book;
  const kept = shownOnce(entries.filter((e) => e.proof !== 'changed'));
  const things = inscribedOnClock(kept);
  const written = new Set(things.flatMap((t) => t.lines.map((l) => l.entry.id)));
  const chapters = kept
    .filter((e) => e.kind === 'visit' || e.kind === 'replacement')
    .sort((a, b) => byDate(b.date, a.date));
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <div>
          <p className="text-lg font-bold text-steel">Case, dial and glass</p>
          <TitleOf screen={clock.description} />
          <h1 className="text-3xl">{clock.description}</h1>
        </div>
        <div className="no-print flex flex-wrap gap-2">
          <InTheShop visit={inTheShop} />
          <BookFile
            of={`clocks/${clock.id}`}
            says="In one file: a page for any browser, a PDF, its photos, and the signed books of its movements"
          />
        </div>
      </div>
      <Decades entries={[...chapters, ...kept.filter((e) => written.has(e.id))]} />
      <Movements book={book} />
      <Inscriptions things={things} away={photosAway} />
      <Panel title={chapters.length === 0 ? 'No visit yet' : counted(chapters.length, 'visit')}>
        {chapters.length === 0 ? (
          <Empty>What is found and done on case, dial and glass is listed here once a visit is signed.</Empty>
        ) : (
          <ol className="flex flex-col">
            {chapters.map((e) => (
              <Chapter key={e.id} entry={e} amendments={kept.filter((a) => a.amends === e.id)} away={photosAway} />
            ))}
          </ol>
        )}
      </Panel>
    </div>
  );
}

/** Movements get swapped: which was in it, from when to when as far as entries tell. */
const Movements = ({ book: { stays, ...book } }: { book: ClockBook }) => (
  <Panel
    title={byCount(stays.length, 'The movement in it', `${counted(stays.length, 'movement')} in it, the latest first`)}
  >
    <ol className="flex flex-col">
      {stays.map(({ movement, from, until }) => (
        <li key={movement.id} className="border-t border-line first:border-t-0">
          <Link
            to={`/movements/${movement.id}`}
            className="flex min-h-12 flex-wrap items-center gap-x-4 py-1 hover:underline"
          >
            <span className="font-bold">{movement.name}</span>
            <span className="text-soft">{movement.code}</span>
            <span className="ml-auto">
              {until === null ? `since ${dateInWords(from)}` : `${dateInWords(from)} to ${dateInWords(until)}`}
            </span>
          </Link>
        </li>
      ))}
    </ol>
    <SameClock book={book} />
  </Panel>
);

interface ChapterProps {
  entry: ClockEntry;
  amendments: readonly ClockEntry[];
  away: readonly string[];
}

function Chapter({ entry, amendments, away }: ChapterProps) {
  const { lists, photos, pairs } = ofTheClock(entry);
  return (
    <li
      id={entry.id}
      className={
        'grid gap-x-5 gap-y-1 border-t border-line py-6 first:border-t-0 first:pt-2 ' +
        'sm:grid-cols-[8.5rem_minmax(0,1fr)]'
      }
    >
      <DateOf date={entry.date} />
      <div className="min-w-0">
        <h3 className="text-xl">
          <Link to={`/movements/${entry.movementId}#${entry.id}`} className="hover:underline">
            {entry.title}
          </Link>
        </h3>
        {lists.map((list) => (
          <List key={list.title} list={list} alone={false} heading="h4" />
        ))}
        {lists.length === 0 && <p className="text-soft">Nothing was noted of case, dial or glass.</p>}
        <PhotosOf named={photos} pairs={pairs} away={away} />
        <ProofOf entry={entry} />
        {amendments.map((a) => (
          <div key={a.id} className="mt-3 border-l-4 border-steel pl-3">
            <p className="text-sm font-semibold text-steel">
              Amendment, {dateInWords(a.date)}, {a.signedBy}
            </p>
            <p className="text-lg">{a.text}</p>
          </div>
        ))}
      </div>
    </li>
  );
}
