import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freshDatabase } from '../test/shop.ts';
import { startServer, type Running } from './server.ts';

const web = mkdtempSync(join(tmpdir(), 'eclat-web-'));
let running: Running;
beforeAll(async () => {
  mkdirSync(join(web, 'assets'));
  writeFileSync(
    join(web, 'index.html'),
    '<!doctype html><script type="module" nonce="__NONCE__" src="/assets/a.js"></script><p>Eclat</p>',
  );
  writeFileSync(join(web, 'assets', 'a.js'), `export const long = '${'clock '.repeat(2000)}';`);
  writeFileSync(
    join(web, 'screens.json'),
    JSON.stringify({ 'visits/:visitId': ['assets/frame.js'], survey: ['assets/survey.js', 'assets/frame.js'] }),
  );
  running = await startServer({
    databaseUrl: await freshDatabase(),
    host: '127.0.0.1',
    port: 0,
    web,
    demo: false,
    checkReplies: true,
    proxies: 0,
    logLevel: 'silent',
  });
});
afterAll(async () => {
  await running.stop();
  rmSync(web, { recursive: true });
});
const get = (path: string, headers: Record<string, string> = {}) => fetch(running.address + path, { headers });

describe('the pages', () => {
  it('carry a nonce that is new for each reply and stands in the policy', async () => {
    const nonces = await Promise.all(
      [1, 2].map(async () => {
        const reply = await get('/');
        const nonce = /nonce="([^"]+)"/.exec(await reply.text())![1]!;
        expect(reply.headers.get('content-security-policy')).toContain(`style-src 'self' 'nonce-${nonce}'`);
        expect(reply.headers.get('cache-control')).toBe('no-store');
        return nonce;
      }),
    );
    expect(nonces[0]).not.toBe(nonces[1]);
    expect(nonces[0]).not.toContain('NONCE');
  });
  it('answer at every address of the application', async () => {
    for (const path of ['/visits/x/survey', '/movements', '/intake?draft=1'])
      expect(await (await get(path)).text()).toContain('Eclat');
  });
  it('name in their head what they will ask for first, and to an owner nothing', async () => {
    const id = '3f1f0d8e-2b4c-4d6e-8f00-112233445566';
    const hints = (await get(`/visits/${id}/survey`)).headers.get('link')!;
    for (const one of [
      `</api/visits/${id}>; rel=preload`,
      '</assets/frame.js>; rel=modulepreload',
      '</assets/survey.js>; rel=modulepreload',
    ])
      expect(hints.split(one)).toHaveLength(2);
    expect((await get('/for-owner/abc')).headers.get('link')).toBeNull();
  });
  it('send script once for ever, and pressed together', async () => {
    const reply = await get('/assets/a.js', { 'accept-encoding': 'gzip' });
    expect(reply.headers.get('cache-control')).toContain('immutable');
    expect(reply.headers.get('content-encoding')).toBe('gzip');
    expect((await reply.text()).length).toBeGreaterThan(10_000);
  });
  it('do not answer for script that is not there, or for files outside', async () => {
    expect((await get('/assets/old.js')).status).toBe(404);
    const outside = await get('/assets/..%2f..%2f..%2fetc%2fpasswd');
    expect(await outside.text()).not.toContain('root:');
  });
  it('tell a proxy that the database answers', async () =>
    expect(await (await get('/healthz')).json()).toEqual({ ok: true }));
});

describe('trouble', () => {
  it('gives a problem document and no inner workings', async () => {
    const broken = await fetch(`${running.address}/api/session`, {
      method: 'PUT',
      headers: { origin: running.address, 'content-type': 'application/json' },
      body: '{"name":',
    });
    expect(broken.status).toBe(400);
    expect(broken.headers.get('content-type')).toContain('application/problem+json');
    expect(await broken.text()).not.toMatch(/node_modules|SyntaxError/);
  });
  it('refuses a body that is too large to be one', async () => {
    const large = await fetch(`${running.address}/api/session`, {
      method: 'PUT',
      headers: { origin: running.address, 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'x'.repeat(300_000), passphrase: 'y' }),
    });
    expect(large.status).toBe(413);
  });
});
