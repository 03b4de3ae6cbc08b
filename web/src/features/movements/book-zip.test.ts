import { createHash } from 'node:crypto';
import { BlobWriter, TextReader, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js/lib/zip-core-external.js';
import { describe, expect, it } from 'vitest';
import { NotABook, openBookZip } from './book-zip.ts';

const bytesOf = (text: string) => new TextEncoder().encode(text);
const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const BOOK = JSON.stringify({ format: 'eclat-movement-book' });
const PHOTO = bytesOf('the bytes of a picture');
const photoPath = (hash: string) => `photos/${hash}.jpg`;

interface Packed {
  password?: string;
  level?: number;
}
async function zipOf(files: readonly (readonly [string, string | Uint8Array])[], options: Packed = {}): Promise<Blob> {
  const zip = new ZipWriter(new BlobWriter(), { useWebWorkers: false, ...options });
  for (const [path, said] of files)
    await zip.add(path, typeof said === 'string' ? new TextReader(said) : new Uint8ArrayReader(said));
  return zip.close();
}
/** What stands in a ZIP is changed byte for byte: its makers need not be honest. */
async function forged(zip: Blob, change: (bytes: DataView, at: (signature: number) => number) => void): Promise<Blob> {
  const bytes = new DataView(await zip.arrayBuffer());
  const at = (signature: number) => {
    for (let i = 0; i < bytes.byteLength - 4; i++) if (bytes.getUint32(i, true) === signature) return i;
    throw new Error('not there');
  };
  change(bytes, at);
  return new Blob([bytes]);
}
/** ZIP application note 6.3.10, 4.3.12: the head of a file in the central directory. */
const CENTRAL = 0x02014b50;
const UNPACKED_SIZE = 24;
const refusal = async (zip: Blob): Promise<string> => {
  const found = await openBookZip(zip).catch((error: unknown) => error);
  expect(found).toBeInstanceOf(NotABook);
  return (found as Error).message;
};
const looked = async (zip: Blob, ...named: string[]) => (await openBookZip(zip)).photosOf(named, () => undefined);

describe('the ZIP of a book', () => {
  it('gives its book, and of the photos that are named those that are what they are called', async () => {
    const [good, other] = [hashOf(PHOTO), hashOf(bytesOf('another'))];
    const zip = await zipOf([
      ['book.json', BOOK],
      ['index.html', '<p>'],
      [photoPath(good), PHOTO],
      [photoPath(other), PHOTO],
    ]);
    expect((await openBookZip(zip)).book).toEqual(JSON.parse(BOOK));
    const photos = await looked(zip, good, other, 'f'.repeat(64));
    expect(photos.good).toEqual([good]);
    expect(photos.troubles).toEqual(['1 photo is not what was signed.', '1 photo that it names is not in it.']);
    expect(new Uint8Array(await (await photos.bytes(good)).arrayBuffer())).toEqual(PHOTO);
  });

  it('of a clock gives the book of the movement that was in it, and asks which where there were more', async () => {
    const one = await zipOf([['books/M-333333.json', BOOK]]);
    expect((await openBookZip(one)).book).toEqual(JSON.parse(BOOK));
    const two = await zipOf([
      ['books/M-333333.json', BOOK],
      ['books/M-777777.json', BOOK],
    ]);
    expect(await refusal(two)).toContain(
      'had 2 movements. Unpack it, and choose one of its books: books/M-333333.json',
    );
  });

  it.each([
    ['a path that leads out', [['../book.json', BOOK]], 'a path that no book has'],
    ['a path from the root', [['/etc/x', '']], 'a path that no book has'],
    ['a path of another system', [['c:\\x', '']], 'a path that no book has'],
    ['no book', [['index.html', '']], 'no book.json'],
    ['a book that is no JSON', [['book.json', '{']], 'cannot be read'],
  ] as const)('with %s is refused', async (_, files, why) => expect(await refusal(await zipOf(files))).toContain(why));

  it('that is locked, cut off, empty or no ZIP is refused', async () => {
    const whole = await zipOf([['book.json', BOOK]]);
    for (const [zip, why] of [
      [await zipOf([['book.json', BOOK]], { password: 'x' }), 'password'],
      [whole.slice(0, whole.size - 30), 'cannot be read'],
      [new Blob(['PK\u0003\u0004 nothing more']), 'cannot be read'],
      [new Blob([]), 'cannot be read'],
    ] as const)
      expect(await refusal(zip)).toContain(why);
  });

  it('with two books, or with a file that lies over another, is refused', async () => {
    const two = await zipOf([
      ['book.json', BOOK],
      ['book.jsox', BOOK],
    ]);
    const named = await forged(two, (bytes) => {
      for (let i = 0; i < bytes.byteLength - 3; i++)
        if (bytes.getUint32(i) === 0x6a736f78) bytes.setUint8(i + 3, 'n'.charCodeAt(0));
    });
    expect(await refusal(named)).toContain('twice');
    const PACKED_SIZE = 20;
    const over = await forged(two, (bytes, at) => bytes.setUint32(at(CENTRAL) + PACKED_SIZE, 0x7fffffff, true));
    expect(await refusal(over)).toMatch(/lie over each other|cannot be read/);
  });

  it('that unfolds to a hundred times itself is refused before it does, whatever it says of its size', async () => {
    const bomb = await zipOf([['book.json', new Uint8Array(40_000_000)]], { level: 9 });
    expect(bomb.size).toBeLessThan(100_000);
    expect(await refusal(bomb)).toContain('too large');
    const lies = await forged(bomb, (bytes, at) => bytes.setUint32(at(CENTRAL) + UNPACKED_SIZE, 100, true));
    expect(await refusal(lies)).toMatch(/more than it says|cannot be read/);
  });

  it('with a photo that is no picture packs nothing out of it', async () => {
    const hollow = new Uint8Array(14_000_000);
    const zip = await zipOf(
      [
        ['book.json', BOOK],
        [photoPath(hashOf(hollow)), hollow],
      ],
      { level: 9 },
    );
    expect((await looked(zip, hashOf(hollow))).good).toEqual([]);
  });

  it('with more files than a book has is refused', async () => {
    // Heads of empty files alone: application note, 4.3.7, 4.3.12 and 4.3.16.
    const zip = new ZipWriter(new BlobWriter(), { useWebWorkers: false });
    await zip.add('ffff', new TextReader(''));
    const one = new Uint8Array(await (await zip.close()).arrayBuffer());
    const view = new DataView(one.buffer);
    const END = 0x06054b50;
    const find = (signature: number) =>
      one.findIndex((_, i) => i < one.length - 4 && view.getUint32(i, true) === signature);
    const [central, end] = [find(CENTRAL), find(END)];
    const count = 5001;
    const tail = one.slice(end);
    const last = new DataView(tail.buffer);
    for (const at of [8, 10]) last.setUint16(at, count, true);
    last.setUint32(12, count * (end - central), true);
    const heads = Array.from({ length: count }, (_, i) => {
      const head = one.slice(central, end);
      head.set(bytesOf(String(i + 1000)), 46);
      return head;
    });
    expect(await refusal(new Blob([one.slice(0, central), ...heads, tail]))).toContain('more files');
  });
});
