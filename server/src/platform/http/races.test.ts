import { randomUUID } from 'node:crypto';
import type { Fill, KeptWorking, Movement, StockItem, Visit } from '@eclat/contract';
import { pairsOf } from '@eclat/core/movement';
import { WORKINGS } from '@eclat/core/workings';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../../test/shop.ts';
import { sql } from './app-context.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

const MANY = 12;
/** The same, so many times at the same moment. @returns how many got each status */
async function atOnce(send: (i: number) => Promise<{ status: number }>): Promise<Record<number, number>> {
  const counts: Record<number, number> = {};
  for (const { status } of await Promise.all(Array.from({ length: MANY }, (_, i) => send(i))))
    counts[status] = (counts[status] ?? 0) + 1;
  return counts;
}
const item = (change: object = {}) =>
  shop.marit.ok<StockItem>('POST', '/stores', {
    kind: 'product',
    name: `Clock oil ${randomUUID()}`,
    sizes: {},
    minimum: 0,
    price: '',
    supplier: '',
    supplierNo: '',
    shelf: '',
    batch: '',
    note: '',
    onHand: 0,
    ...change,
  });
const movement = async (name: string) =>
  (await takeIn(shop.marit, { movement: { name, familyId: 'fusee', marks: [] } })).movement;

describe('at once', () => {
  it('an order that is said to have come in by many is counted once', async () => {
    const { id } = await item();
    const ordered = await shop.marit.ok<StockItem>('POST', `/stores/${id}/orders`, { quantity: 7 });
    const path = `/stores/${id}/orders/${ordered.orders[0]!.id}`;
    expect(await atOnce(() => shop.marit.send('PUT', `${path}/arrived`, { arrived: true }))).toEqual({ 200: MANY });
    const now = (await shop.marit.ok<StockItem[]>('GET', '/stores')).find((i) => i.id === id)!;
    expect(now.onHand).toBe(7);
  });

  it('two mergers that cross leave one book, which is found', async () => {
    for (let i = 0; i < 5; i++) {
      const [a, b] = [await movement(`Crossing ${i} one`), await movement(`Crossing ${i} two`)];
      await sql(shop.running.appContext.orm.em.fork(), 'update visit set closed_at = now()');
      const merge = (into: Movement, from: Movement) =>
        shop.marit.send('POST', `/movements/${into.id}/merger`, { otherId: from.id, why: 'One and the same.' });
      const both = await Promise.all([merge(a, b), merge(b, a)]);
      expect(both.map((r) => r.status).sort()).toEqual([201, 422]);
      const { items } = await shop.marit.ok<{ items: object[] }>('GET', `/movements?q=Crossing ${i}`);
      expect(items).toHaveLength(1);
    }
  });

  it('of changes that saw the same version one holds: stores, baths, plates, prices', async () => {
    const one = await item();
    const fill = await shop.marit.ok<Fill>('POST', '/baths', {
      bath: 'detergent',
      name: 'Left',
      litres: 3,
      waterParts: 7,
      limitLoads: 20,
      limitDays: 90,
    });
    const { id, version, traits } = await movement('Plates');
    const pair = pairsOf(traits.trains[0]!)[0]!.key;
    const prices = await shop.marit.ok<{ version: number }>('GET', '/prices');
    for (const send of [
      (i: number) => shop.marit.send('PATCH', `/stores/${one.id}`, { note: `n${i}`, version: one.version }),
      (i: number) => shop.marit.send('PATCH', `/baths/${fill.id}`, { note: `n${i}`, version: fill.version }),
      (i: number) =>
        shop.marit.send('PUT', `/movements/${id}/plates`, {
          sides: [],
          centresMm: { [pair]: 20 + i },
          version,
          visitId: null,
        }),
      (i: number) => shop.marit.send('PUT', '/prices', { ...prices, currency: `c${i}` }),
    ])
      expect(await atOnce(send), String(send)).toEqual({ 200: 1, 409: MANY - 1 });
  });

  it('a kept working is taken away once, and whoever comes second is told', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'x', familyId: 'fusee' } });
    const kept = await shop.marit.ok<KeptWorking>('POST', `/visits/${visit.id}/workings`, {
      working: WORKINGS[0]!.id,
      stage: 'assess',
      input: WORKINGS[0]!.example,
    });
    const gone = await atOnce(() => shop.marit.send('DELETE', `/visits/${visit.id}/workings/${kept.id}`));
    expect(gone).toEqual({ 200: 1, 404: MANY - 1 });
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).workings).toEqual([]);
  });
});
