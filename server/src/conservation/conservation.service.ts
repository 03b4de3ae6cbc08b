import type { ConservationDecision as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { asksOwner, OWNER_FIRST, sameChoice } from '@eclat/core/conservation';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { openVisit } from '../visit/lock.ts';
import { ConservationDecision } from './conservation.entity.ts';

export const viewDecision = (d: ConservationDecision): Shape => ({
  ...{ id: d.id, version: d.version, about: d.about, of: d.of, ways: d.ways, agreed: d.agreed },
  ...{ by: d.by, at: d.at.toISOString() },
});

async function decisionOf(ctx: Context, visitId: string, id: string): Promise<ConservationDecision> {
  await openVisit(ctx, visitId);
  return findOrRefuse(ctx, ConservationDecision, { id, visitId }, 'decision');
}

export async function addDecision(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.conservation.add>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const made = ctx.em.create(ConservationDecision, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewDecision(made);
}

/** @throws 422 where what would then be chosen cannot be undone, and the owner has not said yes */
export async function changeDecision(
  ctx: Context,
  visitId: string,
  id: string,
  { version, ...fields }: ParsedBodyOf<typeof api.conservation.change>,
): Promise<Shape> {
  const decision = await decisionOf(ctx, visitId, id);
  expectVersion(decision.version, version, viewDecision(decision));
  // A yes that was given to another way is none to this one.
  const stale = fields.ways !== undefined && !sameChoice(decision.ways, fields.ways);
  ctx.em.assign(decision, { ...(stale && { agreed: false }), ...fields, ...signature(ctx) });
  if (asksOwner(decision.ways) && !decision.agreed) throw badField('agreed', OWNER_FIRST);
  await ctx.em.flush();
  return viewDecision(decision);
}

export async function removeDecision(ctx: Context, visitId: string, id: string): Promise<void> {
  ctx.em.remove(await decisionOf(ctx, visitId, id));
}
