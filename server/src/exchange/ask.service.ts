import { randomBytes } from 'node:crypto';
import {
  api,
  askReply,
  LARGEST_BOOK,
  LARGEST_PHOTO,
  sendReply,
  whichReply,
  type ParsedBodyOf,
  type ReplyOf,
  type Want,
} from '@eclat/contract';
import { z } from 'zod';
import { readBrought } from '../movements/book-photos.service.ts';
import { bookEntries } from '../movements/history.service.ts';
import { KnownKey } from '../movements/keys.entity.ts';
import { keysOf, newestOf, signingKey } from '../movements/keys.ts';
import { movementNow, loadMovement } from '../movements/movements.service.ts';
import { hashesNamed } from '../movements/photos-of.ts';
import { checkRecord } from '../movements/record.service.ts';
import { readCard } from '../movements/signed.ts';
import { photoByHash, photosHere } from '../photos/stored.ts';
import type { Decoded } from '../photos/decode.ts';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { HttpProblem, notFound, refused } from '../platform/http/problems.ts';
import { asRecord, carriedBeyond, namesOf } from './carried.ts';
import { isReplyOf, requestHeaders, type Partner } from './envelope.ts';
import { asJson, jsonIn } from './json.ts';
import { note } from './log.ts';
import { comparable, hidden } from './marks.ts';
import { reach, Unreached } from './reach.ts';
import { share } from './sharing.service.ts';

interface Known extends Partner {
  address: string;
  /** The key by which it signs now, as far as it is known here. */
  key: string;
}

/** @throws 404 where its key is not known here, 409 where nothing says where it is */
async function knownShop(ctx: Context, kid: string): Promise<Known> {
  const row = await findOrRefuse(ctx, KnownKey, { kid }, 'known shop');
  const keys = await keysOf(ctx.em);
  if (!keys.known.has(kid)) throw notFound('known shop');
  const address = (row.card && (await readCard(row.card))?.address) || '';
  if (!address)
    throw refused(`No web address of ${row.shop} is known here.`, 'Add its shop card, with an address, under People.');
  return { kid, shop: row.shop, address, key: newestOf(kid, keys) };
}

interface Wanting {
  want: Want;
  movementId: string;
  body: Buffer;
  book?: string;
  photo?: string;
  most?: number;
}

/** What another shop said to one request, once it is known to be its own answer. */
type Said = { status: number; body: Buffer };

const problemIn = (body: Buffer): string => {
  const { title, detail } = Object(jsonIn(body)) as { title?: unknown; detail?: unknown };
  return [title, detail]
    .filter((w) => typeof w === 'string')
    .join(' ')
    .slice(0, 300);
};

/**
 * One request to another shop, noted with what came of it.
 * @throws Unreached in words for the bench
 */
async function wanting(ctx: Context, shop: Known, { most = LARGEST_BOOK, ...given }: Wanting): Promise<Said> {
  const { want, movementId, body } = given;
  const key = await signingKey(ctx.em, ctx.now);
  const { headers, hash } = await requestHeaders(ctx.em, key, { ...given, to: shop.key }, ctx.now);
  const ended = (outcome: string) =>
    note(ctx.em, ctx.now, {
      ...{ direction: 'out', kid: shop.kid, shop: shop.shop, want, movementId, outcome, requestHash: hash },
      by: ctx.person.name,
    });
  try {
    const said = await reach({ address: shop.address, path: `exchange/${want}`, headers, body, most });
    if (said.status >= 300) throw new Unreached(problemIn(said.body) || `It refused (${said.status}).`);
    // A photo is known by its own hash.
    if (want !== 'photo' && !(await isReplyOf(ctx.em, shop, hash, said, ctx.now)))
      throw new Unreached('Whoever answered there is not this shop: its key is another. Nothing of it was read.');
    await ended('answered');
    return said;
  } catch (error) {
    if (!(error instanceof Unreached)) throw error;
    await ended(error.message);
    throw error;
  }
}

/** The longest card, in bytes. */
const MOST_OF_CARD = 20_000;

/** The card that stands at an address, as far as it can be reached. Nothing is sent but that it is asked for. */
export async function cardAt(address: string): Promise<ReplyOf<typeof api.exchange.cardAt>> {
  try {
    const said = await reach({ address, path: 'exchange/card', most: MOST_OF_CARD });
    if (said.status === 404) throw new Unreached('No shop card stands there.');
    if (said.status >= 300) throw new Unreached(`It refused (${said.status}).`);
    return { found: 'card', card: readAs(z.object({ card: z.string() }), said).card };
  } catch (error) {
    if (!(error instanceof Unreached)) throw error;
    return { found: 'none', why: error.message };
  }
}

/** @throws Unreached where it is not what such a reply is */
function readAs<S extends z.ZodType>(schema: S, { body }: Said): z.infer<S> {
  const read = schema.safeParse(jsonIn(body));
  if (!read.success) throw new Unreached('What it answered cannot be read: it may be of a later version of Eclat.');
  return read.data;
}

/** In words for the bench: it was not reached, or what came cannot stand here. @throws what is none of these */
function whyNot(error: unknown): string {
  if (error instanceof Unreached) return error.message;
  const field = error instanceof HttpProblem ? error.extra.fields?.[0] : undefined;
  if (!field) throw error;
  return field.message;
}

/** What another shop has of a movement, and how it would stand in this book. */
export async function askShop(
  ctx: Context,
  { movementId: given, key }: { movementId: string; key: string },
  { as }: ParsedBodyOf<typeof api.exchange.ask>,
): Promise<ReplyOf<typeof api.exchange.ask>> {
  const movement = await movementNow(ctx, given);
  const movementId = movement.id;
  const shop = await knownShop(ctx, key);
  const { ids, have } = await namesOf(ctx, movementId);
  const of = randomBytes(32).toString('hex');
  const marks = comparable((await loadMovement(ctx, movement)).marks).map((m) => hidden(of, m));
  const body = asJson({ ids: as === null ? ids : [as], have, marks: marks.length > 0 ? { key: of, marks } : null });
  try {
    const reply = readAs(askReply, await wanting(ctx, shop, { want: 'ask', movementId, body }));
    if (reply.found !== 'book') return reply;
    const book = await asRecord(ctx, movementId, reply.book);
    const checked = await checkRecord(ctx, { history: book.entries, logs: book.logs ?? [], movementId });
    return { found: 'book', movementId, book, checked, more: reply.book.more };
  } catch (error) {
    return { found: 'failed', why: whyNot(error) };
  }
}

export type Sent = ReplyOf<typeof api.exchange.send>;

/** Asks what another shop lacks of this book, and sends that; a shop that does not say is sent all. */
export async function sendBook(ctx: Context, movementId: string, key: string): Promise<Sent> {
  const { id } = await movementNow(ctx, movementId);
  const shop = await knownShop(ctx, key);
  const { ids, have } = await namesOf(ctx, id);
  try {
    const asked = await wanting(ctx, shop, { want: 'which', movementId: id, body: asJson({ ids, all: have }) });
    const there = readAs(whichReply, asked);
    const lacks = there && new Set(there.lacks);
    const beyond = lacks ? have.filter((hash) => !lacks.has(hash)) : [];
    const book = await carriedBeyond(ctx, id, beyond);
    if (book.entries.length > 0)
      readAs(sendReply, await wanting(ctx, shop, { want: 'send', movementId: id, body: asJson(book) }));
    const here = await photosHere(ctx.em, there?.photos ?? []);
    const { entries, more } = book;
    return { failed: '', entries: entries.length, more, photos: [...here], there: there?.movement ?? null };
  } catch (error) {
    return { failed: whyNot(error), entries: 0, more: 0, photos: [], there: null };
  }
}

/** What was sent may be asked for from then on: its photos are. */
export async function shareSent(ctx: Context, movementId: string, key: string, sent: Sent): Promise<Sent> {
  if (!sent.failed) await share(ctx, movementId, { key, shared: true });
  return sent;
}

/** @throws 409 with what the other shop said */
async function orRefuse<T>(work: Promise<T>): Promise<T> {
  return work.catch((error: unknown) => {
    throw error instanceof Unreached ? refused('The photo did not come through.', error.message) : error;
  });
}

/** Asks another shop for a photo that this book names. Null: it is here already. */
export async function askPhoto(
  ctx: Context,
  { movementId: given, key, hash }: { movementId: string; key: string; hash: string },
): Promise<Decoded | null> {
  const { id: movementId } = await movementNow(ctx, given);
  if (!hashesNamed(await bookEntries(ctx, movementId)).includes(hash)) throw notFound('photo');
  if ((await photosHere(ctx.em, [hash])).has(hash)) return null;
  const shop = await knownShop(ctx, key);
  const body = asJson({ ...(await namesOf(ctx, movementId)), photo: hash });
  const said = await orRefuse(wanting(ctx, shop, { want: 'photo', movementId, body, most: LARGEST_PHOTO }));
  return readBrought(ctx, movementId, hash, said.body);
}

/** Sends a photo of this book to a shop that wants it. @param there the id that the movement has in that shop */
export async function sendPhoto(
  ctx: Context,
  { movementId, key, hash, there }: { movementId: string; key: string; hash: string; there: string },
): Promise<void> {
  const { id } = await movementNow(ctx, movementId);
  const named = hashesNamed(await bookEntries(ctx, id)).includes(hash);
  const body = named ? await photoByHash(ctx.em, hash, 'large') : undefined;
  if (!body) throw notFound('photo');
  const shop = await knownShop(ctx, key);
  await orRefuse(wanting(ctx, shop, { want: 'bring', movementId: id, body, book: there, photo: hash }));
}
