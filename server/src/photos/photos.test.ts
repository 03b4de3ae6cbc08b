import { createHash, randomUUID } from 'node:crypto';
import type { Photo, Visit } from '@eclat/contract';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let path: string;
beforeAll(async () => {
  shop = await openShop();
  path = `/visits/${(await takeIn(shop.marit)).id}/photos?stage=intake&caption=as%20it%20came`;
});
afterAll(() => shop.running.stop());

const bytesOf = async (id: string, size: string) => {
  const { cookie } = shop.marit.cookies;
  return Buffer.from(
    await (await fetch(`${shop.running.address}/api/photos/${id}/${size}`, { headers: { cookie } })).arrayBuffer(),
  );
};

/** A camera held on its side, with a position: red on the left as stored, so red on top when upright. */
const sideways = () =>
  sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#0000ff' } })
    .composite([
      { input: { create: { width: 1500, height: 2000, channels: 3, background: '#ff0000' } }, left: 0, top: 0 },
    ])
    .withExif({
      IFD0: { Orientation: '6', Make: 'Fennick' },
      IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' },
    })
    .withMetadata({ orientation: 6 });

it.each(['jpeg', 'png', 'webp'] as const)(
  'takes a %s, turns it upright, strips what the camera wrote, and makes scaled copies',
  async (format) => {
    const original = await sideways().toFormat(format).toBuffer();
    const photo = await shop.marit.ok<Photo>('POST', path, original);
    expect([photo.width, photo.height]).toEqual([1600, 2400]);
    // As a signed entry names it, whoever holds the picture.
    const named = createHash('sha256').update(await bytesOf(photo.hash, 'large'));
    expect(named.digest('hex')).toBe(photo.hash);
    for (const [size, edge] of [
      ['large', 2400],
      ['medium', 1100],
      ['small', 320],
    ] as const) {
      const bytes = await bytesOf(photo.id, size);
      const meta = await sharp(bytes).metadata();
      expect({ format: meta.format, height: meta.height, exif: meta.exif, orientation: meta.orientation }).toEqual({
        format: 'jpeg',
        height: edge,
        exif: undefined,
        orientation: undefined,
      });
      expect(bytes.includes('Fennick')).toBe(false);
      const { data } = await sharp(bytes).resize(1, 2, { fit: 'fill' }).raw().toBuffer({ resolveWithObject: true });
      if (format !== 'png') expect(data[0]!).toBeGreaterThan(data[2]!); // red on top
    }
  },
);

it.each([
  [
    'an SVG, which could carry script',
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>'),
  ],
  ['a text that calls itself a picture', Buffer.from('GIF89a not really')],
  ['a JPEG cut off in its head', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
  ['nothing', Buffer.alloc(0)],
])('refuses %s', async (_, bytes) => expect((await shop.marit.send('POST', path, bytes)).status).toBe(415));

it('takes small files that unfold to many pixels in their turn, and none that unfolds too far', async () => {
  const unfolds = (edge: number) =>
    sharp({ create: { width: edge, height: edge, channels: 3, background: '#888' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
  const bomb = await unfolds(7_900);
  const sent = Array.from({ length: 6 }, () => shop.marit.send('POST', path, bomb));
  const others = await Promise.all(Array.from({ length: 10 }, () => shop.marit.send('GET', '/bench')));
  expect(others.map((o) => o.status)).toEqual(Array.from({ length: 10 }, () => 200));
  expect((await Promise.all(sent)).map((s) => s.status)).toEqual(Array.from({ length: 6 }, () => 201));
  expect((await shop.marit.send('POST', path, await unfolds(8_100))).status).toBe(415);
  // Nothing is decoded for a visit that is not there.
  const nowhere = await shop.marit.send('POST', `/visits/${randomUUID()}/photos?stage=intake&caption=`, bomb);
  expect(nowhere.status).toBe(404);
});

it('refuses a GIF, which it could decode but does not take', async () => {
  const gif = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#123456' } })
    .gif()
    .toBuffer();
  expect((await shop.marit.send('POST', path, gif)).status).toBe(415);
});

it('refuses more than 15 MB, and says so', async () => {
  const answer = await shop.marit.send('POST', path, Buffer.alloc(15 * 1024 * 1024 + 1));
  expect(answer).toMatchObject({ status: 413, body: { detail: expect.stringContaining('15 MB') } });
});

it('keeps the order that people give, captions, and one row of numbers through the whole visit', async () => {
  const { id: visitId } = await takeIn(shop.marit, { movement: { name: 'ordered', familyId: 'fusee' } });
  const plain = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#888' } })
    .jpeg()
    .toBuffer();
  const add = () => shop.marit.ok<{ id: string }>('POST', `/visits/${visitId}/photos?stage=intake`, plain);
  const [a, b, c] = [await add(), await add(), await add()];
  const look = () => shop.marit.ok<Visit>('GET', `/visits/${visitId}`);
  await shop.marit.ok('PATCH', `/visits/${visitId}/photos/${c.id}`, { position: 0, caption: 'first of all' });
  expect((await look()).photos.map((p) => p.id)).toEqual([c.id, a.id, b.id]);
  await shop.marit.ok('PATCH', `/visits/${visitId}/photos/${a.id}`, { position: 2 });
  const after = await look();
  expect(after.photos.map((p) => [p.id, p.caption])).toEqual([
    [c.id, 'first of all'],
    [b.id, ''],
    [a.id, ''],
  ]);

  const point = (photoId: string, id = randomUUID(), fields: object = { x: 0.5, y: 0.5 }) =>
    shop.marit.ok<{ number: number; x: number }>('PUT', `/visits/${visitId}/photos/${photoId}/marks/${id}`, fields);
  const one = randomUUID();
  expect((await point(a.id, one)).number).toBe(1);
  expect((await point(b.id)).number).toBe(2);
  expect(await point(a.id, one, { x: 0.25, y: 1, note: 'moved' })).toMatchObject({ number: 1, x: 0.25, note: 'moved' });
  expect(
    (await shop.marit.send('PUT', `/visits/${visitId}/photos/${a.id}/marks/${randomUUID()}`, { x: 1.5, y: 0 })).body
      .fields,
  ).toMatchObject([{ path: 'x' }]);
  expect(
    (await shop.marit.send('PUT', `/visits/${visitId}/photos/${b.id}/marks/${one}`, { x: 0, y: 0 })).status,
  ).toBeGreaterThanOrEqual(400); // a point stays on its photo
  const [finding] = [
    await shop.marit.ok<{ id: string }>('POST', `/visits/${visitId}/findings`, {
      place: 'case',
      seen: 'loose',
      severity: 'looks',
      effect: 'looks',
    }),
  ];
  await point(a.id, one, { x: 0.25, y: 1, findingId: finding.id });
  await shop.marit.ok('DELETE', `/visits/${visitId}/findings/${finding.id}`);
  // the point outlives the finding, and has it again when it is there after all
  expect((await look()).photos[2]!.marks).toMatchObject([{ number: 1, findingId: null }]);
  const line = await shop.marit.ok<{ id: string; version: number }>('POST', `/visits/${visitId}/lines`, {
    kind: 'labour',
    what: 'Fix the case',
    price: '10',
    quantity: '1',
  });
  const lineOf = async () => (await look()).agreement.lines.find((l) => l.id === line.id)!.findingId;
  const refused = await shop.marit.send('PATCH', `/visits/${visitId}/lines/${line.id}`, {
    findingId: finding.id,
    version: line.version,
  });
  expect(refused.status).toBe(422); // no line for what was taken back
  await shop.marit.ok('POST', `/visits/${visitId}/findings/${finding.id}/restore`);
  expect((await look()).photos[2]!.marks).toMatchObject([{ number: 1, findingId: finding.id }]);
  await shop.marit.ok('PATCH', `/visits/${visitId}/lines/${line.id}`, {
    findingId: finding.id,
    version: line.version,
  });
  await shop.marit.ok('DELETE', `/visits/${visitId}/findings/${finding.id}`);
  expect([(await look()).findings, await lineOf()]).toEqual([[], null]);
  await shop.marit.ok('POST', `/visits/${visitId}/findings/${finding.id}/restore`);
  expect([(await look()).findings.map((f) => f.id), await lineOf()]).toEqual([[finding.id], finding.id]);
});

it('shows the same before and after, of one visit, and never in a ring', async () => {
  const visit = await takeIn(shop.marit);
  const other = await takeIn(shop.marit);
  const shot = async (id: string) =>
    shop.marit.ok<Photo>('POST', `/visits/${id}/photos?stage=fit&caption=hole`, await sideways().jpeg().toBuffer());
  const [before, after, later, elsewhere] = [
    await shot(visit.id),
    await shot(visit.id),
    await shot(visit.id),
    await shot(other.id),
  ];
  const pair = (photo: Photo, beforeId: string | null) =>
    shop.marit.send<{ fields: { path: string; message: string }[] }>(
      'PATCH',
      `/visits/${visit.id}/photos/${photo.id}`,
      {
        beforeId,
      },
    );
  expect((await pair(after, before.id)).status).toBe(200);
  expect((await pair(later, after.id)).status).toBe(200);
  for (const [photo, of] of [
    [before, later],
    [after, after],
    [after, elsewhere],
  ] as const)
    expect((await pair(photo, of.id)).body.fields?.[0]?.path, photo.id).toBe('beforeId');
  const { photos } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
  expect(photos.map((p) => p.beforeId)).toEqual([null, before.id, after.id]);
  // What is not a pair any more is not told as one.
  expect((await pair(after, null)).status).toBe(200);
  const caption = await shop.marit.send('PATCH', `/visits/${visit.id}/photos/${later.id}`, { caption: 'Bushed' });
  expect(caption.status).toBe(200);
  const now = (await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).photos;
  expect(now.map((p) => p.beforeId)).toEqual([null, null, after.id]);
});
