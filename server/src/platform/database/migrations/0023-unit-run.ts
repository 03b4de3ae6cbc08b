import { Migration } from '@mikro-orm/migrations';

/** Runs of a sub-assembly by itself; one that goes with the movement after all keeps what was said of it. */
export class UnitRun extends Migration {
  override up(): void {
    this.addSql(`
      alter table unit add column removed_at timestamptz;
      create table unit_run (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        unit_id uuid not null references unit deferrable initially deferred, driven text not null,
        by text not null, at timestamptz not null,
        found text not null, good boolean, ended_by text not null, ended_at timestamptz);
      create index on unit_run (visit_id, at);
    `);
  }
}
