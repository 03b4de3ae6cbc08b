import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { isOnInternet, reach } from './reach.ts';

afterEach(() => void delete process.env['ECLAT_NEAR_SHOPS']);

describe('an address of another shop', () => {
  // IANA IPv4 and IPv6 Special-Purpose Address Registries (RFC 6890), one address of each block and its edges.
  it.each([
    ...['0.0.0.0', '0.1.2.3', '10.0.0.1', '10.255.255.255', '100.64.0.1', '100.127.255.255', '127.0.0.1', '127.8.8.8'],
    ...['169.254.169.254', '172.16.0.1', '172.31.255.255', '192.0.0.1', '192.0.2.1', '192.168.0.1', '198.18.0.1'],
    ...['198.19.255.255', '198.51.100.1', '203.0.113.1', '224.0.0.1', '240.0.0.1', '255.255.255.255'],
    ...['::', '::1', '::ffff:127.0.0.1', '::ffff:10.0.0.1', '::127.0.0.1', '64:ff9b::7f00:1', '64:ff9b:1::1'],
    ...[
      '100::1',
      '2001::1',
      '2001:db8::1',
      '2002:7f00:1::',
      'fc00::1',
      'fd12:3456::1',
      'fe80::1',
      'fec0::1',
      'ff02::1',
    ],
    ...['localhost', '', '1.2.3', '999.1.1.1'],
  ])('%s is none of the Internet', (address) => {
    expect(isOnInternet(address)).toBe(false);
  });

  // Of public name servers: from memory.
  it.each(['1.1.1.1', '8.8.8.8', '172.32.0.1', '100.128.0.1', '198.20.0.1', '2606:4700:4700::1111', '2a00:1450::1'])(
    '%s may be reached',
    (address) => {
      expect(isOnInternet(address)).toBe(true);
    },
  );

  it.each([
    ...['https://127.0.0.1', 'https://2130706433', 'https://0x7f.1', 'https://[::1]', 'https://[::ffff:7f00:1]'],
    ...['https://169.254.169.254', 'https://10.0.0.7:5432', 'https://localhost', 'http://127.0.0.1:5432'],
  ])('%s is not connected to', async (address) => {
    const asked = reach({ address, path: 'exchange/ask', headers: {}, body: Buffer.alloc(0), most: 100 });
    await expect(asked).rejects.toThrow(/network of its own|in the clear/);
  });

  it('is told nothing where its certificate does not hold', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'eclat-tls-'));
    const [key, cert] = [join(folder, 'key.pem'), join(folder, 'cert.pem')];
    // Made by itself: nobody vouches for it.
    const made = spawnSync('openssl', [
      ...['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes', '-days', '2'],
      ...['-subj', '/CN=localhost', '-addext', 'subjectAltName=DNS:localhost', '-keyout', key, '-out', cert],
    ]);
    expect(made.status).toBe(0);
    let asked = 0;
    const server = createServer({ key: readFileSync(key), cert: readFileSync(cert) }, (_req, res) => {
      asked++;
      res.end('{}');
    }).listen(0, '127.0.0.1');
    rmSync(folder, { recursive: true });
    await new Promise((resolve) => server.once('listening', resolve));
    const address = `https://localhost:${(server.address() as AddressInfo).port}`;
    process.env['ECLAT_NEAR_SHOPS'] = address;
    const sent = reach({ address, path: 'exchange/ask', headers: {}, body: Buffer.from('{}'), most: 100 });
    await expect(sent).rejects.toThrow('Its certificate is not valid');
    expect(asked).toBe(0);
    server.close();
  });
});
