import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { QUESTIONS } from '@eclat/core/intake';
import { expectVersion, findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound } from '../platform/http/problems.ts';
import { Photo } from '../photos/photos.entity.ts';
import { Visit } from '../visit/visit.entity.ts';
import { ComplaintAnswer, ReceivedItem } from './reception.entity.ts';
import { viewWanted, wantedRows } from './wanted.service.ts';

import { rows, type RowsOf } from '../platform/database/rows.ts';

type Received = Shape['received'][number];

export const viewReceived = (r: ReceivedItem): Received => ({
  id: r.id,
  version: r.version,
  what: r.what,
  count: r.count,
  condition: r.condition,
  squareMm: r.squareMm ?? null,
  fits: r.fits ?? null,
  photoId: r.photoId ?? null,
  returnedBy: r.returnedBy,
  returnedAt: r.returnedAt?.toISOString() ?? null,
});

/** What the owner said to one of the questions; an empty answer takes it back. */
export const receptionRows = ({ id, clockId }: Visit) => ({
  received: rows(ReceivedItem, 'where visit_id = ? order by position', id),
  answers: rows(ComplaintAnswer, 'where visit_id = ?', id),
  ...wantedRows(id, clockId),
});
export const viewReception = (found: RowsOf<ReturnType<typeof receptionRows>>) => ({
  received: found.received.map(viewReceived),
  answers: found.answers.map((a) => ({ question: a.question, answer: a.answer, ...viewSigned(a) })),
  wantedThings: found.wantedThings.map((w) => viewWanted(w, found.wantedSteps)),
});

export async function answerQuestion(ctx: Context, visitId: string, question: string, answer: string): Promise<void> {
  if (!QUESTIONS.some((q) => q.id === question)) throw notFound('question');
  await openVisit(ctx, visitId);
  if (answer === '') await ctx.em.nativeDelete(ComplaintAnswer, { visitId, question });
  else await ctx.em.upsert(ComplaintAnswer, { visitId, question, answer, ...signature(ctx) });
}

async function ownPhoto(ctx: Context, visitId: string, photoId: string | null | undefined): Promise<void> {
  if (photoId && !(await ctx.em.count(Photo, { id: photoId, visitId })))
    throw badField('photoId', 'This photo belongs to another visit.');
}

export async function addReceived(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.reception.addReceived>,
): Promise<Received> {
  await openVisit(ctx, visitId);
  await ownPhoto(ctx, visitId, given.photoId);
  const last = await ctx.em.find(ReceivedItem, { visitId }, { orderBy: { position: 'desc' }, limit: 1 });
  const item = ctx.em.create(ReceivedItem, { visitId, position: (last[0]?.position ?? -1) + 1, ...given });
  await ctx.em.flush();
  return viewReceived(item);
}

export async function changeReceived(
  ctx: Context,
  visitId: string,
  id: string,
  { version, ...fields }: ParsedBodyOf<typeof api.reception.changeReceived>,
): Promise<Received> {
  await openVisit(ctx, visitId);
  await ownPhoto(ctx, visitId, fields.photoId);
  const item = await findOrRefuse(ctx, ReceivedItem, { id, visitId }, 'thing received');
  expectVersion(item.version, version, viewReceived(item));
  ctx.em.assign(item, fields);
  await ctx.em.flush();
  return viewReceived(item);
}

export async function removeReceived(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, ReceivedItem, { id, visitId }, 'thing received'));
}

/** Ticked when it goes home, by name and time. */
export async function returnReceived(ctx: Context, visitId: string, id: string, returned: boolean): Promise<Received> {
  await openVisit(ctx, visitId);
  const item = await findOrRefuse(ctx, ReceivedItem, { id, visitId }, 'thing received');
  ctx.em.assign(
    item,
    returned ? { returnedBy: ctx.person.name, returnedAt: ctx.now } : { returnedBy: '', returnedAt: null },
  );
  await ctx.em.flush();
  return viewReceived(item);
}

export async function cameAlone(ctx: Context, visitId: string, alone: Shape['alone']): Promise<void> {
  (await openVisit(ctx, visitId)).alone = alone;
}

/** A return of the shop's own work: linked to a signed visit of the same movement or clock. */
export async function linkCallback(ctx: Context, visitId: string, earlierId: string | null): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  if (earlierId !== null) {
    const earlier = await findOrRefuse(ctx, Visit, { id: earlierId }, 'earlier visit');
    if (!earlier.closedAt || (earlier.movementId !== visit.movementId && earlier.clockId !== visit.clockId))
      throw badField('visitId', 'A callback goes back to a signed visit of this clock or movement.');
  }
  visit.callbackOf = earlierId;
}
