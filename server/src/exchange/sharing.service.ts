import { api, carriedBook, type Offered, type ParsedBodyOf, type ReplyOf } from '@eclat/contract';
import { booksMarked, booksNamed } from '../movements/books-named.ts';
import { KnownKey } from '../movements/keys.entity.ts';
import { keysOf, newestOf } from '../movements/keys.ts';
import { movementNow } from '../movements/movements.service.ts';
import { checkRecord } from '../movements/record.service.ts';
import { readCard } from '../movements/signed.ts';
import { theShop } from '../people/shop.service.ts';
import { sql } from '../platform/http/app-context.ts';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { refused } from '../platform/http/problems.ts';
import { asRecord } from './carried.ts';
import { OfferedBook, SharedBook } from './exchange.entity.ts';
import { contacts } from './log.ts';

type Shops = ReplyOf<typeof api.exchange.shops>;

/** Shares of a book as it is called now, with those of movements that were found to be it. */
async function sharesOf(
  { em }: Pick<Context, 'em'>,
  movementId: string,
): Promise<{ id: string; kid: string | null }[]> {
  return sql(
    em,
    `select s.id, s.kid from shared_book s join movement m on m.id = s.movement_id
      where s.ended_at is null and coalesce(m.merged_into, m.id) = ?`,
    [movementId],
  );
}

/** Shops that are known here by a key that they sign with still, each once. */
async function knownShops(ctx: Context): Promise<KnownKey[]> {
  const keys = await keysOf(ctx.em);
  const rows = await ctx.em.find(KnownKey, {}, { orderBy: { shop: 'asc', kid: 'asc' } });
  return rows.filter(({ kid }) => keys.known.has(kid) && keys.roots.get(newestOf(kid, keys)) === kid);
}

export async function shopsFor(ctx: Context, given: string): Promise<Shops> {
  const { id: movementId } = await movementNow(ctx, given);
  const shares = await sharesOf(ctx, movementId);
  const shops: Shops['shops'] = [];
  for (const { kid, shop, card } of await knownShops(ctx)) {
    const said = card ? await readCard(card) : null;
    shops.push({
      ...{ key: kid, shop, place: said?.place ?? '', address: said?.address ?? '' },
      shared: shares.some((s) => s.kid === kid),
      last: (await contacts(ctx.em, 1, { kid, movementId }))[0] ?? null,
    });
  }
  // Those that can be reached come first.
  shops.sort((x, y) => Number(y.address !== '') - Number(x.address !== ''));
  return {
    answers: (await theShop(ctx)).answers,
    everyShop: shares.some((s) => s.kid === null),
    shops,
    offered: (await offers(ctx, movementId)).filter((o) => o.movementId === movementId),
  };
}

/** Shared twice, it is shared once. Ended, it stands that it was. */
export async function share(
  ctx: Context,
  given: string,
  { key, shared }: ParsedBodyOf<typeof api.exchange.share>,
): Promise<void> {
  const { id: movementId } = await movementNow(ctx, given);
  if (key !== null) await findOrRefuse(ctx, KnownKey, { kid: key }, 'known shop');
  await sql(ctx.em, 'select 1 from movement where id = ? for update', [movementId]);
  const before = (await sharesOf(ctx, movementId)).filter((s) => s.kid === key);
  if (shared && before.length === 0)
    ctx.em.create(SharedBook, { movementId, kid: key, ...signature(ctx), endedBy: null, endedAt: null });
  if (!shared)
    await ctx.em.nativeUpdate(
      SharedBook,
      { id: before.map((s) => s.id) },
      { endedBy: ctx.person.name, endedAt: ctx.now },
    );
  await ctx.em.flush();
}

/** What waits to be looked at, with the book here that it is of. @param among this one, where it is one of several */
export async function offers(ctx: Context, among?: string): Promise<Offered[]> {
  const waiting = await ctx.em.find(
    OfferedBook,
    { settledAt: null },
    { orderBy: { at: 'desc', id: 'asc' }, exclude: ['book'] },
  );
  const found: Offered[] = [];
  for (const o of waiting) {
    const { id, shop, movement, entries } = o;
    const books = await booksOf(ctx, o);
    found.push({
      ...{ id, shop, at: o.at.toISOString(), entries, movement: { code: movement.code, name: movement.name } },
      movementId: books.find((b) => b === among) ?? books[0] ?? null,
    });
  }
  return found;
}

/** The books here that have such an entry or id; or else those that carry such a mark. */
async function booksOf(
  { em }: Context,
  { ids, hashes, marks }: Pick<OfferedBook, 'ids' | 'hashes' | 'marks'>,
): Promise<string[]> {
  const named = await booksNamed(em, { ids, have: hashes });
  return named.length > 0 ? named : booksMarked(em, marks);
}

/** What was sent, and how it would stand in the book that it is of, or in this one. */
export async function offer(
  ctx: Context,
  offerId: string,
  movementId?: string,
): Promise<ReplyOf<typeof api.exchange.offer>> {
  const row = await findOrRefuse(ctx, OfferedBook, { id: offerId }, 'record');
  const into =
    movementId === undefined ? ((await booksOf(ctx, row))[0] ?? null) : (await movementNow(ctx, movementId)).id;
  const carried = carriedBook.parse(JSON.parse(row.book));
  const book = await asRecord(ctx, into, carried);
  const { entries: history, logs = [] } = book;
  const checked = await checkRecord(ctx, { history, logs, ...(into !== null && { movementId: into }) });
  return { movementId: into, book, checked, more: carried.more, shop: row.shop, key: row.kid };
}

/** Somebody looked at it: it waits no more. */
export async function settle(
  ctx: Context,
  offerId: string,
  { taken }: ParsedBodyOf<typeof api.exchange.settle>,
): Promise<void> {
  // Two people may look at it at once: what was taken in is not put aside.
  await sql(ctx.em, 'select 1 from offered_book where id = ? for update', [offerId]);
  const row = await findOrRefuse(ctx, OfferedBook, { id: offerId }, 'record');
  if (row.settledAt !== null && row.taken !== taken && (row.taken || taken !== null))
    throw refused(
      'Somebody has looked at it already.',
      `${row.settledBy} ${row.taken ? 'took it in' : 'put it aside'}.`,
    );
  const settled =
    taken === null ? { settledBy: null, settledAt: null } : { settledBy: ctx.person.name, settledAt: ctx.now };
  Object.assign(row, { ...settled, taken });
  await ctx.em.flush();
}
