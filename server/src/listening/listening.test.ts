import type { HeardSound, Recording, Visit } from '@eclat/contract';
import { writeWav } from '@eclat/core/sound';
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

describe('what was heard', () => {
  it('stands at its place on the dial, can be heard again and taken back', async () => {
    for (const [mark, heard] of [
      ['h3', 4],
      ['h3', 3],
      ['p3', 1],
      ['q4', 4],
      ['h12', 0],
    ] as const)
      expect((await send('PUT', `struck/${mark}`, { heard })).status).toBe(200);
    await send('PUT', 'struck/q4', { heard: null });
    expect((await now()).struck.map((s) => [s.mark, s.heard]).sort()).toEqual([
      ['h12', 0],
      ['h3', 3],
      ['p3', 1],
    ]);
    for (const [mark, heard] of [
      ['h13', 1],
      ['x', 1],
    ] as const)
      expect((await send('PUT', `struck/${mark}`, { heard })).status).toBe(404);
    expect((await send('PUT', 'struck/h1', { heard: -1 })).status).toBe(422);
    // Heard anew after the cure: what was heard before stays, and both can be heard at three.
    expect((await send('POST', 'struck/anew')).status).toBe(201);
    await send('PUT', 'struck/h3', { heard: 9 });
    const { struck, struckBefore } = await now();
    expect(struck.map((s) => [s.mark, s.heard])).toEqual([['h3', 9]]);
    expect(struckBefore.map((b) => b.struck.map((s) => s.mark).sort())).toEqual([['h12', 'h3', 'p3']]);
  });
  it('of the beat is kept with its own recording, and no other', async () => {
    const report = {
      stage: 'run',
      from: 'microphone',
      beatsPerHour: 7200,
      rateSecondsPerDay: 12,
      rateStandardError: 0.4,
      beatErrorMs: 3,
      shortSide: 'tick to tock',
      amplitudeDegrees: null,
      beats: 240,
      missing: 0,
      extra: 1,
      seconds: 120,
      warnings: [],
    };
    const wav = Buffer.from(writeWav(new Float32Array(800), 8000));
    const mine = await shop.marit.ok<Recording>('POST', `/visits/${visit.id}/recordings?stage=run&kind=beat`, wav);
    const other = await takeIn(shop.marit);
    const theirs = await shop.marit.ok<Recording>('POST', `/visits/${other.id}/recordings?stage=run&kind=beat`, wav);
    expect((await send('POST', 'heard', { ...report, recordingId: theirs.id })).body.fields![0]!.path).toBe(
      'recordingId',
    );
    const kept = (await send('POST', 'heard', { ...report, recordingId: mine.id })).body;
    expect((await now()).heard).toMatchObject([{ id: kept.id, rateSecondsPerDay: 12, by: 'Marit Fennick' }]);
  });
  it('of its releases is read in minutes of the dial', async () => {
    expect((await send('POST', 'releases', { wanted: 0, minute: 60 })).status).toBe(422);
    await send('POST', 'releases', { wanted: 15, minute: 14.5 });
    expect((await now()).releases).toMatchObject([{ wanted: 15, minute: 14.5 }]);
  });
});
