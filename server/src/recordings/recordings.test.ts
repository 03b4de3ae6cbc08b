import { randomUUID } from 'node:crypto';
import type { Recording, StripStep, Visit } from '@eclat/contract';
import { writeWav } from '@eclat/core/sound';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit);
});
afterAll(() => shop.running.stop());
const path = () => `/visits/${visit.id}/recordings?stage=strip&kind=remark`;
const half = Buffer.from(writeWav(new Float32Array(8000).fill(0.25), 16_000));

describe('recordings', () => {
  it('are kept as they came and heard only by who is signed in', async () => {
    const kept = await shop.marit.ok<Recording>('POST', path(), half);
    expect(kept).toMatchObject({ seconds: 0.5, sampleRate: 16_000, kind: 'remark', by: 'Marit Fennick' });
    const { cookie } = shop.marit.cookies;
    const heard = await fetch(`${shop.running.address}/api/recordings/${kept.id}/sound`, { headers: { cookie } });
    expect([heard.headers.get('content-type'), Buffer.from(await heard.arrayBuffer()).equals(half)]).toEqual([
      'audio/wav',
      true,
    ]);
    expect((await fetch(`${shop.running.address}/api/recordings/${kept.id}/sound`)).status).toBe(401);
    expect((await shop.browser().send('POST', path(), half)).status).toBe(401);
  });
  it.each([
    ['words', Buffer.from('these are words, not a sound at all, not one')],
    ['a head alone', half.subarray(0, 44)],
  ])('are refused when they are %s', async (_what, bytes) => {
    expect((await shop.marit.send('POST', path(), bytes)).status).toBe(415);
  });
  it('may be named by who sends them, once', async () => {
    const id = randomUUID();
    const named = `${path()}&id=${id}`;
    expect((await shop.marit.ok<Recording>('POST', named, half)).id).toBe(id);
    const again = await shop.marit.send('POST', named, half);
    expect([again.status, again.body.fields?.[0]?.path]).toEqual([422, 'id']);
  });
  it('belong to a step of their own visit, and leave it when they are thrown away', async () => {
    const kept = await shop.marit.ok<Recording>('POST', path(), half);
    const step = await shop.marit.ok<StripStep>('POST', `/visits/${visit.id}/steps`, {
      what: 'hands',
      opens: 'hands and dial',
      recordingId: kept.id,
    });
    const other = await takeIn(shop.marit);
    expect(
      (await shop.marit.send('POST', `/visits/${other.id}/steps`, { what: 'hands', recordingId: kept.id })).body
        .fields![0]!.path,
    ).toBe('recordingId');
    await shop.marit.ok('DELETE', `/visits/${visit.id}/recordings/${kept.id}`);
    expect(
      (await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).strip.steps.find((s) => s.id === step.id)!.recordingId,
    ).toBeNull();
  });
});
