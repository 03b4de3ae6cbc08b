import type { MikroORM } from '@mikro-orm/postgresql';
import pg from 'pg';
import { MIGRATION_LOCK } from './orm.ts';

/** Tables whose rows are only added, by whomever. */
const ONLY_ADDED = ['history_entry', 'log_entry', 'seen_head', 'brought_photo', 'key_change'];
/** A caption may be put right; the picture is never taken out, for a signature may name it. */
const NEVER_TAKEN_OUT = ['photo'];

interface Role {
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

async function isLetIn(url: string): Promise<boolean> {
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
    return true;
  } catch (error) {
    // SQLSTATE 28P01: another password.
    if ((error as { code?: string }).code === '28P01') return false;
    throw error;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/**
 * What the role of the running application may: read and write rows, but neither change nor take out what was signed,
 * nor empty a table, nor change one. Made where it is not there. Run by the owner, after each migration.
 * @param url address of the application, with its role and password
 */
export async function letIn(orm: MikroORM, url: string): Promise<void> {
  const { name, password } = roleOf(url);
  const role = quoted(name);
  const there = await orm.em.getConnection().execute<unknown[]>('select 1 from pg_roles where rolname = ?', [name]);
  if (there.length === 0)
    // Two shops of one server may be made at once.
    await orm.em.getConnection().execute(`do $make$ begin create role ${role} login password ${literal(password)};
      exception when duplicate_object or unique_violation then null; end $make$`);
  await orm.em.fork().transactional(async (em) => {
    const inside = (statement: string) => em.getConnection().execute(statement, [], 'run', em.getTransactionContext());
    await inside(`select pg_advisory_xact_lock(${MIGRATION_LOCK})`);
    // A database from before PostgreSQL 15 lets everybody make tables.
    await inside('revoke create on schema public from public');
    await inside(`grant usage on schema public to ${role}`);
    await inside(`revoke all on all tables in schema public from ${role}`);
    await inside(`grant select, insert, update, delete on all tables in schema public to ${role}`);
    await inside(`revoke update, delete on ${ONLY_ADDED.join(', ')} from ${role}`);
    await inside(`revoke delete on ${NEVER_TAKEN_OUT.join(', ')} from ${role}`);
    await inside(`revoke insert, update, delete on migrations from ${role}`);
    await inside(`grant usage, select on all sequences in schema public to ${role}`);
  });
  // The folder of the database was moved without the file that held it.
  if (!(await isLetIn(url))) await orm.em.getConnection().execute(`alter role ${role} password ${literal(password)}`);
}
