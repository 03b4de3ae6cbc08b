import type { Book, Entry, Owner, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PASS, newClock, openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

const view = (id: string) => shop.marit.ok<Visit>('GET', `/visits/${id}`);
const standing = (v: Visit, stage: string) => v.stages.find((s) => s.stage === stage)!.state;
const TRIAL = { expected: 'strikes a week', reviewOn: '2031-05-20' };
const change = (id: string, body: object) =>
  shop.marit.send('POST', `/visits/${id}/job`, {
    shape: 'in place',
    terms: 'free',
    trial: null,
    reason: 'asked for',
    ...body,
  });

describe('what is agreed', () => {
  it('is a full overhaul where nothing is said, changes with a reason, and keeps every word', async () => {
    const { id, job } = await takeIn(shop.marit, { movement: { name: 'z', familyId: 'lever-platform' } });
    expect(job).toMatchObject({ shape: 'overhaul', terms: 'guaranteed', ownStock: false });
    expect((await change(id, { reason: ' ' })).body.fields).toMatchObject([{ path: 'reason' }]);
    expect((await change(id, { shape: 'rebuild' })).status).toBe(422);
    await change(id, {});
    await shop.marit.ok('PUT', `/visits/${id}/stages/oil`, { state: 'open' });
    const now = await view(id);
    expect(now.job.log.map((j) => [j.shape, j.reason])).toEqual([
      ['overhaul', ''],
      ['in place', 'asked for'],
    ]);
    expect([standing(now, 'strip'), standing(now, 'oil'), standing(now, 'run')]).toEqual([
      'not in this job',
      'open',
      'open',
    ]);
    // Back to the overhaul, everything belongs again.
    await change(id, { shape: 'overhaul', terms: 'guaranteed' });
    expect((await view(id)).stages.map((s) => s.state)).not.toContain('not in this job');
  });

  it('on trial says what is expected and when it is looked at again; no other terms do', async () => {
    const { id } = await takeIn(shop.marit, { movement: { name: 'z', familyId: 'longcase' } });
    for (const wrong of [
      { terms: 'trial', trial: null },
      { terms: 'trial', trial: { ...TRIAL, expected: '' } },
      { terms: 'trial', trial: { ...TRIAL, reviewOn: 'soon' } },
      { terms: 'free', trial: TRIAL },
    ]) {
      const { status, body } = await change(id, wrong);
      expect(status, JSON.stringify(wrong)).toBe(422);
      expect(body.fields![0]!.path).toMatch(/^trial\./);
    }
    expect((await change(id, { terms: 'trial', trial: TRIAL })).status).toBe(201);
  });

  it('is left, or not in this job, only with why', async () => {
    const { id } = await takeIn(shop.marit, { movement: { name: 'z', familyId: 'fusee' } });
    const put = (body: object) => shop.marit.send('PUT', `/visits/${id}/stages/survey`, body);
    for (const state of ['left', 'not in this job'])
      expect((await put({ state })).body.fields).toMatchObject([{ path: 'why' }]);
    expect((await put({ state: 'left', why: 'front plate only' })).status).toBe(200);
    expect((await view(id)).stages.find((s) => s.stage === 'survey')).toMatchObject({
      state: 'left',
      why: 'front plate only',
      by: 'Marit Fennick',
    });
  });
});

describe('the shop’s own clock', () => {
  it('is taken in without an owner, asks nobody, and is signed with the shop’s name in its words', async () => {
    const own = await shop.marit.ok<Visit>('POST', '/visits', {
      ...newClock({ movement: { name: 'find', familyId: 'mantel-barrels' } }),
      owner: undefined,
      ownStock: true,
      shape: 'report',
    });
    expect(own.job.ownStock).toBe(true);
    expect(standing(own, 'agree')).toBe('not in this job');
    for (const s of ['intake', 'assess', 'diagnose'])
      await shop.marit.ok('PUT', `/visits/${own.id}/stages/${s}`, { state: 'done' });
    const entry = await shop.marit.ok<Entry>('POST', `/visits/${own.id}/signature`, {
      passphrase: PASS,
      note: 'Bought at the fair for the Fennick shop.',
    });
    expect(entry).toMatchObject({
      title: 'Looked at and reported',
      record: { version: 6, job: { shape: 'Look and report' } },
    });
    const book = await shop.marit.ok<Book>('GET', `/movements/${own.movement.id}`);
    expect(book.entries.at(-1)!.record!.notDone!.join(' ')).toContain('Survey');
  });

  it('may be bought from its owner and sold again; the clock goes along, and the shop is one owner', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'y', familyId: 'mantel-barrels' } });
    await change(visit.id, { whose: { is: 'the shop' } });
    const bought = await view(visit.id);
    expect(bought.job.ownStock).toBe(true);
    expect((await change(visit.id, { whose: { is: 'the shop' } })).body.fields).toMatchObject([{ path: 'whose' }]);
    await change(visit.id, { whose: { is: 'new', owner: { name: 'Casimir Pell' } } });
    const sold = await view(visit.id);
    expect(sold).toMatchObject({ owner: { name: 'Casimir Pell' }, job: { ownStock: false } });
    expect(standing(sold, 'agree')).toBe('open');
    const { items } = await shop.marit.ok<{ items: Owner[] }>('GET', '/owners?q=Pell');
    expect(await shop.marit.ok('GET', `/owners/${items[0]!.id}/clocks`)).toMatchObject([{ id: visit.clock.id }]);
  });

  it('is the shop’s, though an owner’s name was left standing beside it', async () => {
    const both = await shop.marit.send('POST', '/visits', newClock({ ownStock: true }));
    expect(both.status).toBe(201);
    expect((both.body as unknown as Visit).owner.name).not.toBe('Odile Tarrowby');
  });
});

describe('work on a part that stays', () => {
  it('is kept with how it was before and after, and can be taken out again', async () => {
    const { id } = await takeIn(shop.marit, { movement: { name: 'w', familyId: 'torsion' } });
    const made = await shop.marit.ok<{ id: string }>('POST', `/visits/${id}/work`, {
      part: 'Second arbor',
      did: 'eased',
      before: 'binds at the front',
      after: 'free both ways',
    });
    expect((await view(id)).work).toMatchObject([{ part: 'Second arbor', reversible: true, by: 'Marit Fennick' }]);
    await shop.marit.ok('DELETE', `/visits/${id}/work/${made.id}`);
    expect((await view(id)).work).toEqual([]);
  });
});
