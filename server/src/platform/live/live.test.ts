import pg from 'pg';
import { pino } from 'pino';
import { setTimeout as wait } from 'node:timers/promises';
import { expect, it } from 'vitest';
import { freshDatabase, openShop, takeIn } from '../../../test/shop.ts';
import { LiveNotices } from './live.ts';

it('comes back after its connection is cut, with one connection and a word to every browser', async () => {
  const url = await freshDatabase();
  const live = new LiveNotices(url, pino({ level: 'silent' }));
  await live.start();
  const heard: string[] = [];
  const browser = {
    set: () => browser,
    flushHeaders: () => undefined,
    write: (text: string) => heard.push(text),
    end: () => undefined,
  };
  live.listen({ on: () => undefined } as never, browser as never);
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
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query = 'listen eclat'",
    );
    for (let i = 0; i < 50 && heard.filter((h) => h.includes('"baths"')).length <= cut; i++) await wait(100);
  }
  await wait(1500);
  expect(heard.filter((h) => h.includes('"baths"'))).toHaveLength(3);
  expect(await listening()).toBe(1);
  await admin.query("select pg_notify('eclat', 'as it was said')");
  await wait(200);
  expect(heard.at(-1)).toContain('as it was said');
  await live.stop();
  await wait(200);
  expect(await listening()).toBe(0);
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
  for (let i = 0; i < 50 && heard.notices.length < 4; i++) await wait(100);
  expect(heard.notices.map(({ topics, visits }) => ({ topics, visits }))).toEqual([
    { topics: ['stores'], visits: [] },
    { topics: ['baths'], visits: [] },
    { topics: ['visit', 'bench'], visits: [visit.id] },
    { topics: ['rules'], visits: [] },
  ]);
  heard.stop();
  await shop.running.stop();
});
