import type { OwnerPage, Line, Visit } from '@eclat/contract';
import sharp from 'sharp';
import { randomUUID } from 'node:crypto';
import { priceOfRoute } from '@eclat/core/estimate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openShop, PASS, takeIn, type Browser } from '../../test/shop.ts';
import { sql } from '../platform/http/app-context.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
let visit: Visit;
const look = () => shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
const at = (path: string) => `/visits/${visit.id}/${path}`;
const write = (fields: object) =>
  shop.marit.ok<Line>('POST', at('lines'), {
    kind: 'labour',
    what: 'Overhaul',
    quantity: '6,5',
    price: '50',
    ...fields,
  });
const say = async (lineId: string, state: string, who: Browser = shop.marit) => {
  const { version } = (await look()).agreement.lines.find((l) => l.id === lineId)!;
  return who.send('PUT', at(`lines/${lineId}/decision`), { state, version, how: 'phone', who: 'Odile Tarrowby' });
};

/** What the owner chose, at the price that stood on the screen. */
const choose = async (route: 'cure' | 'overhaul') => {
  const { lines, prices } = (await look()).agreement;
  const seen = priceOfRoute(lines, route, prices).without.gross;
  await shop.marit.ok('PUT', at('route'), { route, seen, how: 'in person', who: 'Odile Tarrowby' });
};

beforeAll(async () => {
  shop = await openShop();
  visit = await takeIn(shop.marit);
  await shop.marit.ok('PUT', '/prices', {
    hourlyRate: '50',
    taxPercent: '20',
    pricesIncludeTax: false,
    currency: 'crowns',
    hoursPerWeek: 25,
    version: 1,
  });
});
afterAll(() => shop.running.stop());

describe('an estimate', () => {
  it('is written line by line, corrected while nobody has answered, and one change of two loses', async () => {
    const line = await write({});
    expect(line).toMatchObject({ quantity: '6.5', addition: false, state: null });
    expect(
      (
        await shop.marit.send('POST', at('lines'), { kind: 'labour', what: '', quantity: 'six', price: '-1' })
      ).body.fields!.map((f) => f.path),
    ).toEqual(['what', 'quantity', 'price']);
    const changed = await shop.marit.ok<Line>('PATCH', at(`lines/${line.id}`), { price: '55', version: line.version });
    expect(changed).toMatchObject({ price: '55', what: 'Overhaul' });
    expect(
      await shop.marit.send('PATCH', at(`lines/${line.id}`), { price: '60', version: line.version }),
    ).toMatchObject({ status: 409, body: { current: { price: '55' } } });
  });

  it('keeps every word the owner gave, and is not changed under an answer', async () => {
    const {
      agreement: {
        lines: [line],
      },
    } = await look();
    await say(line!.id, 'ask later');
    await say(line!.id, 'declined');
    expect((await look()).agreement.lines[0]).toMatchObject({
      state: 'declined',
      decisions: [{ state: 'ask later', how: 'phone', by: 'Marit Fennick' }, { state: 'declined' }],
    });
    expect((await shop.marit.send('DELETE', at(`lines/${line!.id}`))).status).toBe(409);
    expect((await shop.marit.send('PATCH', at(`lines/${line!.id}`), { price: '1', version: 9 })).status).toBe(409);
  });

  it('offers alternatives side by side, and asks only for the lines of the chosen one', async () => {
    for (const route of ['cure', 'overhaul'])
      await shop.marit.ok('PUT', at(`routes/${route}`), { originality: 'x', guarantee: 'y' });
    expect((await shop.marit.send('PUT', at('routes/polish'), { originality: '', guarantee: '' })).status).toBe(404);
    await write({ what: 'Bushes', routes: ['overhaul'] });
    await choose('cure');
    expect((await shop.marit.ok<{ next: { text: string } }[]>('GET', '/bench'))[0]!.next.text).not.toContain('answer');
    expect((await shop.marit.send('DELETE', at('routes/cure'))).status).toBe(409);
    await choose('overhaul');
  });

  it('makes an addition wait for its own word while the rest goes on', async () => {
    const {
      agreement: { lines },
    } = await look();
    await say(lines[1]!.id, 'accepted');
    for (const stage of ['intake', 'assess', 'diagnose', 'agree'])
      await shop.marit.ok('PUT', at(`stages/${stage}`), { state: 'done' });
    const late = await write({ what: 'A cracked pinion, found while apart' });
    expect(late.addition).toBe(true);
    expect((await shop.marit.ok<object[]>('GET', '/bench'))[0]).toMatchObject({
      asked: 1,
      next: { stage: 'power', urgency: 'next' },
    });
    expect((await shop.marit.send('POST', at('signature'), { passphrase: PASS })).body.detail).toContain(
      '1 line of the estimate waits',
    );
  });

  it('gives a date with its reasons, and the odds of another', async () => {
    const free = await shop.marit.ok<{ half: string; nineInTen: string; odds: number | null; reasons: string[] }>(
      'GET',
      at('promise'),
    );
    expect(free.half < free.nineInTen).toBe(true);
    expect(free.odds).toBeNull();
    expect(free.reasons.join()).toContain('waiting for the owner');
    await shop.marit.ok('PATCH', at('').slice(0, -1), { promisedFor: free.nineInTen, version: (await look()).version });
    expect((await shop.marit.ok<{ odds: number }>('GET', at('promise'))).odds).toBeCloseTo(0.9, 1);
  });

  it('has prices that only the owner of the shop sets', async () => {
    await shop.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: PASS });
    const wilf = shop.browser();
    await wilf.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: PASS });
    expect(
      (
        await wilf.send('PUT', '/prices', {
          hourlyRate: '1',
          taxPercent: '0',
          pricesIncludeTax: true,
          currency: 'x',
          hoursPerWeek: 1,
          version: 1,
        })
      ).status,
    ).toBe(403);
    expect((await say((await look()).agreement.lines[2]!.id, 'ask later', wilf)).status).toBe(200);
  });
});

describe('the owner’s page', () => {
  let token: string;
  const owner = () => shop.browser();
  const address = (path = '') => `/for-owner/${token}${path}`;
  const make = async () => {
    token = (await shop.marit.ok<{ token: string }>('PUT', at('link'), { days: 14 })).token;
  };

  it('shows the estimate and nothing else of the shop or the owner', async () => {
    await make();
    const page = await owner().ok<OwnerPage>('GET', address());
    expect(page).toMatchObject({ shop: 'Fennick Row Clock Room', currency: 'crowns', chosen: 'overhaul' });
    // 6.5 h at 50 is 325, a fifth of tax on top.
    expect(page.agreed).toBe('390.00');
    for (const secret of ['Tarrowby', '0555', 'Cooper', 'Marit', visit.movement.code, '"by"'])
      expect(JSON.stringify(page)).not.toContain(secret);
    for (const path of ['/bench', `/visits/${visit.id}`, '/owners'])
      expect((await owner().send('GET', path)).status).toBe(401);
  });

  it('takes a word, under the owner’s name, and a question once however often it is sent', async () => {
    const line = (await look()).agreement.lines.find((l) => l.addition)!;
    const page = await owner().ok<OwnerPage>('GET', address());
    const { version } = page.lines.find((l) => l.id === line.id)!;
    await owner().ok('PUT', address(`/lines/${line.id}`), { state: 'accepted', version, prices: page.prices });
    expect((await look()).agreement.lines.find((l) => l.addition)!.decisions.at(-1)).toMatchObject({
      state: 'accepted',
      how: 'by link',
      who: 'Odile Tarrowby',
    });
    const id = randomUUID();
    for (let i = 0; i < 2; i++) await owner().ok('PUT', address(`/questions/${id}`), { text: 'Will the patina stay?' });
    const { agreement } = await look();
    expect(agreement.questions).toMatchObject([{ text: 'Will the patina stay?', answer: '' }]);
    await shop.marit.ok('PUT', at(`questions/${id}`), { answer: 'Yes.' });
    expect((await owner().ok<OwnerPage>('GET', address())).questions).toMatchObject([{ answer: 'Yes.' }]);
    expect(agreement.link!.uses.map((u) => u.what)).toEqual(
      expect.arrayContaining(['opened', 'asked a question', 'accepted: A cracked pinion, found while apart']),
    );
  });

  it('takes no word on a price that the owner did not see', async () => {
    const line = await write({ what: 'Hour hand straightened' });
    const shown = () => owner().ok<OwnerPage>('GET', address());
    const accept = ({ lines, prices }: OwnerPage) => {
      const { version } = lines.find((l) => l.id === line.id)!;
      return owner().send('PUT', address(`/lines/${line.id}`), { state: 'accepted', version, prices });
    };
    const before = await shown();
    // The shop changes the price while the owner reads: what was not seen is not accepted.
    await shop.marit.ok('PATCH', at(`lines/${line.id}`), { price: '999', version: line.version });
    const stale = await accept(before);
    expect([stale.status, stale.body.detail]).toEqual([409, expect.stringContaining('6493.50 crowns')]);
    const now = await shown();
    // So with the tax, which no line says.
    const prices = (await look()).agreement.prices;
    await shop.marit.ok('PUT', '/prices', { ...prices, taxPercent: '25' });
    expect((await accept(now)).status).toBe(409);
    expect((await shop.marit.send('PUT', '/prices', prices)).status).toBe(409); // an older version of the prices
    await shop.marit.ok('PUT', '/prices', { ...prices, version: prices.version + 1 });
    const route = { route: 'cure', seen: '1.00' };
    expect((await owner().send('PUT', address('/route'), route)).body.title).toBe('The price has changed.');
    expect((await look()).agreement.lines.find((l) => l.id === line.id)!.decisions).toEqual([]);
    expect((await accept(await shown())).status).toBe(200);
  });

  it('reaches no other visit, neither its lines nor its photos', async () => {
    const other = await takeIn(shop.marit, {
      owner: { name: 'Jory Vantrease' },
      movement: { name: 'o', familyId: 'fusee' },
    });
    const theirs = await shop.marit.ok<Line>('POST', `/visits/${other.id}/lines`, {
      kind: 'part',
      what: 'x',
      quantity: '1',
      price: '1',
    });
    const blind = { state: 'accepted', version: theirs.version, prices: 1 };
    expect((await owner().send('PUT', address(`/lines/${theirs.id}`), blind)).status).toBe(404);
    const photo = async (visitId: string) =>
      shop.marit.ok<{ id: string }>(
        'POST',
        `/visits/${visitId}/photos?stage=intake`,
        await sharp({ create: { width: 60, height: 40, channels: 3, background: '#888' } })
          .jpeg()
          .toBuffer(),
      );
    const mine = await photo(visit.id);
    const foreign = await photo(other.id);
    // without a point on it, it is not shown
    expect((await owner().send('GET', address(`/photos/${mine.id}`))).status).toBe(404);
    await shop.marit.ok('PUT', at(`photos/${mine.id}/marks/${randomUUID()}`), {
      ...{ x: 0.5, y: 0.5, shape: 'arrow', to: { x: 0.7, y: 0.2 }, note: 'here' },
    });
    const { photos } = (await owner().send<OwnerPage>('GET', address(''))).body;
    expect(photos.map((p) => p.marks)).toEqual([
      [{ number: 1, x: 0.5, y: 0.5, shape: 'arrow', to: { x: 0.7, y: 0.2 }, says: 'here' }],
    ]);
    expect((await owner().send('GET', address(`/photos/${mine.id}`))).headers.get('content-type')).toBe('image/jpeg');
    expect((await owner().send('GET', address(`/photos/${foreign.id}`))).status).toBe(404);
    const answer = await shop.marit.send('PUT', `/visits/${other.id}/photos/${mine.id}/marks/${randomUUID()}`, {
      x: 0.5,
      y: 0.5,
    });
    expect(answer.status).toBe(422);
  });

  it('is known by its hash only, and ends with a new address, a word of the shop, or its time', async () => {
    const [{ n }] = (await sql<{ n: number }>(
      shop.running.appContext.orm.em.fork(),
      'select count(*)::int as n from owner_link where token_hash = ?',
      [token],
    )) as [{ n: number }];
    expect(n).toBe(0);
    const old = token;
    await make();
    expect((await owner().send('GET', `/for-owner/${old}`)).status).toBe(404);
    expect((await owner().send('GET', address())).status).toBe(200);
    const now = shop.now.at;
    shop.now.at = new Date(now.getTime() + 15 * 86_400_000);
    expect((await owner().send('GET', address())).status).toBe(404);
    shop.now.at = now;
    await shop.marit.ok('DELETE', at('link'));
    expect((await owner().send('GET', address())).status).toBe(404);
  });

  it('answers only so many requests from one place', async () => {
    const em = shop.running.appContext.orm.em.fork();
    await sql(em, `insert into knock (address, at) select '127.0.0.1', ?::timestamptz from generate_series(1, 300)`, [
      shop.now.at,
    ]);
    expect((await owner().send('GET', '/for-owner/guess')).status).toBe(429);
    await sql(em, 'delete from knock');
  });
});

it.each(['receipt', 'label', 'estimate', 'condition', 'return'])(
  'the %s is a PDF made of what is recorded, for those who are signed in',
  async (paper) => {
    const { cookie } = shop.marit.cookies;
    const get = (headers: Record<string, string>) =>
      fetch(`${shop.running.address}/api${at(`papers/${paper}.pdf`)}`, { headers });
    const res = await get({ cookie });
    expect(res.headers.get('content-type')).toBe('application/pdf');
    const bytes = Buffer.from(await res.arrayBuffer());
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(bytes.includes('/FontFile')).toBe(true); // its own face travels with it
    expect((await get({})).status).toBe(401);
  },
);
