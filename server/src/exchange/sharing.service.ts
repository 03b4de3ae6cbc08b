import { api, carriedBook, type Offered, type ParsedBodyOf, type ReplyOf } from '@eclat/contract';
import { KnownKey } from '../movements/keys.entity.ts';
import { keysOf, newestOf } from '../movements/keys.ts';
import { loadMovement, movementNow } from '../movements/movements.service.ts';
import { checkRecord } from '../movements/record.service.ts';
import { readCard } from '../movements/signed.ts';
import { theShop } from '../people/shop.service.ts';
import { sql } from '../platform/http/app-context.ts';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { refused } from '../platform/http/problems.ts';
import { asRecord, namesOf } from './carried.ts';
import { OfferedBook, SharedBook } from './exchange.entity.ts';
import { contacts } from './log.ts';
import { comparable } from './marks.ts';

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

/** What waits to be looked at, with the book here that it is of. @param among only this one is looked for */
export async function offers(ctx: Context, among?: string): Promise<Offered[]> {
  const waiting = await ctx.em.find(
    OfferedBook,
    { settledAt: null },
    { orderBy: { at: 'desc', id: 'asc' }, exclude: ['book'] },
  );
  const found: Offered[] = [];
  for (const o of waiting) {
    const { id, shop, movement, entries } = o;
    const here = among !== undefined && (await isOf(ctx, o, among)) ? among : null;
    found.push({
      ...{ id, shop, at: o.at.toISOString(), entries, movement: { code: movement.code, name: movement.name } },
      movementId: among === undefined ? await bookOf(ctx, o) : here,
    });
  }
  return found;
}

type Names = Pick<OfferedBook, 'ids' | 'hashes' | 'marks'>;

/** The book here that has such an entry, or an id; or else the one that carries such a mark. */
async function bookOf({ em }: Context, { ids, hashes, marks }: Names): Promise<string | null> {
  const list = (of: readonly string[]) => `{${of.join(',')}}`;
  const [found] = await sql<{ id: string }>(
    em,
    `select coalesce(m.merged_into, m.id) as id from movement m where m.id = any(?)
        or m.id in (select movement_id from history_entry where hash = any(?)) order by 1 limit 1`,
    [list(ids), list(hashes)],
  );
  if (found || marks.length === 0) return found?.id ?? null;
  const [marked] = await sql<{ id: string }>(
    em,
    `select coalesce(m.merged_into, m.id) as id from movement m join movement_mark k on k.movement_id = m.id
      where lower(regexp_replace(regexp_replace(k.text, '^\\s*(no|nr)\\M', '', 'i'), '[^[:alnum:]]', '', 'g')) = any(?)
      order by 1 limit 1`,
    [list(marks)],
  );
  return marked?.id ?? null;
}

async function isOf(ctx: Context, { ids, hashes, marks }: Names, movementId: string): Promise<boolean> {
  const here = await namesOf(ctx, movementId);
  if (ids.some((id) => here.ids.includes(id)) || hashes.some((h) => here.have.includes(h))) return true;
  const { marks: carried } = await loadMovement(ctx, await movementNow(ctx, movementId));
  return comparable(carried).some((m) => marks.includes(m));
}

/** What was sent, and how it would stand in the book that it is of, or in this one. */
export async function offer(
  ctx: Context,
  offerId: string,
  movementId?: string,
): Promise<ReplyOf<typeof api.exchange.offer>> {
  const row = await findOrRefuse(ctx, OfferedBook, { id: offerId }, 'record');
  const into = movementId === undefined ? await bookOf(ctx, row) : (await movementNow(ctx, movementId)).id;
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
  const row = await findOrRefuse(ctx, OfferedBook, { id: offerId }, 'record');
  // Two people looked at it: what was taken in is not put aside, nor twice taken in.
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
