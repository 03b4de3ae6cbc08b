import type { MovementBook, ReplyOf } from '@eclat/contract';
import { LARGEST_BOOK, movementBook } from '@eclat/contract/movement-book';
import { byCount, counted } from '@eclat/core/units';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { Away, call } from '../../data/call.ts';
import { whyOf } from '../../data/outbox.ts';
import type { BookPhotos, BookZip } from './book-zip.ts';

/** Which line of it is not as a book has it, counted from 1 as a person counts. */
function whyNot({ path: [part, i, field], message }: z.core.$ZodIssue): string {
  if (part === 'entries' && typeof i === 'number')
    return `Entry ${i + 1} of this book, ${String(field ?? 'the whole')}: ${message}`;
  return 'This is not a movement book. It begins with "format": "eclat-movement-book".';
}

export type Checked = ReplyOf<typeof api.movements.checkRecord>;

/** Nothing was asked yet: what comes is checked when it is taken in. */
export const NOT_CHECKED: Checked = { proofs: [], here: [], joins: false, book: null, log: [], photosAway: [] };

/** A record that was read, and how its entries stand; without the server they are checked when they are taken in. */
export interface ReadRecord {
  book: MovementBook;
  from: string;
  checked: Checked;
  photos: BookPhotos;
}

export const NO_PHOTOS: BookPhotos = {
  ...{ good: [], troubles: [] },
  bytes: () => Promise.reject(new Error('There are no photos in this file.')),
};

const isZip = async (file: Blob): Promise<boolean> => (await file.slice(0, 2).text()) === 'PK';

/** A ZIP, or `book.json` by itself. */
async function opened(file: File): Promise<BookZip> {
  if (await isZip(file)) {
    // Its reader comes after the first screen.
    const { openBookZip } = await import('./book-zip.ts').catch(() => {
      throw new Error(
        'The server is away, and what reads this file is not here yet. Load the page again when it is back.',
      );
    });
    return openBookZip(file);
  }
  if (file.size > LARGEST_BOOK) throw new Error('This file is too large for a movement book.');
  const book: unknown = await file
    .text()
    .then(JSON.parse)
    .catch(() => null);
  return { book, photosOf: () => Promise.resolve(NO_PHOTOS) };
}

/**
 * Reads a record and has it checked whole, with its photos, before anything is written.
 * @param movementId the book that it would come into; none: a new one
 * @param onProgress said while its photos are looked at
 * @returns what it is, or why it cannot be taken in
 */
export async function readRecord(
  file: File,
  movementId?: string,
  onProgress: (words: string) => void = () => undefined,
): Promise<ReadRecord | string> {
  try {
    const zip = await opened(file);
    const read = movementBook.safeParse(zip.book);
    if (!read.success) return whyNot(read.error.issues[0]!);
    const { entries: history, logs } = read.data;
    const checked = await call(api.movements.checkRecord, { body: { history, logs, movementId } }).catch((error) => {
      if (error instanceof Away) return NOT_CHECKED;
      throw error;
    });
    const photos = await zip.photosOf(checked.photosAway, (done) => {
      onProgress(`Looking at photo ${done} of ${checked.photosAway.length} …`);
    });
    return { book: read.data, from: file.name.slice(0, 200), checked, photos };
  } catch (error) {
    return whyOf(error);
  }
}

/** How what would come in stands; what is here already is told apart. */
export function checkedInWords({ proofs, here }: Checked): string {
  if (proofs.length === 0) return 'Checked when it is taken in.';
  const fresh = proofs.filter((_, i) => here[i] !== true);
  const n = (proof: Checked['proofs'][number]) => fresh.filter((p) => p === proof).length;
  const said = [
    [n('proved'), 'signed by a key known here'],
    [n('unknown shop'), 'signed by a key that is not known here'],
    [n('unsigned'), 'unsigned: it says what it says'],
  ] as const;
  const words = said.flatMap(([count, what]) => (count > 0 ? `${count} ${what}` : []));
  return words.length === 0 ? 'Checked: nothing in it is new.' : `Checked: ${words.join(', ')}.`;
}

/** Photos that come along and are not here yet. Empty: none. */
export const photosInWords = ({ good }: BookPhotos): string =>
  good.length > 0 ? `${counted(good.length, 'photo')} ${byCount(good.length, 'comes', 'come')} with it.` : '';
