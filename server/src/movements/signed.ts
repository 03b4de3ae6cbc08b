import {
  exchangeReply,
  exchangeRequest,
  logHead,
  saidOfCard,
  saidOfChange,
  signedEntry,
  type ExchangeReply,
  type ExchangeRequest,
  type KeyChange,
  type LogHead as SaidOfLog,
  type SaidOfCard,
  type SaidOfChange,
  type SignedEntry,
} from '@eclat/contract';
import { canonical } from '@eclat/core/history';
import { photosIn, type NamedPhoto } from '@eclat/core/record';
import { calculateJwkThumbprint, CompactSign, compactVerify, decodeProtectedHeader, importJWK, type JWK } from 'jose';
import { z } from 'zod';
import { sha256 } from '../platform/sha256.ts';
import type { SigningKey } from './keys.ts';

/** Ed25519 (RFC 8037). */
export const ALG = 'EdDSA';
const ENTRY = 'eclat-entry';
const KNOWN_KEY = 'eclat-known-key';
const LOG_HEAD = 'eclat-log-head';
const KEY_CHANGE = 'eclat-key-change';
const SHOP_CARD = 'eclat-shop-card';
const REQUEST = 'eclat-exchange-request';
const REPLY = 'eclat-exchange-reply';

export interface Signed {
  /** SHA-256, hex, of what was signed. */
  hash: string;
  /** Compact JWS. */
  jws: string;
}

/** Signs the canonical text of a value. @param typ what it is: one kind is never taken for another */
async function sign({ kid, jwk, secret }: SigningKey, typ: string, said: unknown): Promise<Signed> {
  const bytes = new TextEncoder().encode(canonical(said));
  const header = { alg: ALG, typ, kid, jwk };
  return { hash: sha256(bytes), jws: await new CompactSign(bytes).setProtectedHeader(header).sign(secret) };
}

export const signEntry = (key: SigningKey, said: SignedEntry): Promise<Signed> => sign(key, ENTRY, said);

const knownKey = z.object({ key: z.string(), shop: z.string(), by: z.string(), at: z.string() });
export type SaidOfKey = z.infer<typeof knownKey>;

/** This shop’s word that a key is of that other shop. */
export const signKnownKey = (key: SigningKey, said: SaidOfKey): Promise<Signed> => sign(key, KNOWN_KEY, said);

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
 * canonical, or where it is of another kind. Whether the key is to be trusted is not said here.
 */
async function read<S extends z.ZodType>(jws: string, typ: string, shape: S) {
  try {
    const { kid, jwk } = decodeProtectedHeader(jws);
    const key = kid && jwk ? await keyOf(kid, jwk) : null;
    if (!kid || !key) return null;
    const { payload, protectedHeader } = await compactVerify(jws, key, { algorithms: [ALG] });
    const text = new TextDecoder('utf-8', { fatal: true }).decode(payload);
    const given: unknown = JSON.parse(text);
    if (protectedHeader.typ !== typ || canonical(given) !== text || !shape.safeParse(given).success) return null;
    return { said: given as z.infer<S>, kid, hash: sha256(payload) };
  } catch {
    return null;
  }
}

/** An entry; none that names another key than the one it was signed with. */
export async function readSigned(jws: string): Promise<{ said: SignedEntry; kid: string; hash: string } | null> {
  const entry = await read(jws, ENTRY, signedEntry);
  return entry?.said.signer.key === entry?.kid ? entry : null;
}

/** How long the log of a key was, and the root over it (RFC 9162, 2.1). */
export const signHead = (key: SigningKey, said: SaidOfLog): Promise<Signed> => sign(key, LOG_HEAD, said);

/** A head; none that names another key than the one it was signed with. */
export async function readHead(jws: string): Promise<SaidOfLog | null> {
  const head = await read(jws, LOG_HEAD, logHead);
  return head?.said.key === head?.kid ? (head?.said ?? null) : null;
}

/** What this shop says of itself. */
export const signCard = (key: SigningKey, said: SaidOfCard): Promise<Signed> => sign(key, SHOP_CARD, said);

/** A card; none that names another key than the one it was signed with. */
export async function readCard(jws: string): Promise<SaidOfCard | null> {
  const card = await read(jws, SHOP_CARD, saidOfCard);
  return card?.said.key === card?.kid ? (card?.said ?? null) : null;
}

/** What this shop wants of another, and what it answers to one. */
export const signRequest = (key: SigningKey, said: ExchangeRequest): Promise<Signed> => sign(key, REQUEST, said);
export const signReply = (key: SigningKey, said: ExchangeReply): Promise<Signed> => sign(key, REPLY, said);

/** A request, with the hash of what was signed; none that names another key than the one it was signed with. */
export async function readRequest(jws: string): Promise<{ said: ExchangeRequest; hash: string } | null> {
  const request = await read(jws, REQUEST, exchangeRequest);
  return request?.said.from === request?.kid ? request : null;
}

/** A reply; none that names another key than the one it was signed with. */
export async function readReply(jws: string): Promise<ExchangeReply | null> {
  const reply = await read(jws, REPLY, exchangeReply);
  return reply?.said.from === reply?.kid ? (reply?.said ?? null) : null;
}

/** Both keys sign one text: nobody hands his name on to a key that is not his, nor takes another’s. */
export async function signChange(old: SigningKey, fresh: SigningKey, said: SaidOfChange): Promise<KeyChange> {
  return { old: (await sign(old, KEY_CHANGE, said)).jws, new: (await sign(fresh, KEY_CHANGE, said)).jws };
}

/** What both keys said; null where one of them did not. */
export async function readChange(change: KeyChange): Promise<SaidOfChange | null> {
  const [old, fresh] = [
    await read(change.old, KEY_CHANGE, saidOfChange),
    await read(change.new, KEY_CHANGE, saidOfChange),
  ];
  const holds = old && fresh && old.hash === fresh.hash && old.kid === old.said.from && fresh.kid === old.said.to;
  return holds && old.said.from !== old.said.to ? old.said : null;
}

export const readKnownKey = (jws: string) => read(jws, KNOWN_KEY, knownKey);

const links = z.object({
  parents: z.array(z.string()),
  amends: z.string().nullable(),
  takenOver: z.object({ hash: z.string().optional() }).nullable(),
});

interface Links {
  /** Hashes of the entries that it was written on, and of the one that it amends. */
  on: string[];
  /** The hash that it had in the file that it came in, unsigned. */
  was: string | null;
}

/** @throws SyntaxError where it is no JSON */
const unchecked = (jws: string): unknown => JSON.parse(Buffer.from(jws.split('.')[1] ?? '', 'base64url').toString());

const named = z.object({ movement: z.object({ id: z.uuid() }) });

/** The id that the movement has where an entry was signed, unchecked; null where it says none. */
export function movementNamed({ jws }: { jws?: string | null }): string | null {
  try {
    return jws ? named.parse(unchecked(jws)).movement.id : null;
  } catch {
    return null;
  }
}

const withPhotos = z.object({ sections: z.object({ photos: z.record(z.string(), z.unknown()).optional() }) });

/** Photos that an entry names, unchecked. */
export function photosNamed({ jws }: { jws?: string | null }): NamedPhoto[] {
  if (!jws) return [];
  try {
    return photosIn(withPhotos.parse(unchecked(jws)).sections);
  } catch {
    return [];
  }
}

/** What an entry says of others, unchecked. */
export function linksOf(e: { jws?: string | null; previousHash?: string | null }): Links {
  if (!e.jws) return { on: e.previousHash ? [e.previousHash] : [], was: null };
  try {
    const said = links.parse(unchecked(e.jws));
    return { on: said.amends ? [...said.parents, said.amends] : said.parents, was: said.takenOver?.hash || null };
  } catch {
    return { on: [], was: null };
  }
}

/**
 * Entries of a book by their hash, and those that came in unsigned by the hash that they had in their file too: that
 * one never stands for an entry that is here under it.
 */
export function byName<E extends { hash: string; jws?: string | null }>(entries: readonly E[]): Map<string, E> {
  const named = new Map<string, E>();
  for (const e of entries) {
    const { was } = linksOf(e);
    if (was) named.set(was, e);
  }
  for (const e of entries) named.set(e.hash, e);
  return named;
}
