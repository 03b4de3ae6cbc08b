import { Migration } from '@mikro-orm/migrations';

/**
 * What each key signed, numbered, in a log that only grows, with its signed heads; heads of logs that others brought;
 * and where their entries stand under them. Entries of before are put into the log when the next one is signed.
 */
export class LogOfEntries extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql(`create table log_entry (
      kid text not null, number integer not null, hash text not null unique, movement_id uuid not null,
      primary key (kid, number)
    )`);
    this.addSql(`create table log_head (
      kid text not null, size integer not null, root text not null, peaks jsonb not null, jws text not null,
      at timestamptz not null, given_at timestamptz, primary key (kid, size)
    )`);
    this.addSql(`create table seen_head (
      kid text not null, size integer not null, root text not null, shop text not null, jws text not null,
      at timestamptz not null, came_in text not null, primary key (kid, size, root)
    )`);
    this.addSql(`create table log_place (
      hash text primary key, kid text not null, size integer not null, root text not null, number integer not null,
      path jsonb not null
    )`);
    for (const table of ['log_entry', 'seen_head'])
      this.addSql(`create trigger ${table}_no_change before update or delete on ${table} for each row
        execute function history_is_append_only()`);
    for (const table of ['log_entry', 'log_head', 'seen_head'])
      this.addSql(`create trigger ${table}_no_truncate before truncate on ${table} for each statement
        execute function history_is_append_only()`);
    this.addSql(`alter table store_check add column log jsonb not null default '[]'`);
    this.addSql('set constraints all deferred');
  }
}
