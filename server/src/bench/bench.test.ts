import type { BenchRow, Timer, Visit } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { oilChart } from '@eclat/core/oiling';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, PASS, takeIn } from '../../test/shop.ts';

const now = { at: new Date('2031-05-02T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop(now);
  visit = await takeIn(shop.marit, { promisedFor: '2031-06-01' });
});
afterAll(() => shop.running.stop());

const bench = () => shop.marit.ok<BenchRow[]>('GET', '/bench');
const next = async () => (await bench()).find((r) => r.visitId === visit.id)!.next;
const put = (path: string, body?: object) => shop.marit.ok('PUT', `/visits/${visit.id}/${path}`, body);
const post = (path: string, body: object) =>
  shop.marit.ok<{ id: string; version: number }>('POST', `/visits/${visit.id}/${path}`, body);
const done = (stage: string) => put(`stages/${stage}`, { state: 'done' });

describe('the bench follows the work', () => {
  it('leads from stage to stage, with what is left of each', async () => {
    expect(await next()).toMatchObject({ stage: 'intake', urgency: 'next' });
    await done('intake');
    await post('findings', { place: 'case', seen: 'loose', severity: 'looks', effect: 'looks' });
    expect(await next()).toMatchObject({ stage: 'assess', text: 'Assessed so far: 1 finding' });
    await done('assess');
    expect((await next()).text).toBe('Pick its symptoms');
    await put('observations/stops-late', { state: 'present' });
    expect((await next()).text).toBe('Settle on the cause');
    await done('diagnose');
    expect((await next()).text).toBe('Write the estimate');
    const line = await post('lines', { kind: 'labour', what: 'Overhaul', quantity: '6', price: '50' });
    expect(await next()).toMatchObject({ stage: 'agree', urgency: 'wait', text: 'The owner has 1 line to answer' });
    await put(`lines/${line.id}/decision`, {
      state: 'accepted',
      version: line.version,
      how: 'phone',
      who: 'the owner',
    });
    await done('agree');
    expect((await next()).text).toBe('Let down 2 trains');
    for (const train of ['going', 'strike']) await put(`power/${train}`, { state: 'let down', version: 1 });
    expect((await next()).text).toBe('Safe to open: begin the strip');
    await put('cautions/wound-spring');
    await post('strip', {});
    await done('power');
    expect((await next()).text).toBe('Log what comes off');
    const hands = await post('steps', { what: 'hands', place: 'tub 1', opens: 'hands and dial' });
    expect((await next()).text).toBe('1 thing off and logged');
    await put(`steps/${hands.id}/fate`, { fate: 'on again' });
    await done('strip');
  });

  it('waits for a bath, and calls when its time is up', async () => {
    const bath = await post('baths', {
      sequence: 'soapy',
      bath: 'detergent',
      parts: [{ name: 'plates', materials: ['bare brass'] }],
      minutes: 10,
    });
    expect(await next()).toMatchObject({ stage: 'clean', urgency: 'wait' });
    const [timer] = await shop.marit.ok<Timer[]>('GET', '/timers');
    expect(timer).toMatchObject({ id: bath.id, beside: false, claim: visit.claim, endsAt: '2031-05-02T09:10:00.000Z' });
    now.at = new Date('2031-05-02T09:11:00Z');
    expect(await next()).toMatchObject({ urgency: 'due', text: expect.stringContaining('take the parts out') });
    await put(`baths/${bath.id}/stopped`, {});
    expect(await shop.marit.ok<Timer[]>('GET', '/timers')).toEqual([]);
    await done('clean');
  });

  it('counts holes, bushes and points of oil', async () => {
    const holes = holesOf(visit.movement.traits);
    expect((await next()).text).toBe(`${holes.length} holes still to look at`);
    for (const [i, h] of holes.entries())
      await put(`holes/${h.key}`, {
        pivotMm: 1.2,
        size: { kind: 'measured', holeLongMm: i < 2 ? 1.6 : 1.25, holeShortMm: 1.25 },
        verdict: i < 2 ? 'bush' : 'sound',
        version: 0,
      });
    await done('survey');
    expect((await next()).text).toBe('2 bushes to fit');
    const bush = (hole: string) => post('bushes', { hole, pivotMm: 1.2, boreMm: 1.25, outsideMm: 2.5, heightMm: 2 });
    await bush(holes[0]!.key);
    await bush(holes[0]!.key); // gone wrong and done again: still one hole
    expect((await next()).text).toBe('1 bush to fit');
    await bush(holes[1]!.key);
    await done('fit');
    expect((await next()).text).toBe('Everything that came off is accounted for');
    await done('assemble');
    const points = oilChart(visit.movement.traits);
    await put(`oil/${points[0]!.id}`, {});
    expect((await next()).text).toBe(`${points.length - 1} points to oil or leave dry`);
    await shop.marit.ok('DELETE', `/visits/${visit.id}/oil/${points[0]!.id}`);
    expect((await next()).text).toBe(`${points.length} points to oil or leave dry`);
    for (const p of points) await put(`oil/${p.id}`, {});
    await done('oil');
  });

  it('asks for a reading a day after the last one', async () => {
    expect((await next()).text).toBe('Start the test run');
    await post('testrun', { readBy: 'seconds hand', place: 'stand' });
    await post('testrun/readings', { readAt: now.at.toISOString(), errorS: 1 });
    expect(await next()).toMatchObject({ stage: 'run', urgency: 'wait' });
    now.at = new Date(now.at.getTime() + 25 * 3_600_000);
    await shop.marit.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS });
    expect(await next()).toMatchObject({ stage: 'run', urgency: 'due', text: 'A reading is due' });
  });

  it('puts what can hurt first, whatever came in first', async () => {
    const later = await takeIn(shop.marit, {
      owner: { name: 'Casimir Pell' },
      movement: { name: 'y', familyId: 'mantel-barrels' },
    });
    await shop.marit.ok('PUT', `/visits/${later.id}/cautions/wound-spring`);
    await shop.marit.ok('PUT', `/visits/${later.id}/power/going`, { state: 'wound', version: 1 });
    await shop.marit.ok('POST', `/visits/${later.id}/strip`, { overrideReason: 'Click broken.' });
    expect((await bench()).map((r) => [r.visitId, r.next.urgency])).toEqual([
      [later.id, 'danger'],
      [visit.id, 'due'],
    ]);
  });

  it('takes a stage up again, and the log keeps both', async () => {
    await put('stages/clean', { state: 'open' });
    expect(await next()).toMatchObject({ stage: 'clean' });
    const { stages } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
    expect(stages.find((s) => s.stage === 'clean')).toMatchObject({ state: 'open', by: 'Marit Fennick' });
    await done('clean');
    expect((await shop.marit.send('PUT', `/visits/${visit.id}/stages/sign`, { state: 'done' })).status).toBe(404);
    expect((await shop.marit.send('PUT', `/visits/${visit.id}/stages/polish`, { state: 'done' })).status).toBe(404);
  });

  it('says who worked on it last, whatever they did', async () => {
    const workedBy = async () => (await bench()).find((r) => r.visitId === visit.id)!.workedBy;
    expect(await workedBy()).toBe('Marit Fennick');
    await shop.marit.ok('POST', '/people', { name: 'Ines Calloway', role: 'technician', passphrase: PASS });
    const ines = shop.browser();
    await ines.ok('PUT', '/session', { name: 'Ines Calloway', passphrase: PASS });
    now.at = new Date(now.at.getTime() + 60_000);
    await ines.ok('POST', `/visits/${visit.id}/findings`, {
      place: 'case',
      seen: 'a crack',
      severity: 'looks',
      effect: 'looks',
    });
    expect(await workedBy()).toBe('Ines Calloway');
  });
});
