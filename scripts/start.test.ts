import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { afterAll, describe, expect, it } from 'vitest';

const home = mkdtempSync(join(tmpdir(), 'eclat-home-'));
const children: ChildProcess[] = [];
afterAll(() => {
  for (const child of children) child.kill('SIGKILL');
  rmSync(home, { recursive: true, force: true });
});
spawnSync('chmod', ['755', home]);

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** A script of the project, with everything it keeps in a folder of the test's own. */
function script(name: string, env: Record<string, string> = {}, ...args: string[]) {
  const child = spawn(process.execPath, [join(import.meta.dirname, name), ...args], {
    env: { ...process.env, ECLAT_HOME: home, DATABASE_URL: '', ...env },
  });
  children.push(child);
  let text = '';
  child.stdout.on('data', (c: Buffer) => (text += c.toString()));
  child.stderr.on('data', (c: Buffer) => (text += c.toString()));
  const exit = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const says = async (words: string) => {
    for (let i = 0; i < 800 && !text.includes(words); i++) {
      if (child.exitCode !== null) throw new Error(`${name} ended: ${text}`);
      await wait(100);
    }
    return text;
  };
  return { child, exit, says, text: () => text };
}

const session = async (port: number) =>
  (await fetch(`http://127.0.0.1:${port}/api/session`)).json() as Promise<{ firstRun: boolean; shop: string | null }>;
const found = (port: number, code: string) =>
  fetch(`http://127.0.0.1:${port}/api/first-run`, {
    method: 'PUT',
    headers: { origin: `http://127.0.0.1:${port}`, 'content-type': 'application/json' },
    body: JSON.stringify({
      code,
      shop: 'Fennick Row Clock Room',
      timeZone: 'UTC',
      name: 'Marit Fennick',
      passphrase: 'oak wedge nine pins',
    }),
  });
const signIn = (port: number, passphrase: string) =>
  fetch(`http://127.0.0.1:${port}/api/session`, {
    method: 'PUT',
    headers: { origin: `http://127.0.0.1:${port}`, 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Marit Fennick', passphrase }),
  });
const databaseLog = () =>
  readFileSync(join(home, 'shop', 'postgres.log'), 'utf8')
    .trim()
    .split('\n');

describe('npm start', () => {
  it('opens a new shop, is backed up, survives a kill, stops cleanly, and comes back from its backup', async () => {
    const port = await freePort();
    const env = { PORT: String(port) };
    const first = script('start.mjs', env);
    const told = await first.says('asks for this code');
    expect(told).not.toContain('sign in as');
    const code = /this code: {2}(\S+)/.exec(told)![1]!;
    expect(await session(port)).toMatchObject({ firstRun: true });
    expect((await found(port, 'AAAAA-BBBBB')).status).toBe(422);
    expect((await found(port, code)).status).toBe(200);
    expect((await found(port, code)).status).toBe(409); // once only

    // A second start from the same folder is told so and harms nothing.
    const twice = script('start.mjs', { PORT: String(await freePort()) });
    expect(await twice.exit).toBe(1);
    expect(twice.text()).toContain('runs from this folder already');

    // A backup while it runs does not stop the shop.
    const dump = join(home, 'shop.dump');
    expect(await script('backup.mjs', {}, dump).exit).toBe(0);
    expect(existsSync(dump)).toBe(true);
    expect((statSync(dump).mode & 0o077).toString(8)).toBe('0'); // nobody else's to read
    expect(await session(port)).toMatchObject({ shop: 'Fennick Row Clock Room' });

    // The starter is killed without warning: the next one takes over what it left.
    first.child.kill('SIGKILL');
    await first.exit;
    // Its server notices and goes too.
    for (
      let i = 0;
      i < 100 &&
      (await session(port).then(
        () => true,
        () => false,
      ));
      i++
    )
      await wait(100);
    await expect(session(port)).rejects.toThrow();
    const port2 = await freePort();
    const second = script('start.mjs', { PORT: String(port2) });
    await second.says('Eclat is at');
    expect(await session(port2)).toMatchObject({ firstRun: false, shop: 'Fennick Row Clock Room' });

    // The database is killed: it is noticed, said, and started again; meanwhile the server says that it is away.
    const lock = join(home, 'shop', 'data', 'postmaster.pid');
    process.kill(Number(readFileSync(lock, 'utf8').split('\n')[0]), 'SIGKILL');
    const away = await fetch(`http://127.0.0.1:${port2}/api/session`);
    expect([away.status, Number(away.headers.get('retry-after')) > 0]).toEqual([503, true]);
    await second.says('the database ended by itself');
    await second.says('the database is back');
    // What the server says after its start is said on, too.
    await second.says('the database is not reachable yet');
    expect(await session(port2)).toMatchObject({ shop: 'Fennick Row Clock Room' });

    // Whoever stands at the server is let in, whatever was forgotten.
    const letIn = script('let-in.mjs');
    expect(await letIn.exit, letIn.text()).toBe(0);
    const passphrase = /\n {4}(\S+)\n/.exec(letIn.text())![1]!;
    expect((await signIn(port2, 'oak wedge nine pins')).status).toBe(401);
    expect((await signIn(port2, passphrase)).status).toBe(200);

    second.child.kill('SIGINT'); // Ctrl-C
    expect(await second.exit).toBe(0);
    expect(databaseLog().at(-1)).toContain('database system is shut down');
    await expect(session(port2)).rejects.toThrow();

    // A restore goes into an empty database only.
    const refused = script('restore.mjs', {}, dump);
    expect(await refused.exit).toBe(1);
    expect(refused.text()).toContain('holds a shop already');
    rmSync(join(home, 'shop'), { recursive: true });
    const restored = script('restore.mjs', {}, dump);
    expect(await restored.exit, restored.text()).toBe(0);
    const third = script('start.mjs', { PORT: String(port2) });
    await third.says('Eclat is at');
    expect(await session(port2)).toMatchObject({ shop: 'Fennick Row Clock Room' });
    third.child.kill('SIGTERM');
    expect(await third.exit).toBe(0);
  }, 180_000);

  it('says which backup it wants', async () => {
    const nothing = script('restore.mjs');
    expect(await nothing.exit).toBe(1);
    expect(nothing.text()).toContain('Which backup?');
  });
});
