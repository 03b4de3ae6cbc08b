import { openVisit } from '../visit/lock.ts';
import { type Entry, type ParsedBodyOf, api } from '@eclat/contract';
import { recordTitle, serviceRecord } from '@eclat/core/history';
import { sectionsOf, typedWords } from '@eclat/core/record';
import { signFacts } from '@eclat/core/visit';
import { signObstacles } from '@eclat/core/workflow';
import { TimeSpent } from '../bench-time/bench-time.entity.ts';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { refused } from '../platform/http/problems.ts';
import { describedAs } from '../movements/describe.service.ts';
import { writeEntry } from '../movements/history.service.ts';
import { viewVisit } from '../visit/visit.view.ts';
import { KeptWord, viewKeptWord } from './signing.entity.ts';
import { StageEvent } from '../visit/visit.entity.ts';
import { shopDay } from '../people/shop.service.ts';

/** This word of the owner's means something else where it stands. */
export async function keepWord(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.signing.keepWord>) {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(KeptWord, { visitId, ...given, word: given.word.toLowerCase(), ...signature(ctx) });
  await ctx.em.flush();
  return viewKeptWord(row);
}

export async function dropWord(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, KeptWord, { id, visitId }, 'kept word'));
}

/** Closes the visit into a history entry. After this nothing of it changes; an amendment adds to it. */
export async function signVisit(
  ctx: Context,
  visitId: string,
  { note, waiver }: Omit<ParsedBodyOf<typeof api.signing.sign>, 'passphrase'>,
): Promise<Entry> {
  const row = await openVisit(ctx, visitId);
  const visit = await viewVisit(ctx, visitId);
  const obstacles = signObstacles(signFacts(visit, ctx.now, typedWords(visit, waiver, note), waiver));
  if (obstacles.length > 0) throw refused('It cannot be signed yet.', obstacles.map((o) => o.what).join('. '));
  const record = serviceRecord(visit, ctx.now, waiver, note);
  const entry = await writeEntry(ctx, {
    movementId: visit.movement.id,
    visitId,
    kind: 'visit',
    date: await shopDay(ctx),
    title: recordTitle(visit.job, record),
    text: note,
    record,
    sections: sectionsOf(visit),
  });
  for (const p of visit.parts)
    if (p.donorId)
      await writeEntry(ctx, {
        movementId: p.donorId,
        kind: 'donor',
        date: await shopDay(ctx),
        title: `Gave its ${p.what.toLowerCase()}`,
        text: `It was fitted to ${visit.movement.code}.`,
      });
  ctx.em.create(StageEvent, { visitId, stage: 'sign', state: 'done', ...signature(ctx) });
  row.closedAt = ctx.now;
  row.describedAs = await describedAs(ctx, row.movementId);
  // nobody works on a clock that is signed
  await ctx.em.nativeUpdate(TimeSpent, { visitId, endedAt: null }, { endedAt: ctx.now });
  return entry;
}
