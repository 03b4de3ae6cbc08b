import { PROOFS, type Proof } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';
import { bookEntries } from './history.service.ts';
import { ownKeys } from './keys.ts';
import { proofsOf } from './proof.ts';

/** Books looked through at once: a store of any size in bounded memory. */
const BOOKS = 200;

export interface Verified {
  books: number;
  entries: number;
  /** How many stand how. */
  proofs: Record<Proof, number>;
  broken: { code: string; title: string; date: string; proof: Proof }[];
}

/** Checks every entry of every book: signatures, columns, and that no entry is gone that another was written on. */
export async function verifyStore(em: EntityManager): Promise<Verified> {
  const none = Object.fromEntries(PROOFS.map((p) => [p, 0])) as Verified['proofs'];
  const found: Verified = { books: 0, entries: 0, proofs: none, broken: [] };
  const keys = await ownKeys(em);
  for (let after = ''; ;) {
    const books = await sql<{ id: string; code: string }>(
      em,
      `select m.id, m.code from movement m
        where m.merged_into is null and m.code > ? and exists (select from history_entry e
          join movement b on b.id = e.movement_id where coalesce(b.merged_into, b.id) = m.id)
        order by code limit ${BOOKS}`,
      [after],
    );
    const last = books.at(-1);
    if (!last) return found;
    after = last.code;
    for (const { id, code } of books) {
      const entries = await bookEntries({ em: em.fork() }, id);
      const proofs = await proofsOf(entries, keys);
      for (const e of entries) {
        const { proof } = proofs.get(e.id)!;
        found.proofs[proof]++;
        if (proof === 'changed' || proof === 'page missing')
          found.broken.push({ code, title: e.title, date: e.date, proof });
      }
      found.entries += entries.length;
    }
    found.books += books.length;
  }
}
