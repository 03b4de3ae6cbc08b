import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { setTimeout as wait } from 'node:timers/promises';
import {
  alive,
  checkMachine,
  commandOf,
  KEPT,
  requireBuild,
  requirePackages,
  portIsFree,
  ROOT,
} from './lib/machine.mjs';
import { clusterFolder, startCluster } from './lib/postgres.mjs';
import { keyEncryptionKey } from './lib/signing-key.mjs';
import { giveUp, main, say } from './lib/say.mjs';
import { introduce } from './lib/two-shops.mjs';

const demo = process.argv.includes('--demo');
/** A second made-up shop beside the first, so that books go from one to the other. */
const twoShops = demo && process.argv.includes('--two-shops');
/** It is that second one. */
const second = process.env.ECLAT_DEMO_SHOP === 'second';
const PORT = Number(process.env.PORT ?? 4080);
const HOST = process.env.HOST ?? '127.0.0.1';
/** A demo and a real shop never share a database. */
const name = demo ? 'demo' : 'shop';
/** Book files of a made-up museum, to be brought and to be refused. */
const TRY = join(KEPT, 'demo-files');
const pidFile = join(KEPT, `${name}.pid`);
const MOST_FALLS = 20;

/** What the server is given. @param url address of the database, by the role that serves */
const environment = (url) => ({
  ...process.env,
  ECLAT_OWNER_URL: undefined,
  DATABASE_URL: url,
  ECLAT_KEY: keyEncryptionKey(),
  PORT: String(PORT),
  HOST,
  NODE_ENV: 'production',
  ECLAT_FOLLOW: '1',
  ...(demo ? { ECLAT_DEMO: '1', ECLAT_TRY_FOLDER: TRY } : {}),
  // The two stand on one machine: each may reach the other there, and nothing else.
  ...(twoShops ? { ECLAT_NEAR_SHOPS: at(PORT + 1) } : {}),
});

async function start() {
  checkMachine();
  if (!Number.isInteger(PORT) || PORT < 1 || PORT > 65535) giveUp(`PORT=${process.env.PORT} is not a port.`);
  mkdirSync(KEPT, { recursive: true });
  const other = existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8')) : 0;
  if (other && other !== process.pid && alive(other) && isOurs(other))
    giveUp(`Eclat runs from this folder already (process ${other}). Stop that one first, with Ctrl-C in its window.`);
  if (!(await portIsFree(PORT, HOST)))
    giveUp(`Port ${PORT} is taken. Choose another:\n\n    PORT=${PORT + 10} npm ${demo ? 'run demo' : 'start'}`);
  requirePackages();
  requireBuild();
  writeFileSync(pidFile, String(process.pid));

  const external = process.env.DATABASE_URL;
  const cluster = external ? null : await startCluster(clusterFolder(name));
  const owner = external ? (process.env.ECLAT_OWNER_URL ?? external) : cluster.url;
  const env = environment(external || cluster.appUrl);

  let server;
  let neighbour;
  let leaving;
  /** Once, however many ways lead here; whoever asks waits until the database is down. */
  const leave = () =>
    (leaving ??= (async () => {
      if (server?.exitCode === null && server.signalCode === null) {
        server.kill('SIGTERM');
        await new Promise((resolve) => server.once('exit', resolve));
      }
      await neighbour?.stop();
      await cluster?.stop();
      rmSync(pidFile, { force: true });
    })());
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      if (!leaving) say('stopping');
      void leave().then(() => process.exit(0));
    });

  try {
    // The process that serves never holds the address of the role that owns the tables.
    await run(['dist/server/migrate.js'], { ...env, ECLAT_OWNER_URL: owner });
    if (owner === env.DATABASE_URL)
      say(
        'the database role of Eclat owns its tables, so that it could change what was signed: see README, “Two roles”',
      );
    if (demo) await run(['dist/server/demo.js'], env);
    server = spawn(process.execPath, ['--enable-source-maps', 'dist/server/main.js'], {
      cwd: ROOT,
      env,
      stdio: ['pipe', 'pipe', 'inherit'],
      detached: true,
    });
    let code = '';
    await new Promise((resolve, reject) => {
      // Line by line, for as long as it runs: what the server has to say later is said too.
      createInterface({ input: server.stdout }).on('line', (line) => {
        const [, word, told] = /^(CODE|READY) (\S+)/.exec(line) ?? [];
        if (word === 'CODE') code = told;
        else if (word === 'READY') resolve(told);
        else console.log(line);
      });
      server.once('exit', (code) => reject(new Error(`the server ended with code ${code}`)));
    }).then(async (address) => {
      if (twoShops) neighbour = await startSecond();
      welcome(address, code);
    });
    server.removeAllListeners('exit');
    if (cluster) keepRunning(cluster, () => leaving).catch((error) => console.error(`\n✗ ${error.message}`));
    await new Promise((resolve) => server.once('exit', resolve));
    if (!leaving) giveUp('The server ended by itself: see above.');
  } finally {
    await leave();
  }
}

const at = (port) => `http://127.0.0.1:${port}`;

/** The second shop, with a database of its own; then the two know each other. */
async function startSecond() {
  const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs'), '--demo'], {
    cwd: ROOT,
    env: {
      ...process.env,
      ECLAT_DEMO_SHOP: 'second',
      ECLAT_HOME: join(KEPT, 'second'),
      ECLAT_NEAR_SHOPS: at(PORT),
      DATABASE_URL: undefined,
      PORT: String(PORT + 1),
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  await new Promise((resolve, reject) => {
    createInterface({ input: child.stdout }).on('line', (line) => {
      console.log(line);
      if (line.includes('second made-up shop')) resolve();
    });
    void ended.then((status) => reject(new Error(`the second shop ended with code ${status}`)));
  });
  await introduce(at(PORT), at(PORT + 1));
  return {
    async stop() {
      child.kill('SIGTERM');
      await ended;
    },
  };
}

/**
 * A database that ends by itself is started again where it stood, so that the server finds it.
 * @param leaving whether Eclat is being stopped
 */
async function keepRunning(cluster, leaving) {
  for (let falls = 0; !leaving(); await wait(1000)) {
    if (cluster.runs()) continue;
    if (++falls > MOST_FALLS) giveUp('The database keeps ending by itself. Stop Eclat and read its log.');
    say('the database ended by itself; starting it again');
    for (let tries = 1; !leaving() && !cluster.runs(); tries++)
      try {
        Object.assign(cluster, await startCluster(clusterFolder(name), [], { port: cluster.port }));
        say('the database is back');
      } catch (error) {
        // Its helpers end a moment after it, and hold its memory until then.
        if (tries % 10 === 0) console.error(error.message);
        await wait(1000);
      }
  }
}

function welcome(address, code) {
  console.log(`\n  Eclat is at  ${address}\n`);
  if (second)
    console.log('  Mill House Clock Works, a second made-up shop. Sign in as Jonna Pellow, brass-lark-mends-nine\n');
  else if (demo)
    console.log(
      '  Fennick Row Clock Room, a made-up shop. Sign in as\n    Ines Calloway     technician      ' +
        'brass-lark-mends-nine\n    Wilf Arden        counter         brass-lark-mends-nine\n    Marit ' +
        `Fennick     owner of shop   brass-lark-mends-nine\n` +
        (existsSync(TRY) ? `\n  Book files to bring, one of them changed:  ${TRY}\n` : ''),
    );
  else if (code) console.log(`  The first visit makes the shop’s first account. It asks for this code:  ${code}\n`);
  if (!second) console.log('  Ctrl-C stops it, the database too.\n');
}

const run = (args, env) =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, args, { cwd: ROOT, env, stdio: 'inherit' });
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${args[0]} ended with code ${code}`))));
  });

/** A number may be another program's by now; where nobody can tell, it counts as ours. */
const isOurs = (pid) => commandOf(pid)?.includes('start.mjs') ?? true;

await main(start);
process.exit();
