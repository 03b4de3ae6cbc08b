import type { Book, ClockBook, Entry } from '@eclat/contract';
import { byDate, dateFrom, dateInWords } from '@eclat/core/history';
import { familyById } from '@eclat/core/movement';
import {
  inscribedOnClock,
  ofTheClock,
  photosShown,
  SECTION_NAMES,
  SECTIONS,
  shownOnce,
  tellRecord,
  tellSection,
  type SectionName,
  type ToldList,
} from '@eclat/core/record';

/** An entry as a chapter: told first, what is behind it after. */
export interface Chapter {
  entry: Entry;
  amendments: readonly Entry[];
  story: readonly { name: string; lines: readonly string[] }[];
  photos: ReturnType<typeof photosShown>;
  details: readonly { title: string; lists: readonly ToldList[] }[];
}

/** What is written out of a book, whatever it is the book of. */
export interface Pages {
  of: 'movement' | 'clock';
  code: string;
  name: string;
  /** What it is, in lines under its name. */
  said: readonly string[];
  chapters: readonly Chapter[];
  /** Where it was made, and the day. */
  shop: string;
  day: string;
  /** Hashes of the photos that are here, in the order in which entries name them. */
  photos: readonly string[];
}

/** What was written out, and its photos, wherever they are. */
export type Told = Omit<Pages, 'shop' | 'day' | 'photos'>;

export const photosIn = ({ chapters }: Told): string[] => [
  ...new Set(
    chapters.flatMap(({ photos: { pairs, single } }) => [
      ...pairs.flatMap((p) => [p.before, p.after]),
      ...single.map((p) => p.hash),
    ]),
  ),
];

/** Sections that a page shows as something else. */
const SHOWN_OTHERWISE: readonly SectionName[] = ['photos', 'pairs', 'drawn'];

/** All that was recorded, by feature. */
const sectionsTold = ({ sections }: Entry): Chapter['details'] =>
  SECTION_NAMES.flatMap((name) => {
    const said = sections[name];
    const lists = said && !SHOWN_OTHERWISE.includes(name) ? tellSection(name, said) : [];
    return lists.length > 0 ? [{ title: SECTIONS[name].title, lists }] : [];
  });

const oldestFirst = (a: Entry, b: Entry): number => byDate(a.date, b.date);
const amendmentsOf = (entries: readonly Entry[], { id }: Entry) => entries.filter((a) => a.amends === id);

/** The book of a movement: each entry that is no amendment is a chapter, the oldest first. */
export function pagesOfMovement({ movement, also, ...book }: Book): Told {
  const entries = shownOnce(book.entries);
  const { code, name, familyId, maker, marks, dating } = movement;
  return {
    ...{ of: 'movement', code, name },
    said: [
      [familyById(familyId).name, maker].filter(Boolean).join(', '),
      dating.length > 0 ? `Made: ${dateFrom(dating).words}` : '',
      marks.map((m) => `${m.text} (${m.place})`).join(', '),
      also.length > 0 ? `Also ${also.map((m) => m.code).join(', ')}` : '',
    ].filter(Boolean),
    chapters: entries
      .filter((e) => e.kind !== 'amendment')
      .sort(oldestFirst)
      .map((entry) => ({
        entry,
        amendments: amendmentsOf(entries, entry),
        story: entry.record ? tellRecord({ record: entry.record, sections: entry.sections }) : [],
        photos: photosShown(entry.sections),
        details: sectionsTold(entry),
      })),
  };
}

/** One line of a list, as it stands in a story. */
const lineOf = ({ lead, rest, by }: ToldList['rows'][number]): string =>
  [[lead, rest].filter(Boolean).join(' · '), by].filter(Boolean).join('. ');

function clockChapter(entry: Entry, amendments: readonly Entry[]): Chapter {
  const { lists, photos, pairs } = ofTheClock(entry);
  return {
    ...{ entry, amendments },
    story: lists.map((l) => ({ name: l.title, lines: [...(l.by ? [l.by] : []), ...l.rows.map(lineOf)] })),
    photos: { pairs, single: photos },
    details: [],
  };
}

/** The clock by itself: of each visit what is of case, dial and glass, and what is written on them. */
export function pagesOfClock({ clock, stays, entries }: ClockBook): Told {
  const kept = shownOnce(entries.filter((e) => e.proof !== 'changed'));
  const written = new Set(inscribedOnClock(kept).flatMap((t) => t.lines.map((l) => l.entry.id)));
  return {
    ...{ of: 'clock', code: '', name: clock.description },
    said: stays.map(({ movement, from, until }) =>
      [
        `Movement ${movement.code}, ${movement.name}:`,
        until === null ? `in it since ${dateInWords(from)}` : `in it ${dateInWords(from)} to ${dateInWords(until)}`,
      ].join(' '),
    ),
    chapters: kept
      .filter((e) => e.kind === 'visit' || e.kind === 'replacement' || written.has(e.id))
      .sort(oldestFirst)
      .map((entry) => {
        const amendments = amendmentsOf(kept, entry);
        if (!written.has(entry.id)) return clockChapter(entry, amendments);
        return { entry, amendments, story: [], photos: photosShown(entry.sections), details: [] };
      }),
  };
}
