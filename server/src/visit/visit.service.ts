import type { Entry, ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { CAUTIONS } from '@eclat/core/cautions';
import { serviceRecord } from '@eclat/core/history';
import { signFacts } from '@eclat/core/visit';
import { signObstacles, STAGE_IDS, type StageId } from '@eclat/core/workflow';
import { TimeSpent } from '../bench-time/bench-time.entity.ts';
import { expectVersion, openVisit, signature, type Context } from '../platform/http/context.ts';
import { notFound, refused } from '../platform/http/problems.ts';
import { writeEntry } from '../movements/history.service.ts';
import { presentVisit } from './visit.view.ts';
import { CautionRead, StageEvent } from './visit.entity.ts';

export async function changeVisit(
  ctx: Context,
  visitId: string,
  { version, ...fields }: ParsedBodyOf<typeof api.visit.change>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  expectVersion(visit.version, version, {
    version: visit.version,
    complaint: visit.complaint,
    wanted: visit.wanted,
    notWanted: visit.notWanted,
    outOfScope: visit.outOfScope,
    promisedFor: visit.promisedFor ?? null,
  });
  ctx.em.assign(visit, fields);
  await ctx.em.flush();
  return presentVisit(ctx, visitId);
}

export async function markStage(ctx: Context, visitId: string, stage: string, done: boolean): Promise<void> {
  if (!STAGE_IDS.includes(stage as StageId) || stage === 'sign') throw notFound('stage to mark');
  await openVisit(ctx, visitId);
  ctx.em.create(StageEvent, { visitId, stage: stage as StageId, done, ...signature(ctx) });
}

export async function readCaution(ctx: Context, visitId: string, caution: string): Promise<void> {
  if (!CAUTIONS.some((c) => c.id === caution)) throw notFound('caution');
  await openVisit(ctx, visitId);
  if (!(await ctx.em.findOne(CautionRead, { visitId, caution })))
    ctx.em.create(CautionRead, { visitId, caution, ...signature(ctx) });
}

/** Closes the visit into a history entry. After this nothing of it changes; an amendment adds to it. */
export async function signVisit(
  ctx: Context,
  visitId: string,
  { note, waiver }: ParsedBodyOf<typeof api.signing.sign>,
): Promise<Entry> {
  const row = await openVisit(ctx, visitId);
  const visit = await presentVisit(ctx, visitId);
  const obstacles = signObstacles(signFacts(visit, ctx.now, waiver, note));
  if (obstacles.length > 0) throw refused('It cannot be signed yet.', obstacles.map((o) => o.what).join('. '));
  const record = serviceRecord(visit, ctx.now, waiver, note);
  const entry = await writeEntry(ctx, {
    movementId: visit.movement.id,
    visitId,
    kind: 'visit',
    date: ctx.now.toISOString().slice(0, 10),
    title: titleOf(record.bushes.length, record.parts.length, record.cleaned.length),
    text: note,
    record,
  });
  for (const p of visit.parts)
    if (p.donorId)
      await writeEntry(ctx, {
        movementId: p.donorId,
        kind: 'donor',
        date: ctx.now.toISOString().slice(0, 10),
        title: `Gave its ${p.what.toLowerCase()}`,
        text: `It was fitted to ${visit.movement.code}.`,
      });
  ctx.em.create(StageEvent, { visitId, stage: 'sign', done: true, ...signature(ctx) });
  row.closedAt = ctx.now;
  await ctx.em.nativeUpdate(TimeSpent, { visitId, endedAt: null }, { endedAt: ctx.now }); // nobody works on a clock that is signed
  return entry;
}

function titleOf(bushes: number, parts: number, baths: number): string {
  const done = [
    baths > 0 && 'cleaned',
    bushes > 0 && `${bushes} ${bushes === 1 ? 'bush' : 'bushes'} fitted`,
    parts > 0 && `${parts} ${parts === 1 ? 'part' : 'parts'} fitted`,
    'oiled and tested',
  ]
    .filter((x): x is string => x !== false)
    .join(', ');
  return done[0]!.toUpperCase() + done.slice(1);
}
