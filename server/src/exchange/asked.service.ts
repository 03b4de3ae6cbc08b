import {
  askBody,
  carriedBook,
  photoBodyOf,
  whichBody,
  type AskBody,
  type AskReply,
  type CarriedBook,
  type ExchangeRequest,
} from '@eclat/contract';
import { counted } from '@eclat/core/units';
import type { z } from 'zod';
import { booksNamed, hashesIn, type Named } from '../movements/books-named.ts';
import { keepBrought, readBrought } from '../movements/book-photos.service.ts';
import { bookEntries } from '../movements/history.service.ts';
import { Movement, MovementMark } from '../movements/movements.entity.ts';
import { linksOf, movementNamed } from '../movements/signed.ts';
import { hashesNamed, photosAway } from '../movements/photos-of.ts';
import { theShop } from '../people/shop.service.ts';
import { photoByHash } from '../photos/stored.ts';
import type { Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { HttpProblem, notFound } from '../platform/http/problems.ts';
import { carriedBeyond, namesOf } from './carried.ts';
import type { Partner } from './envelope.ts';
import { OfferedBook } from './exchange.entity.ts';
import { jsonIn } from './json.ts';
import { comparable, hidden } from './marks.ts';
import { allSharedWith, sharedWith } from './shared-books.ts';

/** What a shop gets, what came of it in words for the log, and of which book here. */
export interface Answered {
  reply: unknown;
  outcome: string;
  movementId: string | null;
}

const entriesOf = (n: number) => counted(n, 'entry', 'entries');

/** Books that a shop names and may have: where one has the very id that it asks for, that one alone. */
async function booksFor({ em }: Context, { kid }: Partner, named: Named): Promise<string[]> {
  const byId = await sharedWith(em, kid, await booksNamed(em, { ids: named.ids, have: [] }));
  return byId.length === 1 ? byId : sharedWith(em, kid, await booksNamed(em, named));
}

/** What stands in a book that is shared, beyond what the shop has. A book that is not shared is as none. */
async function ask(ctx: Context, partner: Partner, given: AskBody): Promise<Answered & { reply: AskReply }> {
  const [first, ...others] = await booksFor(ctx, partner, given);
  if (first !== undefined && others.length === 0) {
    const book = await carriedBeyond(ctx, first, given.have);
    const outcome = book.entries.length === 0 ? 'nothing new' : `${entriesOf(book.entries.length)} given`;
    return { reply: { found: 'book', book }, outcome, movementId: first };
  }
  const alike = first === undefined ? await booksMarked(ctx, partner, given.marks) : [first, ...others];
  if (alike.length === 0) return { reply: { found: 'none' }, outcome: 'no book that is shared', movementId: null };
  return {
    reply: { found: 'like', like: await described(ctx, alike.slice(0, MOST_LIKE)) },
    outcome: `${alike.length} with such a mark named`,
    movementId: alike.length === 1 ? alike[0]! : null,
  };
}

const MOST_LIKE = 5;

async function booksMarked(ctx: Context, { kid }: Partner, asked: AskBody['marks']): Promise<string[]> {
  if (!asked || asked.marks.length === 0 || (await theShop(ctx)).answers !== 'by marks') return [];
  const wanted = new Set(asked.marks);
  const found: string[] = [];
  for (const id of await allSharedWith(ctx.em, kid)) {
    const marks = comparable(await ctx.em.find(MovementMark, { movementId: id }));
    if (marks.some((m) => wanted.has(hidden(asked.key, m)))) found.push(id);
  }
  return found;
}

async function described({ em }: Context, ids: string[]) {
  const all = await em.find(Movement, { id: ids }, { orderBy: { code: 'asc' } });
  const marks = await em.find(MovementMark, { movementId: ids }, { orderBy: { place: 'asc', text: 'asc' } });
  return all.map(({ id, code, name, maker }) => ({
    ...{ id, code, name, maker },
    marks: marks.filter((m) => m.movementId === id).map((m) => m.text),
  }));
}

/** Which of these entries are not in a book that is shared, and which photos are not here. */
async function which(ctx: Context, partner: Partner, { ids, all }: z.infer<typeof whichBody>): Promise<Answered> {
  const [movementId, ...others] = await booksFor(ctx, partner, { ids, have: all });
  if (movementId === undefined || others.length > 0)
    return { reply: null, outcome: 'no book that is shared', movementId: null };
  const had = new Set((await namesOf(ctx, movementId)).have);
  const lacks = all.filter((hash) => !had.has(hash));
  const photos = await photosAway(ctx.em, await bookEntries(ctx, movementId));
  return { reply: { movement: movementId, lacks, photos }, outcome: `${entriesOf(lacks.length)} wanted`, movementId };
}

const MOST_WAITING = 20;
const MOST_HASHES = 5000;

/** What another shop sends waits until somebody looks at it. What it sent of that movement before gives way to it. */
async function send(ctx: Context, { kid, shop }: Partner, book: CarriedBook): Promise<Answered> {
  await sql(
    ctx.em,
    `update offered_book set settled_by = '', settled_at = ?, taken = false
      where kid = ? and settled_at is null and movement->>'id' = ?`,
    [ctx.now, kid, book.movement.id],
  );
  const [waiting] = await sql<{ n: number }>(
    ctx.em,
    'select count(*)::int as n from offered_book where kid = ? and settled_at is null',
    [kid],
  );
  if (waiting!.n >= MOST_WAITING)
    throw new HttpProblem(429, 'Much of what you sent is not looked at yet.', { detail: 'Wait, or call them.' });
  const { movement, entries } = book;
  const ids = entries.map((e) => movementNamed({ jws: e.signed ?? null })).filter((id) => id !== null);
  const hashes = entries.flatMap((e) => [e.hash, e.amends ?? '', ...linksOf({ jws: e.signed ?? null }).on]);
  ctx.em.create(OfferedBook, {
    ...{ kid, shop, at: ctx.now, movement, book: JSON.stringify(book), entries: entries.length },
    ids: [...new Set([movement.id, ...ids])],
    hashes: hashesIn(hashes).slice(0, MOST_HASHES),
    marks: comparable(movement.marks),
    ...{ settledBy: null, settledAt: null, taken: null },
  });
  await ctx.em.flush();
  return { reply: { received: true }, outcome: `${entriesOf(book.entries.length)}, to be looked at`, movementId: null };
}

async function photo(ctx: Context, partner: Partner, given: z.infer<typeof photoBodyOf>): Promise<Answered> {
  for (const movementId of await booksFor(ctx, partner, given)) {
    if (!hashesNamed(await bookEntries(ctx, movementId)).includes(given.photo)) continue;
    const bytes = await photoByHash(ctx.em, given.photo, 'large');
    if (bytes) return { reply: bytes, outcome: 'photo given', movementId };
  }
  throw notFound('photo');
}

/** A photo that a book here names, from a shop that this book is shared with. */
async function bring(
  ctx: Context,
  partner: Partner,
  { book, photo: hash }: ExchangeRequest,
  bytes: Buffer,
): Promise<Answered> {
  const [movementId] = book === null ? [] : await sharedWith(ctx.em, partner.kid, [book]);
  if (movementId === undefined || hash === null) throw notFound('photo');
  const decoded = await readBrought(ctx, movementId, hash, bytes);
  await keepBrought({ ...ctx, person: { ...ctx.person, name: partner.shop } }, decoded);
  return { reply: { received: true }, outcome: decoded ? 'photo taken in' : 'photo here already', movementId };
}

function read<S extends z.ZodType>(schema: S, bytes: Buffer): z.infer<S> {
  const parsed = schema.safeParse(jsonIn(bytes));
  if (parsed.success) return parsed.data;
  const { path, message } = parsed.error.issues[0]!;
  throw new HttpProblem(422, 'This request of a shop cannot be read.', { detail: `${path.join('.')}: ${message}` });
}

/** What another shop gets for what it wants. @throws 404 or 422 as a person would be told */
export function answer(ctx: Context, partner: Partner, said: ExchangeRequest, body: Buffer): Promise<Answered> {
  switch (said.want) {
    case 'ask':
      return ask(ctx, partner, read(askBody, body));
    case 'which':
      return which(ctx, partner, read(whichBody, body));
    case 'send':
      return send(ctx, partner, read(carriedBook, body));
    case 'photo':
      return photo(ctx, partner, read(photoBodyOf, body));
    case 'bring':
      return bring(ctx, partner, said, body);
  }
}
