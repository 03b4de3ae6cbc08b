import type { Context } from '../http/context.ts';
import { sql } from '../http/app-context.ts';

/** What a person puts in an order of their own, in the visit. */
export type Ordered = 'photo' | 'strip_step' | 'case_task';

/**
 * Puts a row elsewhere in the order of its visit: the others move up or down. It stays as it was otherwise, so nobody
 * who has it open is told that it was changed.
 */
export async function moveInOrder(
  ctx: Context,
  table: Ordered,
  visitId: string,
  id: string,
  position: number,
): Promise<void> {
  const all = await sql<{ id: string }>(ctx.em, `select id from ${table} where visit_id = ? order by position, at`, [
    visitId,
  ]);
  const order = all.map((row) => row.id).filter((other) => other !== id);
  await sql(
    ctx.em,
    `update ${table} t set position = o.place from unnest(string_to_array(?, ',')::uuid[]) with ordinality o (id, place)
      where t.id = o.id`,
    [order.toSpliced(position, 0, id).join(',')],
  );
}

/** The place after the last one. */
export async function lastPlace(ctx: Context, table: Ordered, visitId: string): Promise<number> {
  const [last] = await sql<{ n: number }>(
    ctx.em,
    `select coalesce(max(position), 0)::int as n from ${table} where visit_id = ?`,
    [visitId],
  );
  return last!.n + 1;
}
