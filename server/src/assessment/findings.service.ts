import { openVisit } from '../visit/lock.ts';
import type { Finding as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { isCircle } from '@eclat/core/assess';
import { badField } from '../platform/http/problems.ts';
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
  followsFrom: f.followsFrom ?? null,
  overturned: f.overturnedAt ? { why: f.overturned, by: f.overturnedBy!, at: f.overturnedAt.toISOString() } : null,
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
  await followsOne(ctx, visitId, '', given.followsFrom);
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
  if (fields.followsFrom !== undefined) await followsOne(ctx, visitId, id, fields.followsFrom);
  ctx.em.assign(finding, { ...fields, ...signature(ctx) });
  await ctx.em.flush();
  return viewFinding(finding);
}

/** @throws 422 when the other is no finding of this visit, or follows from this one itself */
async function followsOne(ctx: Context, visitId: string, id: string, followsFrom: string | null): Promise<void> {
  if (followsFrom === null) return;
  const all = (await ctx.em.find(Finding, { visitId, ...STANDS })).map(viewFinding);
  if (!all.some((f) => f.id === followsFrom)) throw badField('followsFrom', 'No finding of this clock.');
  if (isCircle(id, followsFrom, all)) throw badField('followsFrom', 'A finding cannot be its own cause.');
}

/** A later look found something else: both stand. Empty takes that back. */
export async function overturnFinding(ctx: Context, visitId: string, id: string, why: string): Promise<Shape> {
  await openVisit(ctx, visitId);
  const finding = await findOrRefuse(ctx, Finding, { id, visitId, ...STANDS }, 'finding');
  const is = why !== '';
  ctx.em.assign(finding, {
    overturned: why,
    overturnedBy: is ? ctx.person.name : null,
    overturnedAt: is ? ctx.now : null,
  });
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
