import { Migration } from '@mikro-orm/migrations';

const visit = 'visit_id uuid not null references visit deferrable initially deferred';
const signed = 'by text not null, at timestamptz not null';

/** What came off and where it is, passes, phases, what is in for the time being, and what is with another hand. */
export class Strip extends Migration {
  override up(): void {
    this.addSql(`
create table strip_step (
  id uuid primary key, ${visit}, pass integer not null, position integer not null, what text not null, held_by text not null, place text not null, remarks jsonb not null, note text not null, part_group text not null,
  photo_id uuid references photo deferrable initially deferred, fate text not null default 'apart', fate_note text not null default '', fate_by text not null default '', fate_at timestamptz, ${signed}, version integer not null default 1
);
create index strip_step_visit on strip_step (visit_id, position);
create table strip_pass (${visit}, number integer not null, reason text not null, cure text not null default '', hours double precision, ${signed}, primary key (visit_id, number));
create table strip_phase (id uuid primary key, ${visit}, what text not null, how text not null, "when" text not null, set_by text not null default '', set_at timestamptz, ${signed});
create table strip_temporary (id uuid primary key, ${visit}, what text not null, ended text, ${signed});
create table strip_custody (id uuid primary key, ${visit}, what text not null, with_whom text not null, for_what text not null, back_at timestamptz, state text not null default '', ${signed});
`);
    for (const table of ['strip_phase', 'strip_temporary', 'strip_custody'])
      this.addSql(`create index ${table}_visit on ${table} (visit_id)`);
  }
}
