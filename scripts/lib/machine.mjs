import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statfsSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { giveUp, say } from './say.mjs';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
/** Everything a running shop keeps on this machine; git ignores it. ECLAT_HOME puts it elsewhere. */
export const KEPT = process.env.ECLAT_HOME ?? join(ROOT, '.eclat');

const LEAST_FREE_MB = 500;

export function checkMachine() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 11))
    giveUp(`Eclat needs Node.js 20.11 or later; this is ${process.version}.`);
  const { bavail, bsize } = statfsSync(ROOT);
  const freeMb = Math.floor((bavail * bsize) / 1024 / 1024);
  if (freeMb < LEAST_FREE_MB)
    giveUp(
      `Only ${freeMb} MB are free on this disk. Eclat needs ${LEAST_FREE_MB} MB to build and to keep its database.`,
    );
}

export const isRoot = () => process.getuid?.() === 0;
const aptMayRun = () => isRoot() && existsSync('/usr/bin/apt-get') && process.env.ECLAT_NO_INSTALL !== '1';

/** Installs Debian packages, or says what to run when that is not ours to do. */
export function install(packages, what) {
  const command = `apt-get install -y ${packages}`;
  if (!aptMayRun()) giveUp(`${what} is not on this machine. Install it and start again:\n\n    sudo ${command}`);
  say(`installing ${what} (${command})`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const run = (args) => spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env }).status === 0;
  const args = ['install', '-y', '--no-install-recommends', ...packages.split(' ')];
  if (!run(args) && !(run(['update']) && run(args)))
    giveUp(`${what} could not be installed. Try it by hand:\n\n    sudo apt-get update && sudo ${command}`);
}

/** Runs `npm ci` when the packages are missing or belong to another lock file. */
export function requirePackages() {
  const stamp = join(ROOT, 'node_modules', '.eclat-lock');
  const lock = hashOf([join(ROOT, 'package-lock.json')]);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing packages (npm ci)');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (status !== 0) giveUp('npm ci failed: see above. With the registry unreachable, try again when it is back.');
  writeFileSync(stamp, lock);
}

/** Builds web and server unless what stands in dist/ was made of these very sources. */
export function requireBuild() {
  const sources = ['core', 'contract', 'server', 'web', 'demo']
    .flatMap((d) => filesIn(join(ROOT, d)))
    .concat(['package-lock.json', 'vite.server.config.ts', 'tsconfig.base.json'].map((f) => join(ROOT, f)));
  const stamp = join(ROOT, 'dist', '.made-of');
  const made = hashOf(sources);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === made) return;
  say('building web and server');
  // Whoever asks for it (a test runner sets NODE_ENV to something else), what is built is the product.
  for (const args of [
    ['build', 'web'],
    ['build', '--config', 'vite.server.config.ts'],
  ]) {
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      [join(ROOT, 'node_modules/vite/bin/vite.js'), ...args, '--logLevel', 'warn'],
      { cwd: ROOT, encoding: 'utf8', env: { ...process.env, NODE_ENV: 'production' } },
    );
    if (status !== 0) giveUp(`The build failed:\n${stdout}${stderr}`);
  }
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, made);
}

function filesIn(folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.name === 'node_modules' || entry.name === 'dist') return [];
    const path = join(folder, entry.name);
    // Tests do not go into what is built.
    if (/\.test\.tsx?$/.test(entry.name)) return [];
    return entry.isDirectory() ? filesIn(path) : [path];
  });
}

function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files.sort())
    hash
      .update(file.slice(ROOT.length))
      .update('\0')
      .update(existsSync(file) ? readFileSync(file) : '')
      .update('\0');
  return hash.digest('hex');
}

/** A port nobody listens on, on loopback. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

export const portIsFree = (port, host) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

export const alive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** The command line of a process; '' when there is none, null where this system does not tell. */
export function commandOf(pid, proc = '/proc') {
  try {
    return readFileSync(join(proc, String(pid), 'cmdline'), 'utf8');
  } catch {
    const { status, stdout } = spawnSync('ps', ['-p', String(pid), '-o', 'args='], { encoding: 'utf8' });
    if (status === null || stdout === null) return null; // no such program
    return stdout;
  }
}

/** Where Chromium is; installed from Debian when it is missing. */
export function requireChromium() {
  const found = () =>
    ['/usr/bin/chromium', process.env.CHROMIUM].find((path) => path && existsSync(path) && statSync(path).isFile());
  if (!found()) install('chromium', 'Chromium');
  return found() ?? giveUp('Chromium was installed but /usr/bin/chromium is not there. Set CHROMIUM to its path.');
}
