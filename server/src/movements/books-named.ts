import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';

/** By which a book is named from elsewhere: ids that its movement has anywhere, and entries of it. */
export interface Named {
  ids: readonly string[];
  /** SHA-256 in hex; another word is none. */
  have: readonly string[];
}

const SHA256 = /^[0-9a-f]{64}$/;
/** Hashes among these words, each once. */
export const hashesIn = (words: readonly string[]): string[] => [...new Set(words.filter((w) => SHA256.test(w)))];

const list = (of: readonly string[]) => `{${of.join(',')}}`;

/** Ids of the books here that it names: each once, as they are called now. */
export async function booksNamed(em: EntityManager, { ids, have }: Named): Promise<string[]> {
  const hashes = list(hashesIn(have));
  const rows = await sql<{ id: string }>(
    em,
    `select distinct coalesce(m.merged_into, m.id) as id from movement m where m.id = any(?)
        or m.id in (select movement_id from history_entry where hash = any(?) or taken_over->>'hash' = any(?))
      order by 1`,
    [list(ids), hashes, hashes],
  );
  return rows.map((r) => r.id);
}

const READ = `lower(regexp_replace(regexp_replace(:x, '^\\s*(no|nr)\\M', '', 'i'), '[^[:alnum:]]', '', 'g'))`;
/**
 * A mark as two people would read it, in SQL: as `asRead` of core, which a test holds it to. An index of migration 0005
 * has the same expression.
 */
export const readMark = (column: string): string => READ.replace(':x', column);

/** Ids of the books here whose movement carries one of these marks. @param marks as `asRead` gives them */
export async function booksMarked(em: EntityManager, marks: readonly string[]): Promise<string[]> {
  const rows = await sql<{ id: string }>(
    em,
    `select distinct coalesce(m.merged_into, m.id) as id from movement m join movement_mark k on k.movement_id = m.id
      where ${readMark('k.text')} = any(?) order by 1`,
    [list(marks)],
  );
  return rows.map((r) => r.id);
}
