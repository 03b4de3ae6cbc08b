import { Page } from './BookPage.tsx';
import type { Book, Entry, Movement } from '@eclat/contract';
import { byDate, dateFrom } from '@eclat/core/history';
import { inscribedThings, photosIn, shownOnce, type NamedPhoto } from '@eclat/core/record';
import { familyById } from '@eclat/core/movement';
import { byCount, counted } from '@eclat/core/units';
import { ArrowLeftRight, Cog, Columns2, Globe, Merge, ScrollText, Split, Upload } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { useBook, useMaySign } from '../../data/queries.ts';
import { day } from '../../ui/dates.ts';
import { Answer, Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { BookFile, InTheShop } from './BookLinks.tsx';
import { BringSheet } from './BringSheet.tsx';
import { Decades } from './Decades.tsx';
import { PartSheet } from './PartSheet.tsx';
import { PublicSheet } from './PublicSheet.tsx';
import { MergeSheet } from './MergeSheet.tsx';
import { Inscribe } from './Inscribe.tsx';
import { Inscriptions } from './Inscriptions.tsx';
import { Offered } from '../exchange/Offers.tsx';
import { OtherShops } from '../exchange/OtherShops.tsx';
import { More } from '../../ui/More.tsx';
import { Wear } from './Wear.tsx';
import { WhatIsLeft } from './WhatIsLeft.tsx';
import { TitleOf } from '../../ui/TitleOf.tsx';

/** A movement's whole history, over visits, owners and shops. */
export function BookScreen() {
  const { movementId } = useParams();
  const { data, error } = useBook(movementId!);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the book" />;
  return <BookOf book={data} />;
}

type Doing = 'merging' | 'parting' | 'bringing' | 'publishing' | 'exchanging';

function BookOf({ book }: { book: Book }) {
  const { movement, also, entries, gone, photosAway, publicPage } = book;
  const { hash } = useLocation();
  const [doing, setDoing] = useState<Doing | null>(null);
  // Once for each address: a page that is added later does not move what is being read or pressed.
  const scrolledTo = useRef('');
  useEffect(() => {
    const page = hash && hash !== scrolledTo.current ? document.getElementById(hash.slice(1)) : null;
    if (!page) return;
    page.scrollIntoView({ block: 'center' });
    scrolledTo.current = hash;
  }, [hash, entries.length]);
  const kept = shownOnce(entries.filter((e) => e.proof !== 'changed'));
  const pages = kept.filter((e) => e.kind !== 'amendment').sort((a, b) => byDate(b.date, a.date));
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-5 md:px-6">
      <Broken entries={entries} gone={gone} />
      <div className="flex flex-wrap items-start justify-between gap-4">
        <BookHead book={book} />
        <BookTools book={book} onDo={setDoing} />
      </div>
      {doing === 'merging' && <MergeSheet movement={movement} onClose={() => setDoing(null)} />}
      {doing === 'parting' && <PartSheet movement={movement} also={also} onClose={() => setDoing(null)} />}
      {doing === 'publishing' && <PublicSheet movement={movement} page={publicPage} onClose={() => setDoing(null)} />}
      {doing === 'bringing' && (
        <BringSheet movement={movement} onAsk={() => setDoing('exchanging')} onClose={() => setDoing(null)} />
      )}
      {doing === 'exchanging' && <OtherShops movement={movement} onClose={() => setDoing(null)} />}
      <Offered movement={movement} />
      <Decades entries={pages} />
      <Inscriptions things={inscribedThings(kept)} away={photosAway} />
      <WhatIsLeft entries={kept} movement={movement} />
      <Wear entries={kept} />
      <Pages entries={kept} pages={pages} movement={movement} away={photosAway} hash={hash} />
      <KeptApart entries={entries.filter((e) => e.proof === 'changed')} />
    </div>
  );
}

/** What is not as it was signed is said before anything is read. */
function Broken({ entries, gone }: { entries: readonly Entry[]; gone: readonly number[] }) {
  const titles = (proof: Entry['proof']) => entries.filter((e) => e.proof === proof).map((e) => e.title);
  const [changed, onGone] = [titles('changed'), titles('page missing')];
  const n = changed.length + onGone.length;
  if (n + gone.length === 0) return null;
  const title =
    n > 0
      ? `${counted(n, 'entry', 'entries')} of this book cannot be relied on`
      : `${counted(gone.length, 'entry', 'entries')} of this book ${byCount(gone.length, 'is', 'are')} gone`;
  return (
    <Answer tone="danger" title={title}>
      {changed.length > 0 && <p>Changed after it was signed, and kept apart below: {changed.join(', ')}.</p>}
      {onGone.length > 0 && <p>An entry before it was taken out: {onGone.join(', ')}.</p>}
      {gone.length > 0 && (
        <p>Signed here, and taken out afterwards: number {gone.join(', ')} in the log of this shop.</p>
      )}
      <p>A backup, or the file of the book from before, tells what stood there.</p>
    </Answer>
  );
}

/** Not what was signed: it is no part of the history, and is not thrown away. */
function KeptApart({ entries }: { entries: readonly Entry[] }) {
  if (entries.length === 0) return null;
  return (
    <Panel title="Not what was signed">
      <ol className="flex flex-col">
        {entries.map((e) => (
          <Page key={e.id} entry={e} amendments={[]} marked={false} away={[]} />
        ))}
      </ol>
    </Panel>
  );
}

function BookHead({ book: { movement, also, gave, clock } }: { book: Book }) {
  const { traits } = movement;
  return (
    <div>
      <p className="text-lg font-bold text-steel">
        {movement.code}
        {also.length > 0 && <span className="font-normal text-soft">, also {also.map((m) => m.code).join(', ')}</span>}
      </p>
      <TitleOf screen={`${movement.code}, ${movement.name}`} />
      <h1 className="text-3xl">{movement.name}</h1>
      <p className="mt-1 text-lg text-soft">
        {familyById(movement.familyId).name}
        {movement.maker && `, ${movement.maker}`}.{' '}
        {byCount(traits.trains.length, 'One train', `${traits.trains.length} trains`)}, {traits.oscillator},{' '}
        {traits.escapement === 'none' ? 'no escapement' : `${traits.escapement} escapement`}.
      </p>
      {clock && (
        <p className="mt-1 text-lg">
          In the clock{' '}
          <Link className="font-semibold text-steel underline" to={`/clocks/${clock.id}`}>
            {clock.description}
          </Link>
        </p>
      )}
      {movement.dating.length > 0 && (
        <p className="mt-1 text-lg">
          Made: <b>{dateFrom(movement.dating).words}</b>{' '}
          <span className="text-soft">{movement.dating.map((d) => d.why).join('; ')}</span>
        </p>
      )}
      {movement.absent.length > 0 && (
        <p className="mt-1 text-lg text-soft">
          Looked for and not there: {movement.absent.map((a) => a.what).join(', ')}.
        </p>
      )}
      {movement.marks.length > 0 && (
        <p className="mt-1 text-lg">
          {movement.marks.map((m) => (
            <span key={m.place + m.text} className="mr-4 inline-block">
              <b>{m.text}</b> <span className="text-soft">{m.place}</span>
            </span>
          ))}
        </p>
      )}
      {movement.marksTakenOut.length > 0 && (
        <p className="mt-1 text-soft">
          Taken out again:{' '}
          {movement.marksTakenOut.map((m) => `${m.text} (${m.place}), by ${m.by}, ${day(m.at)}`).join('; ')}.
        </p>
      )}
      {gave.length > 0 && (
        <p className="mt-1 text-lg">
          <b>Not complete:</b> it gave{' '}
          {gave.map((g, i) => (
            <span key={g.at + g.what}>
              {i > 0 && '; '}
              {g.what.toLowerCase()} to{' '}
              <Link className="font-semibold text-steel underline" to={`/movements/${g.movementId}`}>
                {g.to}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
    </div>
  );
}

function BookTools({ book, onDo }: { book: Book; onDo: (what: Doing) => void }) {
  const { movement, also, inTheShop, publicPage: page } = book;
  const maySign = useMaySign();
  const go = useNavigate();
  const otherShops = { label: 'Other shops', Icon: ArrowLeftRight, onSelect: () => onDo('exchanging') };
  const publicPage = {
    label: page ? 'Public page: open' : 'Public page',
    Icon: Globe,
    onSelect: () => onDo('publishing'),
  };
  return (
    <div className="no-print flex flex-wrap gap-2">
      <InTheShop visit={inTheShop} />
      <BookFile
        of={`movements/${movement.id}`}
        says="All of it in one file: as signed, with its photos, a page for any browser, and a PDF"
      />
      {maySign && (
        <Button onClick={() => onDo('bringing')}>
          <Upload className="size-5" aria-hidden />
          Bring a record
        </Button>
      )}
      <Link to={`/movements/${movement.id}/description`} className={buttonClass('quiet')}>
        <Cog className="size-5" aria-hidden />
        Description
      </Link>
      <More
        items={[
          { label: 'Compare photos', Icon: Columns2, onSelect: () => void go(`/compare/${movement.id}`) },
          ...(maySign ? [otherShops, publicPage] : []),
          { label: 'Same as another book', Icon: Merge, onSelect: () => onDo('merging') },
          ...(also.length > 0
            ? [{ label: 'Not the same after all', Icon: Split, onSelect: () => onDo('parting') }]
            : []),
        ]}
      />
    </div>
  );
}

/** Photos that the entries of a book name, and that are here. */
function photosOfBook(entries: readonly Entry[], away: readonly string[]): NamedPhoto[] {
  const named = new Map(entries.flatMap((e) => photosIn(e.sections)).map((p) => [p.hash, p]));
  return [...named.values()].filter((p) => !away.includes(p.hash));
}

function Pages({
  entries,
  pages,
  movement,
  away,
  hash,
}: {
  entries: Entry[];
  pages: Entry[];
  movement: Movement;
  away: readonly string[];
  hash: string;
}) {
  const [inscribing, setInscribing] = useState(false);
  const maySign = useMaySign();
  return (
    <Panel
      title={entries.length === 0 ? 'The book is empty' : counted(pages.length, 'entry', 'entries')}
      aside={
        !inscribing &&
        maySign && (
          <Button className="no-print" onClick={() => setInscribing(true)}>
            <ScrollText className="size-5" aria-hidden />
            Enter an inscription
          </Button>
        )
      }
    >
      {inscribing && (
        <Inscribe movementId={movement.id} photos={photosOfBook(entries, away)} onClose={() => setInscribing(false)} />
      )}
      {pages.length === 0 ? (
        <Empty>
          The first entry is written when a visit is signed, or when an old repairer’s inscription is entered.
        </Empty>
      ) : (
        <ol className="flex flex-col">
          {pages.map((e) => (
            <Page
              key={e.id}
              entry={e}
              amendments={entries.filter((a) => a.amends === e.id)}
              marked={hash === `#${e.id}`}
              away={away}
            />
          ))}
        </ol>
      )}
    </Panel>
  );
}
