import { Readable } from 'node:stream';
import { readFile } from 'node:fs/promises';
import { IN_BOOK_FILE, type MovementBook } from '@eclat/contract';
import { ZipFile, type Options } from 'yazl';
import { shopDay, theShop } from '../people/shop.service.ts';
import type { Context } from '../platform/http/context.ts';
import { photoByHash, photosHere } from '../photos/stored.ts';
import { bookPage } from './book-page.tsx';
import { pagesOfClock, pagesOfMovement, photosIn, type Pages, type Told } from './book-pages.ts';
import { bookVolumes, printVolume } from './book-paper.ts';
import { clockBook } from './clock-book.service.ts';
import { bookAndRecord, recordOf } from './record.service.ts';

/** The book of a movement: as it is read, and as it was signed. */
export interface WholeBook {
  pages: Pages;
  record: MovementBook;
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

/** What is told, with where and when, and the photos of it that are here. */
async function written(ctx: Context, told: Told): Promise<Pages> {
  const named = photosIn(told);
  const here = await photosHere(ctx.em, named);
  const { name: shop } = await theShop(ctx);
  return { ...told, shop, day: await shopDay(ctx), photos: named.filter((h) => here.has(h)) };
}

export async function wholeBook(ctx: Context, movementId: string): Promise<WholeBook> {
  const { book, record } = await bookAndRecord(ctx, movementId);
  return { pages: await written(ctx, pagesOfMovement(book)), record };
}

export interface Packed {
  name: string;
  zip: Readable;
}

/**
 * Pages as one ZIP: what was signed, the photos, the description of the format, a page for any browser, and volumes to
 * print. Photos and volumes are made one after another as the reader takes them, so that a book of any length needs
 * little memory.
 * @param signed path in the ZIP and what stands there, of what was signed
 */
async function packed(ctx: Context, pages: Pages, signed: readonly (readonly [string, MovementBook])[]) {
  const zip = new ZipFile();
  const options: Partial<Options> = { mtime: ctx.now };
  const put = (path: string, text: string | Buffer) => zip.addBuffer(Buffer.from(text), path, options);
  /** Made when the reader has come to it. */
  const later = (path: string, make: () => Promise<Uint8Array>) =>
    zip.addReadStreamLazy(path, { ...options, compress: false }, (done) => {
      make().then(
        (bytes) => done(null, Readable.from([bytes])),
        (error: unknown) => done(error, undefined as never),
      );
    });
  for (const [path, record] of signed) put(path, JSON.stringify(record));
  put('index.html', bookPage(pages));
  for (const name of DESCRIBED) put(`schema/${name}`, await described(name));
  for (const hash of pages.photos)
    later(IN_BOOK_FILE.photo(hash), async () => (await photoByHash(ctx.em, hash, 'large'))!);
  const volumes = bookVolumes(pages);
  for (const [i, volume] of volumes.entries()) {
    const name = volumes.length > 1 ? `book-${i + 1}-of-${volumes.length}.pdf` : 'book.pdf';
    later(name, () => printVolume(ctx, pages, volume, { number: i + 1, of: volumes.length }));
  }
  zip.end();
  zip.on('error', (error: Error) => (zip.outputStream as Readable).destroy(error));
  return zip.outputStream as Readable;
}

/** The book of a movement as one file. */
export async function bookFile(ctx: Context, movementId: string): Promise<Packed> {
  const { pages, record } = await wholeBook(ctx, movementId);
  return { name: `${pages.code}.zip`, zip: await packed(ctx, pages, [[IN_BOOK_FILE.book, record]]) };
}

/**
 * The book of a clock as one file: case, dial and glass on its page. What was signed stands in the books of the
 * movements that were in it, each whole, so that it can be checked, and taken in elsewhere.
 */
export async function clockFile(ctx: Context, clockId: string): Promise<Packed> {
  const book = await clockBook(ctx, clockId);
  const signed: [string, MovementBook][] = [];
  for (const { movement } of book.stays)
    signed.push([IN_BOOK_FILE.bookOf(movement.code), await recordOf(ctx, movement.id)]);
  const now = book.stays.find((s) => s.until === null)?.movement.code;
  return {
    name: ['clock', now].filter(Boolean).join('-') + '.zip',
    zip: await packed(ctx, await written(ctx, pagesOfClock(book)), signed),
  };
}
