import type { BenchRow, RulesVersion, Visit } from '@eclat/contract';
import { STAGE_IDS } from '@eclat/core/workflow';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ends, openShop, PASS, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());
const get = () => shop.marit.ok<{ now: RulesVersion; earlier: RulesVersion[] }>('GET', '/rules');
const set = (choices: object, version: number) =>
  shop.marit.send<RulesVersion>('PUT', '/rules', { choices, why: { rack: 'Ours are steel on steel.' }, version });

describe('house rules', () => {
  it('begin as shipped, and a new choice is a new version that keeps the old one', async () => {
    expect((await get()).now).toMatchObject({ version: 0, choices: {} });
    expect((await set({ rack: 'trace' }, 0)).body).toMatchObject({
      version: 1,
      choices: { rack: 'trace' },
      by: 'Marit Fennick',
    });
    expect((await get()).earlier).toMatchObject([{ version: 0 }]);
    expect(await set({ rack: 'dry' }, 0)).toMatchObject({ status: 409, body: { current: { version: 1 } } });
    for (const wrong of [{ rack: 'glue' }, { colour: 'blue' }]) expect((await set(wrong, 1)).status).toBe(422);
  });
  it('are set by the owner of the shop only', async () => {
    await shop.marit.ok('POST', '/people', { name: 'Ines Calloway', role: 'technician', passphrase: PASS });
    const ines = shop.browser();
    await ines.ok('PUT', '/session', { name: 'Ines Calloway', passphrase: PASS });
    expect((await ines.send('PUT', '/rules', { choices: {}, why: {}, version: 1 })).status).toBe(403);
  });
  it('are remembered by each visit as they were when it came, and a visit may differ with a reason', async () => {
    const visit = await takeIn(shop.marit);
    expect(visit.rules).toMatchObject({ version: 1, held: { rack: 'trace', teeth: 'dry' }, differs: [] });
    await set({ rack: 'dry', teeth: 'oiled' }, 1);
    const look = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
    expect((await look()).rules.held).toMatchObject({ rack: 'trace', teeth: 'dry' });
    const address = `/visits/${visit.id}/rules/teeth`;
    expect((await shop.marit.send('PUT', address, { school: 'oiled', reason: '' })).body.fields).toMatchObject([
      { path: 'reason' },
    ]);
    expect((await shop.marit.send('PUT', address, { school: 'glued', reason: 'x' })).status).toBe(422);
    expect(
      (await shop.marit.send('PUT', `/visits/${visit.id}/rules/colour`, { school: 'x', reason: 'x' })).status,
    ).toBe(404);
    await shop.marit.ok('PUT', address, { school: 'oiled', reason: 'A motor train.' });
    expect((await look()).rules).toMatchObject({
      held: { teeth: 'oiled' },
      differs: [{ question: 'teeth', reason: 'A motor train.', by: 'Marit Fennick' }],
    });
    await shop.marit.ok('DELETE', address);
    expect((await look()).rules).toMatchObject({ held: { teeth: 'dry' }, differs: [] });
  });
  it('set how often the bench asks for a reading, and how long the promise waits for the test', async () => {
    const torsion = await takeIn(shop.marit, { movement: { name: 'z', familyId: 'torsion' } });
    await ends(shop.marit, torsion.id, STAGE_IDS.slice(0, STAGE_IDS.indexOf('run')));
    await shop.marit.ok('POST', `/visits/${torsion.id}/testrun`, {
      readBy: 'minute hand',
      place: 'shelf',
      startedAt: new Date(shop.now.at.getTime() - 30 * 3_600_000).toISOString(),
    });
    const next = async () =>
      (await shop.marit.ok<BenchRow[]>('GET', '/bench')).find((r) => r.visitId === torsion.id)!.next.text;
    expect(await next()).not.toContain('due'); // every two days as shipped
    await shop.marit.ok('PUT', `/visits/${torsion.id}/rules/run-length`, {
      school: 'weeks',
      reason: 'It stopped once a fortnight.',
    });
    expect(await next()).toBe('A reading is due');
    const mantel = await takeIn(shop.marit);
    await shop.marit.ok('PUT', `/visits/${mantel.id}/rules/run-length`, { school: 'weeks', reason: 'Same.' });
    expect((await shop.marit.ok<{ reasons: string[] }>('GET', `/visits/${mantel.id}/promise`)).reasons).toContain(
      'the test run takes 14 days',
    );
  });
});
