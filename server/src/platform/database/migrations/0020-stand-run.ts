import { Migration } from '@mikro-orm/migrations';

/** A run that is declared while parts are off: wound as it should be, until somebody ends it or something else does. */
export class StandRun extends Migration {
  override up(): void {
    this.addSql(`
      create table stand_run (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        off text not null, watched text not null, by text not null, at timestamptz not null,
        found text not null, ended_by text not null, ended_at timestamptz);
      create unique index on stand_run (visit_id) where ended_at is null;
      create index on stand_run (visit_id, at);
    `);
  }
}
