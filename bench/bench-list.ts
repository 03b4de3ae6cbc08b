import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import autocannon from 'autocannon';
import express from 'express';
import pg from 'pg';
import { FACTS_SQL } from '@eclat/server/bench/bench-list';
import { signIn } from './sign-in.ts';

/** The bench list at 50 clients, beside a bare Express route that runs the same SQL and sends what comes back. */
const address = process.env['ECLAT_ADDRESS']!;
const cookie = await signIn(address);
const pool = new pg.Pool({ connectionString: process.env['DATABASE_URL']!, max: 10 });
const bare = express();
bare.get('/', async (_req, res) => {
  res.json((await pool.query(`${FACTS_SQL} where v.closed_at is null order by v.opened_at`)).rows);
});
const server = createServer(bare);
await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));

async function load(name: string, url: string, headers: Record<string, string> = {}) {
  await autocannon({ url, headers, connections: 10, duration: 3 }); // warm
  const r = await autocannon({ url, headers, connections: 50, duration: 10 });
  if (r.non2xx > 0 || r.errors > 0) throw new Error(`${name}: ${r.non2xx} refused, ${r.errors} errors`);
  console.log(
    `  ${name.padEnd(34)} ${r.requests.average.toFixed(0).padStart(5)} a second   median ` +
      `${r.latency.p50} ms   99 % ${r.latency.p99} ms`,
  );
  return r;
}

console.log('\nBench list, 20 clocks, 50 clients, 10 s');
const plain = await load('bare Express, same SQL', `http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
const ours = await load('Eclat (session, role, next action)', `${address}/api/bench`, {
  cookie: `${cookie.name}=${cookie.value}`,
});
console.log(
  `  Eclat takes ${(plain.requests.average / ours.requests.average).toFixed(2)} × the time of the bare route`,
);
server.close();
await pool.end();
