import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Book, Contact, Entry, MovementBook, Offered, Photo, ReplyOf, ShopSettings, Visit } from '@eclat/contract';
import type { api } from '@eclat/contract';
import { asRead } from '@eclat/core/intake';
import sharp from 'sharp';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { strangeKey, writtenElsewhere } from '../../test/forge.ts';
import { openShop, PASS, takeIn } from '../../test/shop.ts';
import { readMark } from '../movements/books-named.ts';
import { sql } from '../platform/http/app-context.ts';
import { signChange, signRequest } from '../movements/signed.ts';
import { sha256 } from '../platform/sha256.ts';
import { hidden } from './marks.ts';

type Shop = Awaited<ReturnType<typeof openShop>>;
type Asked = ReplyOf<typeof api.exchange.ask>;
type Sent = ReplyOf<typeof api.exchange.send>;
let a: Shop, b: Shop;
/** Keys of the two shops, and the movement in each. */
let keyA: string, keyB: string, inA: string, inB: string, photo: string;

const set = async (of: Shop, change: Partial<ShopSettings>) => {
  const { version, timeZone } = await of.marit.ok<ShopSettings>('GET', '/shop');
  return of.marit.ok('PUT', '/shop', { version, timeZone, ...change });
};
const bookOf = (of: Shop, at: string) => of.marit.ok<Book>('GET', at);
const hashesOf = async (of: Shop, at: string) => (await bookOf(of, at)).entries.map((e) => e.hash);
const write = (of: Shop, at: string, text: string, photos: string[] = []) =>
  of.marit.ok<Entry>('POST', `${at}/inscriptions`, { date: '189X', text, photos, place: 'front plate' });
const amend = (of: Shop, id: string, text: string) =>
  of.marit.ok<Entry>('POST', `/history/${id}/amendments`, { passphrase: PASS, text });
const ask = (of: Shop, at: string, key: string, as: string | null = null) =>
  of.marit.ok<Asked>('POST', `${at}/shops/${key}/ask`, { as });
const share = (of: Shop, at: string, key: string | null, shared = true) =>
  of.marit.ok('PUT', `${at}/shares`, { key, shared });
const bring = (to: Shop, at: string, { entries: history, logs }: MovementBook) =>
  to.marit.ok<Book>('POST', `${at}/record`, { history, logs, historyFrom: 'from shop to shop' });
const found = (asked: Asked) => {
  if (asked.found !== 'book') throw new Error(JSON.stringify(asked));
  return asked;
};
const contacts = (of: Shop) => of.marit.ok<Contact[]>('GET', '/exchange-log');

/** Each knows the other by its card, under a name that is not its own. */
async function acquaint(from: Shop, to: Shop, name: string): Promise<string> {
  await set(from, { webAddress: from.running.address });
  const { card, said } = (await from.marit.ok<NonNullable<ReplyOf<typeof api.movements.card>>>('GET', '/shop-card'))!;
  await to.marit.ok('POST', '/signing-keys', { key: said.key, shop: name, card });
  return said.key;
}

beforeAll(async () => {
  [a, b] = [await openShop(), await openShop()];
  process.env['ECLAT_NEAR_SHOPS'] = [a, b].map((s) => s.running.address).join(',');
  keyA = await acquaint(a, b, 'Fennick, Aldermere');
  keyB = await acquaint(b, a, 'Tower Works, Pellmere');
  const visit = await takeIn(a.marit);
  inA = `/movements/${visit.movement.id}`;
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: 'peru' } })
    .jpeg()
    .toBuffer();
  photo = (await a.marit.ok<Photo>('POST', `/visits/${visit.id}/photos?stage=intake`, picture)).hash;
  await write(a, inA, 'Clnd 189', [photo]);
  const { entries: history, logs } = await a.marit.ok<MovementBook>('GET', `${inA}/record`);
  const movement = { name: 'Brass movement', familyId: 'mantel-barrels', marks: [], history, logs };
  inB = `/movements/${(await takeIn(b.marit, { movement })).movement.id}`;
});
afterAll(async () => {
  delete process.env['ECLAT_NEAR_SHOPS'];
  await Promise.all([a.running.stop(), b.running.stop()]);
});

describe('a movement that goes from shop to shop', () => {
  it('is told of to nobody until the shop answers, and this book is shared with who asks', async () => {
    await write(b, inB, 'Bushed 2031');
    expect(await ask(a, inA, keyB)).toMatchObject({ found: 'failed', why: expect.stringContaining('does not answer') });
    await set(b, { answers: 'by entries' });
    expect(await ask(a, inA, keyB)).toEqual({ found: 'none' });
    // With another shop it is no more told than a book that is not there.
    const other = await openShop();
    const stranger = await acquaint(other, b, 'Lantern Yard');
    await share(b, inB, stranger);
    await other.running.stop();
    expect(await ask(a, inA, keyB)).toEqual({ found: 'none' });
  });

  it('brings back what was done there and meets what was written here since: both hold one set', async () => {
    const [first] = (await bookOf(a, inA)).entries;
    await amend(a, first!.id, 'It reads 1893.');
    const [there] = (await bookOf(b, inB)).entries.filter((e) => e.text === 'Bushed 2031');
    await amend(b, there!.id, 'Three bushes.');
    await amend(b, (await bookOf(b, inB)).entries.find((e) => e.hash === first!.hash)!.id, 'Or 1898.');
    await share(b, inB, keyA);
    const asked = found(await ask(a, inA, keyB));
    // Only what is missing travels; an amended entry that is here already is put before what amends it.
    expect(asked.book.entries.map((e, i) => [e.text, asked.checked.here[i], asked.checked.proofs[i]])).toEqual([
      ['Bushed 2031', false, 'proved'],
      ['Three bushes.', false, 'proved'],
      ['Clnd 189', true, 'proved'],
      ['Or 1898.', false, 'proved'],
    ]);
    await bring(a, inA, asked.book);
    expect(found(await ask(a, inA, keyB)).book.entries).toEqual([]);

    await set(a, { answers: 'by entries' });
    expect(await b.marit.ok<Sent>('POST', `${inB}/shops/${keyA}/send`)).toMatchObject({ failed: '' });
    const sent = await a.marit.ok<Sent>('POST', `${inA}/shops/${keyB}/send`);
    expect(sent).toMatchObject({ failed: '', entries: 1, photos: [photo] });
    const [waiting] = await b.marit.ok<Offered[]>('GET', '/offers');
    expect(waiting).toMatchObject({ shop: 'Fennick, Aldermere', entries: 1, movementId: inB.split('/').at(-1) });
    // Nothing stands in a book until somebody takes it in.
    expect(await hashesOf(b, inB)).toHaveLength(4);
    const { book } = await b.marit.ok<ReplyOf<typeof api.exchange.offer>>('GET', `/offers/${waiting!.id}`);
    await bring(b, inB, book);
    await b.marit.ok('PUT', `/offers/${waiting!.id}`, { taken: true });
    expect(await b.marit.ok('GET', '/offers')).toEqual([]);
    expect((await hashesOf(b, inB)).toSorted()).toEqual((await hashesOf(a, inA)).toSorted());
    const signed = async (of: Shop, at: string) =>
      (await of.marit.ok<MovementBook>('GET', `${at}/record`)).entries.map((e) => e.signed).toSorted();
    expect(await signed(b, inB)).toEqual(await signed(a, inA));
  });

  it('has its photos follow, fetched by one shop or sent by the other', async () => {
    expect((await bookOf(b, inB)).photosAway).toEqual([photo]);
    expect((await b.marit.send('PUT', `${inB}/shops/${keyA}/photos/${'0'.repeat(64)}`)).status).toBe(404);
    await b.marit.ok('PUT', `${inB}/shops/${keyA}/photos/${photo}`);
    expect((await bookOf(b, inB)).photosAway).toEqual([]);
    const visit = await takeIn(b.marit, { movement: { name: 'Other', familyId: 'mantel-barrels', marks: [] } });
    const red = await sharp({ create: { width: 40, height: 60, channels: 3, background: 'firebrick' } })
      .jpeg()
      .toBuffer();
    const { hash } = await b.marit.ok<Photo>('POST', `/visits/${visit.id}/photos?stage=intake`, red);
    const other = `/movements/${visit.movement.id}`;
    // A photo of another book is no more given than one that is not there.
    expect((await a.marit.send('PUT', `${inA}/shops/${keyB}/photos/${hash}`)).status).toBe(404);
    expect((await b.marit.send('PUT', `${other}/shops/${keyA}/sent-photos/${hash}`, { there: visit.id })).status).toBe(
      404,
    );
  });

  it('goes in parts where its book is long, an amendment with what it amends', async () => {
    const here = await takeIn(a.marit, { movement: { name: 'Long', familyId: 'mantel-barrels', marks: [] } });
    const at = `/movements/${here.movement.id}`;
    const first = await write(a, at, 'Line 0');
    const { entries: history, logs } = await a.marit.ok<MovementBook>('GET', `${at}/record`);
    const movement = { name: 'Long', familyId: 'mantel-barrels', marks: [], history, logs };
    const there = `/movements/${(await takeIn(b.marit, { movement })).movement.id}`;
    for (let n = 1; n <= 102; n++) await write(a, at, `Line ${n}`);
    await amend(a, first.id, 'Not a line.');
    await share(a, at, keyB);
    const part = found(await ask(b, there, keyA));
    expect([part.book.entries.length, part.more]).toEqual([100, 3]);
    await bring(b, there, part.book);
    const rest = found(await ask(b, there, keyA));
    expect([rest.book.entries.map((e) => e.text), rest.more]).toEqual([
      ['Line 101', 'Line 102', 'Line 0', 'Not a line.'],
      0,
    ]);
    await bring(b, there, rest.book);
    expect(await hashesOf(b, there)).toEqual(await hashesOf(a, at));
  });

  it('is found by a mark where the shop allows it, and told by no more than who carries such a mark', async () => {
    const c = await openShop();
    await acquaint(a, c, 'Fennick, Aldermere');
    const keyC = await acquaint(c, a, 'Mill House');
    const visit = await takeIn(c.marit, {
      movement: { name: 'Found', familyId: 'mantel-barrels', marks: [{ place: 'dial', text: 'No. 64 38' }] },
    });
    const at = `/movements/${visit.movement.id}`;
    const there = inA.split('/').at(-1)!;
    await share(a, inA, keyC);
    expect(await ask(c, at, keyA)).toEqual({ found: 'none' });
    await set(a, { answers: 'by marks' });
    expect(await ask(c, at, keyA)).toMatchObject({ found: 'like', like: [{ id: there, marks: ['6438'] }] });
    const asked = found(await ask(c, at, keyA, there));
    expect(asked.book.entries.length).toBe((await hashesOf(a, inA)).length);
    await share(a, inA, keyC, false);
    expect([await ask(c, at, keyA), await ask(c, at, keyA, there)]).toEqual([{ found: 'none' }, { found: 'none' }]);
    await share(a, inA, null);
    expect(await ask(c, at, keyA)).toMatchObject({ found: 'like' });
    await share(a, inA, null, false);
    // What stands in one book here does not come into another.
    const other = await takeIn(b.marit, { movement: { name: 'Other', familyId: 'mantel-barrels', marks: [] } });
    expect(await ask(b, `/movements/${other.movement.id}`, keyA, there)).toMatchObject({
      found: 'failed',
      why: expect.stringContaining('stands in the book of'),
    });
    await c.running.stop();
    // The search of the counter reads a mark in SQL as core does.
    const { em } = a.running.appContext.orm;
    for (const mark of ['No. 64 38', 'nr.7', 'Norris 12', ' NO 5/A', 'W.M. 3', 'Штамп № 9', 'Ünal-4', '', '—'])
      expect([mark, await sql(em.fork(), `select ${readMark('?::text')} as read`, [mark])]).toEqual([
        mark,
        [{ read: asRead(mark) }],
      ]);
    // HMAC-SHA-256, RFC 4231, test case 2.
    expect(hidden(Buffer.from('Jefe').toString('hex'), 'what do ya want for nothing?')).toBe(
      '5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843',
    );
  });
});

let requests = 0;
/** As another program would send it, with any part of it changed. */
async function request(
  key: Awaited<ReturnType<typeof strangeKey>>,
  to: Shop,
  over: Partial<Parameters<typeof signRequest>[1]> & { sent?: string; path?: string; changes?: string } = {},
) {
  const { sent, path = 'ask', changes, ...changed } = over;
  const body = sent ?? JSON.stringify({ ids: [], have: [], marks: null });
  const { jws } = await signRequest(key, {
    ...{ format: 'eclat-exchange-request', version: 1, want: 'ask', from: key.kid, to: keyA, book: null, photo: null },
    ...{ at: to.now.at.toISOString(), nonce: 'a nonce of its own', body: sha256(Buffer.from(body)), ...changed },
  });
  const send = async () => {
    const reply = await fetch(`${to.running.address}/api/exchange/${path}`, {
      method: 'POST',
      headers: { authorization: `Eclat-Shop ${jws}`, ...(changes && { 'eclat-key-changes': changes }) },
      body,
    });
    return { status: reply.status, said: (await reply.json()) as { detail?: string } };
  };
  return { ...(await send()), again: send };
}

describe('a request of a shop', () => {
  it('is taken once, for this shop, of its time, from whom is known; anything else is refused and noted', async () => {
    const thief = await strangeKey();
    expect((await request(thief, a)).status).toBe(401);
    expect(await contacts(a)).toEqual(
      expect.arrayContaining([expect.objectContaining({ key: thief.kid, outcome: 'its key is not known here' })]),
    );
    const known = await strangeKey();
    await a.marit.ok('POST', '/signing-keys', { key: known.kid, shop: 'Lantern Yard' });
    const first = await request(known, a);
    expect(first).toMatchObject({ status: 200, said: { found: 'none' } });
    expect((await first.again()).status).toBe(409);
    const minutes = (n: number) => new Date(a.now.at.getTime() + n * 60_000).toISOString();
    const refused = {
      'for another shop': await request(known, a, { to: keyB }),
      'by another key than it names': await request(known, a, { from: thief.kid }),
      'an hour old': await request(known, a, { at: minutes(-60) }),
      'an hour early': await request(known, a, { at: minutes(60) }),
      'signed for something else': await request(known, a, { want: 'which' }),
      'with another body': await request(known, a, { sent: '{}', body: sha256(Buffer.from('{ }')) }),
    };
    expect(Object.entries(refused).map(([what, { status }]) => [what, status])).toEqual(
      Object.keys(refused).map((what) => [what, 401]),
    );
    expect(refused['an hour old'].said.detail).toContain('60 minutes');
    expect((await request(known, a, { sent: '{"ids": "all"}' })).status).toBe(422);
    for (const of of ['__proto__', 'photos'])
      expect((await request(known, a, { path: of, nonce: `a nonce for ${of}` })).status).toBeGreaterThanOrEqual(400);
    await set(a, { answers: 'nothing' });
    expect((await request(known, a, { nonce: 'another nonce of it' })).status).toBe(404);
    await set(a, { answers: 'by marks' });
  });

  it('is refused when a shop asks too often, until an hour is over', async () => {
    const known = await strangeKey();
    await a.marit.ok('POST', '/signing-keys', { key: known.kid, shop: 'Lantern Yard' });
    const asked = async (n: number) => (await request(known, a, { nonce: `nonce with number ${n}` })).status;
    const all = [];
    for (let n = 0; n < 61; n++) all.push(await asked(n));
    expect([new Set(all.slice(0, 60)), all.at(-1)]).toEqual([new Set([200]), 429]);
    a.now.at = b.now.at = new Date(a.now.at.getTime() + 3_700_000);
    expect(await asked(100)).toBe(200);
  });

  it('goes on when a shop has changed its key, and not by the key that it gave up', async () => {
    await share(b, inB, keyA);
    await a.marit.ok('POST', '/signing-keys/change', { passphrase: PASS });
    expect(found(await ask(a, inA, keyB)).book.entries).toEqual([]);
    await share(a, inA, keyB);
    expect(found(await ask(b, inB, keyA)).book.entries).toEqual([]);

    const [old, fresh, thief] = [await strangeKey(), await strangeKey(), await strangeKey()];
    await a.marit.ok('POST', '/signing-keys', { key: old.kid, shop: 'Lantern Yard' });
    const handedOn = async (to: typeof old) => {
      const said = { format: 'eclat-key-change', version: 1, shop: 'Lantern Yard', from: old.kid, to: to.kid } as const;
      const change = await signChange(old, to, { ...said, at: a.now.at.toISOString(), last: null });
      return `${change.old}~${change.new}`;
    };
    const by = async (key: typeof old, changes?: string) =>
      (await request(key, a, { nonce: `nonce ${++requests} of its key`, ...(changes && { changes }) })).status;
    expect([await by(fresh), await by(old)]).toEqual([401, 200]);
    expect([await by(fresh, await handedOn(fresh)), await by(fresh), await by(old)]).toEqual([200, 200, 401]);
    // Whoever has the old key hands it on no more.
    expect(await by(thief, await handedOn(thief))).toBe(401);
  });

  it('sends nothing that somebody changed on the way past whoever looks at it', async () => {
    const entry = await writtenElsewhere({ id: inB.split('/').at(-1)!, code: 'M-AAAAAA', name: 'Brass' });
    const key = await strangeKey();
    await b.marit.ok('POST', '/signing-keys', { key: key.kid, shop: 'Mill House' });
    const movement = {
      id: inB.split('/').at(-1)!,
      code: 'M-AAAAAA',
      name: 'Brass',
      familyId: '',
      maker: '',
      marks: [],
    };
    const book = { movement, entries: [{ ...entry, title: 'Not touched' }], logs: [], more: 0 };
    const sent = await request(key, b, { want: 'send', path: 'send', to: keyB, sent: JSON.stringify(book) });
    expect(sent.status).toBe(200);
    const [waiting] = await b.marit.ok<Offered[]>('GET', '/offers');
    const looked = await b.marit.send<Visit>('GET', `/offers/${waiting!.id}`);
    expect([looked.status, looked.body.fields?.[0]?.message]).toEqual([
      422,
      expect.stringContaining('Not what was signed'),
    ]);
    await b.marit.ok('PUT', `/offers/${waiting!.id}`, { taken: false });
    expect((await b.marit.send('PUT', `/offers/${waiting!.id}`, { taken: true })).status).toBe(409);
  });
});

describe('whoever answers at the address of a shop', () => {
  let stop = () => undefined as void;
  afterEach(() => stop());
  /** Stands where the other shop stood. */
  async function instead(answer: RequestListener): Promise<void> {
    const server = createServer(answer).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    stop = () => void server.close();
    process.env['ECLAT_NEAR_SHOPS'] = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    await set(b, { webAddress: process.env['ECLAT_NEAR_SHOPS'] });
    const { card, said } = (await b.marit.ok<NonNullable<ReplyOf<typeof api.movements.card>>>('GET', '/shop-card'))!;
    await a.marit.ok('POST', '/signing-keys', { key: said.key, shop: 'Tower Works, Pellmere', card });
  }

  it('is not believed without the key of that shop, nor followed elsewhere, nor read without end', async () => {
    const why = async () => {
      const asked = await ask(a, inA, keyB);
      return asked.found === 'failed' ? asked.why : asked.found;
    };
    await instead((_req, res) => void res.end(JSON.stringify({ found: 'none' })));
    expect(await why()).toContain('is not this shop');
    stop();
    await instead((_req, res) => void res.writeHead(307, { location: `${a.running.address}/api/session` }).end());
    expect(await why()).toContain('307');
    stop();
    await instead((_req, res) => {
      const more = () => {
        while (res.write(Buffer.alloc(1_000_000, ' ')));
        res.once('drain', more);
      };
      more();
    });
    expect(await why()).toContain('more than a book can be');
    stop();
    await instead((_req, res) => void res.destroy());
    expect(await why()).toContain('does not answer');
    // Not allowed by whoever runs this server, it is not even connected to.
    process.env['ECLAT_NEAR_SHOPS'] = '';
    expect(await why()).toContain('in the clear');
  });

  it('gives its card, signed; what is none, leads elsewhere or into a network of its own is none', async () => {
    process.env['ECLAT_NEAR_SHOPS'] = b.running.address;
    type At = ReplyOf<typeof api.exchange.cardAt>;
    const at = (address: string) => a.marit.ok<At>('POST', '/shop-cards/at', { address });
    const why = async (address: string) => JSON.stringify(await at(address));
    await set(b, { webAddress: b.running.address });
    const got = await at(b.running.address);
    if (got.found !== 'card') throw new Error(got.why);
    const read = await a.marit.ok<{ key: string; known: boolean }>('POST', '/shop-cards/read', { card: got.card });
    expect(read).toMatchObject({ key: keyB, known: true, address: b.running.address });
    // One that has published no address has published no card.
    await set(b, { webAddress: '' });
    expect(await why(b.running.address)).toContain('No shop card stands there');
    process.env['ECLAT_NEAR_SHOPS'] = '';
    expect(await why(b.running.address)).toContain('in the clear');
    expect(await why('https://169.254.169.254')).toContain('network of its own');
    for (const address of ['http://clocks.example', 'file:///etc/passwd', 'https://a:b@clocks.example', ''])
      expect((await a.marit.send('POST', '/shop-cards/at', { address })).status, address).toBe(422);
    await instead((_req, res) => void res.writeHead(302, { location: `${b.running.address}/api/people` }).end());
    expect(await why(process.env['ECLAT_NEAR_SHOPS'])).toContain('302');
    stop();
    await instead((_req, res) => void res.end(`{"card":"${'x'.repeat(30_000)}"}`));
    expect(await why(process.env['ECLAT_NEAR_SHOPS'])).toContain('more than');
    stop();
    await instead((_req, res) => void res.end('<p>Welcome</p>'));
    expect(await why(process.env['ECLAT_NEAR_SHOPS'])).toContain('cannot be read');
    const strangers = await fetch(`${a.running.address}/api/exchange/card`);
    expect([strangers.status, Object.keys((await strangers.json()) as object)]).toEqual([200, ['card']]);
  });
});
