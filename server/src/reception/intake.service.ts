import { randomUUID } from 'node:crypto';
import type { ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { noteMismatches, refuseTwin } from '../movements/known.service.ts';
import { makeMovement, movementNow } from '../movements/movements.service.ts';
import { ReceivedItem } from './reception.entity.ts';
import { clockInRecord, takeOver } from '../movements/record.service.ts';
import { Clock, ClockMovement } from '../movements/movements.entity.ts';
import { Owner } from '../owners/owners.entity.ts';
import { rulesToday } from '../house-rules/house-rules.service.ts';
import { agree, shopAsOwner } from '../visit/job.service.ts';
import { viewVisit } from '../visit/visit.view.ts';
import { Visit } from '../visit/visit.entity.ts';

/**
 * One owner brings one clock once: owner, clock and movement are found or made, and everything that came along is
 * listed.
 */
export async function takeIn(ctx: Context, given: ParsedBodyOf<typeof api.visit.open>): Promise<Shape> {
  const owner = await broughtBy(ctx, given);
  const { clock, movement } = given.clockId
    ? await knownClock(ctx, given.clockId, owner.id)
    : await newClock(ctx, given, owner.id);

  const [open] = await sql<{ claim: string }>(
    ctx.em,
    'select claim from visit where movement_id = ? and closed_at is null',
    [movement.id],
  );
  if (open)
    throw refused(
      `This movement is in the shop already, as ${open.claim}.`,
      'Go on with that visit, or sign it first.',
    );

  const [number] = await sql<{ n: string }>(ctx.em, "select nextval('claim_number') as n");
  const visit = ctx.em.create(Visit, {
    id: randomUUID(),
    claim: `C-${number!.n}`,
    ownerId: owner.id,
    clockId: clock.id,
    movementId: movement.id,
    complaint: given.complaint,
    wanted: given.wanted,
    notWanted: given.notWanted,
    outOfScope: given.outOfScope,
    promisedFor: given.promisedFor,
    openedAt: ctx.now,
    rulesVersion: await rulesToday(ctx),
  });
  given.received.forEach((item, position) => ctx.em.create(ReceivedItem, { visitId: visit.id, position, ...item }));
  agree(ctx, visit, given, '');
  ctx.touched.add(visit.id);
  await ctx.em.flush();
  const record = given.movement ?? given.record;
  if (record) await takeOver(ctx, movement.id, record);
  await noteMismatches(ctx, visit.id, movement.id);
  await ctx.em.flush();
  return viewVisit(ctx, visit.id);
}

async function broughtBy(ctx: Context, given: ParsedBodyOf<typeof api.visit.open>): Promise<Owner> {
  if (given.ownStock) return shopAsOwner(ctx);
  if (given.ownerId) return findOrRefuse(ctx, Owner, { id: given.ownerId }, 'owner');
  return ctx.em.create(Owner, { id: randomUUID(), ...given.owner! });
}

async function knownClock(ctx: Context, clockId: string, ownerId: string) {
  const clock = await findOrRefuse(ctx, Clock, { id: clockId }, 'clock');
  if (clock.ownerId !== ownerId)
    throw badField('clock', 'This clock is another owner’s. Take it in as a new clock with the known movement.');
  const fitted = await findOrRefuse(ctx, ClockMovement, { clockId, until: null }, 'movement in this clock');
  return { clock, movement: await movementNow(ctx, fitted.movementId) };
}

/** A new clock with a new movement, or with one that is known from another case or an earlier owner. */
async function newClock(ctx: Context, given: ParsedBodyOf<typeof api.visit.open>, ownerId: string) {
  if (given.movement && !given.another) await refuseTwin(ctx, given.movement.marks);
  const movement = given.movementId ? await movementNow(ctx, given.movementId) : makeMovement(ctx, given.movement!);
  const { id, description } = given.clock!;
  if (id) return { clock: await sameClock(ctx, { id, description, ownerId }, movement.id), movement };
  const named = await clockInRecord(ctx, given.movement?.history ?? []);
  const clock = ctx.em.create(Clock, { id: named ?? randomUUID(), ownerId, description });
  if (given.movementId)
    await ctx.em.nativeUpdate(ClockMovement, { movementId: movement.id, until: null }, { until: ctx.now });
  ctx.em.create(ClockMovement, { clockId: clock.id, movementId: movement.id, since: ctx.now });
  return { clock, movement };
}

/** The clock that a known movement is in, under its owner of now: case and dial keep their history. */
async function sameClock(
  ctx: Context,
  { id, ...now }: { id: string; description: string; ownerId: string },
  movementId: string,
): Promise<Clock> {
  const stays = await ctx.em.findOne(ClockMovement, { clockId: id, movementId, until: null });
  if (!stays) throw badField('clock', 'This movement is not in that clock now. Take it in as another clock.');
  const clock = await findOrRefuse(ctx, Clock, { id }, 'clock');
  return ctx.em.assign(clock, now);
}
