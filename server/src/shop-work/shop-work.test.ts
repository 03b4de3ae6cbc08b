import type { ShopTask, StockItem, Visit } from '@eclat/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { PASS, newClock, openShop } from '../../test/shop.ts';

const now = { at: new Date('2031-05-10T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());

const list = () => shop.marit.ok<ShopTask[]>('GET', '/shop-work');

it('goes on after its clock is signed and home, step by step, and ends in the stores', async () => {
  const visit = await shop.marit.ok<Visit>('POST', '/visits', {
    ...newClock({ movement: { name: 'mains', familyId: 'synchronous' } }),
    ...{ owner: undefined, ownStock: true, shape: 'report' },
  });
  const task = await shop.marit.ok<ShopTask>('POST', '/shop-work', {
    ...{ thing: 'Sealed rotor, old', next: 'First soak', waitHours: 24, visitId: visit.id },
  });
  for (const s of ['intake', 'assess', 'diagnose'])
    await shop.marit.ok('PUT', `/visits/${visit.id}/stages/${s}`, { state: 'done' });
  await shop.marit.ok('POST', `/visits/${visit.id}/signature`, { passphrase: PASS, note: 'New rotor.' });

  now.at = new Date('2031-05-12T09:00:00Z');
  await shop.marit.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: 'oak wedge nine pins' });
  const step = (did: string, version: number) =>
    shop.marit.send<ShopTask>('POST', `/shop-work/${task.id}/log`, { did, next: 'Oil, seal', waitHours: 24, version });
  const both = await Promise.all([step('Soaked a day', task.version), step('Soaked again', task.version)]);
  expect(both.map((b) => b.status).sort()).toEqual([201, 409]);
  const [stands] = await list();
  expect(stands).toMatchObject({ claim: visit.claim, next: 'Oil, seal', waitEndsAt: '2031-05-13T09:00:00.000Z' });
  expect(stands!.log).toHaveLength(1);

  const end = (of: string, version: number, how: object) =>
    shop.marit.send<ShopTask>('PUT', `/shop-work/${of}/end`, { end: how, version });
  const done = await end(task.id, stands!.version, { kind: 'electric', name: 'Rotor, reconditioned' });
  expect(done.body.ended).toBe('Into the stores: Rotor, reconditioned.');
  expect((await step('Once more', done.body.version)).status).toBe(409);
  // A second one lies beside the first, not in a row of its own.
  const second = await shop.marit.ok<ShopTask>('POST', '/shop-work', { thing: 'Another rotor' });
  await end(second.id, second.version, { kind: 'electric', name: 'Rotor, reconditioned' });
  const stock = await shop.marit.ok<StockItem[]>('GET', '/stores');
  expect(stock.filter((i) => i.name === 'Rotor, reconditioned').map((i) => i.onHand)).toEqual([2]);
  const third = await shop.marit.ok<ShopTask>('POST', '/shop-work', { thing: 'A third' });
  expect((await end(third.id, third.version, { why: 'Winding broken.' })).body.ended).toBe('Winding broken.');
  expect((await list()).every((t) => t.endedAt !== null)).toBe(true);
});
