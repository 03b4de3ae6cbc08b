import { PROOFS, type Proof, type StoreCheck } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';
import type { Context } from '../platform/http/context.ts';
import { StoreCheck as Check } from './check.entity.ts';
import { bookEntries } from './history.service.ts';
import { keysOf } from './keys.ts';
import { troublesOfLogs } from './log.service.ts';
import { proofsOf } from './proof.ts';

/** Books looked through at once: a store of any size in bounded memory. */
const BOOKS = 200;

export interface Verified {
  books: number;
  entries: number;
  /** How many stand how. */
  proofs: Record<Proof, number>;
  broken: StoreCheck['broken'];
  /** What is wrong with the log of this shop, or with one that another showed. */
  log: string[];
}

/**
 * Checks every entry of every book: signatures, columns, the log, and that no entry is gone that another was written
 * on.
 */
export async function verifyStore(em: EntityManager): Promise<Verified> {
  const none = Object.fromEntries(PROOFS.map((p) => [p, 0])) as Verified['proofs'];
  const found: Verified = { books: 0, entries: 0, proofs: none, broken: [], log: [] };
  const keys = await keysOf(em);
  found.log = await troublesOfLogs(em, keys);
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
          found.broken.push({ movementId: id, code, title: e.title, date: e.date, proof });
      }
      found.entries += entries.length;
    }
    found.books += books.length;
  }
}

/** Checks the store and keeps when, and what did not hold. */
export async function checkStore(em: EntityManager, now: Date): Promise<Verified> {
  const verified = await verifyStore(em);
  const { entries, broken, log } = verified;
  await em.upsert(Check, { one: true, at: now, entries, broken: broken.slice(0, MOST_NAMED), log });
  return verified;
}

const MOST_NAMED = 100;
const EVERY_MS = 24 * 3_600_000;
const CHECK_LOCK = 6_438_006;

/** Once a day, by one of however many servers. */
export async function checkDaily(em: EntityManager, now: Date): Promise<void> {
  await em.transactional(async (inside) => {
    const [lock] = await sql<{ ours: boolean }>(inside, 'select pg_try_advisory_xact_lock(?) as ours', [CHECK_LOCK]);
    const last = await inside.findOne(Check, { one: true });
    if (!lock?.ours || (last && now.getTime() - last.at.getTime() < EVERY_MS)) return;
    await checkStore(inside, now);
  });
}

export async function lastCheck({ em }: Pick<Context, 'em'>): Promise<StoreCheck | null> {
  const last = await em.findOne(Check, { one: true });
  return last && { at: last.at.toISOString(), entries: last.entries, broken: last.broken, log: last.log };
}
