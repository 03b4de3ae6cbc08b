import { createHash } from 'node:crypto';
import { signedEntry, type SignedEntry } from '@eclat/contract';
import { canonical } from '@eclat/core/history';
import { calculateJwkThumbprint, CompactSign, compactVerify, decodeProtectedHeader, importJWK, type JWK } from 'jose';
import { ALG, type SigningKey } from './keys.ts';

const TYPE = 'eclat-entry';

export interface Signed {
  /** SHA-256, hex, of what was signed. */
  hash: string;
  /** Compact JWS. */
  jws: string;
}

const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

export async function signEntry({ kid, jwk, secret }: SigningKey, said: SignedEntry): Promise<Signed> {
  const bytes = new TextEncoder().encode(canonical(said));
  const header = { alg: ALG, typ: TYPE, kid, jwk };
  return { hash: sha256(bytes), jws: await new CompactSign(bytes).setProtectedHeader(header).sign(secret) };
}

/** Public keys by thumbprint: few, and met again and again. */
const known = new Map<string, Awaited<ReturnType<typeof importJWK>>>();
const MOST_KNOWN = 500;

async function keyOf(kid: string, jwk: JWK) {
  const before = known.get(kid);
  if (before) return before;
  if (jwk.kty !== 'OKP' || jwk.crv !== 'Ed25519' || (await calculateJwkThumbprint(jwk)) !== kid) return null;
  const key = await importJWK({ kty: jwk.kty, crv: jwk.crv, x: jwk.x! }, ALG);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(kid, key);
  return key;
}

/**
 * What was signed, by which key, under which hash. Null where the signature does not hold, where the text is not
 * canonical, or where it names another key than the one it was signed with. Whether the key is to be trusted is not
 * said here.
 */
export async function readSigned(jws: string): Promise<{ said: SignedEntry; kid: string; hash: string } | null> {
  try {
    const { kid, jwk } = decodeProtectedHeader(jws);
    const key = kid && jwk ? await keyOf(kid, jwk) : null;
    if (!kid || !key) return null;
    const { payload, protectedHeader } = await compactVerify(jws, key, { algorithms: [ALG] });
    const text = new TextDecoder('utf-8', { fatal: true }).decode(payload);
    const given: unknown = JSON.parse(text);
    const said = signedEntry.parse(given);
    if (canonical(given) !== text || said.signer.key !== kid || protectedHeader.typ !== TYPE) return null;
    return { said: given as SignedEntry, kid, hash: sha256(payload) };
  } catch {
    return null;
  }
}

/** The parents of an entry, unchecked: what the row says was signed. */
export function parentsOf(e: { jws?: string | null; previousHash?: string | null }): string[] {
  if (!e.jws) return e.previousHash ? [e.previousHash] : [];
  try {
    const said = JSON.parse(Buffer.from(e.jws.split('.')[1] ?? '', 'base64url').toString()) as { parents?: unknown };
    return Array.isArray(said.parents) ? said.parents.filter((p) => typeof p === 'string') : [];
  } catch {
    return [];
  }
}
