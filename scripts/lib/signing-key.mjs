import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { KEPT } from './machine.mjs';
import { giveUp } from './say.mjs';

const BYTES = 32;
export const KEY_FILE = join(KEPT, 'signing.key');

/**
 * By which the shop’s signing key is encrypted in the database: ECLAT_KEY, or a file beside the database, made at the
 * first start. It is in no backup of the database.
 * @returns 32 bytes in base64url
 */
export function keyEncryptionKey() {
  const given = process.env.ECLAT_KEY;
  if (given) return checked(given, 'ECLAT_KEY');
  if (existsSync(KEY_FILE)) return checked(readFileSync(KEY_FILE, 'utf8').trim(), KEY_FILE);
  mkdirSync(KEPT, { recursive: true });
  const made = randomBytes(BYTES).toString('base64url');
  writeFileSync(KEY_FILE, `${made}\n`, { mode: 0o600, flag: 'wx' });
  return made;
}

function checked(key, from) {
  if (Buffer.from(key, 'base64url').length === BYTES) return key;
  return giveUp(`${from} is no key: it takes ${BYTES} bytes in base64url.`);
}
