import { IN_BOOK_FILE, LARGEST_BOOK, LARGEST_PHOTO } from '@eclat/contract/movement-book';
import { byCount, counted } from '@eclat/core/units';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import {
  BlobReader,
  configure,
  ERR_UNSAFE_FILENAME,
  ZipReader,
  type FileEntry,
} from '@zip.js/zip.js/lib/zip-core-external.js';

// In this thread, with the browser’s own inflating: nothing else is loaded.
configure({ useWebWorkers: false });

const MOST_FILES = 5000;
/** A picture is packed already: what unfolds to more than this many times itself is none. */
const MOST_UNFOLDED = 2;
const SMALL = 65_536;

/** Why a file is not taken, in words for whoever chose it. */
export class NotABook extends Error {}

/** Photos that came in a book file: nothing of them is held in memory. */
export interface BookPhotos {
  /** Hashes of those that are what their names say. */
  good: readonly string[];
  /** What is wrong with others, or with the file: none of it comes in. */
  troubles: readonly string[];
  bytes: (hash: string) => Promise<Blob>;
  /** Key of the shop that has them: the server fetches each from there, and no bytes come by here. */
  from?: string;
}

export interface BookZip {
  /** `book.json`, parsed, not checked. */
  book: unknown;
  /** Looks at the photos of these hashes, one after another. */
  photosOf: (named: readonly string[], onLooked: (done: number) => void) => Promise<BookPhotos>;
}

/** Inflates at most so many bytes: what a file says of its own size is not believed. */
async function inflated(entry: FileEntry, most: number): Promise<Uint8Array<ArrayBuffer>> {
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let size = 0;
  const into = new WritableStream<Uint8Array<ArrayBuffer>>({
    write(part) {
      size += part.length;
      if (size > most) throw new NotABook(`“${entry.filename}” unfolds to more than it says.`);
      parts.push(part.slice());
    },
  });
  await entry.getData(into, { checkSignature: true });
  return new Uint8Array(await new Blob(parts).arrayBuffer());
}

const unfoldsTooFar = ({ compressedSize, uncompressedSize }: FileEntry): boolean =>
  uncompressedSize > MOST_UNFOLDED * compressedSize + SMALL;

/** Files of the ZIP by path. @throws NotABook where the ZIP was made to do harm */
async function filesOf(zip: ZipReader<Blob>, size: number): Promise<Map<string, FileEntry>> {
  const files = new Map<string, FileEntry>();
  let [count, packed] = [0, 0];
  for await (const entry of zip.getEntriesGenerator()) {
    count += 1;
    packed += entry.compressedSize;
    if (count > MOST_FILES) throw new NotABook('It holds more files than a book has.');
    if (entry.directory) continue;
    if (files.has(entry.filename)) throw new NotABook(`It holds “${entry.filename}” twice.`);
    if (packed > size) throw new NotABook('Its files lie over each other.');
    files.set(entry.filename, entry);
  }
  return files;
}

/** Where the file of a clock has the book of a movement. */
const OF_A_CLOCK = /^books\/[A-Z0-9-]{1,20}\.json$/;

/** @throws NotABook */
function bookIn(files: ReadonlyMap<string, FileEntry>): FileEntry {
  // The file of a clock has the books of the movements that were in it.
  const of = [...files.keys()].filter((path) => OF_A_CLOCK.test(path));
  const book = files.get(IN_BOOK_FILE.book) ?? (of.length === 1 ? files.get(of[0]!) : undefined);
  if (!book && of.length > 1)
    throw new NotABook(
      `This is the file of a clock that had ${of.length} movements. Unpack it, and choose one of its books: ` +
        `${of.join(', ')}.`,
    );
  if (!book) throw new NotABook(`There is no ${IN_BOOK_FILE.book} in it: this is no book file.`);
  if (book.encrypted) throw new NotABook('It is locked with a password: ask for it without.');
  if (book.uncompressedSize > LARGEST_BOOK) throw new NotABook(`Its ${IN_BOOK_FILE.book} is too large.`);
  return book;
}

type Looked = 'good' | 'not in the file' | 'not what was signed';

async function look(entry: FileEntry | undefined, hash: string): Promise<Looked> {
  if (!entry) return 'not in the file';
  if (entry.encrypted || entry.uncompressedSize > LARGEST_PHOTO || unfoldsTooFar(entry)) return 'not what was signed';
  try {
    return bytesToHex(sha256(await inflated(entry, LARGEST_PHOTO))) === hash ? 'good' : 'not what was signed';
  } catch {
    return 'not what was signed';
  }
}

/** Paths are only looked up, never written to; one that points elsewhere was made to do harm all the same. */
const inWords = ({ message }: Error): string =>
  message === ERR_UNSAFE_FILENAME
    ? 'It holds a path that no book has: it points out of the file.'
    : 'This ZIP cannot be read: it is cut off or damaged.';

/**
 * Opens the ZIP of a book. Only what a book has is read of it, piece by piece, each with a bound.
 * @throws NotABook with words for whoever chose it
 */
export async function openBookZip(file: Blob): Promise<BookZip> {
  const zip = new ZipReader(new BlobReader(file));
  try {
    const files = await filesOf(zip, file.size);
    const text = new TextDecoder().decode(await inflated(bookIn(files), LARGEST_BOOK));
    return { book: JSON.parse(text) as unknown, photosOf: (named, onLooked) => photosIn(files, named, onLooked) };
  } catch (error) {
    throw error instanceof NotABook ? error : new NotABook(inWords(error as Error));
  }
}

async function photosIn(
  files: ReadonlyMap<string, FileEntry>,
  named: readonly string[],
  onLooked: (done: number) => void,
): Promise<BookPhotos> {
  const looked = new Map<string, Looked>();
  for (const hash of named) {
    looked.set(hash, await look(files.get(IN_BOOK_FILE.photo(hash)), hash));
    onLooked(looked.size);
  }
  const n = (as: Looked) => [...looked.values()].filter((l) => l === as).length;
  const broken = n('not what was signed');
  const missing = n('not in the file');
  return {
    good: named.filter((hash) => looked.get(hash) === 'good'),
    troubles: [
      ...(broken > 0 ? [`${counted(broken, 'photo')} ${byCount(broken, 'is', 'are')} not what was signed.`] : []),
      ...(missing > 0
        ? [`${counted(missing, 'photo')} that it names ${byCount(missing, 'is', 'are')} not in it.`]
        : []),
    ],
    bytes: async (hash) =>
      new Blob([await inflated(files.get(IN_BOOK_FILE.photo(hash))!, LARGEST_PHOTO)], { type: 'image/jpeg' }),
  };
}
