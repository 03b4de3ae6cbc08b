import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  accessSync,
  chownSync,
  constants,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { alive, freePort, install, isRoot, KEPT } from './machine.mjs';
import { giveUp, say } from './say.mjs';

/** The newest server binaries on this machine, from 15 on. */
function binaries() {
  const base = '/usr/lib/postgresql';
  const debian = existsSync(base)
    ? readdirSync(base)
        .map(Number)
        .filter((v) => v >= 15)
        .sort((a, b) => b - a)
        .map((v) => join(base, String(v), 'bin'))
    : [];
  return [process.env.PG_BIN, ...debian].find(
    (bin) => bin && existsSync(join(bin, 'postgres')) && existsSync(join(bin, 'initdb')),
  );
}

export function requirePostgres() {
  if (!binaries()) install('postgresql', 'PostgreSQL');
  return (
    binaries() ??
    giveUp(
      'PostgreSQL was installed but its server binaries are not under /usr/lib/postgresql. Set PG_BIN to their folder.',
    )
  );
}

/** PostgreSQL refuses to run as root: it runs as the postgres user then, and as whoever we are otherwise. */
function runAs() {
  if (!isRoot()) return {};
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

/** May that user reach a folder? A checkout under /root is closed to it. */
function reachable(folder, as) {
  if (as.uid === undefined) return true;
  return spawnSync('test', ['-x', folder], { ...as, cwd: '/' }).status === 0;
}

/** The project's own folder, or one under /var/tmp named after it when the postgres user may not enter the project. */
export function clusterFolder(name) {
  mkdirSync(KEPT, { recursive: true });
  if (reachable(KEPT, runAs())) return join(KEPT, name);
  const elsewhere = join('/var/tmp', `eclat-${createHash('sha256').update(KEPT).digest('hex').slice(0, 10)}`);
  mkdirSync(elsewhere, { recursive: true, mode: 0o755 });
  say(`the postgres user may not enter ${KEPT}: the database stands in ${elsewhere}`);
  return join(elsewhere, name);
}

const answers = (port) =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1');
    socket.once('connect', () => resolve(true)).once('error', () => resolve(false));
    socket.once('connect', () => socket.destroy());
  });

function makeCluster({ bin, as, folder, data, secretFile }) {
  rmSync(data, { recursive: true, force: true }); // an initdb that was cut off
  writeFileSync(secretFile, randomBytes(24).toString('base64url'), { mode: 0o600 });
  if (as.uid !== undefined) chownSync(secretFile, as.uid, as.gid);
  const made = spawnSync(
    join(bin, 'initdb'),
    [
      '-D',
      data,
      '-U',
      'eclat',
      '-A',
      'scram-sha-256',
      '--pwfile',
      secretFile,
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
      '--no-instructions',
    ],
    { ...as, cwd: folder, encoding: 'utf8' },
  );
  if (made.status !== 0) {
    rmSync(data, { recursive: true, force: true });
    giveUp(`The database could not be made in ${data}:\n${made.stderr}`);
  }
}

function sameVersion(bin, data) {
  const version = readFileSync(join(data, 'PG_VERSION'), 'utf8').trim();
  if (!bin.includes(`/${version}/`) && !process.env.PG_BIN) {
    const own = join('/usr/lib/postgresql', version, 'bin');
    giveUp(
      `The database in ${data} was made by PostgreSQL ${version}, but ${bin} is what is installed.` +
        (existsSync(own) ? '' : ` Install postgresql-${version}, or move the data with npm run backup and restore.`),
    );
  }
}

function spawnServer({ bin, as, folder, data, log, port, settings }) {
  const out = openSync(log, 'a');
  // Its own process group: Ctrl-C in the terminal reaches us alone, and we stop it last.
  return spawn(
    join(bin, 'postgres'),
    [
      '-D',
      data,
      '-p',
      String(port),
      '-c',
      'listen_addresses=127.0.0.1',
      '-c',
      'unix_socket_directories=',
      '-c',
      'logging_collector=off',
      ...settings.flatMap((s) => ['-c', s]),
    ],
    { ...as, cwd: folder, stdio: ['ignore', out, out], detached: true },
  );
}

/**
 * A PostgreSQL of our own on a free loopback port. Recovers from a killed predecessor: a server it left running is
 * taken over, a lock without a server is removed.
 * @param folder where the cluster stands, made when missing
 * @param settings more settings for the server, as `name=value`
 */
export async function startCluster(folder, settings = []) {
  const bin = requirePostgres();
  const as = runAs();
  const data = join(folder, 'data');
  const secretFile = join(folder, 'secret');
  const log = join(folder, 'postgres.log');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (as.uid !== undefined) chownSync(folder, as.uid, as.gid);

  if (!existsSync(join(data, 'PG_VERSION'))) makeCluster({ bin, as, folder, data, secretFile });
  sameVersion(bin, data);
  const url = (port) => `postgresql://eclat:${readFileSync(secretFile, 'utf8')}@127.0.0.1:${port}/postgres`;

  const lock = join(data, 'postmaster.pid');
  if (existsSync(lock)) {
    const [pid, , , port] = readFileSync(lock, 'utf8').split('\n');
    if (alive(Number(pid)) && isPostgres(Number(pid), data) && (await answers(Number(port)))) {
      say('taking over the database that an earlier start left running');
      return { url: url(port), stop: () => stopPid(Number(pid)) };
    }
    if (!alive(Number(pid)) || !isPostgres(Number(pid), data)) rmSync(lock);
  }

  const port = await freePort();
  const server = spawnServer({ bin, as, folder, data, log, port, settings });
  server.unref();
  let ended = false;
  server.once('exit', () => (ended = true));
  for (let tries = 0; tries < 300; tries++) {
    if (ended) giveUp(`The database did not start. The end of ${log}:\n${readFileSync(log, 'utf8').slice(-1500)}`);
    if (await ready(bin, port)) return { url: url(port), stop: () => stopPid(server.pid) };
    await wait(100);
  }
  giveUp(`The database did not answer within 30 s: see ${log}.`);
}

const ready = async (bin, port) =>
  spawnSync(join(bin, 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]).status === 0;

function isPostgres(pid, data) {
  try {
    accessSync(`/proc/${pid}/cmdline`, constants.R_OK);
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(data);
  } catch {
    return false;
  }
}

/** Fast shutdown (SIGINT): connections are ended, everything is written, nothing needs recovery. */
async function stopPid(pid) {
  if (!alive(pid)) return;
  process.kill(pid, 'SIGINT');
  for (let tries = 0; tries < 200 && alive(pid); tries++) await wait(50);
}
