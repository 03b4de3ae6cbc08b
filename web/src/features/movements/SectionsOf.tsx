import { SECTION_NAMES, SECTIONS, tellSection, type SectionName, type ToldList } from '@eclat/core/record';
import { useEffect, useId, useRef, useState } from 'react';

type Said = Partial<Record<SectionName, Readonly<Record<string, unknown>> | undefined>>;

/** What opens further down than this share of the screen is brought up. */
const SEEN = 0.75;

interface Props {
  sections: Said;
  unread?: readonly string[];
}

/** What a visit did in full, behind its story: each feature opens under its name. */
export function SectionsOf({ sections, unread = [] }: Props) {
  const [open, setOpen] = useState<readonly SectionName[]>([]);
  const id = useId();
  const latest = useRef<HTMLElement>(null);
  useEffect(() => {
    // On a phone it opens below the fold.
    const box = latest.current;
    if (box && box.getBoundingClientRect().top > SEEN * window.innerHeight) box.scrollIntoView({ block: 'start' });
  }, [open]);
  const told = SECTION_NAMES.flatMap((name) => {
    const said = sections[name];
    const lists = said ? tellSection(name, said) : [];
    return lists.length > 0 ? [{ name, lists, rows: lists.reduce((n, l) => n + l.rows.length, 0) }] : [];
  });
  if (told.length === 0 && unread.length === 0) return null;
  const turn = (name: SectionName) =>
    setOpen((now) => (now.includes(name) ? now.filter((n) => n !== name) : [...now, name]));
  return (
    <div className="mt-1">
      <h3 className="sr-only">All that was recorded</h3>
      <ul className="no-print mt-1 flex flex-wrap gap-x-1.5 gap-y-1">
        {told.map(({ name, rows }) => (
          <li key={name}>
            <button
              type="button"
              aria-expanded={open.includes(name)}
              aria-controls={open.includes(name) ? `${id}${name}` : undefined}
              onClick={() => turn(name)}
              className={
                'min-h-11 rounded-lg px-2.5 text-steel hover:bg-sunk ' +
                (open.includes(name) ? 'bg-sunk font-semibold' : '')
              }
            >
              {SECTIONS[name].title} <span className="text-sm text-soft">{rows}</span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-col">
        {told
          .filter((t) => open.includes(t.name))
          .map(({ name, lists }) => (
            <section
              key={name}
              id={`${id}${name}`}
              aria-label={SECTIONS[name].title}
              ref={name === open.at(-1) ? latest : null}
              className="mt-2 border-l-2 border-line pl-4"
            >
              <h4 className="font-bold">{SECTIONS[name].title}</h4>
              {lists.map((list) => (
                <List key={list.title} list={list} alone={lists.length === 1} />
              ))}
            </section>
          ))}
      </div>
      {unread.length > 0 && (
        <p className="mt-1 text-soft">
          Signed by a later version of Eclat, kept as it was signed, and not read here: {unread.join(', ')}.
        </p>
      )}
    </div>
  );
}

interface ListProps {
  list: ToldList;
  /** No other stands beside it: it needs no title. */
  alone: boolean;
  heading?: 'h4' | 'h5';
}

/** A list of what was recorded, row by row. */
export function List({ list: { title, by: byOne, rows }, alone, heading: Heading = 'h5' }: ListProps) {
  return (
    <>
      {(!alone || byOne !== '') && (
        <Heading className="mt-1 text-sm text-soft">{[!alone && title, byOne].filter(Boolean).join(' · ')}</Heading>
      )}
      <ul className="flex flex-col gap-0.5">
        {rows.map(({ lead, rest, by }, i) => (
          <li key={i}>
            {lead && <span className="font-semibold">{lead}</span>}
            {lead && rest && ' · '}
            {rest}
            {by && <span className="text-sm text-soft"> {by}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}
