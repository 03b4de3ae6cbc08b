import type { Entry, Finding, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PASS, ends, openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => (shop = await openShop()));
afterAll(() => shop.running.stop());

const later = (minutes: number) => (shop.now.at = new Date(shop.now.at.getTime() + minutes * 60_000));
const see = (id: string) => shop.marit.ok<Visit>('GET', `/visits/${id}`);

describe('a later word', () => {
  it('on the cause does not wipe out the one before it; a slip of the pen is only put right', async () => {
    const { id } = await takeIn(shop.marit, { movement: { name: 'a', familyId: 'mantel-barrels' } });
    const name = (cause: string, why = '') => shop.marit.ok('PUT', `/visits/${id}/cause`, { cause, why });
    await name('Oil in the trian');
    later(2);
    await name('Oil in the train');
    expect((await see(id)).earlierWords).toEqual([]);
    const named = shop.now.at.toISOString();
    later(60);
    await name('A hole that somebody drilled into the motor', 'The hole shows where the oil came from.');
    const now = await see(id);
    expect(now.cause).toBe('A hole that somebody drilled into the motor');
    expect(now.earlierWords).toEqual([
      {
        ...{ of: 'cause', said: 'Oil in the train', why: 'The hole shows where the oil came from.' },
        ...{ by: 'Marit Fennick', at: named },
      },
    ]);
  });
  it('on a look leads, and both stand', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'b', familyId: 'mantel-barrels' } });
    const look = (outcome: string | null) =>
      shop.marit.ok('PUT', `/visits/${visit.id}/looks/gummed-mainspring.going`, { outcome });
    await look('found');
    await look('clear');
    expect((await see(visit.id)).earlierWords).toEqual([]);
    later(16);
    await look('found');
    expect((await see(visit.id)).looks).toMatchObject([{ outcome: 'found' }]);
    expect((await see(visit.id)).earlierWords).toMatchObject([{ said: 'clear' }]);
  });
});

describe('a finding', () => {
  it('follows from another of this clock, never from itself; a later look leads in the record', async () => {
    const visit = await takeIn(shop.marit, {
      ...{ movement: { name: 'c', familyId: 'mantel-barrels' }, shape: 'report' },
      ...{ owner: undefined, ownStock: true, received: [] },
    });
    const at = `/visits/${visit.id}/findings`;
    const found = { severity: 'stops it', effect: 'striking' };
    const pin = await shop.marit.ok<Finding>('POST', at, { ...found, place: 'stop pin', seen: 'Bent.' });
    const tail = await shop.marit.ok<Finding>('POST', at, { ...found, place: 'rack tail', seen: 'Too long.' });
    const change = (f: Finding, followsFrom: string) =>
      shop.marit.send('PATCH', `${at}/${f.id}`, { followsFrom, version: f.version });
    expect((await change(pin, tail.id)).status).toBe(200);
    expect((await change(tail, pin.id)).body.fields![0]!.path).toBe('followsFrom');
    expect((await change(tail, visit.id)).body.fields![0]!.path).toBe('followsFrom');
    const loose = await shop.marit.ok<Finding>('POST', at, {
      ...{ ...found, place: 'cock', seen: 'Cracked', doNotDisturb: true },
    });
    expect((await see(visit.id)).handsOff).toHaveLength(1);
    await shop.marit.ok('PUT', `${at}/${loose.id}/overturned`, { why: 'A scratch, no crack' });
    expect((await see(visit.id)).handsOff).toEqual([]);
    await ends(shop.marit, visit.id, ['intake', 'assess', 'diagnose']);
    const entry = await shop.marit.ok<Entry>('POST', `/visits/${visit.id}/signature`, { passphrase: PASS });
    expect(entry.record!.condition.map((c) => c.seen)).toEqual([
      'Bent. Because of rack tail: Too long.',
      'Too long.',
      'Cracked. Later look: A scratch, no crack.',
    ]);
  });
});

describe('a cure in place', () => {
  it('carries its prognosis, and comes up on the day that was promised, before its oil is due', async () => {
    const visit = await takeIn(shop.marit, {
      ...{ movement: { name: 'd', familyId: 'mantel-barrels' }, shape: 'report', received: [] },
      ...{ owner: undefined, ownStock: true },
    });
    const said = { prognosis: 'What oil is left may creep back.', lookAgainOn: '2031-11-02' };
    expect(
      (await shop.marit.send('PATCH', `/visits/${visit.id}`, { ...said, lookAgainOn: 'soon', version: 1 })).status,
    ).toBe(422);
    await shop.marit.ok('PATCH', `/visits/${visit.id}`, { ...said, version: visit.version });
    await ends(shop.marit, visit.id, ['intake', 'assess', 'diagnose']);
    const entry = await shop.marit.ok<Entry>('POST', `/visits/${visit.id}/signature`, { passphrase: PASS });
    expect(entry.record!.job!.trial).toBe('Expected: What oil is left may creep back; look again 2 November 2031');
    const due = (until: string) => shop.marit.ok<{ items: { visitId: string }[] }>('GET', `/due-again?until=${until}`);
    expect((await due('2031-11-02')).items.map((d) => d.visitId)).toContain(visit.id);
    expect((await due('2031-11-01')).items.map((d) => d.visitId)).not.toContain(visit.id);
  });
});
