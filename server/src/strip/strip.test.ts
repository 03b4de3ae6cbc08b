import type { StripStep, Visit } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { STAGE_IDS } from '@eclat/core/workflow';
import { PASS, ends, letDown, openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit);
  for (const { source, version } of visit.power)
    await shop.marit.ok('PUT', at(`power/${source}`), { state: 'let down', version });
});
afterAll(() => shop.running.stop());
const at = (path: string) => `/visits/${visit.id}/${path}`;
const log = (what: string, more: object = {}) =>
  shop.marit.ok<StripStep>('POST', at('steps'), { what, place: 'tub 1', ...more });
const strip = async () => (await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`)).strip;
const obstacles = async () => (await shop.marit.send('POST', at('signature'), { passphrase: PASS })).body.detail!;

describe('the strip log', () => {
  it('keeps forty steps in their order, corrected, moved and taken back', async () => {
    for (let i = 0; i < 40; i++)
      await log(`thing ${i}`, i === 3 ? { remarks: ['left-hand', 'washer'], heldBy: 'screw' } : {});
    const { steps } = await strip();
    expect(steps.map((s) => s.what)).toEqual(Array.from({ length: 40 }, (_, i) => `thing ${i}`));
    expect(steps[3]).toMatchObject({ remarks: ['left-hand', 'washer'], heldBy: 'screw', fate: 'apart', pass: 1 });
    await shop.marit.ok('PUT', at(`steps/${steps[39]!.id}/position`), { position: 0 });
    await shop.marit.ok('DELETE', at(`steps/${steps[1]!.id}`));
    expect((await strip()).steps.slice(0, 3).map((s) => s.what)).toEqual(['thing 39', 'thing 0', 'thing 2']);
    const first = steps[0]!;
    await shop.marit.ok('PATCH', at(`steps/${first.id}`), {
      place: 'mesh cage',
      version: (await strip()).steps[1]!.version,
    });
    expect((await strip()).steps[1]).toMatchObject({ place: 'mesh cage', what: 'thing 0' });
    expect((await shop.marit.send('PATCH', at(`steps/${first.id}`), { place: 'x', version: 99 })).status).toBe(409);
    expect((await shop.marit.send('POST', at('steps'), { what: 'x', remarks: ['glued'] })).status).toBe(422);
  });

  it('is not signed over while a thing is unaccounted for; what replaced it, or what happened, is said', async () => {
    expect(await obstacles()).toContain('39 things that came off are not accounted for');
    const { steps } = await strip();
    for (const s of steps.slice(2)) await shop.marit.ok('PUT', at(`steps/${s.id}/fate`), { fate: 'on again' });
    const fate = (i: number, fate: string, note = '') =>
      shop.marit.send('PUT', at(`steps/${steps[i]!.id}/fate`), { fate, note });
    expect((await fate(0, 'lost or damaged here')).body.fields).toMatchObject([
      { path: 'note', message: 'Say what happened.' },
    ]);
    expect((await fate(0, 'lost or damaged here', 'Fell behind the bench.')).status).toBe(200);
    expect(await obstacles()).toContain('1 thing that came off is not accounted for');
    expect((await fate(1, 'replaced', 'new taper pin')).body).toMatchObject({ fateBy: 'Marit Fennick' });
    expect(await obstacles()).not.toContain('accounted');
  });

  it('keeps what is in for the time being, and what is with another hand, until somebody says so', async () => {
    const tie = await shop.marit.ok<{ id: string }>('POST', at('temporary'), { what: 'tie round the strike spring' });
    const away = await shop.marit.ok<{ id: string }>('POST', at('custody'), {
      what: 'fly',
      withWhom: 'the turner',
      forWhat: 'new pivot',
    });
    expect(await obstacles()).toMatch(
      /1 temporary thing is neither taken out nor declared.*1 part is still with another hand/,
    );
    await shop.marit.ok('PUT', at(`temporary/${tie.id}`), { ended: 'taken out' });
    await shop.marit.ok('PUT', at(`custody/${away.id}`), { back: true, state: 'turned to 0.80' });
    expect(await obstacles()).not.toMatch(/temporary|another hand/);
    expect((await strip()).custody).toMatchObject([{ state: 'turned to 0.80', backAt: expect.any(String) as string }]);
  });

  it('has what is not final on a list of its own, which must be empty at the end', async () => {
    const nuts = await shop.marit.ok<{ id: string }>('POST', at('temporary'), {
      what: 'nuts finger-tight',
      kind: 'not final',
    });
    expect(await obstacles()).toMatch(/1 thing is not final yet/);
    // It is of the clock itself: to declare it is no way out.
    const declared = await shop.marit.send('PUT', at(`temporary/${nuts.id}`), { ended: 'declared' });
    expect(declared.body.fields![0]).toMatchObject({ path: 'ended' });
    await shop.marit.ok('PUT', at(`temporary/${nuts.id}`), { ended: 'final' });
    expect(await obstacles()).not.toMatch(/not final/);
    expect((await strip()).temporary.at(-1)).toMatchObject({ kind: 'not final', ended: 'final' });
  });

  it('remembers phases with when they are set, and who set them again', async () => {
    const phase = await shop.marit.ok<{ id: string }>('POST', at('phases'), {
      what: 'warning wheel',
      how: 'pin half a turn from the lever',
      when: 'before the plates close',
    });
    const foreign = { what: 'fly', when: 'outside', photoId: '7c9e6679-7425-40de-944b-e07fc1f90ae7' };
    expect((await shop.marit.send('POST', at('phases'), foreign)).body.fields![0]).toMatchObject({ path: 'photoId' });
    await shop.marit.ok('PUT', at(`phases/${phase.id}`), { set: true });
    expect((await strip()).phases).toMatchObject([{ setBy: 'Marit Fennick', when: 'before the plates close' }]);
  });

  it('puts what is left of a train onto its wire in one press, once the plates are parted, and back', async () => {
    const other = await letDown(shop.marit, await takeIn(shop.marit));
    const steps = async () => (await shop.marit.ok<Visit>('GET', `/visits/${other.id}`)).strip.steps;
    const put = (body: object) => shop.marit.send<{ steps: string[] }>('POST', `/visits/${other.id}/steps/train`, body);
    const train = other.movement.traits.trains[0]!;
    const going = { train: train.id, place: 'going wire' };
    expect((await put(going)).body.fields![0]).toMatchObject({ path: 'train' });
    for (const what of ['front plate', 'going second wheel'])
      await shop.marit.ok('POST', `/visits/${other.id}/steps`, { what });
    const { body: press } = await put(going);
    const logged = (await steps()).slice(2);
    expect(logged.map((s) => s.id)).toEqual(press.steps);
    expect(logged.every((s) => s.place === 'going wire' && s.what.startsWith('going '))).toBe(true);
    // Each arbor between the plates once, in the order in which it comes out.
    const off = train.arbors.filter((a) => a.class !== 'pallet').map((a) => `going ${a.name}`);
    const named = (await steps()).slice(1).map((s) => s.what);
    expect(named).toHaveLength(off.length);
    expect(new Set(named)).toEqual(new Set(off));
    expect((await put(going)).status).toBe(422);
    // One is found to be worn: it is not taken back with the others.
    await shop.marit.ok('PUT', `/visits/${other.id}/steps/${press.steps[0]}/fate`, { fate: 'replaced', note: 'new' });
    await shop.marit.ok('POST', `/visits/${other.id}/steps/remove`, press);
    expect((await steps()).map((s) => s.what)).toEqual(['front plate', 'going second wheel', logged[0]!.what]);
  });

  it(
    'opens a pass when it has to come apart again: its stages are to be done again, its steps are its ' + 'own',
    async () => {
      await ends(shop.marit, visit.id, STAGE_IDS.slice(0, STAGE_IDS.indexOf('run')));
      shop.now.at = new Date(shop.now.at.getTime() + 60_000);
      expect(await shop.marit.ok('POST', at('passes'), { reason: 'Strike runs on: warning set wrong.' })).toMatchObject(
        {
          number: 2,
        },
      );
      const { stages, next } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
      const open = stages.filter((s) => s.state === 'open' && s.at !== null);
      expect(open.map((s) => s.stage)).toEqual(['power', 'strip', 'assemble', 'oil']);
      expect(next.stage).toBe('power');
      await log('motion work');
      expect((await strip()).steps.at(-1)).toMatchObject({ pass: 2, fate: 'apart' });
      await shop.marit.ok('PUT', at('passes/2'), { cure: 'Warning wheel one tooth on.', hours: 1.5 });
      expect((await strip()).passes).toMatchObject([{ number: 2, cure: 'Warning wheel one tooth on.', hours: 1.5 }]);
    },
  );
});
