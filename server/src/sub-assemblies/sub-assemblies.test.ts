import type { BenchRow, SubAssembly, Visit } from '@eclat/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

const now = { at: new Date('2031-05-10T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());

it('goes at its own pace: the bench names what wants a hand, and the signature waits for it', async () => {
  const { id } = await takeIn(shop.marit, { movement: { name: 'r', familyId: 'recorder' } });
  const at = (path: string) => `/visits/${id}/${path}`;
  const later = () => (now.at = new Date(now.at.getTime() + 60_000));
  const next = async () => {
    const visit = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
    const row = (await shop.marit.ok<BenchRow[]>('GET', '/bench')).find((r) => r.visitId === id)!;
    expect(row.next).toEqual(visit.next);
    return visit.next;
  };
  const unit = await shop.marit.ok<SubAssembly>('POST', at('units'), { name: 'print work' });
  expect((await shop.marit.send('POST', at('units'), { name: 'Print Work' })).body.fields![0]!.path).toBe('name');
  // The movement is behind it: it is named.
  expect(await next()).toMatchObject({ stage: 'intake' });
  for (const s of ['intake', 'assess', 'diagnose', 'agree', 'power', 'strip', 'clean', 'survey', 'fit', 'assemble'])
    await shop.marit.ok('PUT', at(`stages/${s}`), { state: 'done' });
  expect(await next()).toMatchObject({ stage: 'power', text: 'Print work: power down is next', urgency: 'next' });

  const stage = (s: string, body: object) => shop.marit.send('PUT', at(`units/${unit.id}/stages/${s}`), body);
  for (const s of ['power', 'strip', 'clean', 'survey', 'fit', 'assemble']) {
    later();
    expect((await stage(s, { state: 'done' })).status).toBe(200);
  }
  // Level with the movement, which has its own work: that is named.
  expect(await next()).toMatchObject({ stage: 'oil' });
  expect((await stage('oil', { state: 'left' })).body.fields![0]!.path).toBe('why');
  expect((await stage('deliver', { state: 'done' })).status).toBe(404);
  const refused = await shop.marit.send('POST', at('signature'), {});
  expect(refused.body.detail).toContain('print work is not done');
  for (const s of ['oil', 'run']) {
    later();
    await stage(s, { state: 'left', why: 'dry, by its maker' });
  }
  expect((await shop.marit.send('POST', at('signature'), {})).body.detail).not.toContain('print work');
  // A pass of the movement leaves it alone.
  later();
  await shop.marit.ok('POST', at('passes'), { reason: 'Contrate wheel runs out of true.', depth: 'plates' });
  const { units } = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
  expect(units[0]!.stages.map((s) => s.state)).toEqual([...Array<string>(6).fill('done'), 'left', 'left']);
  const [other] = [await takeIn(shop.marit, { movement: { name: 'o', familyId: 'fusee' } })];
  const foreign = `/visits/${other.id}/units/${unit.id}/stages/run`;
  expect((await shop.marit.send('PUT', foreign, { state: 'done' })).status).toBe(404);
});
