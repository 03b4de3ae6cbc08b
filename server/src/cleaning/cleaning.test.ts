import type { CleaningRun, Fill, OwnSequence, Timer, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, letDown, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await letDown(shop.marit, await takeIn(shop.marit, { promisedFor: '2031-06-20' }));
});
afterAll(() => shop.running.stop());
const wheels = { name: 'wheels', materials: ['bare brass', 'plain steel'] };
const run = (more: object = {}, of = visit) =>
  shop.marit.send<CleaningRun>('POST', `/visits/${of.id}/baths`, {
    sequence: 'ultrasonic',
    bath: 'ammoniated water',
    parts: [wheels],
    minutes: 5,
    ...more,
  });
const go = (r: CleaningRun, to: string) =>
  shop.marit.send<CleaningRun>('PUT', `/visits/${visit.id}/baths/${r.id}/step`, { to, version: r.version });
const pass = (minutes: number) => {
  shop.now.at = new Date(shop.now.at.getTime() + minutes * 60_000);
};
const timers = () => shop.marit.ok<Timer[]>('GET', '/timers');

describe('a run', () => {
  it('is stopped by what may not go in, and by the limit, unless a reason is kept', async () => {
    const torsion = await letDown(
      shop.marit,
      await takeIn(shop.marit, { movement: { name: 'z', familyId: 'torsion' } }),
    );
    expect((await run({ parts: [{ name: 'plates', materials: ['lacquered brass'] }] }, torsion)).body.detail).toContain(
      'lacquer',
    );
    expect((await run({ minutes: 20 }, torsion)).body.fields).toEqual([
      { path: 'minutes', message: expect.stringContaining('15') },
    ]);
    expect((await run({ minutes: 20, overrideReason: 'nickel plated' }, torsion)).status).toBe(201);
    expect((await run({ sequence: 'rotor', bath: null, parts: [] })).body.fields![0]).toMatchObject({
      path: 'sequence',
    });
    expect((await run({ bath: 'alcohol' })).body.fields![0]).toMatchObject({ path: 'bath' });
    const cold = { sequence: 'soapy', bath: 'detergent', parts: [] };
    expect((await run(cold)).body.fields![0]).toMatchObject({ path: 'parts' });
  });

  it('goes through its steps, each with its own timer, one person at a time, and back again', async () => {
    const begun = (await run({ before: 'black oil' })).body;
    expect(begun.steps.map((s) => s.minutes)).toEqual([null, 5, 2, 1, null]);
    expect((await timers()).filter((t) => t.visitId === visit.id)).toEqual([]);
    const inBath = (await go(begun, 'next')).body;
    expect((await timers()).find((t) => t.visitId === visit.id)).toMatchObject({
      what: 'In the bath, then look',
      endsAt: '2031-05-02T09:05:00.000Z',
    });
    expect((await go(begun, 'next')).body.type).toBe('urn:eclat:lost-race');
    pass(5);
    const again = (await go(inBath, 'again')).body;
    expect(again).toMatchObject({ step: 1, endsAt: '2031-05-02T09:10:00.000Z' });
    pass(3);
    const early = (await go(again, 'next')).body;
    expect((await go(early, 'back')).body).toMatchObject({
      step: 1,
      endsAt: '2031-05-02T09:10:00.000Z',
      log: [expect.objectContaining({ step: 0 }), expect.objectContaining({ step: 1, by: 'Marit Fennick' })],
    });
    pass(2);
    const over = await shop.marit.ok<CleaningRun>('PUT', `/visits/${visit.id}/baths/${begun.id}/stopped`, {
      after: 'bright',
    });
    expect(over).toMatchObject({ before: 'black oil', after: 'bright', stoppedAt: '2031-05-02T09:10:00.000Z' });
    expect((await go(over, 'next')).body.title).toBe('This run is over.');
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).baths[0]).toMatchObject({
      id: begun.id,
      step: 1,
    });
  });

  it('is done again as often as a look asks for it; past what its strictest part stands with a reason', async () => {
    let now = (await go((await run()).body, 'next')).body;
    for (let n = 0; n < 2; n++) {
      pass(5);
      now = (await go(now, 'again')).body;
    }
    pass(5);
    const refused = await go(now, 'again');
    expect(refused.body.fields).toEqual([{ path: 'reason', message: expect.stringMatching(/^20 minutes.*stands 15/) }]);
    const at = `/visits/${visit.id}/baths/${now.id}`;
    const kept = await shop.marit.ok<CleaningRun>('PUT', `${at}/step`, {
      to: 'again',
      reason: 'varnish of an earlier hand',
      version: now.version,
    });
    expect(kept).toMatchObject({ step: 1, overrideReason: 'varnish of an earlier hand' });
    await shop.marit.ok('PUT', `${at}/stopped`, {});
  });

  it('is warmed before anybody knows what goes in; the basket is held to its bath all the same', async () => {
    const wound = await takeIn(shop.marit);
    const begun = (await run({ parts: [] }, wound)).body;
    expect(begun).toMatchObject({ parts: [], step: 0 });
    const at = `/visits/${wound.id}/baths/${begun.id}`;
    const step = (version: number) => shop.marit.send<CleaningRun>('PUT', `${at}/step`, { to: 'next', version });
    expect((await step(begun.version)).body.title).toBe('Nothing is in the basket yet.');
    const put = (parts: object[], version = begun.version) =>
      shop.marit.send<CleaningRun>('PUT', `${at}/basket`, { parts, version });
    // Wheels of a movement that nobody has let down.
    expect((await put([wheels])).body.fields![0]).toMatchObject({ path: 'parts' });
    await letDown(shop.marit, wound);
    expect((await put([{ name: 'hands', materials: ['blued or polished steel'] }])).body.detail).toContain('rust');
    const stones = { name: 'pallets', materials: ['plain steel'] };
    const { body: filled } = await put([wheels, stones]);
    expect(filled).toMatchObject({ parts: [wheels, stones], step: 0, stepStartedAt: begun.stepStartedAt });
    expect((await put([wheels])).body.type).toBe('urn:eclat:lost-race');
    const { body: inBath } = await step(filled.version);
    expect(inBath).toMatchObject({ step: 1 });
    expect((await put([wheels], inBath.version)).body.title).toContain('in a bath');
    await shop.marit.ok('PUT', `${at}/stopped`, {});
  });

  it('may be a wipe: what is wiped is said, and what no cloth may touch is refused', async () => {
    const wipe = (parts: object[], overrideReason = '') =>
      run({ sequence: 'wipe', bath: null, parts, minutes: 1, overrideReason });
    expect((await wipe([])).body.fields![0]).toMatchObject({ path: 'parts' });
    const dial = { name: 'dial', materials: ['silvered dial'] };
    expect((await wipe([dial])).body.detail).toContain('conservator');
    const plates = { name: 'lacquered plates', materials: ['lacquered brass'] };
    const { body } = await wipe([plates]);
    expect(body).toMatchObject({ bath: null, parts: [plates], endsAt: null });
    await shop.marit.ok('PUT', `/visits/${visit.id}/baths/${body.id}/stopped`, { after: 'bright, lacquer whole' });
  });

  it('of the whole movement, screwed plates and all, wants it let down like the plates', async () => {
    const wound = await takeIn(shop.marit);
    const whole = { name: 'whole movement, first half', materials: ['bare brass', 'plain steel'] };
    const given = { sequence: 'whole', bath: 'detergent', parts: [whole], minutes: 10 };
    expect((await run(given, wound)).body.fields).toEqual([
      { path: 'parts', message: expect.stringMatching(/not known to be safe|wound/) },
    ]);
    const { body } = await run(given);
    expect(body.steps[0]!.caution).toContain('power');
    await shop.marit.ok('PUT', `/visits/${visit.id}/baths/${body.id}/stopped`, {});
  });

  it('runs beside others, and the soonest rings first', async () => {
    const [a, b] = [
      (await run({ sequence: 'soapy', bath: 'detergent', minutes: 10 })).body,
      (await run({ sequence: 'soapy', bath: 'detergent', minutes: 4 })).body,
    ];
    expect((await timers()).filter((t) => t.visitId === visit.id).map((t) => t.id)).toEqual([b.id, a.id]);
    for (const r of [a, b]) await shop.marit.ok('PUT', `/visits/${visit.id}/baths/${r.id}/stopped`, {});
  });
});

describe('a sequence of the shop’s own', () => {
  const spirit = { what: 'Soak', minutes: 15, bath: 'petroleum solvent', celsius: null, times: 1 };
  const water = { what: 'Hot water', minutes: 2, bath: 'water', celsius: 60, times: 2 };
  const fluid = { what: 'Dewater', minutes: 1, bath: 'dewatering fluid', celsius: null, times: 1 };

  it('is refused where it would rust or burn, followed by a run, and changed without changing that run', async () => {
    const add = (steps: object[]) => shop.marit.send<OwnSequence>('POST', '/sequences', { name: 'Spirit', steps });
    expect((await add([spirit, water])).body.fields![0]).toMatchObject({ path: 'steps.1.what' });
    expect((await add([{ ...spirit, celsius: 40 }])).body.fields![0]).toMatchObject({ path: 'steps.0.celsius' });
    const { body: own } = await add([spirit, water, fluid]);
    const follow = (more: object = {}) => run({ sequence: own.id, bath: null, minutes: 1, ...more });
    expect((await follow({ parts: [] })).body.fields![0]).toMatchObject({ path: 'parts' });
    const shellac = { name: 'pallets', materials: ['shellac setting'] };
    const { body: begun } = await follow({ parts: [wheels, shellac] });
    expect(begun).toMatchObject({ name: 'Spirit', bath: 'petroleum solvent', minutes: 15 });
    expect(begun.steps.map((s) => s.what)).toEqual([
      'Soak',
      'Hot water: not warmed',
      'Hot water: not warmed',
      'Dewater',
    ]);
    const change = (version: number) =>
      shop.marit.send<OwnSequence>('PUT', `/sequences/${own.id}`, { name: 'Spirit only', steps: [spirit], version });
    expect((await change(own.version)).body).toMatchObject({ name: 'Spirit only' });
    expect((await change(own.version)).body.type).toBe('urn:eclat:lost-race');
    await shop.marit.ok('PUT', `/sequences/${own.id}/retired`, { retired: true });
    expect((await follow()).body.fields![0]).toMatchObject({ path: 'sequence' });
    expect((await run({ sequence: 'no such thing', bath: null })).body.fields![0]).toMatchObject({ path: 'sequence' });
    const { baths } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
    expect(baths.find((b) => b.id === begun.id)).toMatchObject({ name: 'Spirit', steps: begun.steps });
    await shop.marit.ok('PUT', `/visits/${visit.id}/baths/${begun.id}/stopped`, {});
  });
});

describe('the bath book', () => {
  it('counts the loads and minutes of each filling, and lets nothing into one that was poured away', async () => {
    const fill = await shop.marit.ok<Fill>('POST', '/baths', {
      bath: 'ammoniated water',
      name: 'Tank',
      litres: 3,
      waterParts: 7,
      limitLoads: 2,
      limitDays: 30,
    });
    const begun = (await run({ fillId: fill.id })).body;
    await go(begun, 'next');
    pass(6);
    await shop.marit.ok('PUT', `/visits/${visit.id}/baths/${begun.id}/stopped`, {});
    expect((await run({ fillId: fill.id, sequence: 'soapy', bath: 'detergent' })).body.fields![0]).toMatchObject({
      path: 'fillId',
    });
    expect(await shop.marit.ok<Fill[]>('GET', '/baths')).toEqual([
      expect.objectContaining({ id: fill.id, loads: 1, minutes: 6, clocks: 1, changedAt: null }),
    ]);
    expect((await shop.marit.send('PATCH', `/baths/${fill.id}`, { limitLoads: 9, version: 99 })).status).toBe(409);
    expect(await shop.marit.ok('PATCH', `/baths/${fill.id}`, { limitLoads: 9, version: 1 })).toMatchObject({
      limitLoads: 9,
      limitDays: 30,
      name: 'Tank',
    });
    await shop.marit.ok('PUT', `/baths/${fill.id}/changed`, { changed: true });
    expect((await run({ fillId: fill.id })).body.fields![0]).toMatchObject({ path: 'fillId' });
    expect(await shop.marit.ok('PUT', `/baths/${fill.id}/changed`, { changed: false })).toMatchObject({
      changedAt: null,
    });
  });
});

describe('the calendar feed', () => {
  const read = async (token: string) => {
    const res = await fetch(`${shop.running.address}/api/calendar/${token}.ics`);
    return {
      status: res.status,
      type: res.headers.get('content-type'),
      text: (await res.text()).replace(/\r\n /g, ''),
    };
  };
  // RFC 5545: 3.4 (iCalendar object), 3.6.1 (event), 3.3.4 and 3.3.5 (dates and moments in UTC), 3.1 (lines of at most
  // 75 octets).
  it('tells an ordinary calendar program what is due, and names no owner', async () => {
    const { token } = await shop.marit.ok<{ token: string }>('PUT', '/calendar-feed');
    const soak = (await run({ sequence: 'solvent', bath: 'petroleum solvent', minutes: 600 })).body;
    const { status, type, text } = await read(token);
    expect([status, type]).toEqual([200, 'text/calendar; charset=utf-8']);
    expect(text.startsWith('BEGIN:VCALENDAR\r\nVERSION:2.0')).toBe(true);
    const end = new Date(shop.now.at.getTime() + 600 * 60_000).toISOString().replace(/[-:]|\.\d+/g, '');
    expect(text).toContain(`DTSTART:${end}`);
    expect(text).toContain('SUMMARY:Soak: time is up');
    expect(text).toContain('DTSTART;VALUE=DATE:20310620');
    expect(text).not.toMatch(/Tarrowby|0555/);
    const raw = await (await fetch(`${shop.running.address}/api/calendar/${token}.ics`)).text();
    expect(Math.max(...raw.split('\r\n').map((l) => Buffer.byteLength(l)))).toBeLessThanOrEqual(75);
    await shop.marit.ok('PUT', `/visits/${visit.id}/baths/${soak.id}/stopped`, {});
    expect((await read(token)).text).not.toContain('Soak');
  });
  it('ends when it is revoked or made anew, and was never there for a guess', async () => {
    const first = await shop.marit.ok<{ token: string }>('PUT', '/calendar-feed');
    const second = await shop.marit.ok<{ token: string }>('PUT', '/calendar-feed');
    expect([
      (await read(first.token)).status,
      (await read(second.token)).status,
      (await read('x'.repeat(43))).status,
    ]).toEqual([404, 200, 404]);
    expect((await shop.marit.ok<{ since: string | null }>('GET', '/calendar-feed')).since).not.toBeNull();
    await shop.marit.ok('DELETE', '/calendar-feed');
    expect((await read(second.token)).status).toBe(404);
    expect((await shop.browser().send('GET', '/calendar-feed')).status).toBe(401);
  });
});
