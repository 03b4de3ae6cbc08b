import type { Description as Shape, Movement as MovementShape, ParsedBodyOf } from '@eclat/contract';
import type { api } from '@eclat/contract';
import { descriptionChanges, descriptionProblem, FAMILIES, sourcesUnsure } from '@eclat/core/movement';
import { LockMode } from '@mikro-orm/core';
import { expectVersion, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound } from '../platform/http/problems.ts';
import { unsureOfPower } from '../power-down/power-down.service.ts';
import { Visit } from '../visit/visit.entity.ts';
import { Movement, MovementAbsent, MovementDescription } from './movements.entity.ts';
import { loadMovement } from './movements.service.ts';

const view = ({ number: version, familyId, traits, reason, ...row }: MovementDescription): Shape => ({
  ...{ version, familyId, traits, reason },
  ...viewSigned(row),
});

const versionsOf = (ctx: Context, movementId: string): Promise<MovementDescription[]> =>
  ctx.em.find(MovementDescription, { movementId }, { orderBy: { number: 'desc' } });

export const descriptionsOf = async (ctx: Context, movementId: string): Promise<Shape[]> =>
  (await versionsOf(ctx, movementId)).map(view);

/** The description that holds now: what is signed now is signed under it. */
export async function describedAs(ctx: Context, movementId: string): Promise<string> {
  const [latest] = await versionsOf(ctx, movementId);
  return latest!.id;
}

/** Whoever has a clock with this movement on screen sees it change. */
async function touchOpenVisits(ctx: Context, movementId: string): Promise<Visit[]> {
  const visits = await ctx.em.find(Visit, { movementId, closedAt: null });
  for (const { id } of visits) ctx.touched.add(id);
  return visits;
}

/** Held until the unit of work ends: changes to one movement come one after another. @throws 404 */
async function lockedMovement(ctx: Context, id: string): Promise<Movement> {
  const movement = await ctx.em.findOne(Movement, { id }, { lockMode: LockMode.PESSIMISTIC_WRITE });
  if (!movement) throw notFound('movement');
  return movement;
}

/**
 * The movement as found, from now on: what depends on its sort follows at once. What was said before stays in the log.
 * @throws 409 with the latest description when another was written meanwhile; 422 at the field that cannot be
 */
export async function describe(
  ctx: Context,
  movementId: string,
  { traits, familyId, reason, version }: ParsedBodyOf<typeof api.movements.describe>,
): Promise<Shape> {
  const movement = await lockedMovement(ctx, movementId);
  const versions = await versionsOf(ctx, movementId);
  expectVersion(versions[0]!.number, version, view(versions[0]!));
  const problem = descriptionProblem(
    traits,
    versions.map((v) => v.traits),
  );
  if (problem) throw badField(`traits.${problem.field}`, problem.message);
  if (!FAMILIES.some((f) => f.id === familyId)) throw badField('familyId', 'Choose one of the templates.');
  if (familyId === movement.familyId && descriptionChanges(movement.traits, traits).length === 0)
    throw badField('reason', 'Nothing differs from what stands there.');
  const row = ctx.em.create(MovementDescription, {
    movementId,
    number: version + 1,
    familyId,
    traits,
    reason,
    ...signature(ctx),
  });
  const unsure = sourcesUnsure(movement.traits, traits);
  movement.traits = traits;
  movement.familyId = familyId;
  for (const visit of await touchOpenVisits(ctx, movementId)) await unsureOfPower(ctx, visit.id, unsure);
  await ctx.em.flush();
  return view(row);
}

export async function setAbsent(
  ctx: Context,
  movementId: string,
  { what, absent }: ParsedBodyOf<typeof api.movements.setAbsent>,
): Promise<MovementShape> {
  const movement = await lockedMovement(ctx, movementId);
  const row = await ctx.em.findOne(MovementAbsent, { movementId, what });
  if (absent && !row) ctx.em.create(MovementAbsent, { movementId, what, ...signature(ctx) });
  if (!absent && row) ctx.em.remove(row);
  await touchOpenVisits(ctx, movementId);
  await ctx.em.flush();
  return loadMovement(ctx, movement);
}
