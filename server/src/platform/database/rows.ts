import type { EntityManager } from '@mikro-orm/postgresql';
import type { EntitySchema, InferEntity } from '@mikro-orm/core';
import { sql } from '../http/app-context.ts';

/** Rows of one table, to be asked for together with others. */
export interface Ask<Row> {
  entity: EntitySchema;
  tail: string;
  params: unknown[];
  /** Only for the compiler. */
  row?: Row;
}

/** @param tail what follows the table's name: `where visit_id = ? order by at`. `?` is a binding. */
export const rows = <E>(entity: E, tail: string, ...params: unknown[]): Ask<InferEntity<E>> => ({
  entity: entity as EntitySchema,
  tail,
  params,
});

export type RowsOf<Asks extends Record<string, Ask<unknown>>> = {
  [Name in keyof Asks]: (Asks[Name] extends Ask<infer Row> ? Row : never)[];
};

/**
 * Many tables in one question to the database: a visit lies in some forty of them, and forty questions one after
 * another cost more in waiting than in reading. What comes back is for showing only; to change a row, find it.
 * Lazy columns (the bytes of photos) are left where they are.
 */
export async function fetchAll<Asks extends Record<string, Ask<unknown>>>(
  em: EntityManager,
  asks: Asks,
): Promise<RowsOf<Asks>> {
  if (em.isInTransaction()) await em.flush(); // what this unit of work has changed counts
  const parts = Object.entries(asks).map(([name, { entity, tail, params }]) => {
    const meta = em.getMetadata(entity.meta.className);
    const columns = meta.props
      .filter((p) => !p.lazy)
      .map((p) => ({ name: p.name, column: p.fieldNames[0]!, moment: p.runtimeType === 'Date' }));
    return {
      name,
      columns,
      params,
      text:
        `(select coalesce(json_agg(t), '[]') from (select ` +
        `${columns.map((c) => `"${c.column}"`).join(', ')} from "${meta.tableName}" ${tail}) t) as "` +
        `${name}"`,
    };
  });
  const [row] = await sql<Record<string, Record<string, unknown>[]>>(
    em,
    `select ${parts.map((p) => p.text).join(',\n')}`,
    parts.flatMap((p) => p.params),
  );
  const entries = parts.map(({ name, columns }) => [
    name,
    row![name]!.map((r) =>
      Object.fromEntries(
        columns.map(({ name: key, column, moment }) => [
          key,
          moment && r[column] !== null ? new Date(r[column] as string) : r[column],
        ]),
      ),
    ),
  ]);
  return Object.fromEntries(entries) as RowsOf<Asks>;
}
