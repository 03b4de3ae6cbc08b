import type { KeyChange as Shape, SaidOfChange } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { theShop } from '../people/shop.service.ts';
import type { Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { KeyChange } from './keys.entity.ts';
import { LogHead } from './log.entity.ts';
import { KEY_USE_LOCK, makeKey, signingKey, type Keys } from './keys.ts';
import { readChange, signChange } from './signed.ts';

const MOST_CHANGES = 20;

/**
 * A new key, handed on by the old one in words that both sign. Whoever knows the old one knows the new one; the log of
 * the old one ends here.
 */
export async function changeKey(ctx: Context): Promise<void> {
  // Whoever is signing ends first; whoever signs next takes the new key.
  await sql(ctx.em, 'select pg_advisory_xact_lock(?)', [KEY_USE_LOCK]);
  const old = await signingKey(ctx.em, ctx.now);
  const fresh = await makeKey(ctx.em, ctx.now);
  const [last] = await ctx.em.find(LogHead, { kid: old.kid }, { orderBy: { size: 'desc' }, limit: 1 });
  const said: SaidOfChange = {
    ...{ format: 'eclat-key-change', version: 1, shop: (await theShop(ctx)).name, from: old.kid, to: fresh.kid },
    at: ctx.now.toISOString(),
    last: last ? { size: last.size, root: last.root } : null,
  };
  await keepChange(ctx.em, said, await signChange(old, fresh, said), ctx.now);
}

const keepChange = (em: EntityManager, { from, to }: SaidOfChange, change: Shape, now: Date) =>
  sql(
    em,
    'insert into key_change (from_kid, to_kid, old_jws, new_jws, at) values (?, ?, ?, ?, ?) on conflict do nothing',
    [from, to, change.old, change.new, now],
  );

/** How a key came to sign for its shop: from key to key, the oldest first. */
export async function changesTo(em: EntityManager, kid: string): Promise<Shape[]> {
  const chain: Shape[] = [];
  for (let to = kid; chain.length < MOST_CHANGES;) {
    const row = await em.findOne(KeyChange, { toKid: to });
    if (!row) break;
    chain.unshift({ old: row.oldJws, new: row.newJws });
    to = row.fromKid;
  }
  return chain;
}

/** What a chain of changes says; null where one does not hold, or does not lead to this key. */
export async function readChanges(chain: readonly Shape[], kid: string): Promise<SaidOfChange[] | null> {
  const all: SaidOfChange[] = [];
  for (const change of chain) {
    const said = await readChange(change);
    if (!said || (all.length > 0 && all.at(-1)!.to !== said.from)) return null;
    all.push(said);
  }
  return all.length === 0 || all.at(-1)!.to === kid ? all : null;
}

interface Shown {
  said: { key: string; size: number; shop: string };
  changes: readonly SaidOfChange[];
}

/**
 * Keeps changes that came with a file or a request: a key is handed on once, and the first word of it stands. Of its
 * own keys this shop takes no word from elsewhere.
 */
export async function keepChanges(
  ctx: Pick<Context, 'em' | 'now'>,
  { chain, changes }: Pick<Shown, 'changes'> & { chain: readonly Shape[] },
  { own }: Pick<Keys, 'own'>,
): Promise<void> {
  for (const [i, said] of changes.entries())
    if (!own.has(said.from)) await keepChange(ctx.em, said, chain[i]!, ctx.now);
}

/** How the log of a key ended, and when that was said here; null: it goes on. */
export async function endOf(em: EntityManager, kid: string): Promise<{ size: number; at: Date } | null> {
  const row = await em.findOne(KeyChange, { fromKid: kid });
  const said = row && (await readChange({ old: row.oldJws, new: row.newJws }));
  return row && said ? { size: said.last?.size ?? 0, at: row.at } : null;
}

/** What speaks against keys that changed: handed on by a thief, or used after they were given up. */
export async function changeWarnings(em: EntityManager, logs: readonly Shown[], { own }: Keys): Promise<string[]> {
  const words: string[] = [];
  const ended = new Map<string, SaidOfChange>();
  const told = logs.flatMap((l) => l.changes);
  const froms = [...told.map((c) => c.from), ...logs.map((l) => l.said.key)];
  for (const row of await em.find(KeyChange, { fromKid: froms })) {
    const before = await readChange({ old: row.oldJws, new: row.newJws });
    if (before) ended.set(row.fromKid, before);
  }
  for (const change of told) {
    if (own.has(change.from) && !own.has(change.to))
      words.push(
        'Somebody has a key of this shop: this file hands it on to a key that is not its own. Change the key ' +
          '(People), and tell those who know it.',
      );
    const before = ended.get(change.from);
    if (before && before.to !== change.to)
      words.push(
        `A key of ${before.shop} was handed on twice, to two keys: somebody else has it. The first stands here. Ask ` +
          'there before you rely on what the other one signed.',
      );
    else ended.set(change.from, change);
  }
  for (const { said } of logs) {
    const end = ended.get(said.key);
    if (end && said.size > (end.last?.size ?? 0))
      words.push(
        `A key of ${said.shop} signed ${said.size} entries, and was given up after ${end.last?.size ?? 0}: somebody ` +
          'else has it, or entries were lost with an old backup. Ask there.',
      );
  }
  return words;
}
