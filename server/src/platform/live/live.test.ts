import pg from 'pg';
import { pino } from 'pino';
import { expect, it, vi } from 'vitest';
import { freshDatabase, openShop, takeIn } from '../../../test/shop.ts';
import { LiveNotices } from './live.ts';

const PATIENT = { timeout: 20_000, interval: 100 };

it('comes back after its connection is cut, with one connection and a word to every browser', async () => {
  const url = await freshDatabase();
  const live = new LiveNotices(url, pino({ level: 'silent' }), (all) => Promise.resolve(new Set(all)));
  await live.start();
  const heard: string[] = [];
  const browser = {
    set: () => browser,
    flushHeaders: () => undefined,
    write: (text: string) => heard.push(text),
    end: () => undefined,
  };
  live.listen({ on: () => undefined } as never, browser as never, 'a session');
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  const listening = async () =>
    (
      await admin.query(
        "select pid from pg_stat_activity where datname = current_database() and query = 'listen eclat'",
      )
    ).rows.length;
  for (let cut = 0; cut < 3; cut++) {
    await admin.query(
      'select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and ' +
        "query = 'listen eclat'",
    );
    await vi.waitFor(() => expect(heard.filter((h) => h.includes('"baths"'))).toHaveLength(cut + 1), PATIENT);
    await vi.waitFor(async () => expect(await listening()).toBe(1), PATIENT);
  }
  expect(heard.filter((h) => h.includes('"baths"'))).toHaveLength(3);
  await admin.query("select pg_notify('eclat', 'as it was said')");
  await vi.waitFor(() => expect(heard.at(-1)).toContain('as it was said'), PATIENT);
  await live.stop();
  await vi.waitFor(async () => expect(await listening()).toBe(0), PATIENT);
  await admin.end();
});

it('tells every browser what a change was declared to change, in stores, baths and rules too', async () => {
  const shop = await openShop();
  const visit = await takeIn(shop.marit);
  const heard = await shop.marit.listen();
  const tank = { bath: 'detergent', name: 'Tank 1', litres: 3, waterParts: 9, limitLoads: null, limitDays: null };
  await shop.marit.ok('POST', '/stores', { kind: 'other', name: 'Taper pins' });
  await shop.marit.ok('POST', '/baths', tank);
  await shop.marit.ok('PUT', `/visits/${visit.id}/rules/which-holes`, { school: 'failed', reason: 'Owner asked.' });
  await shop.marit.ok('PUT', '/rules', { choices: {}, why: {}, version: 0 });
  await vi.waitFor(() => expect(heard.notices.length).toBeGreaterThanOrEqual(4), PATIENT);
  expect(heard.notices.map(({ topics, visits }) => ({ topics, visits }))).toEqual([
    { topics: ['stores'], visits: [] },
    { topics: ['baths'], visits: [] },
    { topics: ['visit', 'bench'], visits: [visit.id] },
    { topics: ['rules'], visits: [] },
  ]);
  heard.stop();
  await shop.running.stop();
});

it('ends the streams of ended sessions, and none that is opened while they are being asked for', async () => {
  let answer: (still: Set<string>) => void = () => undefined;
  const live = new LiveNotices(
    await freshDatabase(),
    pino({ level: 'silent' }),
    () => new Promise((resolve) => (answer = resolve)),
  );
  await live.start();
  const opened = (session: string) => {
    const stream = { ended: false, after: 0 };
    const res = {
      set: () => res,
      flushHeaders: () => undefined,
      write: () => (stream.after += stream.ended ? 1 : 0),
      end: () => (stream.ended = true),
    };
    live.listen({ on: () => undefined } as never, res as never, session);
    return stream;
  };
  const [gone, stays] = [opened('gone'), opened('stays')];
  const admin = new pg.Client({ connectionString: live['url'] });
  await admin.connect();
  const before = answer;
  await admin.query("select pg_notify('eclat', $1)", ['{"topics":["session"]}']);
  await vi.waitFor(() => expect(answer).not.toBe(before), PATIENT);
  const late = opened('late');
  answer(new Set(['stays']));
  await vi.waitFor(() => expect(gone.ended).toBe(true), PATIENT);
  expect([stays.ended, late.ended]).toEqual([false, false]);
  await live.stop();
  await admin.query("select pg_notify('eclat', '{}')");
  await admin.end();
  expect([gone.after, stays.after, late.after]).toEqual([0, 0, 0]);
});
