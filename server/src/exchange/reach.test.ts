import { describe, expect, it } from 'vitest';
import { isOnInternet, reach } from './reach.ts';

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
});
