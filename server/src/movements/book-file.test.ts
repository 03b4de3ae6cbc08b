import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Book, MovementBook, TravelledEntry } from '@eclat/contract';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writtenElsewhere } from '../../test/forge.ts';
import { readPdf } from '../../test/pdf.ts';
import { newClock, openShop, takeIn } from '../../test/shop.ts';
import { unzipped } from '../../test/unzip.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let at: string;
const OWNER = newClock().owner;
const HARM = '<script>alert(1)</script><img src=x onerror=alert(1)>"\'';
const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
const picture = (colour: string, width = 60) =>
  sharp({ create: { width, height: 40, channels: 3, background: colour } })
    .jpeg()
    .toBuffer();
const named = (...photos: Buffer[]) => ({
  photos: { version: 1, photos: photos.map((p, i) => ({ caption: `Photo ${i} ${HARM}`, hash: hashOf(p) })) },
});
const bring = (history: TravelledEntry[]) =>
  shop.marit.ok<Book>('POST', `${at}/record`, { history, logs: [], historyFrom: 'b.zip' });
const put = async (photo: Uint8Array, name = hashOf(photo)) =>
  (await shop.marit.send('PUT', `${at}/photos/${name}`, photo)).status;

const bookFile = () => unzipped(shop, `${at}/book.zip`);

let one: Buffer, two: Buffer, noPhoto: Buffer;
beforeAll(async () => {
  shop = await openShop();
  [one, two, noPhoto] = [await picture('#a33'), await picture('#3a3'), Buffer.from('no picture at all')];
  const { movement } = await takeIn(shop.marit);
  at = `/movements/${movement.id}`;
  const of = { id: movement.id, code: movement.code, name: movement.name };
  const sections = named(one, two, noPhoto);
  await bring([await writtenElsewhere(of, { title: `Overhauled ${HARM}`, text: 'مرحبا', sections })]);
});
afterAll(() => shop.running.stop());

describe('photos that another shop’s entries name', () => {
  const away = async () => (await shop.marit.ok<Book>('GET', at)).photosAway;

  it('come in byte for byte under their names, once, and nothing else does', async () => {
    expect(await away()).toEqual([one, two, noPhoto].map(hashOf));
    expect(await put(two, hashOf(one))).toBe(422);
    expect(await put(noPhoto)).toBe(415);
    expect(await put(await picture('#33a'))).toBe(404);
    expect(await put(one, 'x'.repeat(64))).toBe(404);
    // Two people bring one file at once; and one of them again.
    expect(await Promise.all([put(one), put(one)])).toEqual([200, 200]);
    expect(await put(one)).toBe(200);
    expect(await away()).toEqual([two, noPhoto].map(hashOf));
    const shown = await fetch(`${shop.running.address}/api/photos/${hashOf(one)}/large`, {
      headers: shop.marit.cookies,
    });
    expect(hashOf(new Uint8Array(await shown.arrayBuffer()))).toBe(hashOf(one));
    expect(shown.headers.get('x-content-type-options')).toBe('nosniff');
  });

  it('are told apart before a file is taken in', async () => {
    const { entries: history, logs } = await shop.marit.ok<MovementBook>('GET', `${at}/record`);
    const { body } = await shop.marit.send<{ photosAway: string[] }>('POST', '/movement-records/check', {
      ...{ history, logs, movementId: at.split('/').at(-1) },
    });
    expect(body.photosAway).toEqual([two, noPhoto].map(hashOf));
  });
});

describe('the book as a file', () => {
  it('holds what was signed, photos that are here, its description, a page and a paper; nothing private', async () => {
    const { files } = await bookFile();
    const record = await shop.marit.ok<MovementBook>('GET', `${at}/record`);
    expect(JSON.parse(files.get('book.json')!.toString())).toEqual(record);
    const photos = [...files].filter(([path]) => path.startsWith('photos/'));
    expect(photos.map(([path, bytes]) => [path, hashOf(bytes)])).toEqual([[`photos/${hashOf(one)}.jpg`, hashOf(one)]]);
    for (const [path, bytes] of files)
      if (path.startsWith('schema/'))
        expect(bytes).toEqual(readFileSync(new URL(`../../../docs/formats/${path.slice(7)}`, import.meta.url)));
    expect([...files.keys()].filter((p) => p.startsWith('schema/'))).toHaveLength(6);
    const { text } = await readPdf(files.get('book.pdf')!);
    expect(text).toContain('Overhauled <script>');
    expect(text).toContain('Lantern Yard Workshop');
    const told = [...files].filter(([p]) => !p.endsWith('.jpg')).map(([, bytes]) => bytes.toString());
    for (const secret of [OWNER.name, OWNER.phone, OWNER.email, OWNER.address, newClock().complaint])
      for (const said of [...told, text]) expect(said).not.toContain(secret);
  });

  it('has a page without script, without anything from a network, whatever an entry says', async () => {
    const page = (await bookFile()).files.get('index.html')!.toString();
    const tags = [...page.matchAll(/<([a-z]\w*)([^>]*)>/gi)].map(([, name, rest]) => [
      name!,
      rest!.replace(/"[^"]*"/g, ''),
    ]);
    expect(
      tags.filter(([name, rest]) => /script|iframe|object|embed|link/i.test(name!) || /\son/i.test(rest!)),
    ).toEqual([]);
    expect(page).not.toMatch(/https?:\/\//);
    expect(page).toContain('&lt;script&gt;');
    expect(page).toContain('مرحبا');
    expect(page).toContain(`src="photos/${hashOf(one)}.jpg"`);
    // One that is not here is named.
    expect(page).toContain(hashOf(two));
    const asked = [...page.matchAll(/(?:src|href)="([^"]+)"/g)].map(([, to]) => to!);
    expect(
      asked.filter((to) => !/^(#[\w-]+|photos\/[0-9a-f]{64}\.jpg|book\.json|schema\/README\.md)$/.test(to)),
    ).toEqual([]);
  });

  it('of many photos is printed in volumes; a record longer than a small body is taken in', async () => {
    const many = await Promise.all(Array.from({ length: 70 }, (_, i) => picture('#987', 20 + i)));
    const { movement } = await takeIn(shop.marit, { movement: { name: 'Long', familyId: 'fusee' } });
    at = `/movements/${movement.id}`;
    const of = { id: movement.id, code: movement.code, name: movement.name };
    const filler = { filler: { version: 9, words: 'x'.repeat(400_000) } };
    await bring([await writtenElsewhere(of, { sections: { ...named(...many), ...filler } })]);
    for (const photo of many) expect(await put(photo)).toBe(200);
    const { files } = await bookFile();
    expect([...files.keys()].filter((p) => p.endsWith('.pdf'))).toEqual(['book-1-of-2.pdf', 'book-2-of-2.pdf']);
    const [first, second] = [
      await readPdf(files.get('book-1-of-2.pdf')!),
      await readPdf(files.get('book-2-of-2.pdf')!),
    ];
    expect(first.text).toContain('Photo 59');
    expect(second.text).toContain('continued');
    expect(second.text).toContain('Photo 69');
  });
});

describe('the public page of a book', () => {
  const read = (path: string) => fetch(`${shop.running.address}/api/books/${path}`, { redirect: 'manual' });

  it('opens to whoever has its address, with that book alone, until it is ended', async () => {
    const { movement } = await takeIn(shop.marit, { movement: { name: 'On view', familyId: 'fusee' } });
    at = `/movements/${movement.id}`;
    const of = { id: movement.id, code: movement.code, name: movement.name };
    const own = await picture('#5a5a10');
    await bring([await writtenElsewhere(of, { title: `Shown ${HARM}`, sections: named(own) })]);
    expect(await put(own)).toBe(200);
    const open = () => shop.marit.ok<{ token: string }>('POST', `${at}/public-page`);
    const { token } = await open();
    expect((await open()).token).toBe(token);
    expect(token).toMatch(/^[\w-]{43}$/);

    expect((await read(token)).headers.get('location')).toBe(`/api/books/${token}/`);
    // Half past midnight where the shop is.
    const before = shop.now.at;
    shop.now.at = new Date('2031-05-02T23:30:00Z');
    const page = await read(`${token}/`);
    shop.now.at = before;
    expect(page.headers.get('content-security-policy')).toMatch(
      /^default-src 'none'; img-src 'self'; style-src 'sha256-/,
    );
    expect(page.headers.get('x-robots-tag')).toContain('noindex');
    const told = await page.text();
    const style = /<style>([^<]*)<\/style>/.exec(told)![1]!;
    const hash = createHash('sha256').update(style).digest('base64');
    expect(page.headers.get('content-security-policy')).toContain(`'sha256-${hash}'`);
    expect(told).toContain('Shown &lt;script&gt;');
    expect(told).toContain('Written out on 3 May 2031');
    const record = await (await read(`${token}/book.json`)).text();
    for (const secret of [OWNER.name, OWNER.phone, OWNER.email, OWNER.address, newClock().complaint])
      expect(told + record).not.toContain(secret);
    expect(hashOf(new Uint8Array(await (await read(`${token}/photos/${hashOf(own)}.jpg`)).arrayBuffer()))).toBe(
      hashOf(own),
    );
    // A photo of another book, a file that is none of its own, and an address that nobody gave out.
    const others = [
      `${token}/photos/${hashOf(one)}.jpg`,
      `${token}/schema/..%2F..%2Fpackage.json`,
      `${'a'.repeat(43)}/`,
    ];
    for (const path of others) expect([path, (await read(path)).status]).toEqual([path, 404]);

    await shop.marit.ok('DELETE', `${at}/public-page`);
    for (const path of ['', 'book.json', 'schema/README.md', `photos/${hashOf(own)}.jpg`])
      expect([path, (await read(`${token}/${path}`)).status]).toEqual([path, 404]);
    expect((await open()).token).not.toBe(token);
  });
});
