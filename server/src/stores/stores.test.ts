import type { Book, CaseTask, ImportPreview, Part, StockItem, Visit } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, letDown, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await letDown(shop.marit, await takeIn(shop.marit));
});
afterAll(() => shop.running.stop());
const BUSH = {
  kind: 'bush',
  name: 'Brass bush',
  sizes: { bore_mm: 1.2, outside_mm: 2.5, height_mm: 2 },
  minimum: 5,
  price: '0,80',
};
const add = (change: object = {}) => shop.marit.ok<StockItem>('POST', '/stores', { ...BUSH, onHand: 6, ...change });
const there = async (id: string) => (await shop.marit.ok<StockItem[]>('GET', '/stores')).find((i) => i.id === id)!;
const later = () => {
  shop.now.at = new Date(shop.now.at.getTime() + 60_000);
};

describe('the stores', () => {
  it('keep a thing once, with sizes that can be, and forget nothing that came or went', async () => {
    const item = await add();
    expect(item).toMatchObject({ onHand: 6, price: '0.80', version: 1, kept: true });
    const twice = await shop.marit.send('POST', '/stores', { ...BUSH, name: ' brass  BUSH ' });
    expect(twice.body.fields![0]).toMatchObject({ path: 'name' });
    expect(
      (await shop.marit.send('POST', '/stores', { ...BUSH, sizes: { ...BUSH.sizes, outside_mm: 1 } })).body.fields![0],
    ).toMatchObject({ path: 'sizes.outside_mm' });
    later();
    await shop.marit.ok('PUT', `/stores/${item.id}/count`, { onHand: 4 });
    later();
    const ordered = await shop.marit.ok<StockItem>('POST', `/stores/${item.id}/orders`, {
      quantity: 20,
      expectedOn: '2031-05-09',
      visitId: visit.id,
    });
    expect(ordered.orders[0]).toMatchObject({ quantity: 20, expectedOn: '2031-05-09', claim: visit.claim });
    const path = `/stores/${item.id}/orders/${ordered.orders[0]!.id}`;
    const came = () => shop.marit.ok<StockItem>('PUT', `${path}/arrived`, { arrived: true });
    expect(await came()).toMatchObject({ onHand: 24, orders: [] });
    expect(await came()).toMatchObject({ onHand: 24 }); // said twice, it came once
    expect((await shop.marit.send('DELETE', path)).status).toBe(409);
    expect(await shop.marit.ok('PUT', `${path}/arrived`, { arrived: false })).toMatchObject({
      onHand: 4,
      orders: [{ quantity: 20 }],
    });
    await came();
    expect(
      (await shop.marit.ok<{ change: number; why: string }[]>('GET', `/stores/${item.id}/moves`)).map((m) => [
        m.change,
        m.why,
      ]),
    ).toEqual([
      [20, 'came in'],
      [-2, 'counted'],
      [6, 'counted'],
    ]);
    const lost = await shop.marit.send('PATCH', `/stores/${item.id}`, { minimum: 9, version: 0 });
    expect(lost.body.type).toBe('urn:eclat:lost-race');
  });

  it('lose what is fitted to a clock, and have it again when it was not', async () => {
    const [bush, strip] = [
      await add({ name: 'Graded bush' }),
      await add({ kind: 'suspension', name: 'Strip', sizes: { strength_mm: 0.1 }, onHand: 1 }),
    ];
    const hole = holesOf(visit.movement.traits)[0]!.key;
    const fitted = await shop.marit.ok<{ id: string; at: string }>('POST', `/visits/${visit.id}/bushes`, {
      hole,
      pivotMm: 1.2,
      boreMm: 1.25,
      outsideMm: 2.5,
      heightMm: 2,
      stockId: bush.id,
    });
    // Put right where it stands: it keeps its time, for of several tries the last one counts; its size left the stores.
    const right = { pivotMm: 1.2, boreMm: 1.3, outsideMm: 2.5, heightMm: 2 };
    const at = `/visits/${visit.id}/bushes/${fitted.id}`;
    expect(await shop.marit.ok('PUT', at, right)).toMatchObject({ boreMm: 1.3, at: fitted.at, stockId: bush.id });
    expect((await shop.marit.send('PUT', at, { ...right, outsideMm: 3 })).body.fields![0]!.path).toBe('outsideMm');
    const part = {
      what: 'Strip',
      kind: 'suspension',
      sizes: { strength_mm: 0.1 },
      source: 'from stock',
      stockId: strip.id,
      quantity: 2,
      oldPart: 'scrapped',
    };
    const one = await shop.marit.ok<Part>('POST', `/visits/${visit.id}/parts`, part);
    // the count was wrong, the strip is in the clock all the same
    expect([(await there(bush.id)).onHand, (await there(strip.id)).onHand]).toEqual([5, -1]);
    // Its words are put right where it stands; what the shelf has lost is not changed by the way.
    const { quantity: _, stockId: __, kind: ___, ...said } = { ...part, why: 'bent', oldPart: 'lost' };
    const set = (change: object = {}) =>
      shop.marit.send<Part>('PUT', `/visits/${visit.id}/parts/${one.id}`, { ...said, ...change });
    expect((await set()).body).toMatchObject({ why: 'bent', oldPart: 'lost', at: one.at, stockId: strip.id });
    const refusedAt = async (change: object) => (await set(change)).body.fields![0]!.path;
    expect([
      await refusedAt({ source: 'new' }),
      await refusedAt({ sizes: { strength_mm: 0.2 } }),
      await refusedAt({ what: ' ' }),
    ]).toEqual(['source', 'sizes', 'what']);
    expect((await there(strip.id)).onHand).toBe(-1);
    await shop.marit.ok('DELETE', `/visits/${visit.id}/bushes/${fitted.id}`);
    await shop.marit.ok('DELETE', `/visits/${visit.id}/parts/${one.id}`);
    expect([(await there(bush.id)).onHand, (await there(strip.id)).onHand]).toEqual([6, 1]);
    const lacking = async (change: object) =>
      (await shop.marit.send('POST', `/visits/${visit.id}/parts`, { ...part, stockId: null, sizes: {}, ...change }))
        .body.fields![0]!.path;
    expect([
      await lacking({}),
      await lacking({ source: 'donor movement' }),
      await lacking({ source: 'made here' }),
    ]).toEqual(['stockId', 'donorId', 'size']);
  });

  it('say in the donor’s book what it gave', async () => {
    const donor = await letDown(
      shop.marit,
      await takeIn(shop.marit, {
        movement: { name: 'Spare movement', familyId: 'mantel-barrels' },
        owner: { name: 'Casimir Pell' },
      }),
    );
    const given = {
      what: 'Third wheel',
      source: 'donor movement',
      donorId: donor.movement.id,
      oldPart: 'kept with the movement',
    };
    expect(await shop.marit.ok<Part>('POST', `/visits/${visit.id}/parts`, given)).toMatchObject({
      donorCode: donor.movement.code,
    });
    expect((await shop.marit.ok<Book>('GET', `/movements/${donor.movement.id}`)).gave).toEqual([
      expect.objectContaining({ what: 'Third wheel', to: visit.movement.code }),
    ]);
    expect(
      (await shop.marit.send('POST', `/visits/${visit.id}/parts`, { ...given, donorId: visit.movement.id })).body
        .fields![0],
    ).toMatchObject({ path: 'donorId' });
  });

  it('hold a donor that came without a visit: its book says what it gave, to trains and to the case', async () => {
    const veneer = await shop.marit.ok<StockItem>('POST', '/stores', { kind: 'donor', name: 'Shelf clock, no dial' });
    const book = { name: 'Weight movement', familyId: 'weight-shelf' };
    expect((await shop.marit.send('POST', `/stores/${veneer.id}/book`, { ...book, familyId: 'none' })).status).toBe(
      422,
    );
    const donor = await shop.marit.ok<StockItem>('POST', `/stores/${veneer.id}/book`, book);
    expect(donor.movementCode).toMatch(/^M-/);
    expect((await shop.marit.send('POST', `/stores/${veneer.id}/book`, book)).status).toBe(409);
    const strip = await shop.marit.ok<StockItem>('POST', '/stores', { kind: 'other', name: 'Strip of brass' });
    expect((await shop.marit.send('POST', `/stores/${strip.id}/book`, book)).status).toBe(422);
    const task = { place: 'case', what: 'Veneer laid', origin: 'donor of the period' };
    const add = (donorId: string) =>
      shop.marit.send<CaseTask>('POST', `/visits/${visit.id}/casework`, { ...task, donorId });
    expect((await add(strip.id)).body.fields![0]!.path).toBe('donorId');
    expect((await add(donor.id)).body).toMatchObject({ donorName: 'Shelf clock, no dial' });
    const part = {
      what: 'Fly',
      source: 'donor movement',
      donorId: donor.movementId,
      oldPart: 'kept with the movement',
    };
    await shop.marit.ok('POST', `/visits/${visit.id}/parts`, part);
    const { gave, entries } = await shop.marit.ok<Book>('GET', `/movements/${donor.movementId}`);
    expect(gave.map((g) => [g.what, g.to])).toEqual([
      ['Veneer laid', visit.movement.code],
      ['Fly', visit.movement.code],
    ]);
    expect(entries).toEqual([]);
  });
});

describe('a table of the stores', () => {
  const table = (rows: string[]) => ({
    csv: ['kind,name,bore_mm,outside_mm,height_mm,on_hand,minimum', ...rows].join('\n'),
  });
  it('changes nothing while one row is bad, and all of it when none is', async () => {
    const before = await shop.marit.ok<StockItem[]>('GET', '/stores');
    const bad = table(['bush,Fresh bush,1,2,2,3,1', 'bush,Brass bush,x,2.5,2,9,5']);
    const look = await shop.marit.ok<ImportPreview>('POST', '/stores-table/preview', bad);
    expect(look.problems).toEqual([{ line: 3, column: 'bore_mm', message: expect.stringContaining('no number') }]);
    expect((await shop.marit.send('PUT', '/stores-table', bad)).body.fields).toHaveLength(1);
    expect(await shop.marit.ok('GET', '/stores')).toEqual(before);

    const good = table(['bush,Fresh bush,1,2,2,3,1', 'bush,Brass bush,1.2,2.5,2,9,5']);
    expect(
      (await shop.marit.ok<ImportPreview>('POST', '/stores-table/preview', good)).rows.map((r) => [
        r.effect,
        r.changes[0],
      ]),
    ).toEqual([
      ['new', undefined],
      ['changed', 'on hand 24 → 9'],
    ]);
    expect(await shop.marit.ok('GET', '/stores')).toEqual(before);
    expect(await shop.marit.ok('PUT', '/stores-table', good)).toEqual({ ok: true, added: 1, changed: 1 });
    expect(await shop.marit.ok('PUT', '/stores-table', good)).toEqual({ ok: true, added: 0, changed: 0 });
  });
  it('that was written before there was a column of batches leaves them as they are', async () => {
    const batch = async () =>
      (await shop.marit.ok<StockItem[]>('GET', '/stores')).find((i) => i.name === 'Clock oil')!.batch;
    const take = (csv: string) => shop.marit.ok('PUT', '/stores-table', { csv });
    await take('kind,name,on_hand,batch\nproduct,Clock oil,2,22-07');
    expect(await take('kind,name,on_hand\nproduct,Clock oil,1')).toMatchObject({ changed: 1 });
    expect(await batch()).toBe('22-07');
    await take('kind,name,on_hand,batch\nproduct,Clock oil,1,');
    expect(await batch()).toBe('');
  });
  it('comes out as it goes in', async () => {
    const file = await fetch(`${shop.marit.address}/api/stores-table`);
    expect(file.status).toBe(401);
    const { problems, rows } = await shop.marit.ok<ImportPreview>('POST', '/stores-table/preview', {
      csv: (await shop.marit.send('GET', '/stores-table')).text,
    });
    expect(problems).toEqual([]);
    expect(new Set(rows.map((r) => r.effect))).toEqual(new Set(['same']));
  });
});
