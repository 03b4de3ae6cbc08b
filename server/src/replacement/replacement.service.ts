import { openVisit } from '../visit/lock.ts';
import { randomUUID } from 'node:crypto';
import type { ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { serviceRecord } from '@eclat/core/history';
import { answeredFirst, replacementChecks, replacementObstacles } from '@eclat/core/movement';
import { held } from '@eclat/core/rules';
import { signFacts } from '@eclat/core/visit';
import { ownersWord, STAGE_IDS } from '@eclat/core/workflow';
import { writeEntry } from '../movements/history.service.ts';
import { signature, type Context } from '../platform/http/context.ts';
import { badField, notFound, refused } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { ClockMovement } from '../movements/movements.entity.ts';
import { describedAs } from '../movements/describe.service.ts';
import { makeMovement, movementNow } from '../movements/movements.service.ts';
import { agree } from '../visit/job.service.ts';
import { viewVisit } from '../visit/visit.view.ts';
import { StageEvent, Visit } from '../visit/visit.entity.ts';
import { MovementOut, ReplacementAnswer } from './replacement.entity.ts';

const pointsOf = (visit: Shape) =>
  replacementChecks(visit.movement.traits, held('new-movement', visit.rules.held).name);

export async function answerPoint(
  ctx: Context,
  visitId: string,
  point: string,
  { answer, note }: ParsedBodyOf<typeof api.replacement.setCheck>,
): Promise<void> {
  await openVisit(ctx, visitId);
  const visit = await viewVisit(ctx, visitId);
  if (visit.replacement.out) throw refused('The other movement is in already.');
  if (!pointsOf(visit).some((c) => c.id === point)) throw notFound('point of the replacement');
  const early = answer === null ? null : answeredFirst(point, pointsOf(visit), visit.replacement.checks);
  if (early) throw refused('Not yet.', early);
  const before = await ctx.em.findOne(ReplacementAnswer, { visitId, point });
  if (answer === null) {
    if (before) ctx.em.remove(before);
    return;
  }
  if (before) ctx.em.assign(before, { answer, note, ...signature(ctx) });
  else ctx.em.create(ReplacementAnswer, { visitId, point, answer, note, ...signature(ctx) });
}

/** What was done to the movement itself. It goes with the old one: the new one begins clean. */
const OF_THE_MOVEMENT = [
  'power_event',
  'power_override',
  'stand_run',
  'unit',
  'unit_stage_event',
  'unit_run',
  'strip',
  'strip_step',
  'strip_pass',
  'strip_phase',
  'strip_temporary',
  'strip_custody',
  'bath_run',
  'surveyed_hole',
  'part_look',
  'plate_photo',
  'bush',
  'part_work',
  'part_fitted',
  'oiled_point',
  'test_run',
  'electric_look',
  'caution_read',
];
const NEVER_APART = STAGE_IDS.slice(STAGE_IDS.indexOf('strip'), STAGE_IDS.indexOf('assemble'));

/**
 * The other movement is in. What was done to the old one becomes a visit of its own, closed into its book; this visit
 * goes on with the new one, whose stages up to the fitting there was nothing to do in. The clock's list of movements
 * changes.
 */
export async function fitReplacement(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.replacement.fit>,
): Promise<void> {
  const row = await openVisit(ctx, visitId);
  const visit = await viewVisit(ctx, visitId);
  if (visit.replacement.out)
    throw refused('The other movement is in already.', 'A second change in one visit needs a visit of its own.');
  const obstacles = replacementObstacles(pointsOf(visit), visit.replacement.checks);
  if (visit.baths.some((b) => b.stoppedAt === null)) obstacles.push('a bath of the old movement still runs');
  if (obstacles.length > 0) throw refused('The other movement cannot go in yet.', obstacles.join('. '));
  const record = serviceRecord(visit, ctx.now, `replaced: ${given.why}`, given.why);
  const { privateWords } = signFacts(visit, ctx.now, '', given.why);
  if (privateWords.length > 0)
    throw refused(
      'Words of the owner stand in it.',
      `${privateWords.map(ownersWord).join('. ')}. Take it out, or say at the signature that it means something else.`,
    );

  const fresh = given.movementId ? await movementNow(ctx, given.movementId) : makeMovement(ctx, given.movement!);
  if (fresh.id === row.movementId) throw badField('movementId', 'This is the movement that comes out.');
  const [busy] = await sql<{ claim: string }>(
    ctx.em,
    'select claim from visit where movement_id = ? and closed_at is null',
    [fresh.id],
  );
  if (busy) throw refused(`That movement is in the shop as ${busy.claim}.`, 'Sign that visit first.');
  await ctx.em.flush();

  const out = await visitOut(ctx, row);
  await writeBoth(ctx, visit, out, fresh, given.fate, record);
  await ctx.em.nativeUpdate(ClockMovement, { movementId: [fresh.id, row.movementId], until: null }, { until: ctx.now });
  ctx.em.create(ClockMovement, { clockId: row.clockId, movementId: fresh.id, since: ctx.now });
  for (const stage of NEVER_APART)
    ctx.em.create(StageEvent, {
      visitId,
      stage,
      state: 'not in this job',
      why: 'Another movement went into the case.',
      ...signature(ctx),
    });
  ctx.em.create(MovementOut, {
    visitId,
    movementId: row.movementId,
    outVisitId: out.id,
    why: given.why,
    fate: given.fate,
    ...signature(ctx),
  });
  row.movementId = fresh.id;
  await ctx.em.flush();
}

/** What was done to the old movement, moved to a visit of its own that is closed at once. */
async function visitOut(ctx: Context, row: Visit): Promise<Visit> {
  const out = ctx.em.create(Visit, {
    id: randomUUID(),
    claim: `${row.claim}-out`,
    ownerId: row.ownerId,
    clockId: row.clockId,
    movementId: row.movementId,
    complaint: row.complaint,
    wanted: '',
    notWanted: row.notWanted,
    outOfScope: row.outOfScope,
    cause: row.cause,
    promisedFor: null,
    openedAt: row.openedAt,
    closedAt: ctx.now,
    rulesVersion: row.rulesVersion,
    describedAs: await describedAs(ctx, row.movementId),
  });
  agree(ctx, out, { shape: 'overhaul', terms: 'guaranteed', trial: null }, 'The old movement, which came out.');
  await ctx.em.flush();
  for (const table of OF_THE_MOVEMENT)
    await sql(ctx.em, `update ${table} set visit_id = ? where visit_id = ?`, [out.id, row.id]);
  await sql(ctx.em, `update stage_event set visit_id = ? where visit_id = ? and stage = any(?)`, [
    out.id,
    row.id,
    `{${STAGE_IDS.slice(STAGE_IDS.indexOf('power')).join(',')}}`,
  ]);
  return out;
}

/** Both books say where the other movement went or came from. */
async function writeBoth(
  ctx: Context,
  visit: Shape,
  out: Visit,
  fresh: Awaited<ReturnType<typeof movementNow>>,
  fate: string,
  record: ReturnType<typeof serviceRecord>,
): Promise<void> {
  const text = `In its place: ${fresh.code}. It is ${fate}.`;
  const date = ctx.now.toISOString().slice(0, 10);
  await writeEntry(ctx, {
    movementId: out.movementId,
    visitId: out.id,
    kind: 'replacement',
    date,
    title: 'Taken out of its clock',
    text,
    record,
  });
  await writeEntry(ctx, {
    movementId: fresh.id,
    kind: 'replacement',
    date,
    title: `Put into a clock in place of ${visit.movement.code}`,
    text: Object.values(visit.replacement.checks)
      .map((c) => c.note)
      .filter(Boolean)
      .join('. '),
  });
}
