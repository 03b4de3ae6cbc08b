import { IN_BOOK_FILE, type Entry } from '@eclat/contract';
import { dateInWords } from '@eclat/core/history';
import {
  answeredFor,
  bothOf,
  chapterTitle,
  ENTRY_WORDS,
  proofInWords,
  whereWritten,
  type NamedPhoto,
} from '@eclat/core/record';
import { counted } from '@eclat/core/units';
import { renderToStaticMarkup } from 'react-dom/server';
import { BOOK_STYLE } from './book-page.css.ts';
import type { Chapter, Pages } from './book-pages.ts';

/** The page of a book file: all of it, in one file without script, which asks nothing of any network. */
export const bookPage = (pages: Pages): string =>
  `<!doctype html>\n${renderToStaticMarkup(<BookPage pages={pages} />)}\n`;

const BOOK_OF = {
  movement: 'The book of a clock movement',
  clock: 'The book of a clock: case, dial and glass',
} as const;

function BookPage({ pages }: { pages: Pages }) {
  const { of, code, name, said, chapters, shop, day, photos } = pages;
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta
          httpEquiv="Content-Security-Policy"
          content="default-src 'none'; img-src 'self' file: data:; style-src 'unsafe-inline'"
        />
        <title>{[code, name].filter(Boolean).join(', ')}</title>
        <style dangerouslySetInnerHTML={{ __html: BOOK_STYLE }} />
      </head>
      <body>
        <header>
          {code && <p className="code">{code}</p>}
          <h1 dir="auto">{name}</h1>
          {said.map((line) => (
            <p key={line} dir="auto">
              {line}
            </p>
          ))}
          <p className="soft">
            {BOOK_OF[of]}: {counted(chapters.length, 'entry', 'entries')}. Written out on {dateInWords(day)} by{' '}
            <bdi>{shop}</bdi>.
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
            <ChapterOf key={chapter.entry.id} chapter={chapter} here={photos} />
          ))}
        </main>
        <HowToCheck shop={shop} of={of} />
      </body>
    </html>
  );
}

interface ChapterProps {
  chapter: Chapter;
  here: readonly string[];
}

function ChapterOf({ chapter: { entry, amendments, story, photos, details }, here }: ChapterProps) {
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
      {story.length > 0 && (
        <dl>
          {story.map(({ name, lines }) => [
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
      <Photos photos={photos} here={here} />
      {details.map(({ title, lists }) => (
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
      {entry.unread.length > 0 && <p className="soft">Signed too, and not read here: {entry.unread.join(', ')}.</p>}
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

function Photos({ photos: { pairs, single }, here }: Pick<Chapter, 'photos'> & Pick<ChapterProps, 'here'>) {
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

function HowToCheck({ shop, of }: Pick<Pages, 'shop' | 'of'>) {
  return (
    <footer>
      <h2>How to check it</h2>
      <p>
        What is said of signatures on this page is what <bdi>{shop}</bdi> found when it wrote it out: a page can be
        changed. What counts stands in{' '}
        {of === 'movement' ? <a href="book.json">book.json</a> : 'the folder books, for each movement that was in it'}:
        each entry as it was signed (Ed25519, RFC 8037), named by its SHA-256, with the logs of the keys that signed
        (RFC 9162). <a href="schema/README.md">schema/README.md</a> says how to check it with tools that any computer
        has. A photo is named by the SHA-256 of its bytes.
      </p>
    </footer>
  );
}
