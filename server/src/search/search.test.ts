import type { Hit, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop({ at: new Date('2031-05-02T09:00:00Z') });
  visit = await takeIn(shop.marit, {
    owner: { name: 'Hesper Lunt', phone: '0555 014-207' },
    clock: { description: 'Slate mantel clock' },
    complaint: 'Gives up on the fifth day and strikes slowly before it does.',
    movement: {
      name: 'Round-plate movement, rack striking',
      familyId: 'mantel-barrels',
      maker: 'Brindle & Daughters',
      marks: [{ place: 'back plate', text: '6438' }],
    },
  });
  await takeIn(shop.marit, {
    owner: { name: 'Odile Tarrowby', phone: '0555 019 000' },
    clock: { description: 'Tall clock' },
    complaint: 'Stops.',
    movement: {
      name: 'Weight movement',
      familyId: 'longcase',
      maker: 'Pellowe',
      marks: [{ place: 'dial', text: '100% 61' }],
    },
  });
});
afterAll(() => shop.running.stop());
const found = (q: string) => shop.marit.ok<Hit[]>('GET', `/find?q=${encodeURIComponent(q)}`);

describe('the search of the counter', () => {
  it.each([
    'Hesper',
    'hespr lunt',
    'Lunt',
    '014207',
    '014 207',
    '6438',
    'round plate',
    'Brindel',
    'slat mantel',
    'fifth day',
    'strikes slowly',
  ])('%s finds her clock first, with where it stands now', async (q) => {
    const [first] = await found(q);
    expect(first).toMatchObject({
      owner: 'Hesper Lunt',
      clock: 'Slate mantel clock',
      movementId: visit.movement.id,
      openVisitId: visit.id,
    });
    expect(first!.why.length).toBeGreaterThan(0);
  });
  it('finds by claim and by code', async () => {
    for (const q of [visit.claim, visit.movement.code])
      expect((await found(q))[0]).toMatchObject({ movementId: visit.movement.id });
  });
  it('takes wild cards as they are written, and nothing for nothing', async () => {
    expect((await found('100%')).map((h) => h.owner)).toEqual(['Odile Tarrowby']);
    expect(await found('%%%')).toEqual([]);
    expect(await found('')).toEqual([]);
    expect(await found("x' or 1=1 --")).toEqual([]);
  });
  it('is for those who are signed in', async () =>
    expect((await fetch(`${shop.running.address}/api/find?q=Hesper`)).status).toBe(401));
});
