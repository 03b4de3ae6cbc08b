import type { Entry } from '@eclat/contract';
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
import type { Content } from 'pdfmake';
import { facts, head, sheet } from '../documents/pdf.ts';
import type { Context } from '../platform/http/context.ts';
import { photoByHash } from '../photos/stored.ts';
import type { Chapter, Pages } from './book-pages.ts';

const MOST_PHOTOS = 60;
const MOST_CHAPTERS = 12;

interface Part extends Omit<Chapter, 'photos'> {
  photos: readonly NamedPhoto[];
  /** Its words stand in a volume before. */
  goesOn: boolean;
}

/** Chapters, and where one has many photos parts of it, that are bound together. */
export type Volume = readonly Part[];

/** A book in volumes, each of so many chapters and photos that it can be printed at once. */
export function bookVolumes(pages: Pages): Volume[] {
  const here = new Set(pages.photos);
  const volumes: Part[][] = [[]];
  let room = MOST_PHOTOS;
  const turnOver = () => {
    volumes.push([]);
    room = MOST_PHOTOS;
  };
  for (const chapter of pages.chapters) {
    const { pairs, single } = chapter.photos;
    // Two in a row: what belongs together stands side by side.
    const whole = pairs.filter((p) => here.has(p.before) && here.has(p.after));
    const halves = pairs.filter((p) => !whole.includes(p));
    const photos = [...[...whole, ...halves].flatMap(bothOf), ...single].filter((p) => here.has(p.hash));
    let from = 0;
    do {
      if (room === 0 || volumes.at(-1)!.length === MOST_CHAPTERS) turnOver();
      const part = photos.slice(from, from + room);
      volumes.at(-1)!.push({ ...chapter, photos: part, goesOn: from > 0 });
      room -= part.length;
      from += part.length;
    } while (from < photos.length);
  }
  return volumes;
}

const COLUMN = 240;
const TALLEST = 220;

async function pictures(ctx: Context, photos: readonly NamedPhoto[]): Promise<Content[]> {
  const each: Content[] = [];
  for (const { hash, said } of photos) {
    const bytes = (await photoByHash(ctx.em, hash, 'medium'))!;
    const image = `data:image/jpeg;base64,${bytes.toString('base64')}`;
    each.push({
      unbreakable: true,
      stack: [
        { image, fit: [COLUMN, TALLEST] },
        { text: said, fontSize: 8 },
      ],
    });
  }
  return each.flatMap((left, i): Content[] =>
    i % 2 === 0 ? [{ columns: [left, each[i + 1] ?? { text: '' }], columnGap: 16, margin: [0, 6, 0, 0] }] : [],
  );
}

const signed = (entry: Entry): Content => ({
  fontSize: 8,
  style: 'soft',
  margin: [0, 4, 0, 0],
  stack: [answeredFor(entry), proofInWords(entry), `SHA-256 ${entry.hash}`],
});

const caption = (said: (string | false)[]): Content[] => {
  const text = said.filter(Boolean).join(' · ');
  return text ? [{ text, style: 'soft', fontSize: 8 }] : [];
};

const words = ({ entry, amendments, story, details }: Part): Content[] => [
  ...(entry.text && chapterTitle(entry) !== entry.text ? [{ text: entry.text }] : []),
  ...(whereWritten(entry) ? [{ text: whereWritten(entry), style: 'soft' }] : []),
  ...(story.length > 0 ? [facts(story.map(({ name, lines }) => [name, lines.join('\n')]))] : []),
  ...details.flatMap(({ title, lists }): Content[] => [
    { text: title, bold: true, margin: [0, 6, 0, 1], fontSize: 9 },
    ...lists.flatMap((list): Content[] => [
      ...caption([lists.length > 1 && list.title, list.by]),
      {
        ul: list.rows.map((r) => [[r.lead, r.rest].filter(Boolean).join(' · '), r.by].filter(Boolean).join('. ')),
        fontSize: 8,
      },
    ]),
  ]),
  signed(entry),
  ...amendments.flatMap((a): Content[] => [
    { text: `Amendment, ${dateInWords(a.date)}`, bold: true, margin: [0, 6, 0, 0] },
    { text: a.text },
    signed(a),
  ]),
];

/** One volume as PDF. */
export async function printVolume(
  ctx: Context,
  pages: Pages,
  volume: Volume,
  { number, of }: { number: number; of: number },
): Promise<Buffer> {
  const content: Content[] =
    number === 1
      ? [
          ...pages.said,
          `${counted(pages.chapters.length, 'entry', 'entries')}, written out on ${dateInWords(pages.day)}`,
        ]
      : [];
  if (volume.length === 0) content.push({ text: 'No entry stands in it yet.', style: 'soft' });
  for (const part of volume) {
    const { entry, goesOn } = part;
    content.push(head(`${dateInWords(entry.date)} · ${ENTRY_WORDS[entry.kind]}`));
    content.push({ text: chapterTitle(entry) + (goesOn ? ', continued' : ''), bold: true, fontSize: 12 });
    if (!goesOn) content.push(...words(part));
    content.push(...(await pictures(ctx, part.photos)));
  }
  const title = `Book of a ${pages.of}` + (of === 1 ? '' : `, volume ${number} of ${of}`);
  return sheet({ title, of: [pages.code, pages.name].filter(Boolean).join(', '), shop: pages.shop, content });
}
