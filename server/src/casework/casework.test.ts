import type { CaseTask, Timer, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit);
});
afterAll(() => shop.running.stop());
const pass = (hours: number) => {
  shop.now.at = new Date(shop.now.at.getTime() + hours * 3_600_000);
};
const next = async () => (await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).next;

describe('case, dial and glass', () => {
  it('dry beside the movement, call when they are dry, and one press is one coat', async () => {
    const task = await shop.marit.ok<CaseTask>('POST', `/visits/${visit.id}/casework`, {
      place: 'case',
      what: 'Finish coat',
      product: 'shellac',
      times: 2,
      waitHours: 4,
    });
    const path = `/visits/${visit.id}/casework/${task.id}`;
    const coat = (t: CaseTask) => shop.marit.send<CaseTask>('PUT', `${path}/time`, { did: true, version: t.version });
    const { body: one } = await coat(task);
    expect(one).toMatchObject({ waitEndsAt: '2031-05-02T13:00:00.000Z', log: [{ by: 'Marit Fennick' }] });
    expect((await coat(task)).body.type).toBe('urn:eclat:lost-race');
    expect(await shop.marit.ok<Timer[]>('GET', '/timers')).toEqual([
      expect.objectContaining({ id: task.id, beside: true, what: 'Finish coat', endsAt: '2031-05-02T13:00:00.000Z' }),
    ]);
    expect(await next()).toMatchObject({ stage: 'intake', beside: false });
    pass(5);
    expect(await next()).toMatchObject({ urgency: 'due', beside: true });
    const { body: two } = await coat(one);
    expect(two.waitEndsAt).toBe('2031-05-02T18:00:00.000Z');
    const back = await shop.marit.ok<CaseTask>('PUT', `${path}/time`, { did: false, version: two.version });
    expect(back).toMatchObject({ waitEndsAt: '2031-05-02T13:00:00.000Z', log: [{}] });
    const token = (await shop.marit.ok<{ token: string }>('PUT', '/calendar-feed')).token;
    expect((await shop.marit.send('GET', `/calendar/${token}.ics`)).text.replaceAll(/\r\n /g, '')).toContain(
      `/visits/${visit.id}/case`,
    );
    await shop.marit.ok('PUT', `${path}/done`, { done: true });
    expect((await coat(back)).status).toBe(409);
    expect(await shop.marit.ok('GET', '/timers')).toEqual([]);
  });
});
