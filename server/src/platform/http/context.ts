import type { Person } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { LockMode, type EntityName, type FilterQuery, type Loaded } from '@mikro-orm/core';
import { Visit } from '../../visit/visit.entity.ts';
import { lostRace, notFound, refused } from './problems.ts';

/** What a service needs of the request: its unit of work, who asks, and what the time is. */
export interface Context {
  em: EntityManager;
  person: Person;
  now: Date;
  /** Visits changed by this unit of work: told to every open browser when it is committed. */
  touched: Set<string>;
}

export const signature = (ctx: Context) => ({ by: ctx.person.name, at: ctx.now });

/**
 * The visit, locked until the unit of work ends: changes to one visit come one after another.
 * @throws 404 when there is none, 409 when it is signed
 */
export async function openVisit(ctx: Context, visitId: string): Promise<Visit> {
  const visit = await ctx.em.findOne(Visit, { id: visitId }, { lockMode: LockMode.PESSIMISTIC_WRITE });
  if (!visit) throw notFound('visit');
  if (visit.closedAt)
    throw refused('This visit is signed and closed.', 'Add an amendment in the movement book instead.');
  ctx.touched.add(visitId);
  return visit;
}

export async function need<Entity extends object>(
  ctx: Context,
  entity: EntityName<Entity>,
  where: FilterQuery<Entity>,
  what: string,
): Promise<Loaded<Entity>> {
  const found = await ctx.em.findOne(entity, where);
  if (!found) throw notFound(what);
  return found as Loaded<Entity>;
}

/** @throws 409 with the current state when the sender saw an older version */
export function expectVersion(actual: number, seen: number, current: unknown): void {
  if (actual !== seen) throw lostRace(current);
}
