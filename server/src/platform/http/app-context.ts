import type { EntityManager, MikroORM } from '@mikro-orm/postgresql';

/** What the whole server shares. */
export interface AppContext {
  orm: MikroORM;
  clock: () => Date;
  /** Replies are checked against the contract (in tests). */
  checkReplies: boolean;
  demo: boolean;
}

/** Plain SQL inside the unit of work. `?` is a binding. */
export const sql = <Row = Record<string, unknown>>(
  em: EntityManager,
  text: string,
  params: unknown[] = [],
): Promise<Row[]> => em.getConnection().execute(text, params, 'all', em.getTransactionContext());
