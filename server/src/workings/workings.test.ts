import type { KeptWorking, Visit } from '@eclat/contract';
import { WORKINGS } from '@eclat/core/workings';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop({ at: new Date('2031-05-02T09:00:00Z') });
});
afterAll(() => shop.running.stop());
const strip = { thicknessMm: 0.0038 * 25.4, observed: 7.6, wanted: 8, law: 'equal width', stockMm: [] };

describe('workings over the wire', () => {
  it('are listed with the schema of their inputs', async () => {
    const cards = await shop.marit.ok<
      { id: string; inputs: { properties: Record<string, { unit?: string; minimum?: number }> }; example: object }[]
    >('GET', '/workings');
    expect(cards.map((c) => c.id)).toEqual(WORKINGS.map((w) => w.id));
    expect(cards.find((c) => c.id === 'set-rate')!.inputs.properties['pitchMm']).toMatchObject({
      unit: 'mm',
      minimum: 0.1,
    });
  });

  it('each answers its own example, and the document of the API knows it', async () => {
    const { paths } = await shop.marit.ok<{ paths: Record<string, object> }>('GET', '/openapi.json');
    for (const w of WORKINGS) {
      expect(await shop.marit.ok('POST', `/workings/${w.id}`, w.example), w.id).toMatchObject({
        version: w.version,
        says: expect.any(String),
      });
      expect(paths[`/api/workings/${w.id}`]).toBeDefined();
    }
  });

  it('say what is wrong at its field, with the limit', async () => {
    const reply = await shop.marit.send('POST', '/workings/spring-turns', {
      barrelMm: 20,
      arborMm: 25,
      thicknessMm: 0.4,
    });
    expect(reply).toMatchObject({
      status: 422,
      body: { fields: [{ path: 'arborMm', message: expect.stringContaining('20 mm') }] },
    });
    expect((await shop.marit.send('POST', '/workings/nothing', {})).status).toBe(404);
  });
});

describe('limits', () => {
  it('refuse a search without end before it is begun', async () => {
    const endless = {
      beats: 3600,
      escapeTeeth: 30,
      known: [],
      unknown: '2',
      tolerancePercent: 5,
      wheelsFrom: 12,
      wheelsTo: 400,
      pinionsFrom: 4,
      pinionsTo: 40,
    };
    expect(await shop.marit.send('POST', '/workings/train-missing', endless)).toMatchObject({
      status: 422,
      body: { fields: [{ path: 'wheelsTo', message: expect.stringContaining('Narrow') }] },
    });
  });
  it('hold for readings, trials and lists too', async () => {
    const many = Array.from({ length: 2001 }, (_, i) => ({ days: i / 10, errorS: 0 }));
    expect(
      (
        await shop.marit.send('POST', '/workings/rate-readings', {
          family: 'longcase',
          readBy: 'seconds hand',
          readings: many,
        })
      ).status,
    ).toBe(422);
    expect(
      (
        await shop.marit.send('POST', '/workings/promise-date', {
          ...(WORKINGS.find((w) => w.id === 'promise-date')!.example as object),
          trials: 1e7,
        })
      ).status,
    ).toBe(422);
  });
  it('let nobody reckon who is not signed in', async () => {
    const reply = await fetch(`${shop.running.address}/api/workings/mass`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: shop.running.address },
      body: '{"typed":"8 lb"}',
    });
    expect(reply.status).toBe(401);
  });
});

describe('a working kept with a visit', () => {
  let visit: Visit;
  const look = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);

  it('is reckoned by the server and stays with its version', async () => {
    visit = await takeIn(shop.marit);
    const kept = await shop.marit.ok<KeptWorking>('POST', `/visits/${visit.id}/workings`, {
      working: 'torsion-strip',
      stage: 'fit',
      input: strip,
    });
    // Practice: 0.0038 in at 7.6 a minute wants 0.00393 in for 8.
    expect(kept).toMatchObject({ version: 1, stage: 'fit', by: 'Marit Fennick', input: strip });
    expect((kept.result['wantedMm'] as number) / 25.4).toBeCloseTo(0.00393, 5);
    expect((await look()).workings).toEqual([kept]);
  });

  it('is refused with bad input, and then nothing is kept', async () => {
    expect(
      (
        await shop.marit.send('POST', `/visits/${visit.id}/workings`, {
          working: 'torsion-strip',
          stage: 'fit',
          input: { ...strip, observed: 0 },
        })
      ).status,
    ).toBe(422);
    expect((await look()).workings).toHaveLength(1);
  });

  it('can be taken back', async () => {
    const [kept] = (await look()).workings;
    await shop.marit.ok('DELETE', `/visits/${visit.id}/workings/${kept!.id}`);
    expect((await look()).workings).toEqual([]);
    expect((await shop.marit.send('DELETE', `/visits/${visit.id}/workings/${kept!.id}`)).status).toBe(404);
  });

  it('is of this visit only, and of none that is not there', async () => {
    const kept = await shop.marit.ok<KeptWorking>('POST', `/visits/${visit.id}/workings`, {
      working: 'mass',
      stage: 'run',
      input: { typed: '8 lb' },
    });
    const other = await takeIn(shop.marit);
    expect((await shop.marit.send('DELETE', `/visits/${other.id}/workings/${kept.id}`)).status).toBe(404);
    expect(
      (
        await shop.marit.send('POST', `/visits/${crypto.randomUUID()}/workings`, {
          working: 'mass',
          stage: 'run',
          input: { typed: '8 lb' },
        })
      ).status,
    ).toBe(404);
    expect((await look()).workings).toEqual([kept]);
  });
});
