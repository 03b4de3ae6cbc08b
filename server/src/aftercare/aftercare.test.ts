import type { DueAgain, Recalled, StockItem, Visit } from '@eclat/contract';
import { CAUTIONS } from '@eclat/core/cautions';
import { checksFor } from '@eclat/core/checks';
import { oilChart } from '@eclat/core/oiling';
import { STAGE_IDS } from '@eclat/core/workflow';
import { holesOf } from '@eclat/core/movement';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PASS, ends, openShop, letDown, takeIn } from '../../test/shop.ts';

const now = { at: new Date('2031-05-10T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());
const dueAgain = async (query = '') => (await shop.marit.ok<{ items: DueAgain[] }>('GET', `/due-again${query}`)).items;
const put = (visit: Visit, path: string, body: object) => shop.marit.ok('PUT', `/visits/${visit.id}/${path}`, body);

/** Through all stages to its signature, with one batch of oil in it. */
async function signed(batch: string): Promise<Visit> {
  const visit = await takeIn(shop.marit, {
    movement: { name: 'Square-plate mantel movement', familyId: 'mantel-barrels' },
    received: [],
  });
  for (const p of visit.power) await put(visit, `power/${p.source}`, { state: 'let down', version: p.version });
  for (const c of CAUTIONS) await shop.marit.ok('PUT', `/visits/${visit.id}/cautions/${c.id}`);
  await shop.marit.ok('POST', `/visits/${visit.id}/strip`, {});
  for (const { key } of holesOf(visit.movement.traits))
    await put(visit, `holes/${key}`, {
      pivotMm: 1,
      size: { kind: 'measured', holeLongMm: 1.03, holeShortMm: 1.03 },
      verdict: 'sound',
      version: 0,
    });
  for (const p of oilChart(visit.movement.traits))
    await put(visit, `oil/${p.id}`, p.grade === 'none' ? {} : { product: 'Clock oil, pivots', batch });
  for (const c of checksFor(visit.movement.traits, 'assemble'))
    await put(visit, `checks/${c.id}`, { result: 'passed' });
  await ends(
    shop.marit,
    visit.id,
    STAGE_IDS.filter((s) => s !== 'sign'),
  );
  await shop.marit.ok('POST', `/visits/${visit.id}/signature`, { passphrase: PASS, waiver: 'ornament only' });
  return visit;
}

describe('after it went home', () => {
  it('a batch is found in every visit that had it, and in no other', async () => {
    const [a, b] = [await signed('77-01'), await signed('77-02')];
    const found = async (q: string) =>
      (await shop.marit.ok<Recalled[]>('GET', `/recall?q=${encodeURIComponent(q)}`)).map((r) => r.visitId);
    expect(await found('77-01')).toEqual([a.id]);
    expect((await found('oil pivots')).sort()).toEqual([a.id, b.id].sort());
    expect(await found('square mantel')).toHaveLength(2);
    expect([await found('7'), await found('77-03'), await found('%')]).toEqual([[], [], []]);
    const fill = await shop.marit.ok<{ id: string }>('POST', '/baths', {
      bath: 'detergent',
      name: 'Machine, left',
      litres: 3,
      waterParts: 7,
      limitLoads: null,
      limitDays: null,
      note: 'concentrate 88-19',
    });
    const open = await letDown(shop.marit, await takeIn(shop.marit, { received: [] }));
    await shop.marit.ok('POST', `/visits/${open.id}/baths`, {
      sequence: 'soapy',
      bath: 'detergent',
      parts: [{ name: 'plates', materials: ['bare brass'] }],
      minutes: 10,
      fillId: fill.id,
    });
    expect(await found('88-19')).toEqual([open.id]);
    const stock = await shop.marit.ok<StockItem[]>('GET', '/stores');
    expect(stock).toEqual([]);
  });
  it('it is due again by the house rule, in the list and in the calendar, and once only', async () => {
    const due = await dueAgain();
    // Practice: oil after three years, an overhaul after eight.
    expect(due.map((d) => [d.oil, d.overhaul])).toEqual([
      ['2034-05-10', '2039-05-10'],
      ['2034-05-10', '2039-05-10'],
    ]);
    const { token } = await shop.marit.ok<{ token: string }>('PUT', '/calendar-feed');
    const feed = await (await fetch(`${shop.running.address}/api/calendar/${token}.ics`)).text();
    expect(feed.match(/DTSTART;VALUE=DATE:20340510/g)).toHaveLength(2);
    expect(feed).not.toContain('Tarrowby');
  });
  it('up to a day, and on from where a page ended', async () => {
    const [first, second] = await dueAgain();
    expect(await dueAgain('?until=2034-05-09')).toEqual([]);
    expect(await dueAgain('?until=2034-05-10')).toHaveLength(2);
    expect(await dueAgain(`?after=${encodeURIComponent(`${first!.oil} ${first!.visitId}`)}`)).toEqual([second]);
  });
  it('what came back is counted with its cause', async () => {
    const [first] = await dueAgain();
    const again = await shop.marit.ok<Visit>('POST', '/visits', {
      ownerId: (await shop.marit.ok<Visit>('GET', `/visits/${first!.visitId}`)).owner.id,
      clockId: (await shop.marit.ok<Visit>('GET', `/visits/${first!.visitId}`)).clock.id,
      movementId: first!.movementId,
      another: false,
      complaint: 'Stops again.',
      received: [],
    });
    await put(again, 'callback', { visitId: first!.visitId });
    await put(again, 'cause', { cause: 'Click spring slipped' });
    expect(await shop.marit.ok('GET', '/callbacks?years=1')).toMatchObject({
      signed: 2,
      came: 1,
      rows: [{ of: first!.claim, cause: 'Click spring slipped' }],
    });
    // With its clock in the shop again it is not due any more.
    expect(await dueAgain()).toHaveLength(1);
  });
  it('the sheet and the slip are made, and the slip names no owner', async () => {
    const [d] = await dueAgain();
    for (const paper of ['return', 'slip']) {
      const { status, text } = await shop.marit.send('GET', `/visits/${d!.visitId}/papers/${paper}.pdf`);
      expect([status, text.startsWith('%PDF')]).toEqual([200, true]);
    }
  });
});
