import type { Book, Owner, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

type Found<T> = { items: T[]; next: string | null };
const owners = (q: string, after = '') =>
  shop.marit.ok<Found<Owner>>('GET', `/owners?q=${encodeURIComponent(q)}&after=${encodeURIComponent(after)}`);
const movements = (q: string, after = '') =>
  shop.marit.ok<Found<{ code: string; name: string; entries: number; lastDate: string | null }>>(
    'GET',
    `/movements?q=${encodeURIComponent(q)}&after=${after}`,
  );

describe('finding an owner', () => {
  beforeAll(async () => {
    for (let i = 0; i < 23; i++)
      await takeIn(shop.marit, {
        owner: { name: `Pell number ${String(i).padStart(2, '0')}`, phone: `0555 77${i} 001` },
        movement: { name: `m${i}`, familyId: 'fusee', marks: [{ place: 'dial', text: `100 %${i}` }] },
      });
    await takeIn(shop.marit, {
      owner: { name: 'Odile Tarrowby', phone: '0555-010 442' },
      movement: { name: 'z', familyId: 'fusee' },
    });
  });

  it('by part of the name, whatever its case', async () =>
    expect((await owners('tarrow')).items.map((o) => o.name)).toEqual(['Odile Tarrowby']));
  it('by digits of the phone, however they are spaced', async () => {
    for (const q of ['010442', '010-442', '0555 010'])
      expect((await owners(q)).items.map((o) => o.name)).toContain('Odile Tarrowby');
  });
  it('takes a wild card for what it is', async () => {
    expect((await owners('%')).items).toEqual([]);
    expect((await owners('_ell')).items).toEqual([]);
    expect((await movements('100 %7')).items).toHaveLength(1);
  });
  it('page by page, each once', async () => {
    const first = await owners('Pell');
    expect(first.items).toHaveLength(20);
    const second = await owners('Pell', first.next!);
    expect(second.next).toBeNull();
    expect(new Set([...first.items, ...second.items].map((o) => o.id)).size).toBe(23);
  });
  it('and every movement page by page', async () => {
    const seen: string[] = [];
    for (let after = ''; ;) {
      const { items, next } = await movements('', after);
      seen.push(...items.map((m) => m.code));
      if (next === null) break;
      after = next;
    }
    expect(new Set(seen).size).toBe(24);
    expect(seen).toHaveLength(24);
  });
});

describe('a returning owner', () => {
  it('is offered the clocks brought before, and only their own', async () => {
    const visit = await takeIn(shop.marit, {
      owner: { name: 'Hesper Lunt', phone: '0555 014 207' },
      movement: { name: 'known', familyId: 'torsion' },
    });
    const clocks = await shop.marit.ok<{ id: string; movement: { code: string } }[]>(
      'GET',
      `/owners/${visit.owner.id}/clocks`,
    );
    expect(clocks).toMatchObject([{ id: visit.clock.id, movement: { code: visit.movement.code } }]);
    const strange = await shop.marit.send('POST', '/visits', {
      owner: { name: 'Somebody Else' },
      clockId: visit.clock.id,
      complaint: 'x',
    });
    expect(strange).toMatchObject({ status: 422, body: { fields: [{ path: 'clock' }] } });
  });

  it('can be put right by one person at a time', async () => {
    const {
      items: [owner],
    } = await owners('Lunt');
    const change = (name: string) =>
      shop.marit.send<Owner>('PATCH', `/owners/${owner!.id}`, { name, version: owner!.version });
    expect((await change('Hesper Lunt-Wray')).body).toMatchObject({
      name: 'Hesper Lunt-Wray',
      phone: '0555 014 207',
      version: owner!.version + 1,
    });
    expect(await change('H. Lunt')).toMatchObject({ status: 409, body: { current: { name: 'Hesper Lunt-Wray' } } });
    expect(
      (await shop.marit.send('PATCH', `/owners/${owner!.id}`, { email: 'not one', version: 2 })).body.fields![0]!.path,
    ).toBe('email');
  });
});

describe('a movement', () => {
  it('takes its traits from its family and keeps what was found on it', async () => {
    const { movement } = await takeIn(shop.marit, {
      movement: {
        name: 'with moon',
        familyId: 'longcase',
        fittings: ['moon work'],
        marks: [
          { place: 'dial', text: 'A' },
          { place: 'case', text: '7' },
        ],
      },
    });
    expect(movement.traits.fittings).toEqual(expect.arrayContaining(['pulleys', 'moon work']));
    expect(movement.marks).toEqual([
      { place: 'case', text: '7' },
      { place: 'dial', text: 'A' },
    ]);
    expect(movement.code).toMatch(/^M-[2-9A-HJKMNP-TV-Z]{6}$/);
    const wrong = await shop.marit.send('POST', '/visits', {
      owner: { name: 'x y' },
      clock: { description: 'c' },
      movement: { name: 'm', familyId: 'sundial' },
      complaint: 'x',
    });
    expect(wrong.body.fields![0]!.path).toBe('movement.familyId');
  });

  it('is never taken in twice, and keeps what was written on it', async () => {
    const first = await takeIn(shop.marit, { movement: { name: 'swapped', familyId: 'fusee' } });
    for (const date of ['189X', '1911-01-20', 'XXXX'])
      await shop.marit.ok('POST', `/movements/${first.movement.id}/inscriptions`, {
        date,
        text: 'cleaned',
        place: 'plate',
      });
    expect(
      (
        await shop.marit.send('POST', `/movements/${first.movement.id}/inscriptions`, {
          date: 'about 1890',
          text: 'x',
          place: 'y',
        })
      ).body.fields![0]!.path,
    ).toBe('date');
    const again = await shop.marit.send<Visit>('POST', '/visits', {
      owner: { name: 'New Keeper' },
      clock: { description: 'Another case' },
      movementId: first.movement.id,
      complaint: 'x',
    });
    expect(again.status).toBe(409); // it stands in the shop still
    const {
      items: [row],
    } = await movements('swapped');
    expect(row).toMatchObject({ entries: 3, lastDate: '1911-01-20' });
    const book = await shop.marit.ok<Book>('GET', `/movements/${first.movement.id}`);
    expect(book.entries.every((e) => e.signedBy === 'Marit Fennick' && e.shop === 'Fennick Row Clock Room')).toBe(true);
  });
});
