import type { api, ClosingNote as Closing, ParsedBodyOf, SecondLook as Look } from '@eclat/contract';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { refused } from '../platform/http/problems.ts';
import { openVisit } from '../visit/lock.ts';
import { ClosingNote, SecondLook } from './assembly.entity.ts';

const OF_MOVEMENT = 'where visit_id in (select id from visit where movement_id = ?) order by at';

export const closeRows = (visitId: string, movementId: string) => ({
  secondLooks: rows(SecondLook, 'where visit_id = ? order by at', visitId),
  closings: rows(ClosingNote, OF_MOVEMENT, movementId),
});
export const viewClose = ({ secondLooks, closings }: RowsOf<ReturnType<typeof closeRows>>, visitId: string) => ({
  secondLooks: secondLooks.map(viewLook),
  closings: closings.map((c) => viewClosing(c, visitId)),
});

const viewLook = (l: SecondLook): Look => ({
  ...{ id: l.id, what: l.what, of: l.of, word: l.word ?? null, note: l.note, lookedBy: l.lookedBy },
  lookedAt: l.lookedAt?.toISOString() ?? null,
  ...viewSigned(l),
});
const viewClosing = ({ id, corner = null, last, note, visitId, ...s }: ClosingNote, here: string): Closing => ({
  ...{ id, corner, last, note, own: visitId === here },
  ...viewSigned(s),
});

export async function askLook(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.assembly.askLook>,
): Promise<Look> {
  await openVisit(ctx, visitId);
  if (await ctx.em.findOne(SecondLook, { visitId, lookedAt: null }))
    throw refused('A second look is asked for already.', 'It is answered or taken back first.');
  const row = ctx.em.create(SecondLook, { visitId, ...given, ...signature(ctx), note: '', lookedBy: '' });
  await ctx.em.flush();
  return viewLook(row);
}

/** @throws 409 when the person who asked answers, or somebody answered before */
export async function answerLook(
  ctx: Context,
  visitId: string,
  lookId: string,
  { word, note }: ParsedBodyOf<typeof api.assembly.answerLook>,
): Promise<Look> {
  await openVisit(ctx, visitId);
  const look = await findOrRefuse(ctx, SecondLook, { id: lookId, visitId }, 'look');
  if (look.by === ctx.person.name)
    throw refused('A second person looks.', `${look.by} asked for it: somebody else looks.`);
  if (look.lookedAt) throw refused('It was looked at already.', `${look.lookedBy}: ${look.word}.`);
  ctx.em.assign(look, { word, note, lookedBy: ctx.person.name, lookedAt: ctx.now });
  await ctx.em.flush();
  return viewLook(look);
}

export async function removeLook(ctx: Context, visitId: string, lookId: string): Promise<void> {
  await openVisit(ctx, visitId);
  const look = await findOrRefuse(ctx, SecondLook, { id: lookId, visitId }, 'look');
  if (look.lookedAt) throw refused('It was looked at.', `What ${look.lookedBy} said stays.`);
  ctx.em.remove(look);
}

export async function addClosing(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.assembly.addClosing>,
): Promise<Closing> {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(ClosingNote, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewClosing(row, visitId);
}

export async function removeClosing(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, ClosingNote, { id, visitId }, 'note'));
}
