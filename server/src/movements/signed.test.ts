import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { movementBook, type Book, type Entry, type SignedEntry, type StoreCheck } from '@eclat/contract';
import { canonical } from '@eclat/core/history';
import { calculateJwkThumbprint, CompactSign, compactVerify, importJWK, type CryptoKey } from 'jose';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { strangeKey, verifiedByOpenssl } from '../../test/forge.ts';
import { byHand, openShop, PASS, takeIn } from '../../test/shop.ts';
import { sql } from '../platform/http/app-context.ts';
import { sha256 } from '../platform/sha256.ts';
import { readLogs } from './log.service.ts';
import { photosNamed, readSigned, signEntry } from './signed.ts';
import { checkDaily } from './verify.ts';

/** RFC 8037, appendix A.1. */
const KEY = {
  kty: 'OKP',
  crv: 'Ed25519',
  d: 'nWGxne_9WmC6hEr0kuwsxERJxWl7MmkZcDusAxyuf2A',
  x: '11qYAYKxCrfVS_7TyWQHOg7hcvPapiMlrwIaaPcHURo',
};

describe('what signs is as published', () => {
  it('RFC 8037, A.3 to A.5: thumbprint, signature, and its check', async () => {
    expect(await calculateJwkThumbprint(KEY)).toBe('kPrK_qmxVWaYVA9wwBF6Iuo3vVzz7TxHCTwXBygrS4k');
    const bytes = new TextEncoder().encode('Example of Ed25519 signing');
    const secret = (await importJWK(KEY, 'EdDSA')) as CryptoKey;
    const jws = await new CompactSign(bytes).setProtectedHeader({ alg: 'EdDSA' }).sign(secret);
    expect(jws).toBe(
      'eyJhbGciOiJFZERTQSJ9.RXhhbXBsZSBvZiBFZDI1NTE5IHNpZ25pbmc.hgyY0il_MGCjP0JzlnLWG1PPOt7-09PGcvMg3AIbQR6dWbhijcNR' +
        '4ki4iylGjg5BhVsPt9g7sVvpAr_MuM0KAg',
    );
    const { d: _secret, ...open } = KEY;
    const { payload } = await compactVerify(jws, await importJWK(open, 'EdDSA'));
    expect(new TextDecoder().decode(payload)).toBe('Example of Ed25519 signing');
  });

  it('RFC 7638, 3.1: the thumbprint of its RSA key', async () => {
    const n =
      '0vx7agoebGcQSuuPiLJXZptN9nndrQmbXEps2aiAFbWhM78LhWx4cbbfAAtVT86zwu1RK7aPFFxuhDR1L6tSoc_BJECPebWKRXjB' +
      'ZCiFV4n3oknjhMstn64tZ_2W-5JsGY4Hc5n9yBXArwl93lqt7_RN5w6Cf0h4QyQ5v-65YGjQR0_FDW2QvzqY368QQMicAtaSqzs8' +
      'KJZgnYb9c7d0zgdAZHzu6qMQvRL5hajrn1n91CbOpbISD08qNLyrdkt-bFTWhAI4vMQFh6WeZu0fM4lFd2NcRwr3XPksINHaQ-G_' +
      'xBniIqbw0Ls1jF44-csFCur-kEgU8awapJzKnqDKgw';
    const key = { kty: 'RSA', n, e: 'AQAB', alg: 'RS256', kid: '2011-04-29' };
    expect(await calculateJwkThumbprint(key)).toBe('NzbLsXh8uDCcd-6MNwXF4W_7noWXFZAfHkxZsRGC9Xs');
  });
});

it('the sample of docs/formats holds, read by our own code and by OpenSSL', async () => {
  const sample = readFileSync(new URL('../../../docs/formats/sample-book.json', import.meta.url), 'utf8');
  const { entries, logs = [] } = movementBook.parse(JSON.parse(sample));
  const read = await Promise.all(entries.map((e) => readSigned(e.signed!)));
  expect(read).toMatchObject(entries.map(({ hash, title }) => ({ hash, said: { title } })));
  const [first, second, third] = read;
  expect(third!.said).toMatchObject({ amends: first!.hash, parents: [second!.hash] });
  const signatures = [...entries.map((e) => e.signed!), ...logs.map((l) => l.head)];
  const changes = logs.flatMap((l) => l.changes ?? []).flatMap((c) => [c.old, c.new]);
  expect(changes).toHaveLength(2);
  for (const jws of [...signatures, ...changes]) expect(verifiedByOpenssl(jws)).toMatch(/Verified Successfully/);
  // Who knows the first key knows the one to which it was changed; all entries stand in the logs.
  const held = await readLogs(logs, entries);
  expect(held.flatMap((l) => l.changes)).toMatchObject([{ from: first!.kid, to: third!.kid, last: { size: 2 } }]);
  expect(held.flatMap((l) => l.places.map((p) => p.hash))).toEqual(entries.map((e) => e.hash));
  for (const { hash } of photosNamed({ jws: entries[0]!.signed! }))
    expect(sha256(readFileSync(new URL(`../../../docs/formats/photos/${hash}.jpg`, import.meta.url)))).toBe(hash);
});

describe('a signed entry', () => {
  const said = (key: string, change: object = {}): SignedEntry => ({
    format: 'eclat-entry',
    version: 2,
    movement: { id: '6f1c2d1e-0000-4000-8000-000000000001', code: 'M-777777', name: 'Fusee timepiece' },
    ...{ kind: 'inscription', date: '189X', title: 'Inscription', text: 'Clnd', place: 'plate' },
    ...{ shop: 'Brackwater Clocks', signedBy: 'Eben Strake', writtenAt: '2031-05-02T09:00:00.000Z' },
    signer: { name: 'Eben Strake', standing: 'technician', shop: 'Brackwater Clocks', key },
    ...{ amends: null, parents: [], takenOver: null, sections: { wishes: { version: 3, of: 'a later day' } } },
    ...change,
  });

  it('is read as it was signed, with sections of a later day; what only looks so is not', async () => {
    const key = await strangeKey();
    const { jws, hash } = await signEntry(key, said(key.kid));
    expect(await readSigned(jws)).toEqual({ said: said(key.kid), kid: key.kid, hash });
    const by = (text: string, header: object = {}) =>
      new CompactSign(new TextEncoder().encode(text))
        .setProtectedHeader({ alg: 'EdDSA', typ: 'eclat-entry', kid: key.kid, jwk: key.jwk, ...header })
        .sign(key.secret);
    const good = canonical(said(key.kid));
    expect(await readSigned(await by(good))).not.toBeNull();
    const other = await strangeKey();
    const [head, body, signature] = jws.split('.') as [string, string, string];
    const none = Buffer.from(JSON.stringify({ alg: 'none', typ: 'eclat-entry', kid: key.kid, jwk: key.jwk }));
    for (const [what, bad] of [
      ['spaces: one text, one hash', await by(JSON.stringify(JSON.parse(good), null, 1))],
      ['a name twice', await by(good.replace('{', '{"title":"Overhauled",'))],
      ['another key named within', await by(canonical(said(other.kid)))],
      ['a thumbprint that is not of its key', await by(good, { kid: other.kid })],
      ['something else that the same key signed', await by(good, { typ: 'JWT' })],
      ['of no kind known', await by(canonical(said(key.kid, { kind: 'rumour' })))],
      ['no signature asked', `${none.toString('base64url')}.${body}.`],
      ['one letter off', `${head}.${body}.${signature.replace(/.{10}$/, 'AAAAAAAAAA')}`],
      ['nothing', ''],
      ['no end', `${head}.${body}`],
    ] as const)
      expect(await readSigned(bad), what).toBeNull();
  });

  it('carries no key but the one it was signed with', async () => {
    const [key, other] = [await strangeKey(), await strangeKey()];
    const lying = { ...key, jwk: other.jwk };
    expect(await readSigned((await signEntry(lying, said(key.kid))).jws)).toBeNull();
  });
});

describe('who signs', () => {
  let shop: Awaited<ReturnType<typeof openShop>>;
  let movementId: string;
  const em = () => shop.running.appContext.orm.em.fork();
  const found = { date: '189X', text: 'Clnd 189', place: 'plate' };
  beforeAll(async () => {
    shop = await openShop();
    movementId = (await takeIn(shop.marit)).movement.id;
  });
  afterAll(() => shop.running.stop());
  afterEach(() => vi.unstubAllEnvs());

  it('is asked for the passphrase again; guesses are counted, and the passphrase is kept nowhere', async () => {
    const { id } = await shop.marit.ok<Entry>('POST', `/movements/${movementId}/inscriptions`, found);
    const amend = (passphrase: string) =>
      shop.marit.send('POST', `/history/${id}/amendments`, { text: 'It reads JR.', passphrase });
    expect((await amend('')).status).toBe(422);
    const wrong = await amend('pin oak wedge nine');
    expect(wrong.body.fields).toEqual([{ path: 'passphrase', message: 'This is not your passphrase.' }]);
    expect((await amend(PASS)).status).toBe(201);
    expect((await shop.marit.ok<Book>('GET', `/movements/${movementId}`)).entries).toHaveLength(2);
    const hashed = (body: object) =>
      createHash('sha256')
        .update(`/api/history/${id}/amendments\n${JSON.stringify(body)}`)
        .digest('hex');
    const known = (body: object) => sql(em(), 'select 1 from idempotency where request_hash = ?', [hashed(body)]);
    expect(await known({ text: 'It reads JR.' })).toHaveLength(1);
    expect(await known({ text: 'It reads JR.', passphrase: PASS })).toEqual([]);
    expect(await sql(em(), `select from idempotency where reply::text like '%' || ? || '%'`, [PASS])).toEqual([]);
    for (let n = 0; n < 5; n++) await amend(`guess ${n} of a stranger`);
    expect((await amend(PASS)).status).toBe(429);
  });

  it('is nobody at the counter, and nobody where the key of the shop does not open', async () => {
    await shop.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: PASS });
    const wilf = shop.browser();
    await wilf.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: PASS });
    expect((await wilf.send('POST', `/movements/${movementId}/inscriptions`, found)).status).toBe(403);
    // The database on another machine, without the file beside it.
    vi.stubEnv('ECLAT_KEY', 'YW5vdGhlciBrZXksIGFsc28gb2YgMzIgYnl0ZXMgbGU');
    const refused = await shop.marit.send('POST', `/movements/${movementId}/inscriptions`, found);
    expect(refused).toMatchObject({ status: 409, body: { detail: expect.stringContaining('signing.key') } });
    vi.unstubAllEnvs();
    expect((await shop.marit.send('POST', `/movements/${movementId}/inscriptions`, found)).status).toBe(201);
    const [kept] = await sql<{ all: string }>(em(), 'select jsonb_agg(k)::text as all from shop_key k');
    expect(kept!.all).not.toContain('"d"');
  });

  it('and what is signed is checked once a day, with what does not hold named', async () => {
    const last = () => shop.marit.ok<StoreCheck | null>('GET', '/movement-books/check');
    expect((await last())?.at).toBeUndefined();
    const begun = shop.now.at;
    await checkDaily(em(), begun);
    expect(await last()).toEqual({ at: begun.toISOString(), entries: 3, broken: [], log: [] });
    await byHand(shop, 'history_entry', `update history_entry set text = 'Overhauled' where kind = 'amendment'`);
    await checkDaily(em(), new Date(begun.getTime() + 23 * 3_600_000));
    expect((await last())!.broken).toEqual([]);
    await checkDaily(em(), new Date(begun.getTime() + 24 * 3_600_000));
    expect((await last())!.broken).toMatchObject([{ movementId, proof: 'changed' }]);
  });
});
