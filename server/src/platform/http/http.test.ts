import { randomUUID } from 'node:crypto';
import { api, type Route } from '@eclat/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Browser, freshDatabase, newClock, openShop, PASS, serveOn, takeIn } from '../../../test/shop.ts';
import { sql } from './app-context.ts';
import { forLog, pathForLog } from './for-log.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

const count = async (table: string) =>
  Number((await sql<{ n: string }>(shop.running.appContext.orm.em.fork(), `select count(*) as n from ${table}`))[0]!.n);

describe('who may', () => {
  it('lets nobody in without a session, except to sign in', async () => {
    const stranger = shop.browser();
    for (const [path, method] of [
      ['/bench', 'GET'],
      ['/owners', 'GET'],
      ['/live', 'GET'],
      [`/photos/${randomUUID()}/small`, 'GET'],
      ['/visits', 'POST'],
      [`/visits/${randomUUID()}/photos?stage=intake`, 'POST'],
    ] as const)
      expect((await stranger.send(method, path, method === 'POST' ? {} : undefined)).status, path).toBe(401);
    expect((await stranger.send('GET', '/session')).body).toMatchObject({ person: null, firstRun: false });
  });

  it('holds to the roles', async () => {
    await shop.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: PASS });
    const wilf = shop.browser();
    await wilf.ok('PUT', '/session', { name: 'wilf arden', passphrase: PASS });
    const visit = await takeIn(wilf);
    expect((await wilf.send('PUT', `/visits/${visit.id}/power/going`, { state: 'let down', version: 1 })).status).toBe(
      403,
    );
    expect((await wilf.send('POST', `/visits/${visit.id}/signature`, { passphrase: PASS })).status).toBe(403);
    expect((await wilf.send('POST', '/people', { name: 'x', role: 'owner-of-shop', passphrase: PASS })).status).toBe(
      403,
    );
  });

  it('sets a cookie that scripts cannot read and other sites cannot send', async () => {
    const answer = await shop.browser().send('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS });
    expect(answer.headers.get('set-cookie')).toMatch(/HttpOnly/);
    expect(answer.headers.get('set-cookie')).toMatch(/SameSite=Strict/);
    const [{ hash }] = (await sql<{ hash: string }>(
      shop.running.appContext.orm.em.fork(),
      'select passphrase_hash as hash from person limit 1',
    )) as [{ hash: string }];
    expect(hash).toMatch(/^\$argon2id\$/);
  });

  it('ends a session at sign-out, and when it has been idle for half a day', async () => {
    const browser = shop.browser();
    await browser.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS });
    await browser.ok('DELETE', '/session');
    expect((await browser.send('GET', '/bench')).status).toBe(401);
    await browser.ok('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS });
    const before = shop.now.at;
    shop.now.at = new Date(before.getTime() + 13 * 3_600_000);
    expect((await browser.send('GET', '/bench')).status).toBe(401);
    shop.now.at = before;
  });

  it('refuses a change from another origin, or from none', async () => {
    expect((await shop.marit.send('POST', '/visits', newClock(), { origin: 'http://evil.example' })).status).toBe(403);
    expect((await shop.marit.send('DELETE', '/session', undefined, { origin: '' })).status).toBe(403);
    const scheme = shop.running.address.replace('http:', 'https:');
    expect((await shop.marit.send('POST', '/visits', newClock(), { origin: scheme })).status).toBe(403);
  });

  it('goes down with every request answered or refused, none cut off', async () => {
    const running = await serveOn(shop.url, shop.now);
    const browsers = Array.from({ length: 20 }, () => new Browser(running.address));
    // Each keeps its connection open, and has the next request on it while the server goes down.
    await Promise.all(browsers.map((b) => b.send('GET', '/session')));
    const signIn = (b: Browser) => b.send('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS });
    const underWay = browsers.slice(0, 4).map(signIn);
    // Under way they are once their passphrases are being reckoned; and then the server goes down.
    await new Promise((resolve) => setTimeout(resolve, 30));
    const stopped = running.stop();
    const late = browsers.slice(4).map((b) => b.send('GET', '/session'));
    const statuses = (await Promise.all([...underWay, ...late])).map((a) => a.status);
    expect([...new Set(statuses)].filter((s) => s !== 200 && s !== 503)).toEqual([]);
    await stopped;
    await expect(browsers[0]!.send('GET', '/session')).rejects.toThrow();
  });

  it('refuses that name after five wrong passphrases, on every server process, and no other', async () => {
    const second = await serveOn(shop.url, shop.now);
    await shop.marit.ok('POST', '/people', { name: 'Tobiah Rusk', role: 'technician', passphrase: PASS });
    const guess = (browser: Browser, passphrase: string) =>
      browser.send('PUT', '/session', { name: 'Tobiah Rusk', passphrase });
    for (let i = 0; i < 5; i++) expect((await guess(shop.browser(), `wrong ${i}`)).status).toBe(401);
    const elsewhere = await guess(new Browser(second.address), PASS);
    expect(elsewhere.status).toBe(429);
    expect(Number(elsewhere.headers.get('retry-after'))).toBeGreaterThan(0);
    expect((await shop.browser().send('PUT', '/session', { name: 'Marit Fennick', passphrase: PASS })).status).toBe(
      200,
    );
    await second.stop();
  });
});

describe('headers', () => {
  it('allows no inline script and no framing', async () => {
    const { headers } = await shop.browser().send('GET', '/session');
    const policy = headers.get('content-security-policy')!;
    expect(policy).toMatch(/script-src 'self'(;|$)/);
    expect(policy).not.toContain('unsafe-inline');
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('cache-control')).toBe('no-store');
  });
});

describe('sent twice', () => {
  it('makes one row of a POST sent twice, even at once, and gives both the same reply', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'x', familyId: 'fusee' } });
    const key = randomUUID();
    const before = await count('finding');
    const finding = { place: 'case', seen: 'loose hinge', severity: 'looks', effect: 'looks' };
    const send = () => shop.marit.send('POST', `/visits/${visit.id}/findings`, finding, { 'idempotency-key': key });
    const replies = await Promise.all([send(), send(), send()]);
    replies.push(await send());
    expect(new Set(replies.map((r) => JSON.stringify(Object.entries(r.body).sort()))).size).toBe(1);
    expect(await count('finding')).toBe(before + 1);
    expect(
      (
        await shop.marit.send(
          'POST',
          `/visits/${visit.id}/findings`,
          { ...finding, seen: 'other' },
          { 'idempotency-key': key },
        )
      ).status,
    ).toBe(422);
  });
  it('does the work again when the first try failed', async () => {
    const key = randomUUID();
    const wrong = await shop.marit.send('POST', '/visits', newClock({ complaint: '' }), { 'idempotency-key': key });
    expect(wrong.body.fields).toEqual([{ path: 'complaint', message: expect.stringContaining('needed') }]);
    expect(
      (
        await shop.marit.send('POST', '/visits', newClock({ movement: { name: 'y', familyId: 'longcase' } }), {
          'idempotency-key': key,
        })
      ).status,
    ).toBe(201);
  });
  it('needs a key', async () =>
    expect((await shop.marit.send('POST', '/visits', newClock(), { 'idempotency-key': '' })).status).toBe(400));
});

describe('the API document', () => {
  it('has every route of the contract', async () => {
    const doc = await shop.marit.ok<{ openapi: string; paths: Record<string, Record<string, object>> }>(
      'GET',
      '/openapi.json',
    );
    expect(doc.openapi).toBe('3.1.0');
    for (const r of Object.values(api).flatMap((group) => Object.values(group) as Route[]))
      expect(
        doc.paths[`/api${r.path.replace(/:(\w+)/g, '{$1}')}`]?.[r.method.toLowerCase()],
        `${r.method} ${r.path}`,
      ).toBeDefined();
  });
  it('answers an unknown address and a broken body with a problem document', async () => {
    expect(await shop.marit.send('GET', '/nothing')).toMatchObject({
      status: 404,
      body: { title: expect.any(String) },
    });
    expect((await shop.marit.send('GET', '/visits/not-a-uuid')).status).toBe(404);
  });
});

it('two servers may start at once on an empty database', async () => {
  const url = await freshDatabase();
  const both = await Promise.all([serveOn(url, shop.now), serveOn(url, shop.now)]);
  await Promise.all(both.map((s) => s.stop()));
});

it('a log holds no name, no telephone number and no address that opens something', () => {
  const error = Object.assign(new Error("insert into owner values ('Odile Tarrowby', '0555 010 442')"), {
    code: '23514',
    detail: 'Failing row contains (Odile Tarrowby).',
    table: 'owner',
  });
  const kept = JSON.stringify([forLog(error), pathForLog(`/for-owner/${'a'.repeat(43)}/photos/${randomUUID()}`)]);
  expect(kept).not.toMatch(/Tarrowby|0555|aaaa/);
  expect(kept).toMatch(/23514.*owner.*for-owner\/…\/photos\/[0-9a-f-]{36}/);
});
