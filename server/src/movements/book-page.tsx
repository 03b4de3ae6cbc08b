import { IN_BOOK_FILE, type Entry } from '@eclat/contract';
import { byDate, dateFrom, dateInWords } from '@eclat/core/history';
import { familyById } from '@eclat/core/movement';
import {
  answeredFor,
  bothOf,
  chapterTitle,
  whereWritten,
  ENTRY_WORDS,
  photosShown,
  type NamedPhoto,
  proofInWords,
  SECTION_NAMES,
  SECTIONS,
  tellRecord,
  tellSection,
  type SectionName,
} from '@eclat/core/record';
import { counted } from '@eclat/core/units';
import { renderToStaticMarkup } from 'react-dom/server';
import { BOOK_STYLE } from './book-page.css.ts';
import type { WholeBook } from './book-file.ts';

/** Sections that a page shows as something else. */
const SHOWN_OTHERWISE: readonly SectionName[] = ['photos', 'pairs'];

/** Entries as chapters, the oldest first, each with what was amended. */
export const chaptersOf = ({ book: { entries } }: Pick<WholeBook, 'book'>) =>
  entries
    .filter((e) => e.kind !== 'amendment')
    .sort((a, b) => byDate(a.date, b.date))
    .map((entry) => ({ entry, amendments: entries.filter((a) => a.amends === entry.id) }));

/** What a movement is, in lines under its name. */
export function saidOfMovement({ book: { movement, also } }: Pick<WholeBook, 'book'>): string[] {
  const { familyId, maker, marks, dating } = movement;
  return [
    [familyById(familyId).name, maker].filter(Boolean).join(', '),
    dating.length > 0 ? `Made: ${dateFrom(dating).words}` : '',
    marks.map((m) => `${m.text} (${m.place})`).join(', '),
    also.length > 0 ? `Also ${also.map((m) => m.code).join(', ')}` : '',
  ].filter(Boolean);
}

/** All that was recorded, by feature. */
export const sectionsTold = ({ sections }: Pick<Entry, 'sections'>) =>
  SECTION_NAMES.flatMap((name) => {
    const said = sections[name];
    const lists = said && !SHOWN_OTHERWISE.includes(name) ? tellSection(name, said) : [];
    return lists.length > 0 ? [{ title: SECTIONS[name].title, lists }] : [];
  });

/** The page of a book file: all of it, in one file without script, which asks nothing of any network. */
export const bookPage = (whole: WholeBook): string =>
  `<!doctype html>\n${renderToStaticMarkup(<BookPage whole={whole} />)}\n`;

function BookPage({ whole }: { whole: WholeBook }) {
  const { movement } = whole.book;
  const chapters = chaptersOf(whole);
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta
          httpEquiv="Content-Security-Policy"
          content="default-src 'none'; img-src 'self' file: data:; style-src 'unsafe-inline'"
        />
        <title>{`${movement.code}, ${movement.name}`}</title>
        <style dangerouslySetInnerHTML={{ __html: BOOK_STYLE }} />
      </head>
      <body>
        <header>
          <p className="code">{movement.code}</p>
          <h1 dir="auto">{movement.name}</h1>
          {saidOfMovement(whole).map((line) => (
            <p key={line} dir="auto">
              {line}
            </p>
          ))}
          <p className="soft">
            The book of a clock movement: {counted(chapters.length, 'entry', 'entries')}. Written out on{' '}
            {dateInWords(whole.day)} by <bdi>{whole.shop}</bdi>.
          </p>
          <ol className="contents">
            {chapters.map(({ entry }) => (
              <li key={entry.id}>
                <span>{dateInWords(entry.date)}</span>
                <a href={`#${entry.id}`} dir="auto">
                  {chapterTitle(entry)}
                </a>
              </li>
            ))}
          </ol>
        </header>
        <main>
          {chapters.map((chapter) => (
            <Chapter key={chapter.entry.id} {...chapter} here={whole.photos} />
          ))}
        </main>
        <HowToCheck shop={whole.shop} />
      </body>
    </html>
  );
}

interface ChapterProps {
  entry: Entry;
  amendments: readonly Entry[];
  here: readonly string[];
}

function Chapter({ entry, amendments, here }: ChapterProps) {
  const quoted = chapterTitle(entry) !== entry.title;
  return (
    <article id={entry.id}>
      <header>
        <p className="date">
          {dateInWords(entry.date)} <span className="soft">{ENTRY_WORDS[entry.kind]}</span>
        </p>
        <h2 dir="auto" className={quoted ? 'quoted' : ''}>
          {chapterTitle(entry)}
        </h2>
      </header>
      {entry.text && !quoted && <p dir="auto">{entry.text}</p>}
      {whereWritten(entry) && <p className="soft">{whereWritten(entry)}</p>}
      {entry.record && (
        <dl>
          {tellRecord({ record: entry.record, sections: entry.sections }).map(({ name, lines }) => [
            <dt key={name}>{name}</dt>,
            <dd key={`${name} said`}>
              {lines.map((line, i) => (
                <div key={i} dir="auto">
                  {line}
                </div>
              ))}
            </dd>,
          ])}
        </dl>
      )}
      <Photos entry={entry} here={here} />
      {sectionsTold(entry).map(({ title, lists }) => (
        <details key={title}>
          <summary>{title}</summary>
          {lists.map((list) => (
            <div key={list.title}>
              {lists.length > 1 && <h3>{list.title}</h3>}
              {list.by && <p className="small soft">{list.by}</p>}
              <ul>
                {list.rows.map(({ lead, rest, by }, i) => (
                  <li key={i} dir="auto">
                    {lead && <b>{lead}</b>}
                    {lead && rest && ' · '}
                    {rest} {by && <span className="soft">{by}</span>}
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </details>
      ))}
      {entry.unread.length > 0 && <p className="soft">In book.json, and not read here: {entry.unread.join(', ')}.</p>}
      <Signed entry={entry} />
      {amendments.map((a) => (
        <section key={a.id} className="amendment">
          <h3>Amendment, {dateInWords(a.date)}</h3>
          <p dir="auto">{a.text}</p>
          <Signed entry={a} />
        </section>
      ))}
    </article>
  );
}

function Photos({ entry, here }: Omit<ChapterProps, 'amendments'>) {
  const { pairs, single } = photosShown(entry.sections);
  if (pairs.length + single.length === 0) return null;
  const shown = (photos: readonly NamedPhoto[]) =>
    photos.map(({ hash, said }, i) => (
      <figure key={hash + String(i)}>
        {here.includes(hash) && (
          <a href={IN_BOOK_FILE.photo(hash)}>
            <img src={IN_BOOK_FILE.photo(hash)} alt={said} loading="lazy" />
          </a>
        )}
        <figcaption dir="auto">
          {here.includes(hash) ? said : `${said}: not in this file. Its SHA-256 is ${hash}`}
        </figcaption>
      </figure>
    ));
  return (
    <>
      {pairs.map((pair, i) => (
        <div key={i} className="photos pair">
          {shown(bothOf(pair))}
        </div>
      ))}
      {single.length > 0 && <div className="photos">{shown(single)}</div>}
    </>
  );
}

function Signed({ entry }: { entry: Entry }) {
  return (
    <div className="small soft">
      <p dir="auto">{answeredFor(entry)}</p>
      <details className="proof">
        <summary className={entry.proof === 'unknown shop' ? 'doubt' : ''}>{proofInWords(entry)}</summary>
        SHA-256 <code>{entry.hash}</code>
      </details>
    </div>
  );
}

function HowToCheck({ shop }: { shop: string }) {
  return (
    <footer>
      <h2>How to check it</h2>
      <p>
        What is said of signatures on this page is what <bdi>{shop}</bdi> found when it wrote it out: a page can be
        changed. What counts stands in <a href="book.json">book.json</a>: each entry as it was signed (Ed25519, RFC
        8037), named by its SHA-256, with the logs of the keys that signed (RFC 9162).{' '}
        <a href="schema/README.md">schema/README.md</a> says how to check it with tools that any computer has. A photo
        is named by the SHA-256 of its bytes.
      </p>
    </footer>
  );
}
