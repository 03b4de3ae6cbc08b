import { randomUUID } from 'node:crypto';
import { openVisit } from '../visit/lock.ts';
import type { ImportPreview, ParsedBodyOf, ReplyOf, StockItem as StockView } from '@eclat/contract';
import { api } from '@eclat/contract';
import {
  effectOf,
  identityOf,
  readStockTable,
  sizeProblems,
  sizeWords,
  type Item,
  type StockRow,
} from '@eclat/core/stores';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField, HttpProblem, refused } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { makeMovement } from '../movements/movements.service.ts';
import { StockItem, StockMove, StockOrder } from './stores.entity.ts';

interface Row {
  id: string;
  on_hand: number;
  orders: StockView['orders'];
  code: string | null;
}

const fieldsOf = ({ kind, name, sizes, minimum, price, supplier, supplierNo, shelf, batch, note }: Item): Item => ({
  kind,
  name,
  sizes,
  minimum,
  price,
  supplier,
  supplierNo,
  shelf,
  batch,
  note,
});

/** Everything in the stores; one thing where an id is given. */
async function shelf(ctx: Pick<Context, 'em'>, id?: string): Promise<StockView[]> {
  const items = await ctx.em.find(StockItem, id ? { id } : {}, { orderBy: { kind: 'asc', name: 'asc', id: 'asc' } });
  const rows = await sql<Row>(
    ctx.em,
    `
    select i.id, (select code from movement where id = i.movement_id) as code,
      coalesce((select sum(change)::int from stock_move m where m.item_id = i.id), 0) as on_hand,
      coalesce((select json_agg(json_build_object('id', o.id, 'quantity', o.quantity, 'expectedOn',
        o.expected_on, 'visitId', o.visit_id, 'claim', v.claim, 'orderedAt',
          to_char(o.ordered_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), 'by', o.by)
            order by o.expected_on nulls last, o.ordered_at)
        from stock_order o left join visit v on v.id = o.visit_id where o.item_id = i.id
          and o.arrived_at is null), '[]') as orders
    from stock_item i ${id ? 'where i.id = ?' : ''}`,
    id ? [id] : [],
  );
  const of = new Map(rows.map((r) => [r.id, r]));
  return items.map((i) => ({
    id: i.id,
    version: i.version,
    kept: i.kept,
    ...fieldsOf(i),
    movementId: i.movementId ?? null,
    movementCode: of.get(i.id)!.code,
    onHand: of.get(i.id)!.on_hand,
    orders: of.get(i.id)!.orders,
  }));
}

export const listStores = (ctx: Pick<Context, 'em'>): Promise<StockView[]> => shelf(ctx);

async function one(ctx: Context, id: string): Promise<StockView> {
  await ctx.em.flush();
  return (await shelf(ctx, id))[0]!;
}

/** @throws 422 at the size that cannot be, or at the name when it is there already */
async function checked(ctx: Context, item: Item, id?: string): Promise<string> {
  const [wrong] = sizeProblems(item.kind, item.sizes);
  if (wrong) throw badField(`sizes.${wrong.size}`, wrong.message);
  const identity = identityOf(item);
  const there = await ctx.em.findOne(StockItem, { identity });
  if (there && there.id !== id) throw badField('name', 'This lies in the stores already, with the same sizes.');
  return identity;
}

function moved(
  ctx: Context,
  itemId: string,
  change: number,
  why: 'counted' | 'came in' | 'used',
  visitId: string | null = null,
  forId: string | null = null,
): void {
  if (change !== 0) ctx.em.create(StockMove, { itemId, change, why, visitId, forId, ...signature(ctx) });
}

export async function addItem(
  ctx: Context,
  { onHand, ...given }: ParsedBodyOf<typeof api.stores.add>,
): Promise<StockView> {
  const made = ctx.em.create(StockItem, { ...given, identity: await checked(ctx, given) });
  await ctx.em.flush();
  moved(ctx, made.id, onHand, 'counted');
  return one(ctx, made.id);
}

/** A donor's movement has a book, without a visit: its history goes with what it gives. */
export async function openBook(
  ctx: Context,
  id: string,
  given: ParsedBodyOf<typeof api.stores.openBook>,
): Promise<StockView> {
  const item = await findOrRefuse(ctx, StockItem, { id }, 'thing in the stores');
  if (item.kind !== 'donor') throw badField('name', 'Only a donor has a movement with a book.');
  if (item.movementId) throw refused('Its movement has a book already.');
  const movement = makeMovement(ctx, {
    ...given,
    marks: [],
    fittings: [],
    absent: [],
    history: [],
    logs: [],
    historyFrom: '',
  });
  item.movementId = movement.id;
  return one(ctx, id);
}

/** One more of a thing, which lies there already or is new. */
export async function oneMore(ctx: Context, { kind, name }: Pick<Item, 'kind' | 'name'>, note: string): Promise<void> {
  const nothing = { minimum: 0, price: '', supplier: '', supplierNo: '', shelf: '', batch: '' };
  const item: Item = { kind, name, sizes: {}, ...nothing, note: note.slice(0, 200) };
  const identity = identityOf(item);
  const there = await ctx.em.findOne(StockItem, { identity });
  const one = there ?? ctx.em.create(StockItem, { ...item, identity });
  one.kept = true;
  await ctx.em.flush();
  moved(ctx, one.id, 1, 'came in');
}

export async function changeItem(
  ctx: Context,
  id: string,
  { version, ...fields }: ParsedBodyOf<typeof api.stores.change>,
): Promise<StockView> {
  const item = await findOrRefuse(ctx, StockItem, { id }, 'thing in the stores');
  if (item.version !== version) expectVersion(item.version, version, await one(ctx, id));
  const next = { ...fieldsOf(item), ...fields };
  ctx.em.assign(item, { ...fields, identity: await checked(ctx, next, id) });
  return one(ctx, id);
}

export async function keepItem(ctx: Context, id: string, kept: boolean): Promise<StockView> {
  (await findOrRefuse(ctx, StockItem, { id }, 'thing in the stores')).kept = kept;
  return one(ctx, id);
}

/** What was counted holds: the difference is written as a move, so that what was there before can be read. */
export async function countItem(ctx: Context, id: string, onHand: number): Promise<StockView> {
  await sql(ctx.em, 'select 1 from stock_item where id = ? for update', [id]);
  await findOrRefuse(ctx, StockItem, { id }, 'thing in the stores');
  moved(ctx, id, onHand - (await one(ctx, id)).onHand, 'counted');
  return one(ctx, id);
}

export async function movesOf(ctx: Context, id: string): Promise<ReplyOf<typeof api.stores.moves>> {
  await findOrRefuse(ctx, StockItem, { id }, 'thing in the stores');
  const rows = await sql<{ change: number; why: 'counted'; claim: string | null; at: string; by: string }>(
    ctx.em,
    'select m.change, m.why, v.claim, m.at, m.by from stock_move m left join visit v on v.id = ' +
      'm.visit_id where m.item_id = ? order by m.at desc, m.id limit 200',
    [id],
  );
  return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
}

export async function orderItem(
  ctx: Context,
  id: string,
  given: ParsedBodyOf<typeof api.stores.addOrder>,
): Promise<StockView> {
  await findOrRefuse(ctx, StockItem, { id }, 'thing in the stores');
  if (given.visitId) await openVisit(ctx, given.visitId);
  ctx.em.create(StockOrder, { itemId: id, ...given, orderedAt: ctx.now, by: ctx.person.name, arrivedAt: null });
  return one(ctx, id);
}

/** An order, with nobody else saying anything of it until the unit of work ends. */
async function orderHeld(ctx: Context, id: string, orderId: string) {
  await sql(ctx.em, 'select 1 from stock_order where id = ? for update', [orderId]);
  return findOrRefuse(ctx, StockOrder, { id: orderId, itemId: id }, 'order');
}

export async function arrived(ctx: Context, id: string, orderId: string, has: boolean): Promise<StockView> {
  const order = await orderHeld(ctx, id, orderId);
  if (order.visitId) ctx.touched.add(order.visitId);
  if (has && !order.arrivedAt) moved(ctx, id, order.quantity, 'came in', null, order.id);
  if (!has) await ctx.em.nativeDelete(StockMove, { forId: order.id });
  order.arrivedAt = has ? ctx.now : null;
  return one(ctx, id);
}

export async function removeOrder(ctx: Context, id: string, orderId: string): Promise<StockView> {
  const order = await orderHeld(ctx, id, orderId);
  if (order.arrivedAt) throw refused('It came in already.', 'Say first that it had not.');
  ctx.em.remove(order);
  return one(ctx, id);
}

/**
 * What is fitted to a clock leaves the shelf with it; the person has it in hand, so a count of none does not forbid it.
 */
export async function takeFromStock(
  ctx: Context,
  itemId: string,
  quantity: number,
  visitId: string,
  forId: string,
): Promise<void> {
  await findOrRefuse(ctx, StockItem, { id: itemId }, 'thing in the stores');
  moved(ctx, itemId, -quantity, 'used', visitId, forId);
}

/** It was not fitted after all: it lies on its shelf again. */
export async function putBackInStock(ctx: Context, forId: string): Promise<void> {
  await ctx.em.nativeDelete(StockMove, { forId });
}

type Line = StockRow;
async function compared(
  ctx: Context,
  csv: string,
): Promise<{
  lines: { row: Line; there: StockView | undefined; effect: ReturnType<typeof effectOf> }[];
  problems: ImportPreview['problems'];
}> {
  const { rows, problems } = readStockTable(csv);
  const there = new Map((await shelf(ctx)).map((i) => [identityOf(i), i]));
  return {
    lines: rows.map((read) => {
      const found = there.get(identityOf(read));
      const row = { ...read, batch: read.batch ?? found?.batch ?? '' };
      return { row, there: found, effect: effectOf(row, found) };
    }),
    problems,
  };
}

export async function previewTable(ctx: Context, csv: string): Promise<ImportPreview> {
  const { lines, problems } = await compared(ctx, csv);
  return {
    rows: lines.map(({ row, effect }) => ({
      line: row.line,
      kind: row.kind,
      name: row.name,
      size: sizeWords(row.kind, row.sizes),
      ...effect,
    })),
    problems,
  };
}

/** All rows or none. @throws 422 with the bad rows, and then nothing is changed */
export async function importTable(ctx: Context, csv: string): Promise<{ ok: true; added: number; changed: number }> {
  await sql(ctx.em, 'lock table stock_item in share row exclusive mode');
  const { lines, problems } = await compared(ctx, csv);
  if (problems.length > 0)
    throw new HttpProblem(422, 'Nothing was taken in: rows of the table are bad.', {
      fields: problems
        .slice(0, 50)
        .map((p) => ({ path: `csv.${p.line}.${p.column}`, message: `Line ${p.line}: ${p.message}` })),
    });
  // Everything is read once and written at once: a long table holds the stores no longer than a short one.
  const items = new Map((await ctx.em.find(StockItem, {})).map((i) => [i.id, i]));
  for (const { row, there } of lines) {
    const item = there && items.get(there.id);
    const id = item?.id ?? randomUUID();
    if (item) ctx.em.assign(item, fieldsOf({ ...row, name: item.name }));
    else ctx.em.create(StockItem, { id, ...fieldsOf(row), identity: identityOf(row) });
    if (row.onHand !== null) moved(ctx, id, row.onHand - (there?.onHand ?? 0), 'counted');
  }
  const of = (e: 'new' | 'changed') => lines.filter((l) => l.effect.effect === e).length;
  return { ok: true, added: of('new'), changed: of('changed') };
}
