import type { Seal } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';
import { HistoryEntry } from './history.entity.ts';
import { sealsOf } from './seal.ts';

/** Books looked through at once: a store of any size in bounded memory. */
const BOOKS = 200;

export interface Verified {
  books: number;
  entries: number;
  broken: { code: string; title: string; date: string; seal: Exclude<Seal, 'holds'> }[];
}

/** Recomputes the seal of every entry of every book. */
export async function verifyStore(em: EntityManager): Promise<Verified> {
  const found: Verified = { books: 0, entries: 0, broken: [] };
  for (let after = ''; ;) {
    const books = await sql<{ id: string; code: string }>(
      em,
      `select id, code from movement m
        where code > ? and exists (select from history_entry e where e.movement_id = m.id)
        order by code limit ${BOOKS}`,
      [after],
    );
    const last = books.at(-1);
    if (!last) return found;
    after = last.code;
    const entries = await em.fork().find(HistoryEntry, { movementId: books.map((b) => b.id) });
    const code = new Map(books.map((b) => [b.id, b.code]));
    for (const [id, seal] of sealsOf(entries)) {
      if (seal === 'holds') continue;
      const e = entries.find((x) => x.id === id)!;
      found.broken.push({ code: code.get(e.movementId)!, title: e.title, date: e.date, seal });
    }
    found.books += books.length;
    found.entries += entries.length;
  }
}
