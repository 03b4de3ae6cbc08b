import { randomBytes } from 'node:crypto';
import type { ExchangeRequest, KeyChange, Want } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { changesTo, keepChanges, readChanges } from '../movements/key-change.ts';
import { keysOf, type Keys, type SigningKey } from '../movements/keys.ts';
import { readReply, readRequest, signReply, signRequest, type Signed } from '../movements/signed.ts';
import { HttpProblem } from '../platform/http/problems.ts';
import { sha256 } from '../platform/sha256.ts';

export const SCHEME = 'Eclat-Shop';
/** How the key came to sign for its shop: `old~new` for each change, the oldest first. */
export const CHANGES = 'eclat-key-changes';
export const SIGNATURE = 'eclat-signature';
/** The longest header of Node.js has 16 kB; whoever missed more changes than these wants a new card. */
const MOST_CHANGES = 3;
/** Clocks of shops differ, and a request takes its time. */
export const GOOD_FOR_MS = 15 * 60_000;

const wordOf = (chain: readonly KeyChange[]) => chain.map((c) => `${c.old}~${c.new}`).join(' ');

function chainIn(header: string | undefined): KeyChange[] {
  const words = (header ?? '').split(' ').filter((w) => w !== '');
  return words.slice(0, MOST_CHANGES).map((w) => ({ old: w.split('~')[0] ?? '', new: w.split('~')[1] ?? '' }));
}

const changesOf = async (em: EntityManager, kid: string) => wordOf((await changesTo(em, kid)).slice(-MOST_CHANGES));

interface Wanted {
  want: Want;
  /** The key of the shop that is asked. */
  to: string;
  body: Buffer;
  book?: string | null;
  photo?: string | null;
}

/** The headers of a request, and the hash of what was signed. */
export async function requestHeaders(
  em: EntityManager,
  key: SigningKey,
  { want, to, body, book = null, photo = null }: Wanted,
  now: Date,
): Promise<{ headers: Record<string, string>; hash: string }> {
  const { jws, hash } = await signRequest(key, {
    ...{ format: 'eclat-exchange-request', version: 1, want, from: key.kid, to, book, photo },
    ...{ at: now.toISOString(), nonce: randomBytes(24).toString('base64url'), body: sha256(body) },
  });
  const changes = await changesOf(em, key.kid);
  return { headers: { authorization: `${SCHEME} ${jws}`, ...(changes && { [CHANGES]: changes }) }, hash };
}

/**
 * Keys as they are known here, with what a header says of the one that signs. A change of a shop that is known is kept:
 * from then on its old key is taken no more.
 */
async function keysWith(em: EntityManager, header: string | undefined, kid: string, now: Date): Promise<Keys> {
  const chain = chainIn(header);
  const changes = (await readChanges(chain, kid)) ?? [];
  const keys = await keysOf(em, changes);
  if (changes.length > 0 && partnerOf(kid, keys)) await keepChanges({ em, now }, { chain, changes }, keys);
  return keys;
}

/** Another shop, by the key under which it became known here. */
export interface Partner {
  kid: string;
  shop: string;
}

/** The shop that a key is of, as far as it is known here and signs with it still. */
function partnerOf(kid: string, { known, roots, next, own }: Keys): Partner | null {
  const shop = known.get(kid);
  const root = roots.get(kid);
  return shop !== undefined && root !== undefined && !next.has(kid) && !own.has(kid) ? { kid: root, shop } : null;
}

const NO = 'This request of a shop is not taken.';
const refuse = (detail: string) => new HttpProblem(401, NO, { detail });

interface Came {
  said: ExchangeRequest;
  hash: string;
  /** Null: its key is not known here, or was given up. */
  partner: Partner | null;
}

/**
 * Reads who wants what, before the body is read.
 * @param want what the address says
 * @throws 401 where nobody signed it, or it is of another time, for another shop, or of another kind
 */
export async function readWanted(
  em: EntityManager,
  headers: { authorization?: string | undefined; [CHANGES]?: string | string[] | undefined },
  want: string,
  now: Date,
): Promise<Came> {
  const [scheme, jws] = (headers.authorization ?? '').split(' ');
  const read = scheme === SCHEME && jws ? await readRequest(jws) : null;
  if (!read) throw refuse('It is not signed, or was changed after it was signed.');
  const { said, hash } = read;
  if (said.want !== want) throw refuse('It was signed for something else.');
  const away = Math.abs(now.getTime() - Date.parse(said.at));
  if (away > GOOD_FOR_MS)
    throw refuse(`The clocks of the two shops differ by ${Math.round(away / 60_000)} minutes: set them right.`);
  const given = headers[CHANGES];
  const keys = await keysWith(em, Array.isArray(given) ? given[0] : given, said.from, now);
  if (!keys.own.has(said.to)) throw refuse('It was signed for another shop.');
  return { said, hash, partner: partnerOf(said.from, keys) };
}

/** The headers of a reply. @param request hash of what the request was signed over */
export async function replyHeaders(em: EntityManager, key: SigningKey, request: string, body: Buffer, now: Date) {
  const { jws }: Signed = await signReply(key, {
    ...{ format: 'eclat-exchange-reply', version: 1, from: key.kid, request },
    ...{ body: sha256(body), at: now.toISOString() },
  });
  const changes = await changesOf(em, key.kid);
  return { [SIGNATURE]: jws, ...(changes && { [CHANGES]: changes }) };
}

/** Whether a reply is of the shop that was asked, and to this very request. */
export async function isReplyOf(
  em: EntityManager,
  { kid }: Pick<Partner, 'kid'>,
  request: string,
  { headers, body }: { headers: Record<string, string | string[] | undefined>; body: Buffer },
  now: Date,
): Promise<boolean> {
  const header = (name: string) => (typeof headers[name] === 'string' ? headers[name] : undefined);
  const said = await readReply(header(SIGNATURE) ?? '');
  if (!said || said.request !== request || said.body !== sha256(body)) return false;
  return partnerOf(said.from, await keysWith(em, header(CHANGES), said.from, now))?.kid === kid;
}
