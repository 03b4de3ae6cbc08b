import { createHash } from 'node:crypto';
import type { Book, Entry, MovementBook, Visit } from '@eclat/contract';
import { inscribedThings } from '@eclat/core/record';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
let a: Shop, b: Shop;
let visit: Visit;
let at: string;
const inscribe = (said: object, path = at) =>
  a.marit.send<Entry>('POST', `${path}/inscriptions`, { date: '1912', text: 'Clnd', carrier: 'back board', ...said });
const photoOf = async (of: Visit, colour: string, caption = 'Board') => {
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: colour } })
    .jpeg()
    .toBuffer();
  const sent = await a.marit.send<{ hash: string }>(
    'POST',
    `/visits/${of.id}/photos?stage=intake&caption=${encodeURIComponent(caption)}`,
    picture,
  );
  return sent.body.hash;
};

beforeAll(async () => {
  [a, b] = [await openShop(), await openShop()];
  visit = await takeIn(a.marit);
  at = `/movements/${visit.movement.id}`;
});
afterAll(() => Promise.all([a.running.stop(), b.running.stop()]));

describe('an inscription', () => {
  it('is refused where it cannot be: a day to come, a hand or photo of another clock, on nothing', async () => {
    const other = await takeIn(a.marit);
    const elsewhere = (await inscribe({}, `/movements/${other.movement.id}`)).body.hash;
    const field = async (said: object) => (await inscribe(said)).body.fields?.[0]?.path;
    expect(await field({ date: '2999-01-01' })).toBe('date');
    expect(await field({ sameHandAs: elsewhere })).toBe('sameHandAs');
    expect(await field({ photos: [await photoOf(other, '#a33')] })).toBe('photos');
    expect(await field({ carrier: 'something else' })).toBe('which');
    expect((await a.marit.ok<Book>('GET', at)).entries).toEqual([]);
  });

  it('hides no word of the owner behind doubt', async () => {
    for (const text of ['To J. Tar[row?]by', '[Tarrowby?]', 'To J. Tarrowby']) {
      const refused = await inscribe({ text });
      expect([refused.status, refused.body.fields?.[0]?.path], text).toEqual([422, 'keep']);
    }
    expect((await inscribe({ which: 'board of Mrs Tarrowby' })).status).toBe(422);
    const photos = [await photoOf(visit, '#338', 'Tarrowby, hall')];
    expect((await inscribe({ photos })).body.fields?.[0]?.path).toBe('keep');
  });

  it('goes to another shop with its photo’s name, its hand and its thing, and its hand goes on there', async () => {
    const photo = await photoOf(visit, '#853');
    const first = await inscribe({ which: 'oak', text: 'H. Dun[moor?]', photos: [photo], how: 'pencil' });
    expect([first.status, first.body.title]).toEqual([201, 'Inscription on the back board: oak']);
    await inscribe({ carrier: 'front plate', date: '1920', sameHandAs: first.body.hash, likely: true });
    const { entries: history, logs } = await a.marit.ok<MovementBook>('GET', `${at}/record`);
    const movement = { name: 'Brass movement', familyId: 'mantel-barrels', marks: [], history, logs };
    const there = await takeIn(b.marit, { movement });
    const inB = `/movements/${there.movement.id}`;
    await b.marit.ok('POST', `${inB}/inscriptions`, {
      ...{ date: '1931', text: 'again', carrier: 'back board', which: 'oak', sameHandAs: first.body.hash },
      photos: [photo],
    });
    const book = await b.marit.ok<Book>('GET', inB);
    expect(book.entries.map((e) => e.proof)).toEqual(['unknown shop', 'unknown shop', 'proved']);
    expect(book.photosAway).toEqual([photo]);
    const things = inscribedThings(book.entries);
    expect(things.map((t) => [t.title, t.photos.length, t.lines.map((l) => l.hand + (l.likely ? '?' : ''))])).toEqual([
      ['back board: oak', 1, ['A', 'A']],
      ['front plate', 0, ['A?']],
    ]);
    const kept = await fetch(`${a.running.address}/api/photos/${photo}/large`, { headers: a.marit.cookies });
    expect(
      createHash('sha256')
        .update(Buffer.from(await kept.arrayBuffer()))
        .digest('hex'),
    ).toBe(photo);
  });
});
