import type { EntityManager } from '@mikro-orm/postgresql';
import {
  calculateJwkThumbprint,
  compactDecrypt,
  CompactEncrypt,
  exportJWK,
  generateKeyPair,
  importJWK,
  type CryptoKey,
  type JWK,
} from 'jose';
import type { SaidOfChange } from '@eclat/contract';
import { sql } from '../platform/http/app-context.ts';
import { refused } from '../platform/http/problems.ts';
import { KeyChange, KnownKey, ShopKey } from './keys.entity.ts';
import { ALG, readChange, readKnownKey } from './signed.ts';

const KEY_BYTES = 32;
/** One key, however many servers start at once. */
const KEY_LOCK = 6_438_005;
/** Shared by all who sign; held alone by who changes the key. */
export const KEY_USE_LOCK = 6_438_009;

export interface SigningKey {
  /** Thumbprint of the public half (RFC 7638). */
  kid: string;
  /** The public half. */
  jwk: JWK;
  secret: CryptoKey;
}

/**
 * By which the private halves are encrypted: 32 bytes in base64url, in ECLAT_KEY. It never stands in the database, so
 * that who reads or writes the database cannot sign.
 */
function keyEncryptionKey(): Uint8Array | null {
  const given = Buffer.from(process.env['ECLAT_KEY'] ?? '', 'base64url');
  return given.length === KEY_BYTES ? given : null;
}

const opened = new Map<string, Promise<SigningKey | null>>();

/** The key of a row; null where it does not open under the key-encryption key, or is not the one the row names. */
function open({ kid, sealed }: Pick<ShopKey, 'kid' | 'sealed'>): Promise<SigningKey | null> {
  const name = `${process.env['ECLAT_KEY'] ?? ''} ${kid} ${sealed}`;
  let key = opened.get(name);
  if (!key) opened.set(name, (key = openSealed(kid, sealed).catch(() => null)));
  return key;
}

async function openSealed(kid: string, sealed: string): Promise<SigningKey | null> {
  const kek = keyEncryptionKey();
  if (!kek) return null;
  const { plaintext } = await compactDecrypt(sealed, kek);
  const { d, ...jwk } = JSON.parse(new TextDecoder().decode(plaintext)) as JWK;
  if (!d || (await calculateJwkThumbprint(jwk)) !== kid) return null;
  return { kid, jwk, secret: (await importJWK({ ...jwk, d }, ALG)) as CryptoKey };
}

/**
 * The key by which this shop signs; made where there is none yet.
 * @throws 409 where this server cannot open it
 */
export async function signingKey(em: EntityManager, now: Date): Promise<SigningKey> {
  await sql(em, 'select pg_advisory_xact_lock_shared(?)', [KEY_USE_LOCK]);
  const newest = async () => (await em.find(ShopKey, {}, { orderBy: { madeAt: 'desc' }, limit: 1 }))[0];
  let row = await newest();
  if (!row) {
    await sql(em, 'select pg_advisory_xact_lock(?)', [KEY_LOCK]);
    row = (await newest()) ?? (await make(em, now));
  }
  const key = await open(row);
  if (!key) throw refused('Nothing can be signed here.', LOCKED);
  return key;
}

const LOCKED =
  'The key of this shop does not open under the key-encryption key of this server. Put the file signing.key back ' +
  'that stood beside the database (in ECLAT_HOME), or set ECLAT_KEY to what it was, and start Eclat again.';

/** A key that nobody has had before; its private half can be taken out, to be sealed. */
export async function freshKey(): Promise<SigningKey> {
  const { publicKey, privateKey } = await generateKeyPair(ALG, { crv: 'Ed25519', extractable: true });
  const jwk = await exportJWK(publicKey);
  return { kid: await calculateJwkThumbprint(jwk), jwk, secret: privateKey };
}

/** A further key of this shop, newer than all, whatever the clock says. */
export async function makeKey(em: EntityManager, now: Date): Promise<SigningKey> {
  const [last] = await em.find(ShopKey, {}, { orderBy: { madeAt: 'desc' }, limit: 1 });
  const at = new Date(Math.max(now.getTime(), (last?.madeAt.getTime() ?? 0) + 1));
  return (await open(await make(em, at)))!;
}

async function make(em: EntityManager, now: Date): Promise<ShopKey> {
  const kek = keyEncryptionKey();
  if (!kek) throw refused('Nothing can be signed here.', LOCKED);
  const { kid, jwk: publicJwk, secret } = await freshKey();
  const sealed = await new CompactEncrypt(new TextEncoder().encode(JSON.stringify(await exportJWK(secret))))
    .setProtectedHeader({ alg: 'dir', enc: 'A256GCM' })
    .encrypt(kek);
  const row = em.create(ShopKey, { kid, publicJwk, sealed, madeAt: now });
  await em.flush();
  return row;
}

export interface Keys {
  /** This shop’s own, by thumbprint: those that open. A row that somebody wrote into the database does not. */
  own: ReadonlySet<string>;
  /** Whose the keys of other shops are, as far as this shop has signed it. */
  known: ReadonlyMap<string, string>;
  /** By which key each of these became known: itself, or the one that it took over from. */
  roots: ReadonlyMap<string, string>;
  /** To which key each was handed on: that one signs nothing any more. */
  next: ReadonlyMap<string, string>;
  /** Since when nothing of this shop is written unsigned. */
  since: Date | null;
}

/** Which key each was handed on to. @param told changes not kept yet */
async function handedOn(em: EntityManager, told: readonly SaidOfChange[]): Promise<Map<string, string>> {
  const next = new Map(told.map((c) => [c.from, c.to]));
  for (const { oldJws, newJws } of await em.find(KeyChange, {})) {
    const said = await readChange({ old: oldJws, new: newJws });
    if (said) next.set(said.from, said.to);
  }
  return next;
}

/** The key by which a shop signs now that was known by this one. */
export function newestOf(kid: string, { next }: Pick<Keys, 'next'>): string {
  const met = new Set([kid]);
  let newest = kid;
  for (let to = next.get(kid); to && !met.has(to); to = next.get(to)) met.add((newest = to));
  return newest;
}

/** @param told changes of keys that came with a file and are not kept yet */
export async function keysOf(em: EntityManager, told: readonly SaidOfChange[] = []): Promise<Keys> {
  const rows = await em.find(ShopKey, {}, { orderBy: { madeAt: 'asc' } });
  const keys = await Promise.all(rows.map(open));
  const own = new Set(keys.flatMap((k) => k?.kid ?? []));
  const known = new Map<string, string>();
  for (const { kid, jws } of await em.find(KnownKey, {})) {
    const word = await readKnownKey(jws);
    if (word && own.has(word.kid) && word.said.key === kid) known.set(kid, word.said.shop);
  }
  const next = await handedOn(em, told);
  const roots = new Map([...known.keys()].map((kid) => [kid, kid]));
  // Whoever is known by one key is known by the one that it was handed on to.
  for (const [kid, shop] of [...known])
    for (let to = next.get(kid); to && !known.has(to); to = next.get(to)) {
      known.set(to, shop);
      roots.set(to, kid);
    }
  return { own, known, roots, next, since: rows[0]?.madeAt ?? null };
}
