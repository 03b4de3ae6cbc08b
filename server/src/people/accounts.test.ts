import type { Account, Person } from '@eclat/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openShop, PASS, serveOn, freshDatabase, Browser } from '../../test/shop.ts';
import { sql } from '../platform/http/app-context.ts';
import { HttpProblem } from '../platform/http/problems.ts';
import { neighbourhood, recognise } from './sign-in.service.ts';

const MINUTE_MS = 60_000;
const now = { at: new Date('2031-05-02T09:00:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
const em = () => shop.running.appContext.orm.em.fork();
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());
beforeEach(() => sql(em(), 'delete from sign_in_failure'));

let named = 0;
/** Somebody with an account, signed in. */
async function somebody(role = 'technician'): Promise<{ id: string; name: string; browser: Browser }> {
  const name = `Tobiah Rusk ${++named}`;
  const { id } = await shop.marit.ok<Person>('POST', '/people', { name, role, passphrase: PASS });
  const browser = shop.browser();
  await signIn(browser, name);
  return { id, name, browser };
}
const signIn = (browser: Browser, name: string, passphrase = PASS) =>
  browser.send('PUT', '/session', { name, passphrase });
const NEW = 'four herons keep a ledger';

describe('the door', () => {
  it('stands open to thirty strangers at once, and to those who are inside', async () => {
    const strangers = Array.from({ length: 30 }, (_, i) => signIn(shop.browser(), `nobody ${i}`, 'wrong'));
    const inside = Array.from({ length: 10 }, () => shop.marit.send('GET', '/bench'));
    expect((await Promise.all(inside)).map((a) => a.status)).toEqual(Array.from({ length: 10 }, () => 200));
    expect([...new Set((await Promise.all(strangers)).map((a) => a.status))]).toEqual([401]);
  });

  it('judges five guesses of those that come at once, on two servers, and lets a right one wait its turn', async () => {
    const { name } = await somebody();
    const second = await serveOn(shop.url, now);
    const guesses = Array.from({ length: 12 }, (_, i) =>
      signIn(i % 2 ? shop.browser() : new Browser(second.address), name, `wrong ${i}`),
    );
    const statuses = (await Promise.all(guesses)).map((a) => a.status);
    expect(statuses.filter((s) => s === 401)).toHaveLength(5);
    expect(statuses.filter((s) => s === 429)).toHaveLength(7);
    const refused = await signIn(shop.browser(), name);
    expect([refused.status, Number(refused.headers.get('retry-after'))]).toEqual([429, 900]);
    await second.stop();
  });

  it('delays a name that is guessed at from everywhere, longer each time, and never for good', async () => {
    const { name, browser } = await somebody();
    const from = (i: number, at: Date, device?: string) =>
      recognise(em(), { name, passphrase: 'wrong', address: `203.0.113.${i}`, device }, at).catch(
        (e: unknown) => (e as HttpProblem).extra.retryAfterS ?? (e as HttpProblem).status,
      );
    const at = new Date(now.at);
    for (let i = 0; i < 11; i++) expect(await from(i, at)).toBe(401);
    const waits: unknown[] = [];
    for (let i = 20; i < 32; i++) {
      const wait = (await from(i, at)) as number;
      waits.push(wait);
      at.setTime(at.getTime() + 1000 * wait);
      expect(await from(i, at)).toBe(401);
    }
    expect(waits).toEqual([1, 2, 4, 8, 16, 32, 64, 128, 256, 300, 300, 300]);
    now.at = at;
    // A stranger waits; the person at a device of their own does not, nor does one who guesses at another name.
    expect((await signIn(shop.browser(), name)).status).toBe(429);
    expect((await signIn(browser, name)).status).toBe(200);
    for (let i = 0; i < 5; i++) expect((await signIn(browser, name, `wrong ${i}`)).status).toBe(401);
    expect((await signIn(browser, name)).status).toBe(429);
    now.at = new Date(now.at.getTime() + 16 * MINUTE_MS);
    expect((await signIn(browser, name)).status).toBe(200);
  });

  it('takes thirty guesses of one address, whatever the names; a whole /64 of IPv6 is one address', async () => {
    const from = (name: string, address: string) =>
      recognise(em(), { name, passphrase: 'wrong', address, device: undefined }, now.at).catch(
        (e: unknown) => (e as HttpProblem).status,
      );
    for (let i = 0; i < 30; i++) expect(await from(`n${i}`, `2001:db8:1:2::${i}`)).toBe(401);
    expect(await from('n31', '2001:db8:1:2:ffff::1')).toBe(429);
    expect(await from('n31', '2001:db8:1:3::1')).toBe(401);
    expect(neighbourhood('::ffff:192.0.2.7')).toBe(neighbourhood('192.0.2.7'));
  });

  it('opens a new shop only for the code that was told where it was started', async () => {
    const running = await serveOn(await freshDatabase(), now);
    const given = { shop: 'x', timeZone: 'UTC', name: 'Marit Fennick', passphrase: PASS };
    const found = (code: string) => new Browser(running.address).send('PUT', '/first-run', { ...given, code });
    expect((await found('AAAAA-AAAAA')).body.fields?.[0]?.path).toBe('code');
    expect((await found(` ${running.openingCode!.toLowerCase()} `)).status).toBe(200);
    expect((await found(running.openingCode!)).status).toBe(409);
    await running.stop();
  });
});

describe('accounts', () => {
  it('a person is locked out at once: requests, the open stream, the next sign-in; and let in again', async () => {
    const { id, name, browser } = await somebody();
    const stream = await browser.listen();
    await shop.marit.ok('PUT', `/people/${id}/active`, { active: false });
    await stream.ended;
    expect((await browser.send('GET', '/bench')).status).toBe(401);
    expect((await signIn(browser, name)).status).toBe(401);
    expect((await shop.marit.ok<Account[]>('GET', '/accounts')).find((a) => a.id === id)).toMatchObject({
      active: false,
    });
    await shop.marit.ok('PUT', `/people/${id}/active`, { active: true });
    expect((await signIn(browser, name)).status).toBe(200);
  });

  it('a role holds from the next press on, and the shop keeps an owner, also when two go at once', async () => {
    const { id, browser } = await somebody();
    expect((await browser.send('GET', '/accounts')).status).toBe(403);
    await shop.marit.ok('PUT', `/people/${id}/role`, { role: 'owner-of-shop' });
    const [marit] = (await browser.ok<Account[]>('GET', '/accounts')).filter((a) => a.name === 'Marit Fennick');
    const demote = (who: Browser, whom: string) => who.send('PUT', `/people/${whom}/role`, { role: 'technician' });
    const both = await Promise.all([demote(shop.marit, id), demote(browser, marit!.id)]);
    const owners = (await sql(em(), "select 1 from person where role = 'owner-of-shop' and active")).length;
    expect([owners, both.filter((a) => a.status === 200).length]).toEqual([1, 1]);
    await sql(
      em(),
      "update person set role = case when name = 'Marit Fennick' then 'owner-of-shop' else 'technician' end",
    );
    expect((await demote(shop.marit, marit!.id)).status).toBe(409);
  });

  it('a new passphrase signs out: everywhere when it is given, elsewhere when it is one’s own', async () => {
    const { id, name, browser } = await somebody();
    const other = shop.browser();
    await signIn(other, name);
    const change = (now: string) => browser.send('PUT', '/passphrase', { now, passphrase: NEW });
    expect((await change('wrong')).body.fields?.[0]?.path).toBe('now');
    expect((await change(PASS)).status).toBe(200);
    expect([(await browser.send('GET', '/bench')).status, (await other.send('GET', '/bench')).status]).toEqual([
      200, 401,
    ]);
    await shop.marit.ok('PUT', `/people/${id}/passphrase`, { passphrase: PASS });
    expect((await browser.send('GET', '/bench')).status).toBe(401);
    await signIn(browser, name);
    await signIn(other, name);
    await other.ok('DELETE', '/sessions');
    expect([(await browser.send('GET', '/bench')).status, (await other.send('GET', '/bench')).status]).toEqual([
      401, 401,
    ]);
  });

  // Facts: of the lists that are tried first, of repetition, of keyboards, and of names that anybody knows.
  it.each(['passwordpassword', '123456789012', 'aaaaaaaaaaaaaaa', 'qwertyuiop12', 'Wilf Arden 12', 'fennick row 1'])(
    'refuse %s as a passphrase',
    async (passphrase) => {
      const { status, body } = await shop.marit.send('POST', '/people', {
        name: 'Wilf Arden',
        role: 'counter',
        passphrase,
      });
      expect([status, body.fields?.[0]?.path]).toEqual([422, 'passphrase']);
    },
  );
  it.each([PASS, 'brass-lark-mends-nine', 'Ölkännchen steht schief', 'r7Qp!x0vLm2z'])('take %s', async (passphrase) => {
    const name = `Wilf Arden ${++named}`;
    expect((await shop.marit.send('POST', '/people', { name, role: 'counter', passphrase })).status).toBe(201);
  });
});
