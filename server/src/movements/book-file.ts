import { Readable } from 'node:stream';
import { readFile } from 'node:fs/promises';
import { IN_BOOK_FILE, type Book, type MovementBook } from '@eclat/contract';
import { photosIn } from '@eclat/core/record';
import { ZipFile, type Options } from 'yazl';
import { shopDay, theShop } from '../people/shop.service.ts';
import type { Context } from '../platform/http/context.ts';
import { photoByHash, photosHere } from '../photos/stored.ts';
import { bookPage } from './book-page.tsx';
import { bookVolumes, printVolume } from './book-paper.ts';
import { bookAndRecord } from './record.service.ts';

/** What a book file is made of. */
export interface WholeBook {
  book: Book;
  record: MovementBook;
  /** Where it was made, and the day. */
  shop: string;
  day: string;
  /** Hashes of the photos that are here, in the order in which entries name them. */
  photos: readonly string[];
}

/** Of this folder as it is built, and as it is written. */
const FORMATS = new URL(
  import.meta.url.endsWith('.ts') ? '../../../docs/formats/' : '../../docs/formats/',
  import.meta.url,
);
/** What describes the format. */
const DESCRIBED: readonly string[] = [
  'README.md',
  'movement-book.schema.json',
  'signed-entry.schema.json',
  'service-record.schema.json',
  'record-sections.schema.json',
  'exchange.schema.json',
];

export const isDescribed = (name: string): boolean => DESCRIBED.includes(name);
export const described = (name: string): Promise<Buffer> => readFile(new URL(name, FORMATS));

export async function wholeBook(ctx: Context, movementId: string): Promise<WholeBook> {
  const { book, record } = await bookAndRecord(ctx, movementId);
  const named = [...new Set(book.entries.flatMap((e) => photosIn(e.sections).map((p) => p.hash)))];
  const here = await photosHere(ctx.em, named);
  const { name } = await theShop(ctx);
  return {
    book,
    record,
    shop: name,
    day: await shopDay(ctx),
    photos: named.filter((h) => here.has(h)),
  };
}

/**
 * The book as one ZIP: `book.json` with what was signed, its photos, the description of the format, a page for any
 * browser, and volumes to print. Photos and volumes are made one after another as the reader takes them, so that a
 * book of any length needs little memory.
 */
export async function bookFile(ctx: Context, movementId: string): Promise<{ name: string; zip: Readable }> {
  const whole = await wholeBook(ctx, movementId);
  const zip = new ZipFile();
  const packed: Partial<Options> = { mtime: ctx.now };
  const put = (path: string, text: string | Buffer) => zip.addBuffer(Buffer.from(text), path, packed);
  /** Made when the reader has come to it. */
  const later = (path: string, make: () => Promise<Uint8Array>) =>
    zip.addReadStreamLazy(path, { ...packed, compress: false }, (done) => {
      make().then(
        (bytes) => done(null, Readable.from([bytes])),
        (error: unknown) => done(error, undefined as never),
      );
    });
  put(IN_BOOK_FILE.book, JSON.stringify(whole.record));
  put('index.html', bookPage(whole));
  for (const name of DESCRIBED) put(`schema/${name}`, await described(name));
  for (const hash of whole.photos)
    later(IN_BOOK_FILE.photo(hash), async () => (await photoByHash(ctx.em, hash, 'large'))!);
  const volumes = bookVolumes(whole);
  for (const [i, volume] of volumes.entries()) {
    const name = volumes.length === 1 ? 'book.pdf' : `book-${i + 1}-of-${volumes.length}.pdf`;
    later(name, () => printVolume(ctx, whole, volume, { number: i + 1, of: volumes.length }));
  }
  zip.end();
  zip.on('error', (error: Error) => (zip.outputStream as Readable).destroy(error));
  return { name: `${whole.book.movement.code}.zip`, zip: zip.outputStream as Readable };
}
