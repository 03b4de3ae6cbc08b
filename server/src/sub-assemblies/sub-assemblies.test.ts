import type { BenchRow, SubAssembly, Visit } from '@eclat/contract';
import { STAGE_IDS } from '@eclat/core/workflow';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { PASS, ends, openShop, takeIn } from '../../test/shop.ts';

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
  await ends(shop.marit, id, STAGE_IDS.slice(0, STAGE_IDS.indexOf('oil')));
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
  const refused = await shop.marit.send('POST', at('signature'), { passphrase: PASS });
  expect(refused.body.detail).toContain('print work is not done');
  later();
  await stage('oil', { state: 'left', why: 'dry, by its maker' });

  // It runs by itself, and wants no hand then; what failed is not done.
  const run = async (driven: string, good: boolean) => {
    later();
    const { runs } = await shop.marit.ok<SubAssembly>('POST', at(`units/${unit.id}/runs`), { driven });
    expect((await shop.marit.send('POST', at(`units/${unit.id}/runs`), { driven })).status).toBe(409);
    const end = at(`units/${unit.id}/runs/${runs.at(-1)!.id}/end`);
    later();
    const ended = await shop.marit.ok<SubAssembly>('PUT', end, { found: 'Stamps evenly', good });
    expect((await shop.marit.send('PUT', end, { good })).status).toBe(409);
    return ended.stages.find((s) => s.stage === 'run')!.state;
  };
  expect(await run('its own spring', false)).toBe('open');
  // Taken up again after a run that wound it, its power comes first; after a word on it, no more.
  const again = async () => {
    later();
    const { body } = await stage('fit', { state: 'open' });
    return (body as unknown as SubAssembly).stages.filter((s) => s.state === 'open').map((s) => s.stage);
  };
  expect(await again()).toEqual(['power', 'fit', 'run']);
  for (const s of ['power', 'fit']) {
    later();
    await stage(s, { state: 'done' });
  }
  expect(await again()).toEqual(['fit', 'run']);
  later();
  await stage('fit', { state: 'done' });
  // Gone with the movement and back: what was said of it is there.
  await shop.marit.ok('DELETE', at(`units/${unit.id}`));
  expect((await shop.marit.ok<Visit>('GET', `/visits/${id}`)).units).toEqual([]);
  const back = await shop.marit.ok<SubAssembly>('POST', at('units'), { name: 'print work' });
  expect([back.id, back.runs.length]).toEqual([unit.id, 1]);
  expect(await run('by hand', true)).toBe('done');
  expect((await shop.marit.send('POST', at('signature'), { passphrase: PASS })).body.detail).not.toContain(
    'print work',
  );
  // A pass of the movement leaves it alone.
  later();
  await shop.marit.ok('POST', at('passes'), { reason: 'Contrate wheel runs out of true.', depth: 'plates' });
  const { units } = await shop.marit.ok<Visit>('GET', `/visits/${id}`);
  expect(units[0]!.stages.map((s) => s.state)).toEqual([...Array<string>(6).fill('done'), 'left', 'done']);
  const [other] = [await takeIn(shop.marit, { movement: { name: 'o', familyId: 'fusee' } })];
  const foreign = `/visits/${other.id}/units/${unit.id}/stages/run`;
  expect((await shop.marit.send('PUT', foreign, { state: 'done' })).status).toBe(404);
});
