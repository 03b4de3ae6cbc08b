import { openVisit } from '../visit/lock.ts';
import { randomUUID } from 'node:crypto';
import type { ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { serviceRecord } from '@eclat/core/history';
import { answeredFirst, has, replacementChecks, replacementObstacles, type DialWork } from '@eclat/core/movement';
import { isOfTheCase } from '@eclat/core/assess';
import { allChecks } from '@eclat/core/checks';
import { CheckAnswer } from '../assembly/assembly.entity.ts';
import { PlaceChecked } from '../assessment/assessment.entity.ts';
import { Finding } from '../assessment/findings.entity.ts';
import { ConservationDecision } from '../conservation/conservation.entity.ts';
import { StripStep } from '../strip/strip.entity.ts';
import { held } from '@eclat/core/rules';
import { goWithMovement } from '@eclat/core/strip';
import { clockSection, sectionsOf, typedWords } from '@eclat/core/record';
import { signFacts } from '@eclat/core/visit';
import { ownersWord, STAGE_IDS } from '@eclat/core/workflow';
import { writeEntry } from '../movements/history.service.ts';
import { signature, type Context } from '../platform/http/context.ts';
import { badField, notFound, refused } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { ClockMovement, type Movement } from '../movements/movements.entity.ts';
import { describe, describedAs, descriptionsOf } from '../movements/describe.service.ts';
import { makeMovement, movementNow } from '../movements/movements.service.ts';
import { agree } from '../visit/job.service.ts';
import { viewVisit } from '../visit/visit.view.ts';
import { StageEvent, Visit } from '../visit/visit.entity.ts';
import { MovementOut, ReplacementAnswer } from './replacement.entity.ts';
import { shopDay } from '../people/shop.service.ts';

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
  'strip_pass',
  'strip_phase',
  'strip_temporary',
  'bath_run',
  'surveyed_hole',
  'part_look',
  'plate_photo',
  'bush',
  'part_work',
  'part_fitted',
  'oiled_point',
  'test_run',
  'bench_test',
  'observation',
  'earlier_word',
  'look_taken',
  'measurement',
  'check_setting',
  'dry_fit',
  'dry_try',
  'second_look',
  'closing_note',
  'strike_heard',
  'release_minute',
  'sound_heard',
  'caution_read',
];
/** What is photographed at these stages shows the movement. */
const MOVEMENTS_OWN = STAGE_IDS.slice(STAGE_IDS.indexOf('strip'), STAGE_IDS.indexOf('sign'));
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
  // The case and the dial stay: what was found and done there is of the clock, and goes into the next record.
  const { traits } = visit.movement;
  const ofTheMovement = {
    ...visit,
    findings: visit.findings.filter((f) => !isOfTheCase(f.place, traits)),
    casework: [],
    conservation: visit.conservation.filter((d) => d.of === 'movement'),
    received: [],
    wantedThings: [],
    photos: visit.photos.filter((p) => MOVEMENTS_OWN.includes(p.stage)),
  };
  const record = serviceRecord(ofTheMovement, ctx.now, `replaced: ${given.why}`, given.why);
  const typed = typedWords(ofTheMovement, '', given.why);
  const { privateWords } = signFacts(visit, ctx.now, typed);
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
  await drive(ctx, fresh, given.dialWork, visit.movement.code);

  const out = await visitOut(ctx, row, visit);
  await writeBoth(ctx, visit, out, fresh, given.fate, { record, sections: sectionsOf(ofTheMovement) });
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

/** Work under the dial stays with the clock: the new movement is described as it now drives it. */
async function drive(ctx: Context, fresh: Movement, dialWork: readonly DialWork[], from: string): Promise<void> {
  const more = dialWork.filter((w) => !has(fresh.traits, w));
  if (more.length === 0) return;
  const [last] = await descriptionsOf(ctx, fresh.id);
  await describe(ctx, fresh.id, {
    traits: { ...fresh.traits, fittings: [...fresh.traits.fittings, ...more] },
    familyId: fresh.familyId,
    reason: `Drives the ${more.join(' and ')} that stayed with the dial of ${from}.`,
    version: last!.version,
  });
}

/** What was done to the old movement, moved to a visit of its own that is closed at once. */
async function visitOut(ctx: Context, row: Visit, visit: Shape): Promise<Visit> {
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
    causeBy: row.causeBy ?? null,
    causeAt: row.causeAt ?? null,
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
  await splitFindings(ctx, visit, out.id);
  await splitSteps(ctx, visit, out.id);
  await splitPhotos(ctx, visit, out.id);
  // The new movement is no fault of the old one's.
  ctx.em.assign(row, { cause: '', causeBy: null, causeAt: null });
  await sql(ctx.em, `update stage_event set visit_id = ? where visit_id = ? and stage = any(?)`, [
    out.id,
    row.id,
    `{${STAGE_IDS.slice(STAGE_IDS.indexOf('power')).join(',')}}`,
  ]);
  return out;
}

/** Findings, decisions, places looked at and checks of the movement go with it; those of case, dial and hands stay. */
async function splitFindings(ctx: Context, visit: Shape, outId: string): Promise<void> {
  const { traits } = visit.movement;
  const gone = (await ctx.em.find(Finding, { visitId: visit.id })).filter((f) => !isOfTheCase(f.place, traits));
  for (const f of gone) f.visitId = outId;
  const looked = await ctx.em.find(PlaceChecked, { visitId: visit.id });
  const places = looked.map((p) => p.place).filter((p) => !isOfTheCase(p, traits));
  await ctx.em.flush();
  await ctx.em.nativeUpdate(PlaceChecked, { visitId: visit.id, place: places }, { visitId: outId });
  await ctx.em.nativeUpdate(ConservationDecision, { visitId: visit.id, of: 'movement' }, { visitId: outId });
  const checks = allChecks(traits)
    .filter((c) => c.place !== 'deliver')
    .map((c) => c.id);
  await ctx.em.nativeUpdate(CheckAnswer, { visitId: visit.id, check: checks }, { visitId: outId });
}

/**
 * Hands, dial and case came off before the movement was reached: those steps are of the clock, and wait to go on again.
 * What was given out stays in sight of this visit, whoever's it is.
 */
async function splitSteps(ctx: Context, visit: Shape, outId: string): Promise<void> {
  const steps = await ctx.em.find(StripStep, { visitId: visit.id }, { orderBy: { position: 'asc' } });
  const inside = goWithMovement(
    steps.map(({ what, opens }) => ({ what, opens: opens ?? null })),
    visit.movement.traits,
  );
  for (const [i, step] of steps.entries()) {
    if (inside[i]) step.visitId = outId;
    else step.pass = 1;
  }
  await ctx.em.flush();
  // What was spoken to a step, and the sound of the beat, go with it.
  await sql(
    ctx.em,
    `update recording set visit_id = ? where id in (select recording_id from strip_step where visit_id = ?
      union select (report->>'recordingId')::uuid from sound_heard where visit_id = ?)`,
    [outId, outId, outId],
  );
}

/** A photo goes with the movement when it shows its work and nothing that stays refers to it. */
async function splitPhotos(ctx: Context, visit: Shape, outId: string): Promise<void> {
  const inside = `{${MOVEMENTS_OWN.join(',')}}`;
  await sql(
    ctx.em,
    `update photo p set visit_id = ? where visit_id = ?
      and not exists (select 1 from strip_step s where s.photo_id = p.id and s.visit_id = ?)
      and not exists (select 1 from received_item r where r.photo_id = p.id)
      and not exists (select 1 from photo_mark k join finding f on f.id = k.finding_id
        where k.photo_id = p.id and f.visit_id = ?)
      and (stage = any(?) or exists (select 1 from photo_mark k join finding f on f.id = k.finding_id
        where k.photo_id = p.id and f.visit_id = ?))`,
    [outId, visit.id, visit.id, visit.id, inside, outId],
  );
}

/** Both books say where the other movement went or came from. */
async function writeBoth(
  ctx: Context,
  visit: Shape,
  out: Visit,
  fresh: Awaited<ReturnType<typeof movementNow>>,
  fate: string,
  did: { record: ReturnType<typeof serviceRecord>; sections: ReturnType<typeof sectionsOf> },
): Promise<void> {
  const text = `In its place: ${fresh.code}. It is ${fate}.`;
  const date = await shopDay(ctx);
  await writeEntry(ctx, {
    movementId: out.movementId,
    visitId: out.id,
    kind: 'replacement',
    date,
    title: 'Taken out of its clock',
    text,
    ...did,
  });
  await writeEntry(ctx, {
    movementId: fresh.id,
    kind: 'replacement',
    date,
    title: `Put into a clock in place of ${visit.movement.code}`,
    sections: clockSection(visit.clock.id),
    text: Object.values(visit.replacement.checks)
      .map((c) => c.note)
      .filter(Boolean)
      .join('. '),
  });
}
