import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, readlinkSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { afterAll, describe, expect, it } from 'vitest';
import { commandOf } from './lib/machine.mjs';
import { binariesFor, startCluster } from './lib/postgres.mjs';

type Cluster = { url: string; stop(): Promise<void> };
const start = startCluster as (
  folder: string,
  settings?: string[],
  more?: { command?: (pid: number) => string | null },
) => Promise<Cluster>;
const folder = mkdtempSync(join(tmpdir(), 'eclat-cluster-'));
const lock = join(folder, 'data', 'postmaster.pid');
const pidOf = () => Number(readFileSync(lock, 'utf8').split('\n')[0]);
const ask = ({ url }: Cluster, text: string) =>
  spawnSync('psql', [url, '-Atc', text], { encoding: 'utf8' }).stdout.trim();
const runningIn = (data: string) =>
  readdirSync('/proc').some((p) => {
    try {
      return /^\d+$/.test(p) && readlinkSync(`/proc/${p}/cwd`) === data;
    } catch {
      return false; // it has just ended
    }
  });
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the database of our own', () => {
  it('starts, is taken over from a killed starter, recovers from a killed server, and stops cleanly', async () => {
    const first = await start(folder);
    ask(first, 'create table kept (n int); insert into kept values (7)');
    const second = await start(folder); // the starter died, its server lives on
    expect(second.url).toBe(first.url);

    // Where a system does not tell what a process is, a live server's lock is left alone.
    const third = await start(folder, [], { command: () => null });
    expect([third.url, existsSync(lock)]).toEqual([first.url, true]);

    const pid = pidOf();
    process.kill(pid, 'SIGKILL');
    // Its helpers end a moment after it.
    for (let i = 0; i < 200 && runningIn(join(folder, 'data')); i++) await wait(50);
    expect(existsSync(lock)).toBe(true);
    const fourth = await start(folder); // a lock without a server
    expect(ask(fourth, 'select n from kept')).toBe('7');
    await fourth.stop();
    expect(existsSync(lock)).toBe(false);
    expect(readFileSync(join(folder, 'postgres.log'), 'utf8').trim().split('\n').at(-1)).toContain(
      'database system is shut down',
    );
  });
});

describe('its programs', () => {
  it('are those of the version that made it, however new a one stands beside it', () => {
    const both = [
      { major: 18, bin: '/18' },
      { major: 15, bin: '/15' },
    ];
    expect([null, 15, 18, 16].map((made) => binariesFor(made, both) as unknown)).toEqual([
      '/18',
      '/15',
      '/18',
      undefined,
    ]);
  });
  it('tell what a process is, with /proc and without', () => {
    expect(commandOf(process.pid, '/nowhere')).toContain('node');
    expect(commandOf(2 ** 22 + 1, '/nowhere')).toBe('');
  });
});

const startScript = (env: Record<string, string>) =>
  new Promise<{ code: number | null; text: string }>((resolve) => {
    const child = spawn(process.execPath, [join(import.meta.dirname, 'start.mjs')], {
      env: { ...process.env, ...env },
    });
    let text = '';
    child.stdout.on('data', (c: Buffer) => (text += c.toString()));
    child.stderr.on('data', (c: Buffer) => (text += c.toString()));
    child.on('exit', (code) => resolve({ code, text }));
  });

describe('the start script', () => {
  it('says what to do when the port is taken', async () => {
    const taken = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => taken.once('listening', resolve));
    const { port } = taken.address() as AddressInfo;
    const { code, text } = await startScript({ PORT: String(port) });
    taken.close();
    expect(code).toBe(1);
    expect(text).toContain(`Port ${port} is taken`);
    expect(text).not.toContain('at ');
  });
  it('refuses a port that is none', async () =>
    expect((await startScript({ PORT: 'eighty' })).text).toContain('not a port'));
});
