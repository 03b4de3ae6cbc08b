import { yearSpan } from '../history/index.ts';
import { sentence } from '../units/index.ts';
import { rowsIn, wordIn, type KeptRow } from './columns.ts';
import { keepSection, type KeptSections } from './from-visit.ts';
import { photosIn, type NamedPhoto } from './photos.ts';

/** What is written on. `clock`: it stays with the case and the dial when the movement leaves them. */
export const CARRIERS = {
  'front plate': 'movement',
  'back plate': 'movement',
  'cock or bridge': 'movement',
  'barrel or spring': 'movement',
  'wheel or arbor': 'movement',
  'pendulum or weight': 'movement',
  'seat board': 'clock',
  'back of the dial': 'clock',
  dial: 'clock',
  'back board': 'clock',
  door: 'clock',
  'inside of the case': 'clock',
  'label or paper': 'clock',
  'something else': 'movement',
} as const;

export type Carrier = keyof typeof CARRIERS;
export const CARRIER_NAMES = Object.keys(CARRIERS) as [Carrier, ...Carrier[]];

export const WRITTEN_HOW = ['scratched', 'engraved', 'stamped', 'pencil', 'ink', 'paint', 'printed'] as const;
export type WrittenHow = (typeof WRITTEN_HOW)[number];

export interface HowItStands {
  carrier: Carrier;
  /** Which one, where there are several: “the old board, oak”. */
  which: string;
  how: WrittenHow | '';
  /** Hash of the first entry in this hand; null: another hand. */
  sameHandAs: string | null;
  likely: boolean;
  ownHand: boolean;
}

/** The section of an entry that reads an inscription. */
export function inscriptionSection({ likely, sameHandAs, ...said }: HowItStands): KeptSections {
  const row = { ...said, sameHandAs, likely: sameHandAs !== null && likely };
  const section = keepSection('inscription', { read: [row] });
  return section ? { inscription: section } : {};
}

/** A piece of a transcription: read for sure, read with doubt, or not to be read. */
export interface Piece {
  is: 'sure' | 'doubtful' | 'gap';
  text: string;
}

const MARKED = /\[(?:(\.{3}|…)|([^[\]\n]+)\?)\]/g;

/**
 * Pieces of a transcription. What is lost stands as […], what is read with doubt as [so?]; other brackets are as they
 * stand on the clock. Square brackets for what is lost are common practice among epigraphers.
 */
export function readingOf(text: string): Piece[] {
  const pieces: Piece[] = [];
  let at = 0;
  for (const found of text.matchAll(MARKED)) {
    if (found.index > at) pieces.push({ is: 'sure', text: text.slice(at, found.index) });
    pieces.push(found[2] ? { is: 'doubtful', text: found[2] } : { is: 'gap', text: '…' });
    at = found.index + found[0].length;
  }
  if (at < text.length) pieces.push({ is: 'sure', text: text.slice(at) });
  return pieces;
}

/** The letters of a transcription, without its marks. */
export const lettersOf = (text: string): string =>
  readingOf(text)
    .map((p) => p.text)
    .join('');

/** One text in one hand, as one entry reads it. */
export interface Line<E> {
  entry: E;
  /** A, B, C … through the whole book, the oldest first. */
  hand: string;
  likely: boolean;
  ownHand: boolean;
  how: string;
}

/** A board, a plate, a dial, with all that is written on it. */
export interface InscribedThing<E> {
  title: string;
  /** Null where the entry is from before things were named. */
  carrier: string | null;
  which: string;
  photos: NamedPhoto[];
  lines: Line<E>[];
}

interface Source {
  hash: string;
  kind: string;
  date: string;
  place: string;
  sections: {
    inscription?: Readonly<Record<string, unknown>> | undefined;
    photos?: Readonly<Record<string, unknown>> | undefined;
  };
}

const rowOf = ({ sections }: Pick<Source, 'sections'>): KeptRow => rowsIn(sections.inscription, 'read')[0] ?? {};

/** 1 is A, 26 Z, 27 AA. */
function letter(n: number): string {
  const rest = Math.floor((n - 1) / 26);
  return (rest > 0 ? letter(rest) : '') + String.fromCharCode(65 + ((n - 1) % 26));
}

/** The first entry in the same hand, following what each says; entries that name each other end nowhere. */
function firstInHand(entry: Source, byHash: ReadonlyMap<string, Source>): string {
  const seen = new Set<string>();
  let at = entry;
  while (!seen.has(at.hash)) {
    seen.add(at.hash);
    const before = byHash.get(wordIn(rowOf(at), 'sameHandAs'));
    if (!before) return at.hash;
    at = before;
  }
  return [...seen].sort()[0]!;
}

/** “back board”, or “back board: old one, oak”. */
export const thingTitle = (carrier: string, which: string): string =>
  [carrier === 'something else' ? '' : carrier, which].filter(Boolean).join(': ');

/** Said of what stands in pencil, ink or paint; how the others stand says their own word. */
const IN = ['pencil', 'ink', 'paint'];

/** Where an inscription stands, and how, as a sentence. Empty where nothing is said. */
export function whereWritten(entry: Pick<Source, 'place' | 'sections'>): string {
  const row = rowOf(entry);
  const [carrier, which, how] = [wordIn(row, 'carrier'), wordIn(row, 'which'), wordIn(row, 'how')];
  const on = carrier === 'something else' ? which : [carrier, which && `(${which})`].filter(Boolean).join(' ');
  const where = [on, entry.place].filter(Boolean).join(', ');
  if (!where && !how) return '';
  const written = IN.includes(how) ? `in ${how}` : how;
  return `${sentence([where && `on the ${where}`, written].filter(Boolean).join('; '))}.`;
}

const began = (e: Source): number => yearSpan(e.date)?.[0] ?? Infinity;
const older = (a: Source, b: Source): number => began(a) - began(b) || (a.hash < b.hash ? -1 : 1);

/**
 * What is written on a clock, thing by thing, the oldest writing first. The order of the entries does not matter.
 * @param entries of one book; those that are no inscription are passed over
 */
export function inscribedThings<E extends Source>(entries: readonly E[]): InscribedThing<E>[] {
  const read = entries.filter((e) => e.kind === 'inscription').sort(older);
  const byHash = new Map<string, Source>(read.map((e) => [e.hash, e]));
  const hands = new Map<string, string>();
  const things = new Map<string, InscribedThing<E>>();
  for (const entry of read) {
    const row = rowOf(entry);
    const [carrier, which] = [wordIn(row, 'carrier'), wordIn(row, 'which')];
    const first = firstInHand(entry, byHash);
    if (!hands.has(first)) hands.set(first, letter(hands.size + 1));
    const named = thingTitle(carrier, which);
    const title = named || entry.place || 'Not said where';
    const name = title.toLowerCase();
    const thing = things.get(name) ?? { title, carrier: carrier || null, which, photos: [], lines: [] };
    things.set(name, thing);
    for (const photo of photosIn(entry.sections))
      if (!thing.photos.some((p) => p.hash === photo.hash)) thing.photos.push(photo);
    thing.lines.push({
      entry,
      hand: hands.get(first)!,
      likely: row['likely'] === true,
      ownHand: row['ownHand'] === true,
      how: wordIn(row, 'how'),
    });
  }
  return [...things.values()];
}
