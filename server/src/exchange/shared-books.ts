import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';

/** Those of these books that this shop shares with a shop that is known by this key. */
export async function sharedWith(em: EntityManager, kid: string, movementIds: readonly string[]): Promise<string[]> {
  const shared = new Set(await allSharedWith(em, kid));
  return movementIds.filter((id) => shared.has(id));
}

/** Every book that is shared with a shop. */
export async function allSharedWith(em: EntityManager, kid: string): Promise<string[]> {
  const rows = await sql<{ id: string }>(
    em,
    `select distinct coalesce(m.merged_into, m.id) as id from shared_book s join movement m on m.id = s.movement_id
      where s.ended_at is null and (s.kid is null or s.kid = ?) order by 1`,
    [kid],
  );
  return rows.map((r) => r.id);
}
