import type { BenchEntry, Entry, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PASS, ends, openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

describe('the electric bench', () => {
  it('keeps what can be, and gives it back when it was a slip', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'Master', familyId: 'electric-master' } });
    const add = (test: object) => shop.marit.send<BenchEntry>('POST', `/visits/${visit.id}/benches`, { test });
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
    await shop.marit.ok('DELETE', `/visits/${visit.id}/benches/${body.id}`);
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).benchTests.map((e) => e.test.kind)).toEqual([
      'coil',
    ]);
  });
  it('corrects an entry where it stood; who was slower is told, and another kind is another entry', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'Tall', familyId: 'longcase' } });
    const at = (id = '') => `/visits/${visit.id}/benches${id}`;
    const [source] = visit.movement.traits.sources;
    const line = (turns: number) => ({ kind: 'line', values: { source: source!.id, is: 'the final one', turns } });
    const { body: first } = await shop.marit.send<BenchEntry>('POST', at(), { test: line(22) });
    await shop.marit.send('POST', at(), { test: line(3) });
    const put = (version: number, test: object) => shop.marit.send('PUT', at(`/${first.id}`), { test, version });
    expect((await put(1, line(2))).body).toMatchObject({ at: first.at, version: 2 });
    expect(await put(1, line(2.5))).toMatchObject({
      status: 409,
      body: { type: 'urn:eclat:lost-race', current: { test: line(2), version: 2 } },
    });
    expect((await put(2, { kind: 'chain', values: { source: source!.id, links: 9 } })).status).toBe(422);
    expect((await put(2, line(400))).status).toBe(422);
    const seen = (await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).benchTests;
    expect(seen.map((e) => (e.test as ReturnType<typeof line>).values.turns)).toEqual([2, 3]);
  });
  it('finds at the next visit what was right, and in another of its type, in no other', async () => {
    const of = (maker: string) => ({ movement: { name: 'Standard plates', familyId: 'torsion', maker } });
    const test = (thicknessMm: number) => ({
      kind: 'torsion strip',
      ...{ strip: 'fitted', thicknessMm, widthMm: null, freeMm: null, alloy: 'compensated', note: '' },
    });
    const own = { shape: 'report', ownStock: true, owner: undefined, received: [] };
    const first = await takeIn(shop.marit, { ...of('Tessel'), ...own });
    await shop.marit.ok('POST', `/visits/${first.id}/benches`, { test: test(0.0965) });
    const sister = await takeIn(shop.marit, of('Tessel'));
    const stranger = await takeIn(shop.marit, of('Brindle'));
    const seen = async (id: string) =>
      (await shop.marit.ok<Visit>('GET', `/visits/${id}`)).benchTests.map((e) => [e.of, e.test.kind]);
    // What is not signed yet proves nothing of its type.
    expect(await seen(sister.id)).toEqual([]);
    await ends(shop.marit, first.id, ['intake', 'assess', 'diagnose']);
    const entry = await shop.marit.ok<Entry>('POST', `/visits/${first.id}/signature`, { passphrase: PASS, note: '' });
    expect(entry.record!.setUp).toEqual(['Strip fitted: 0.0038 in, 0.097 mm, compensated']);
    expect(await seen(sister.id)).toEqual([['type', 'torsion strip']]);
    expect(await seen(stranger.id)).toEqual([]);
    const again = await takeIn(shop.marit, { movementId: first.movement.id, movement: undefined });
    expect(await seen(again.id)).toEqual([['movement', 'torsion strip']]);
    // One way alone says nothing of the beat.
    const half = { lockPercent: 10, clockwise: 12, anticlockwise: null, pin: null };
    const refused = await shop.marit.send('POST', `/visits/${again.id}/benches`, {
      test: { kind: 'torsion escapement', ...half },
    });
    expect(refused.body).toMatchObject({ fields: [{ path: 'test.anticlockwise' }] });
  });
});
