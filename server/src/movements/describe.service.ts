import type { Description as Shape, Movement as MovementShape, ParsedBodyOf } from '@eclat/contract';
import type { api } from '@eclat/contract';
import { descriptionChanges, descriptionProblem, FAMILIES } from '@eclat/core/movement';
import { LockMode } from '@mikro-orm/core';
import { expectVersion, findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
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
async function touchOpenVisits(ctx: Context, movementId: string): Promise<void> {
  for (const { id } of await ctx.em.find(Visit, { movementId, closedAt: null })) ctx.touched.add(id);
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
  const movement = await ctx.em.findOneOrFail(Movement, { id: movementId }, { lockMode: LockMode.PESSIMISTIC_WRITE });
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
    traits: traits,
    reason,
    ...signature(ctx),
  });
  movement.traits = traits;
  movement.familyId = familyId;
  await touchOpenVisits(ctx, movementId);
  await ctx.em.flush();
  return view(row);
}

export async function setAbsent(
  ctx: Context,
  movementId: string,
  { what, absent }: ParsedBodyOf<typeof api.movements.setAbsent>,
): Promise<MovementShape> {
  const movement = await findOrRefuse(ctx, Movement, { id: movementId }, 'movement');
  const row = await ctx.em.findOne(MovementAbsent, { movementId, what });
  if (absent && !row) ctx.em.create(MovementAbsent, { movementId, what, ...signature(ctx) });
  if (!absent && row) ctx.em.remove(row);
  await touchOpenVisits(ctx, movementId);
  await ctx.em.flush();
  return loadMovement(ctx, movement);
}
