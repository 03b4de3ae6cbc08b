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

describe('the rest of a train', () => {
  it('is sound by feel in one press; a verdict given before or since stays when it is taken back', async () => {
    const other = await letDown(shop.marit, await takeIn(shop.marit));
    const at = `/visits/${other.id}`;
    const keys = holesOf(other.movement.traits).map((h) => h.key);
    const [worn, turned, ...rest] = keys as [string, string, ...string[]];
    const felt = (key: string, verdict: string, version: number) =>
      shop.marit.ok('PUT', `${at}/holes/${key}`, { pivotMm: null, size: { kind: 'felt' }, verdict, version });
    const words = async () => {
      const { holes } = await shop.marit.ok<Visit>('GET', at);
      return new Map(holes.map((h) => [h.key, h.verdict]));
    };
    await felt(worn, 'bush', 0);
    // Found by another hand before the press, and as sound as the press says: it is not taken back with it.
    await felt(rest[0]!, 'sound', 0);
    await shop.marit.ok('PUT', `${at}/parts-looked/pivot.${turned}`, { state: 'worn', toMm: 1.1, version: 0 });
    const refused = await shop.marit.send('PUT', `${at}/holes`, { holes: [rest[1], 'T9.front'] });
    expect([refused.status, (await words()).size]).toEqual([404, 2]);
    const press = await shop.marit.ok<{ holes: string[] }>('PUT', `${at}/holes`, { holes: [...keys, worn] });
    expect(press.holes).toEqual([turned, ...rest.slice(1)]);
    const after = await words();
    expect(after.size).toBe(keys.length);
    expect([after.get(worn), after.get(turned)]).toEqual(['bush', 'bush']);
    const { holes } = await shop.marit.ok<Visit>('GET', at);
    expect(holes.every((h) => h.pivotMm === null && h.computed === null)).toBe(true);
    await felt(rest[2]!, 'tight', 1);
    await shop.marit.ok('POST', `${at}/holes/clear`, press);
    expect([...(await words())].sort()).toEqual(
      [
        [worn, 'bush'],
        [turned, 'bush'],
        [rest[0], 'sound'],
        [rest[2], 'tight'],
      ].sort(),
    );
  });

  it('has its end shake right and its pivots polished in one press, and back; a word given before stays', async () => {
    const other = await letDown(shop.marit, await takeIn(shop.marit));
    const at = `/visits/${other.id}`;
    const set = (parts: string[]) => shop.marit.ok<{ parts: string[] }>('PUT', `${at}/parts-looked`, { parts });
    await shop.marit.ok('PUT', `${at}/parts-looked/shake.T2`, { state: 'too much', version: 0 });
    const press = await set(['shake.T1', 'shake.T2', 'polish.T1.front']);
    expect(press.parts).toEqual(['shake.T1', 'polish.T1.front']);
    const states = async () =>
      Object.fromEntries((await shop.marit.ok<Visit>('GET', at)).partConditions.map((l) => [l.key, l.state]));
    expect(await states()).toEqual({ 'shake.T1': 'right', 'shake.T2': 'too much', 'polish.T1.front': 'polished' });
    await shop.marit.ok('POST', `${at}/parts-looked/clear`, press);
    expect(await states()).toEqual({ 'shake.T2': 'too much' });
    expect(
      (await shop.marit.send('PUT', `${at}/parts-looked/shake.T1`, { state: 'polished', version: 0 })).status,
    ).toBe(422);
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
