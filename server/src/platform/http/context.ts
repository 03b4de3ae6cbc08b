import type { Person } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { EntityName, FilterQuery, Loaded } from '@mikro-orm/core';
import { lostRace, notFound } from './problems.ts';

/** What a service needs of the request: its unit of work, who asks, and what the time is. */
export interface Context {
  em: EntityManager;
  person: Person;
  now: Date;
  /** Visits changed by this unit of work: told to every open browser when it is committed. */
  touched: Set<string>;
}

export const signature = (ctx: Context) => ({ by: ctx.person.name, at: ctx.now });
/** Who wrote a row, and when, as it goes out. */
export interface Signed {
  by: string;
  at: Date;
}
export const viewSigned = (row: Signed) => ({ by: row.by, at: row.at.toISOString() });

export async function findOrRefuse<Entity extends object>(
  ctx: Context,
  entity: EntityName<Entity>,
  where: FilterQuery<Entity>,
  what: string,
): Promise<Loaded<Entity>> {
  const found = await ctx.em.findOne(entity, where);
  if (!found) throw notFound(what);
  return found;
}

/** @throws 409 with the current state when the sender saw an older version */
export function expectVersion(actual: number, seen: number, current: unknown): void {
  if (actual !== seen) throw lostRace(current);
}
