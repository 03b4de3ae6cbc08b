import type { ConservationDecision, Visit } from '@eclat/contract';
import { sectionsOf } from '@eclat/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit);
});
afterAll(() => shop.running.stop());

interface Refusal {
  type: string;
  fields?: { path: string; message: string }[];
}
const LEAVE = { way: 'Leave it as it is', undone: 'yes' };
const STRIP = { way: 'Strip and wax it', undone: 'no' };
const now = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);

describe('a decision about an old thing', () => {
  it('is kept with every way considered, and is signed with who chose what and why', async () => {
    const path = `/visits/${visit.id}/conservation`;
    const made = await shop.marit.ok<ConservationDecision>('POST', path, {
      about: 'Varnish of the case',
      ways: [LEAVE, { ...STRIP, why: 'Old varnish would go' }],
    });
    expect((await now()).conservation).toEqual([made]);
    const open = sectionsOf(await now()).conservation;
    expect(open?.['ways']).toMatchObject([{ stands: 'considered' }, { stands: 'considered' }]);
    // Two people choose at once: the second sees what the first chose.
    const choose = (version: number, at: number, agreed = false) =>
      shop.marit.send<ConservationDecision & Refusal>('PATCH', `${path}/${made.id}`, {
        ways: [LEAVE, STRIP].map((w, i) => ({ ...w, chosen: i === at })),
        ...{ agreed, version },
      });
    expect((await choose(made.version, 0)).status).toBe(200);
    expect((await choose(made.version, 1, true)).body.type).toBe('urn:eclat:lost-race');
    expect(sectionsOf(await now()).conservation?.['ways']).toMatchObject([
      { about: 'Varnish of the case', way: LEAVE.way, stands: 'chosen', undone: 'yes', by: 'Marit Fennick' },
      { way: STRIP.way, stands: 'rejected', undone: 'no' },
    ]);
  });

  it('does not choose what cannot be undone before the owner said yes, nor two ways', async () => {
    const path = `/visits/${visit.id}/conservation`;
    const send = (body: object) => shop.marit.send<ConservationDecision & Refusal>('POST', path, body);
    const stripped = { about: 'Dial', ways: [LEAVE, { ...STRIP, chosen: true }] };
    expect((await send(stripped)).body.fields).toEqual([
      { path: 'agreed', message: expect.stringContaining('owner’s yes') as string },
    ]);
    const { body: agreed } = await send({ ...stripped, agreed: true });
    expect(agreed.agreed).toBe(true);
    // Nor by the back door: the yes is taken back, or another way is chosen without it.
    const change = (body: object) =>
      shop.marit.send<Refusal>('PATCH', `${path}/${agreed.id}`, { ...body, version: agreed.version });
    expect((await change({ agreed: false })).body.fields?.[0]?.path).toBe('agreed');
    const sanded = [LEAVE, STRIP, { way: 'Sand it bare', undone: 'no', chosen: true }];
    expect((await change({ ways: sanded })).body.fields?.[0]?.path).toBe('agreed');
    const two = [LEAVE, STRIP].map((w) => ({ ...w, chosen: true }));
    expect((await send({ about: 'Glass', ways: two })).body.fields?.[0]?.path).toBe('ways');
    expect((await send({ about: 'Glass', ways: [] })).body.fields?.[0]?.path).toBe('ways');
    // The other way round, a yes that nobody asked for is not signed as one.
    expect((await change({ ways: [{ ...LEAVE, chosen: true }, STRIP], agreed: true })).status).toBe(200);
    const dial = (sectionsOf(await now()).conservation?.['ways'] as { about: string; owner?: true }[]).filter(
      (w) => w.about === 'Dial',
    );
    expect(dial.map((w) => w.owner)).toEqual([undefined, undefined]);
    await shop.marit.ok('DELETE', `${path}/${agreed.id}`);
    expect((await now()).conservation).toHaveLength(1);
  });
});
