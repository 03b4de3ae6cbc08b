import type { PartCondition, SurveyedHole, Visit } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, letDown, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await letDown(shop.marit, await takeIn(shop.marit));
});
afterAll(() => shop.running.stop());
const look = (part: string, body: object) =>
  shop.marit.send<PartCondition>('PUT', `/visits/${visit.id}/parts-looked/${part}`, { version: 0, ...body });
const measure = (key: string, body: object) =>
  shop.marit.send<SurveyedHole>('PUT', `/visits/${visit.id}/holes/${key}`, {
    pivotMm: 1.2,
    size: { kind: 'measured', holeLongMm: 1.25, holeShortMm: 1.25 },
    verdict: 'sound',
    version: 0,
    ...body,
  });
const holeNow = async (key: string) =>
  (await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).holes.find((h) => h.key === key)!;

describe('a pivot turned down', () => {
  it('forces the bush of a hole that was sound, and gives it back when it was not turned', async () => {
    const [a, b] = holesOf(visit.movement.traits).map((h) => h.key) as [string, string];
    await measure(a, {});
    expect((await look(`pivot.${a}`, { state: 'worn', toMm: 1.3 })).body.fields![0]).toMatchObject({ path: 'toMm' });
    const { body: turned } = await look(`pivot.${a}`, { state: 'worn', toMm: 1.1 });
    expect(await holeNow(a)).toMatchObject({ verdict: 'bush', computed: 'sound' });
    const { version } = await holeNow(a);
    expect((await measure(a, { version })).body.fields![0]).toMatchObject({
      path: 'verdict',
      message: expect.stringContaining('1.1 mm'),
    });
    expect((await look(`pivot.${a}`, { state: 'worn', toMm: null })).body.type).toBe('urn:eclat:lost-race');
    await look(`pivot.${a}`, { state: 'worn', toMm: null, version: turned.version });
    expect((await holeNow(a)).verdict).toBe('sound');

    await look(`pivot.${b}`, { state: 'scored', toMm: 1.15 });
    expect((await measure(b, {})).status).toBe(422);
    expect((await measure(b, { verdict: 'bush' })).status).toBe(200);
    await shop.marit.ok('DELETE', `/visits/${visit.id}/parts-looked/pivot.${b}`);
    expect((await holeNow(b)).verdict).toBe('sound');
  });
});

describe('the other parts', () => {
  it('are found in ways that they can be, and the rest is sound by one press', async () => {
    expect((await look('pallets', { state: 'frayed or rusty' })).body.fields![0]).toMatchObject({ path: 'state' });
    expect((await look('moon', { state: 'sound' })).status).toBe(404);
    await look('pallets', { state: 'grooved', note: 'exit' });
    await shop.marit.ok('PUT', `/visits/${visit.id}/parts-looked`, { parts: ['pallets', 'crutch', 'crutch'] });
    const { partConditions } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
    expect(
      Object.fromEntries(partConditions.filter((l) => !l.key.startsWith('pivot')).map((l) => [l.key, l.state])),
    ).toEqual({ pallets: 'grooved', crutch: 'sound' });
  });
});

describe('the plates as they lie', () => {
  it('keep sides and centre distances with the movement, and a photo with the visit', async () => {
    const { movement } = visit;
    const lay = (body: object) =>
      shop.marit.send<Visit['movement']>('PUT', `/movements/${movement.id}/plates`, {
        sides: [],
        centresMm: {},
        version: movement.version,
        visitId: visit.id,
        ...body,
      });
    expect((await lay({ sides: ['going', 'going'] })).body.fields![0]).toMatchObject({ path: 'sides' });
    expect((await lay({ centresMm: { 'T1-S2': 20 } })).body.fields![0]).toMatchObject({ path: 'centresMm.T1-S2' });
    expect((await lay({ sides: ['strike', 'going'], centresMm: { 'T1-T2': 31.2 } })).body.plates).toEqual({
      sides: ['strike', 'going'],
      centresMm: { 'T1-T2': 31.2 },
    });
    expect((await lay({})).body.type).toBe('urn:eclat:lost-race');

    const picture = await sharp({ create: { width: 60, height: 80, channels: 3, background: '#c3a155' } })
      .jpeg()
      .toBuffer();
    const photo = (
      await shop.marit.send<{ id: string }>('POST', `/visits/${visit.id}/photos?stage=strip`, picture, {
        'content-type': 'image/jpeg',
      })
    ).body;
    const under = (points: object) =>
      shop.marit.send('PUT', `/visits/${visit.id}/plate-photos/back`, { photoId: photo.id, points, version: 0 });
    expect((await under({ 'T1.front': { x: 0.5, y: 0.5 } })).body.fields![0]).toMatchObject({
      path: 'points.T1.front',
    });
    expect((await under({ 'T1.back': { x: 0.5, y: 0.9 } })).status).toBe(200);
    expect((await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).platePhotos).toMatchObject([
      { plate: 'back', photoId: photo.id, points: { 'T1.back': { x: 0.5, y: 0.9 } } },
    ]);
    await shop.marit.ok('DELETE', `/visits/${visit.id}/plate-photos/back`);
  });
});
