import type { MikroORM } from '@mikro-orm/postgresql';
import { MIGRATION_LOCK } from './orm.ts';

/** Tables whose rows are only added, by whomever. */
const ONLY_ADDED = ['history_entry', 'log_entry', 'seen_head', 'brought_photo', 'key_change'];
/** A caption may be put right; the picture is never taken out, for a signature may name it. */
const NEVER_TAKEN_OUT = ['photo'];

export interface Role {
  name: string;
  password: string;
}

/** The role of a PostgreSQL address. */
export function roleOf(url: string): Role {
  const { username, password } = new URL(url);
  return { name: decodeURIComponent(username), password: decodeURIComponent(password) };
}

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;
const literal = (word: string): string => `'${word.replaceAll("'", "''")}'`;

/**
 * What the role of the running application may: read and write rows, but neither change nor take out what was signed,
 * nor empty a table, nor change one. Made where it is not there. Run by the owner, after each migration.
 */
export async function letIn(orm: MikroORM, { name, password }: Role): Promise<void> {
  const role = quoted(name);
  const there = await orm.em.getConnection().execute<unknown[]>('select 1 from pg_roles where rolname = ?', [name]);
  if (there.length === 0)
    // Two shops of one server may be made at once.
    await orm.em.getConnection().execute(`do $make$ begin create role ${role} login password ${literal(password)};
      exception when duplicate_object or unique_violation then null; end $make$`);
  await orm.em.fork().transactional(async (em) => {
    const inside = (statement: string) => em.getConnection().execute(statement, [], 'run', em.getTransactionContext());
    await inside(`select pg_advisory_xact_lock(${MIGRATION_LOCK})`);
    await inside(`grant usage on schema public to ${role}`);
    await inside(`revoke all on all tables in schema public from ${role}`);
    await inside(`grant select, insert, update, delete on all tables in schema public to ${role}`);
    await inside(`revoke update, delete on ${ONLY_ADDED.join(', ')} from ${role}`);
    await inside(`revoke delete on ${NEVER_TAKEN_OUT.join(', ')} from ${role}`);
    await inside(`revoke insert, update, delete on migrations from ${role}`);
    await inside(`grant usage, select on all sequences in schema public to ${role}`);
  });
}
