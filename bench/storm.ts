import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';
import { startCluster } from '../scripts/lib/postgres.mjs';

/**
 * npm run storm -- KILLS: server and database are killed in turn, without warning, under clients that write; each sends
 * again with the same key until it is answered. At the end: acknowledged, lost, doubled.
 */
const KILLS = Number(process.argv[2] ?? 60);
const CLIENTS = 8;
const folder = process.env['ECLAT_STORM']!;
const port = Number(process.env['PORT']);
const address = `http://127.0.0.1:${port}`;

interface Cluster {
  url: string;
  port: number;
  runs(): boolean;
  stop(): Promise<void>;
}
const start = startCluster as (folder: string, settings?: string[], more?: { port?: number }) => Promise<Cluster>;
const cluster = await start(folder);
let server: ChildProcess;
const serve = async () => {
  server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, DATABASE_URL: cluster.url, NODE_ENV: 'production', LOG_LEVEL: 'silent' },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  await new Promise((resolve) => server.stdout!.once('data', resolve));
};

/** Sends until it is answered by the server itself. */
async function send(method: string, path: string, body: object, cookie: string): Promise<Response> {
  const headers = {
    ...{ origin: address, cookie, 'content-type': 'application/json' },
    ...(method === 'POST' ? { 'idempotency-key': randomUUID() } : {}),
  };
  for (;;)
    try {
      const signal = AbortSignal.timeout(30_000);
      const reply = await fetch(`${address}/api${path}`, { method, headers, body: JSON.stringify(body), signal });
      if (reply.status < 500) return reply;
      await wait(50);
    } catch {
      await wait(50); // it is away
    }
}

await serve();
const person = { name: 'Ines Calloway', passphrase: 'brass-lark-mends-nine' };
const session = await send('PUT', '/session', person, '');
const cookie = session.headers.get('set-cookie')!.split(';')[0]!;
const bench = (await (await fetch(`${address}/api/bench`, { headers: { cookie } })).json()) as { visitId: string }[];
const told: string[] = [];
let over = false;
const refused: Record<number, number> = {};
const clients = Array.from({ length: CLIENTS }, async (_, c) => {
  for (let n = 0; !over; n++) {
    const seen = `storm ${c}-${n}`;
    const finding = { place: 'case', seen, severity: 'looks', effect: 'looks' };
    const reply = await send('POST', `/visits/${bench[(c + n) % bench.length]!.visitId}/findings`, finding, cookie);
    if (reply.ok) told.push(seen);
    else refused[reply.status] = (refused[reply.status] ?? 0) + 1;
  }
});
let killed = 0;
const kills = { server: 0, database: 0 };
for (; killed < KILLS; killed++) {
  await wait(400 + (killed % 7) * 150);
  if (killed % 3 === 2) {
    kills.database++;
    process.kill(Number(readFileSync(join(folder, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
    for (let back = false; !back;)
      back = await start(folder, [], { port: cluster.port }).then(
        (again) => (Object.assign(cluster, again), true),
        () => wait(300).then(() => false),
      );
  } else {
    kills.server++;
    server!.kill('SIGKILL');
    await serve();
  }
}
over = true;
await Promise.all(clients);
const client = new pg.Client({ connectionString: cluster.url });
await client.connect();
const { rows } = await client.query<{ seen: string; n: number }>(
  "select seen, count(*)::int as n from finding where seen like 'storm %' group by seen",
);
await client.end();
const there = new Map(rows.map((r) => [r.seen, r.n]));
const lost = told.filter((t) => !there.has(t)).length;
const doubled = rows.filter((r) => r.n > 1).length;
const unasked = rows.filter((r) => !told.includes(r.seen)).length;
console.log(
  `${killed} kills (server ${kills.server}, database ${kills.database}): ${told.length} acknowledged, ${lost} lost, ` +
    `${doubled} doubled, ${unasked} written and never acknowledged; refused ${JSON.stringify(refused)}`,
);
server!.kill('SIGTERM');
await cluster.stop();
process.exit(lost + doubled === 0 ? 0 : 1);
