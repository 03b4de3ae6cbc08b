import { randomUUID } from 'node:crypto';
import { addresses } from '@eclat/contract/addresses';
import { foresee, type Waiting } from '@eclat/contract/foreseen';
import { namesGiven } from '@eclat/contract/names-given';
import type { RouteRef, Visit } from '@eclat/contract';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { BEGUN, DAY, type Made } from '../../test/bench-day.ts';
import { openShop, takeIn } from '../../test/shop.ts';

/** Made before the server hears of it. */
let made = BEGUN;
let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
let photo: Buffer;
beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit, { movement: { name: 'Pinned mantel', familyId: 'mantel-barrels' } });
  photo = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#788' } })
    .jpeg()
    .toBuffer();
});
afterAll(() => shop.running.stop());

const api: Record<string, Record<string, RouteRef>> = addresses;
const now = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);

/** What the page shows before the server has answered, and what stands once it has. */
async function both([name, { params = {}, body, query = {} } = {}]: Made) {
  const [feature, command] = name.split('.') as [string, string];
  const { method, path } = api[feature]![command]!;
  const at = new Date((made += 10_000)).toISOString();
  const all: Record<string, string> = { visitId: visit.id, ...params };
  const waiting: Waiting = {
    ...{ method, path, params: all, query, body, key: randomUUID() },
    ...{ by: 'Marit Fennick', at },
  };
  const foreseen = foresee(await now(), waiting);
  if (!foreseen) throw new Error(`${name} is not foreseen`);
  const url = path.replace(/:(\w+)/g, (_, n: string) => encodeURIComponent(all[n]!));
  const answer = await shop.marit.send(
    method,
    `${url}?${new URLSearchParams(query as Record<string, string>)}`,
    name === 'photos.add' ? photo : body,
    { 'idempotency-key': waiting.key, 'eclat-made-at': at },
  );
  expect(answer.status, `${name}: ${answer.text}`).toBeLessThan(300);
  let text = JSON.stringify(foreseen.visit);
  for (const [from, to] of namesGiven(foreseen.reply, answer.body, waiting.key)) text = text.replaceAll(from, to);
  return { foreseen: JSON.parse(text) as Visit, after: await now() };
}

const sorted = ({ next: _reckonedFromTheRestAndNow, ...v }: Visit) => ({
  ...v,
  // Rows without an order of their own.
  holes: v.holes.toSorted((a, b) => a.key.localeCompare(b.key)),
  partConditions: v.partConditions.toSorted((a, b) => a.key.localeCompare(b.key)),
  places: v.places.toSorted((a, b) => a.place.localeCompare(b.place)),
  // Measured and hashed by the server.
  photos: v.photos.map(({ width: _w, height: _h, hash: _x, ...p }) => p),
});

describe('what a page without its server shows is what the server makes of it', () => {
  it('in a day at the bench, change by change, times and versions with it', async () => {
    for (const make of DAY) {
      const change = make(await now());
      const { foreseen, after } = await both(change);
      expect.soft(sorted(foreseen), change[0]).toEqual(sorted(after));
    }
  });
});
