import type { Visit } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, PASS, letDown, takeIn } from '../../test/shop.ts';

const now = { at: new Date('2031-05-02T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());

const BALANCE = { name: 'y', familyId: 'lever-platform' };
const of = (visit: Visit, browser = shop.marit) => ({
  end: (stage: string, state = 'done') =>
    browser.send('PUT', `/visits/${visit.id}/stages/${stage}`, { state, why: 'x' }),
  put: (path: string, body?: object) => browser.ok('PUT', `/visits/${visit.id}/${path}`, body),
  post: (path: string, body?: object) => browser.ok<{ id: string }>('POST', `/visits/${visit.id}/${path}`, body),
  sign: () => browser.send('POST', `/visits/${visit.id}/signature`, { passphrase: PASS, waiver: 'watched' }),
});

describe('the end of a stage', () => {
  it('is refused by the server until what the stage asks is there, in the words of the screen', async () => {
    const visit = await takeIn(shop.marit, { movement: BALANCE });
    const { end, put, post } = of(visit);
    const refused = async (stage: string) => (await end(stage)).body.detail;
    expect(await refused('power')).toBe('Begin the strip first.');
    expect(await refused('strip')).toBe('Power down comes first.');
    expect(await refused('run')).toBe('The run begins first.');
    expect(await refused('oil')).toMatch(/points are not ticked/);
    const holes = holesOf(visit.movement.traits);
    expect(await refused('survey')).toBe(`${holes.length} holes have no verdict yet.`);
    for (const h of holes)
      await put(`holes/${h.key}`, { pivotMm: null, size: { kind: 'felt' }, verdict: 'sound', version: 0 });
    expect((await end('survey')).status).toBe(200);
    await letDown(shop.marit, visit);
    const bath = { sequence: 'soapy', bath: 'detergent', parts: [{ name: 'plates', materials: ['bare brass'] }] };
    const { id } = await post('baths', { ...bath, minutes: 5 });
    expect(await refused('clean')).toBe('A run is still going on.');
    await put(`baths/${id}/stopped`, {});
    expect((await end('clean')).status).toBe(200);
    // Left as far as agreed, or not in this job: nothing is asked but why.
    expect([(await end('oil', 'left')).status, (await end('run', 'not in this job')).status]).toEqual([200, 200]);
    // Washed whole: no strip to begin, and then the power itself is asked.
    await end('strip', 'not in this job');
    await put('power/going', { state: 'wound', version: 2 });
    expect(await refused('power')).toBe('Make all power safe first.');
  });

  it('is said at the counter of its own stages only', async () => {
    await shop.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: PASS });
    const desk = shop.browser();
    await desk.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: PASS });
    const visit = await takeIn(shop.marit, { movement: BALANCE });
    const { end } = of(visit, desk);
    const said = async (stage: string, state = 'done') => (await end(stage, state)).status;
    for (const stage of ['intake', 'assess', 'diagnose', 'agree', 'deliver']) expect(await said(stage)).toBe(200);
    for (const stage of ['clean', 'survey', 'fit', 'assemble']) expect(await said(stage)).toBe(403);
    expect([await said('power', 'left'), await said('strip', 'not in this job')]).toEqual([403, 403]);
  });

  it('is no signature: a job with nothing entered is not signed, a look is', async () => {
    for (const [shape, status] of [
      ['in place', 409],
      ['report', 201],
    ]) {
      const visit = await takeIn(shop.marit, { movement: BALANCE, shape, received: [] });
      const { end, sign } = of(visit);
      for (const { stage, state } of visit.stages)
        if (state === 'open' && stage !== 'sign' && (await end(stage)).status === 409) await end(stage, 'left');
      const signed = await sign();
      expect(signed.status).toBe(status);
      if (status === 409) expect(signed.body.detail).toContain('Nothing that was done is entered');
    }
  });
});
