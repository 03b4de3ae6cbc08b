import { privateWordsIn, type Typed } from '@eclat/core/history';
import { ownersWord } from '@eclat/core/workflow';
import { Owner } from '../owners/owners.entity.ts';
import { signature, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { KeptWord } from '../signing/signing.entity.ts';

/**
 * What is typed straight into a book is held to the rule of the signature: no word of whoever owns the clock now. Names
 * of past repairers and owners are history, and so is what is engraved: then somebody says why it stays, which stays in
 * the shop.
 * @throws 422 at `keep` with the words, until it says why
 */
export async function guardOwner(
  ctx: Context,
  movementId: string,
  typed: readonly Typed[],
  keep: string,
): Promise<void> {
  const [latest] = await sql<{ id: string; owner_id: string }>(
    ctx.em,
    'select id, owner_id from visit where movement_id = ? order by closed_at is null desc, opened_at desc limit 1',
    [movementId],
  );
  const owner = latest && (await ctx.em.findOne(Owner, { id: latest.owner_id }));
  if (!owner || owner.ownStock) return;
  const kept = (await ctx.em.find(KeptWord, { visitId: latest.id })).map((k) => k.word);
  const hits = privateWordsIn(typed, owner).filter((h) => !kept.includes(h.word.toLowerCase()));
  if (hits.length === 0) return;
  if (keep.trim() === '')
    throw badField('keep', `${hits.map(ownersWord).join('. ')}. Take it out, or say why it stays.`);
  for (const { word } of hits)
    ctx.em.create(KeptWord, { visitId: latest.id, word: word.toLowerCase(), why: keep, ...signature(ctx) });
  await ctx.em.flush();
}
