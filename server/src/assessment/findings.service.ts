import { openVisit } from '../visit/lock.ts';
import type { Finding as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { Finding } from './findings.entity.ts';

export const viewFinding = (f: Finding): Shape => ({
  id: f.id,
  version: f.version,
  place: f.place,
  seen: f.seen,
  severity: f.severity,
  effect: f.effect,
  proposal: f.proposal,
  earlierRepair: f.earlierRepair,
  doNotDisturb: f.doNotDisturb,
  hours: f.hours ?? null,
  cause: f.cause,
  by: f.by,
  at: f.at.toISOString(),
});

/** Findings that count: not taken back. */
export const STANDS = { removedAt: null } as const;

export async function addFinding(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.assessment.addFinding>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const finding = ctx.em.create(Finding, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewFinding(finding);
}

export async function changeFinding(
  ctx: Context,
  visitId: string,
  id: string,
  { version, ...fields }: ParsedBodyOf<typeof api.assessment.changeFinding>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const finding = await findOrRefuse(ctx, Finding, { id, visitId, ...STANDS }, 'finding');
  expectVersion(finding.version, version, viewFinding(finding));
  ctx.em.assign(finding, { ...fields, ...signature(ctx) });
  await ctx.em.flush();
  return viewFinding(finding);
}

export async function removeFinding(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  const finding = await findOrRefuse(ctx, Finding, { id, visitId, ...STANDS }, 'finding');
  ctx.em.assign(finding, { removedBy: ctx.person.name, removedAt: ctx.now });
}

/** It is there after all, with its points on photos and its lines of the estimate. */
export async function restoreFinding(ctx: Context, visitId: string, id: string): Promise<Shape> {
  await openVisit(ctx, visitId);
  const finding = await findOrRefuse(ctx, Finding, { id, visitId }, 'finding');
  ctx.em.assign(finding, { removedBy: null, removedAt: null });
  await ctx.em.flush();
  return viewFinding(finding);
}
