import type { BenchRow, Description, Movement, Visit } from '@eclat/contract';
import { addTrain, driveBy, familyById, removeTrain, type Traits } from '@eclat/core/movement';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { PASS, openShop, takeIn } from '../../test/shop.ts';

const now = { at: new Date('2031-05-10T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());

const longcase = familyById('longcase').traits;
const oneChain: Traits = {
  ...driveBy(longcase, 'strike', 'going'),
  sources: [{ id: 'going', kind: 'weight on endless chain', name: '' }],
};
const load = (id: string) => shop.marit.ok<Visit>('GET', `/visits/${id}`);
const describe = (movement: Movement, traits: Traits, version: number, more: object = {}) =>
  shop.marit.send('POST', `/movements/${movement.id}/descriptions`, {
    ...{ traits, familyId: movement.familyId, reason: 'As found with the dial off.', version },
    ...more,
  });

it('is taken in as found, with what was looked for in vain', async () => {
  const { id } = await takeIn(shop.marit, {
    movement: { name: 'a', familyId: 'longcase', traits: oneChain, absent: ["maker's name"] },
  });
  const visit = await load(id);
  expect(visit.power.map((p) => [p.name, p.state])).toEqual([['going and strike trains', 'unknown']]);
  expect(visit.movement.absent).toMatchObject([{ what: "maker's name", by: 'Marit Fennick' }]);
  const wrong = { ...oneChain, trains: oneChain.trains.map((t) => ({ ...t, source: 'nowhere' })) };
  const refused = await shop.marit.send('POST', '/visits', {
    owner: { name: 'x' },
    clock: { description: 'y' },
    movement: { name: 'z', familyId: 'longcase', traits: wrong },
    complaint: 'Stops.',
    ...{ wanted: '', notWanted: '', promisedFor: null, received: [] },
  });
  expect(refused.body.fields![0]!.path).toBe('movement.traits.trains.0.source');
});

it('changes while it is on the bench: all that depends on it follows, and what was recorded is kept', async () => {
  const { id } = await takeIn(shop.marit, { movement: { name: 'b', familyId: 'longcase' } });
  const put = (path: string, body: object) => shop.marit.ok('PUT', `/visits/${id}/${path}`, body);
  await put('holes/S2.back', { ...FELT, verdict: 'bush' });
  await put('holes/T1.front', { ...FELT, verdict: 'sound' });
  await put('power/strike', { state: 'wound', version: 1 });
  const { movement, next } = await load(id);
  expect((await shop.marit.ok<BenchRow[]>('GET', '/bench')).find((r) => r.visitId === id)!.next).toEqual(next);

  const alarm = addTrain(removeTrain(longcase, 'strike'), [longcase], 'alarm');
  expect((await describe(movement, alarm, 1)).status).toBe(201);
  const after = await load(id);
  expect(after.holes.map((h) => h.key)).toEqual(['T1.front']);
  expect(after.gone.map((g) => [g.stage, g.what, g.said])).toEqual([
    ['power', 'strike power, weight on line', 'wound'],
    ['survey', 'S2 pin wheel, back plate', 'bush'],
  ]);
  // What is new is unknown, whatever was said of the rest.
  expect(after.power.map((p) => [p.source, p.state])).toEqual([
    ['going', 'unknown'],
    ['alarm', 'unknown'],
  ]);
  const row = (await shop.marit.ok<BenchRow[]>('GET', '/bench')).find((r) => r.visitId === id)!;
  expect(row.power.map((p) => p.label)).toEqual(['going', 'alarm']);
  expect(row.next).toEqual(after.next);

  // Back again: it was never lost.
  await describe(movement, longcase, 2);
  const back = await load(id);
  expect(back.gone).toEqual([]);
  expect(back.holes.map((h) => h.key).sort()).toEqual(['S2.back', 'T1.front']);
  // But for the power: nobody looked since.
  expect(back.power.map((p) => p.state)).toEqual(['unknown', 'unknown']);
  expect(back.power[1]!.earlier.map((e) => e.state)).toEqual(['wound']);
  const log = await shop.marit.ok<Description[]>('GET', `/movements/${movement.id}/descriptions`);
  expect(log.map((d) => [d.version, d.by])).toEqual([
    [3, 'Marit Fennick'],
    [2, 'Marit Fennick'],
    [1, 'Marit Fennick'],
  ]);
});

it('refuses what came too late, what changes nothing, and what takes another’s id', async () => {
  const { id } = await takeIn(shop.marit, { movement: { name: 'c', familyId: 'longcase' } });
  const { movement } = await load(id);
  const [first, second] = await Promise.all([describe(movement, oneChain, 1), describe(movement, oneChain, 1)]);
  expect([first.status, second.status].sort()).toEqual([201, 409]);
  expect((await describe(movement, oneChain, 2)).body.fields![0]!.path).toBe('reason');
  const taken: Traits = { ...oneChain, trains: [{ ...oneChain.trains[0]!, purpose: 'alarm' }] };
  expect((await describe(movement, taken, 2)).body.fields![0]!.path).toBe('traits.trains');
  expect((await describe(movement, longcase, 2, { reason: ' ' })).status).toBe(422);
  expect((await describe(movement, longcase, 2, { familyId: 'nothing' })).status).toBe(422);
});

it('takes no word on a weight for a word on a spring, nor one on two weights for one on a chain', async () => {
  const { id } = await takeIn(shop.marit, { movement: { name: 'e', familyId: 'longcase' } });
  const { movement } = await load(id);
  for (const source of ['going', 'strike'])
    await shop.marit.ok('PUT', `/visits/${id}/power/${source}`, { state: 'let down', version: 1 });
  const states = async () => (await load(id)).power.map((p) => p.state);
  const called = { ...longcase, sources: longcase.sources.map((s) => ({ ...s, name: `left ${s.id}` })) };
  expect((await describe(movement, called, 1)).status).toBe(201);
  expect(await states()).toEqual(['let down', 'let down']);
  const [going, strike] = longcase.sources;
  await describe(movement, { ...longcase, sources: [going!, { ...strike!, kind: 'barrel spring' }] }, 2);
  expect(await states()).toEqual(['let down', 'unknown']);
  await describe(movement, oneChain, 3);
  expect(await states()).toEqual(['unknown']);
});

it('leaves what is signed as it was described when it was signed', async () => {
  const { id } = await takeIn(shop.marit, {
    ...{ movement: { name: 'd', familyId: 'longcase' }, shape: 'report', ownStock: true, owner: undefined },
  });
  await shop.marit.ok('PUT', `/visits/${id}/power/strike`, { state: 'let down', version: 1 });
  for (const s of ['intake', 'assess', 'diagnose'])
    await shop.marit.ok('PUT', `/visits/${id}/stages/${s}`, { state: 'done' });
  await shop.marit.ok('POST', `/visits/${id}/signature`, { passphrase: PASS, note: 'Looked at.' });
  const { movement } = await load(id);
  expect((await describe(movement, oneChain, 1)).status).toBe(201);
  const signed = await load(id);
  expect(signed.movement.traits).toEqual(longcase);
  expect(signed.power.map((p) => p.source)).toEqual(['going', 'strike']);
  const book = await shop.marit.ok<{ movement: Movement }>('GET', `/movements/${movement.id}`);
  expect(book.movement.traits).toEqual(oneChain);
});

const FELT = {
  ...{ pivotMm: null, size: { kind: 'felt' }, note: '', way: 'in-place', wearDeg: null, endShakeMm: null },
  ...{ spins: null, past: 'original', version: 0 },
};
