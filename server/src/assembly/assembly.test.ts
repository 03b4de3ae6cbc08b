import type { HeardSound, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;

let visit: Visit;

beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit, { movement: { name: 'x', familyId: 'quarter-chime' } });
});

afterAll(() => shop.running.stop());

const now = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);

const send = (method: string, path: string, body?: object) =>
  shop.marit.send<HeardSound>(method, `/visits/${visit.id}/${path}`, body);

describe('a check', () => {
  it('that fails says what was wrong, and takes the movement apart again where that is said', async () => {
    expect((await send('PUT', 'checks/drum', { result: 'failed' })).body.fields![0]!.path).toBe('note');
    for (const stage of ['fit', 'assemble']) await send('PUT', `stages/${stage}`, { state: 'done' });
    const before = (await now()).strip.passes.length;
    // It fails: by itself that opens nothing. The person says whether it is set here or comes apart.
    const fails = { result: 'failed', note: 'a quarter out' };
    await send('PUT', 'checks/drum', fails);
    expect((await now()).strip.passes).toHaveLength(before);
    const apart = { depth: 'plates', mends: 'our own work' };
    expect((await send('PUT', 'checks/drum', { ...fails, apart })).status).toBe(200);
    const failed = await now();
    expect(failed.strip.passes.slice(before).map((p) => p.reason)).toEqual([
      'Drum in phase with its release: a quarter out',
    ]);
    expect(failed.stages.find((s) => s.stage === 'assemble')!.state).toBe('open');
    const refused = (await send('POST', 'signature', {})).body;
    expect(JSON.stringify(refused)).toContain('A check stands failed: Drum in phase');
    await send('PUT', 'checks/drum', { result: 'passed', note: 'set in the second pass' });
    expect(JSON.stringify((await send('POST', 'signature', {})).body)).not.toContain('stands failed');
  });
  it('is asked again only where a pass touched it; set here, it is open again; earlier answers are kept', async () => {
    const own = await takeIn(shop.marit, { movement: { name: 'y', familyId: 'mantel-barrels' } });
    const at = `/visits/${own.id}`;
    const see = () => shop.marit.ok<Visit>('GET', at);
    const later = () => (shop.now.at = new Date(shop.now.at.getTime() + 60_000));
    const holding = async () => (await see()).checks.map((c) => c.check).sort();
    for (const c of ['hands', 'rack', 'beat', 'end-shake'])
      await shop.marit.ok('PUT', `${at}/checks/${c}`, { result: 'passed' });
    for (const p of ['rack', 'crutch', 'train-low']) await shop.marit.ok('PUT', `${at}/oil/${p}`, { product: 'oil' });
    const oiled = async () => (await see()).oiled.map((o) => o.point).sort();

    later();
    await shop.marit.ok('POST', `${at}/passes`, { reason: 'rack catches', depth: 'dial side' });
    expect([await holding(), await oiled()]).toEqual([
      ['beat', 'end-shake'],
      ['crutch', 'train-low'],
    ]);
    later();
    await shop.marit.ok('POST', `${at}/passes`, { reason: 'pallets stick', depth: 'escapement' });
    expect([await holding(), await oiled()]).toEqual([['end-shake'], ['train-low']]);

    later();
    await shop.marit.ok('PUT', `${at}/checks/rack`, { result: 'failed', note: 'tail on the edge' });
    later();
    const tried = { what: 'rack tail', way: 'out', amount: 'a hair' };
    const { id } = await shop.marit.ok<{ id: string }>('POST', `${at}/checks/rack/settings`, tried);
    expect(await holding()).toEqual(['end-shake']);
    later();
    await shop.marit.ok('PUT', `${at}/checks/rack`, { result: 'passed' });
    const now = await see();
    expect(now.checks.find((c) => c.check === 'rack')).toMatchObject({ result: 'passed' });
    expect(now.earlierChecks.filter((c) => c.check === 'rack').map((c) => c.result)).toEqual(['passed', 'failed']);
    expect(now.settings).toMatchObject([{ check: 'rack', ...tried, by: 'Marit Fennick' }]);
    expect(now.strip.passes).toHaveLength(2);
    await shop.marit.ok('DELETE', `${at}/checks/rack/settings/${id}`);
    expect((await see()).settings).toEqual([]);
    expect((await shop.marit.send('POST', `${at}/checks/torsion/settings`, tried)).status).toBe(404);
  });
  it('is one of this movement', async () =>
    expect((await send('PUT', 'checks/torsion', { result: 'passed' })).status).toBe(404));
  it('that is counted on the way stands open with its count, and the count is one that can be', async () => {
    const half = {
      result: 'under way',
      detail: { windings: ['2031-05-02T09:00:00.000Z', '2031-05-02T09:00:40.000Z'] },
    };
    await send('PUT', 'checks/selector', half);
    expect((await now()).checks.find((c) => c.check === 'selector')).toMatchObject({
      result: 'under way',
      detail: half.detail,
    });
    expect(
      (await send('PUT', 'checks/selector', { result: 'under way', detail: { of: 59, done: 60, fouled: [] } })).status,
    ).toBe(422);
    await send('DELETE', 'checks/selector');
  });
  it('at delivery opens no pass, and can be taken back', async () => {
    const before = (await now()).strip.passes.length;
    await send('PUT', 'checks/d-level', { result: 'failed', note: 'shelf rocks' });
    await send('DELETE', 'checks/d-level');
    expect([(await now()).strip.passes.length, (await now()).checks.some((c) => c.check === 'd-level')]).toEqual([
      before,
      false,
    ]);
  });
});

describe('who may', () => {
  it('the counter hears and reads what is on test, and answers no checks', async () => {
    await shop.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: 'oak wedge nine pins' });
    const wilf = shop.browser();
    await wilf.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: 'oak wedge nine pins' });
    const may = async (method: string, path: string, body?: object) => (await wilf.send(method, path, body)).status;
    expect(await may('PUT', `/visits/${visit.id}/checks/end-shake`, { result: 'passed' })).toBe(403);
    expect(await may('POST', `/visits/${visit.id}/releases`, { wanted: 0, minute: 1 })).toBe(403);
    expect(await may('PUT', `/visits/${visit.id}/struck/h5`, { heard: 5 })).toBe(200);
    expect(await may('GET', '/on-test')).toBe(200);
    expect(await may('GET', '/recall?q=22-07')).toBe(200);
  });
  it('nobody does who is not signed in', async () => {
    const stranger = shop.browser();
    for (const path of ['/on-test', '/due-again', '/recall?q=22', '/callbacks', `/visits/${visit.id}/papers/slip.pdf`])
      expect((await stranger.send('GET', path)).status, path).toBe(401);
  });
});
