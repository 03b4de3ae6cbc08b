import { Migration } from '@mikro-orm/migrations';

/** Workings kept with a visit: what went in, what came out, and by which version of the calculation. */
export class Workings extends Migration {
  override up(): void {
    this.addSql(`
create table kept_working (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, working text not null, version integer not null, stage text not null,
  input jsonb not null, result jsonb not null, says text not null, by text not null, at timestamptz not null
);
create index kept_working_visit on kept_working (visit_id);
`);
  }
}
