import type { ElectricEntry, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

describe('the electric bench', () => {
  it('keeps what can be, and gives it back when it was a slip', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'Master', familyId: 'electric-master' } });
    const add = (test: object) => shop.marit.send<ElectricEntry>('POST', `/visits/${visit.id}/electric`, { test });
    const contact = {
      kind: 'contact',
      what: 'Rewind contact',
      state: 'pitted',
      dwellMs: 420,
      periodS: 30,
      perMinute: 2,
      expectedPerMinute: 2,
      note: '',
    };
    expect((await add({ ...contact, dwellMs: 31_000 })).body.fields![0]).toMatchObject({ path: 'test.dwellMs' });
    expect((await add({ kind: 'step', volts: 900, milliamps: 1, did: 'advances', supplyV: 24 })).status).toBe(422);
    const { body } = await add(contact);
    await add({ kind: 'coil', what: 'Rewind coil', ohms: null, expectedOhms: 110, atC: null });
    await shop.marit.ok('DELETE', `/visits/${visit.id}/electric/${body.id}`);
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).electric.map((e) => e.test.kind)).toEqual([
      'coil',
    ]);
  });
});
