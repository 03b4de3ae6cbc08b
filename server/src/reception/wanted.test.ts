import type { Visit, WantedHere, WantedThing } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit, { movement: { name: 'kitchen', familyId: 'mantel-barrels' } });
});
afterAll(() => shop.running.stop());

const at = (rest = '') => `/visits/${visit.id}/wanted${rest}`;
const want = (what: string, would = '') => shop.marit.ok<WantedThing>('POST', at(), { what, would });
const list = () => shop.marit.ok<WantedHere[]>('GET', '/wanted');

describe('a missing thing', () => {
  it('has its thread from an order that came faulty to what was fitted, and none goes on after its end', async () => {
    const { id } = await want('Glass ring');
    const step = (body: object) => {
      shop.now.at = new Date(shop.now.at.getTime() + 60_000);
      return shop.marit.send<WantedThing>('POST', at(`/${id}/steps`), body);
    };
    expect((await step({ step: 'ordered' })).body.fields![0]).toMatchObject({ path: 'from', message: 'From whom?' });
    const order = { step: 'ordered', from: 'Quill & Pane', price: '18,50', expectedOn: '2031-05-20' };
    expect((await step(order)).body.steps).toMatchObject([{ from: 'Quill & Pane', price: '18.50' }]);
    expect((await step({ step: 'arrived faulty' })).body.fields![0]!.path).toBe('note');
    await step({ step: 'arrived faulty', note: 'Cracked at the rim.' });
    const fitted = (await step({ step: 'fitted', note: 'Mended cold.' })).body;
    expect(fitted).toMatchObject({ ended: 'fitted' });
    expect(fitted.steps.map((s) => s.step)).toEqual(['ordered', 'arrived faulty', 'fitted']);
    expect((await step({ step: 'ordered', from: 'x' })).status).toBe(409);
    // Only the last one goes back; then it is wanted again.
    const back = (stepId: string) => shop.marit.send<WantedThing>('DELETE', at(`/${id}/steps/${stepId}`));
    expect((await back(fitted.steps[0]!.id)).status).toBe(409);
    expect((await back(fitted.steps[2]!.id)).body).toMatchObject({ ended: null });
    expect((await shop.marit.send('DELETE', at(`/${id}`))).status).toBe(409);
  });
  it('made by guess says where evidence was looked for', async () => {
    const { id } = await want('Trim of the left side');
    const guess = (note: string) => shop.marit.send('POST', at(`/${id}/steps`), { step: 'guessed', note });
    expect((await guess(' ')).body.fields![0]!.message).toBe('Where was evidence looked for?');
    expect((await guess('Three sale catalogues, no picture of the model.')).body).toMatchObject({ ended: 'guessed' });
  });
  it('stands on the list of the shop with what came into the stores for it, and leaves it when it ends', async () => {
    const { id } = await want('Alarm work', 'alarm mechanism');
    expect((await list()).find((w) => w.id === id)).toMatchObject({ claim: visit.claim, here: true, matches: [] });
    const add = (name: string, onHand: number) =>
      shop.marit.ok<{ id: string }>('POST', '/stores', { kind: 'other', name, onHand });
    await add('Alarm mechanism, empty row', 0);
    const item = await add('Mechanism of an alarm', 1);
    expect((await list()).find((w) => w.id === id)!.matches).toEqual([
      { itemId: item.id, name: 'Mechanism of an alarm', onHand: 1, shelf: '' },
    ]);
    await shop.marit.ok('POST', at(`/${id}/steps`), { step: 'found' });
    expect((await list()).some((w) => w.id === id)).toBe(false);
  });
});
