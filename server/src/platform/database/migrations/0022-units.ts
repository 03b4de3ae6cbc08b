import { Migration } from '@mikro-orm/migrations';

/** Sub-assemblies of a visit, each with stages of its own. */
export class Units extends Migration {
  override up(): void {
    this.addSql(`
      create table unit (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        name text not null, by text not null, at timestamptz not null);
      create index on unit (visit_id);
      create table unit_stage_event (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        unit_id uuid not null references unit deferrable initially deferred, stage text not null, state text not null,
        why text not null, by text not null, at timestamptz not null);
      create index on unit_stage_event (visit_id, at);
    `);
  }
}
