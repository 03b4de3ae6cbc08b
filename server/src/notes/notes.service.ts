import type { api, Note, ParsedBodyOf } from '@eclat/contract';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { openVisit } from '../visit/lock.ts';
import { VisitNote } from './notes.entity.ts';

export const viewNote = ({ id, text, by, at }: VisitNote): Note => ({ id, text, by, at: at.toISOString() });

export async function addNote(
  ctx: Context,
  visitId: string,
  { text }: ParsedBodyOf<typeof api.notes.add>,
): Promise<Note> {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(VisitNote, { visitId, text, ...signature(ctx) });
  await ctx.em.flush();
  return viewNote(row);
}

export async function removeNote(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, VisitNote, { id, visitId }, 'note'));
}
