import { Migration } from '@mikro-orm/migrations';

const visit = 'visit_id uuid not null references visit deferrable initially deferred';
/** As known.service.ts reads a number: change both together. */
const READ = String.raw`lower(regexp_replace(regexp_replace(text, '^\s*(no|nr)\M', '', 'i'), '[^[:alnum:]]', '', 'g'))`;
const signed = 'by text not null, at timestamptz not null';

/**
 * Counter and assessment: answers, things received and missing, the walk, measurements, dating, marked photos, one
 * movement that was two.
 */
export class Counter extends Migration {
  override up(): void {
    this.addSql(`
alter table visit add column out_of_scope text not null default '', add column callback_of uuid references visit deferrable initially deferred, add column alone jsonb;
alter table movement add column merged_into uuid references movement deferrable initially deferred;
alter table received_item add column count integer not null default 1, add column square_mm double precision, add column fits text, add column photo_id uuid references photo deferrable initially deferred,
  add column returned_by text not null default '', add column returned_at timestamptz, add column version integer not null default 1;
alter table finding add column hours double precision, add column cause text not null default '';
alter table photo add column position integer not null default 0;
create table complaint_answer (${visit}, question text not null, answer text not null, ${signed}, primary key (visit_id, question));
create table wanted_thing (id uuid primary key, ${visit}, clock_id uuid not null references clock deferrable initially deferred, what text not null, evidence text not null, ended text, ${signed});
create index wanted_thing_clock on wanted_thing (clock_id);
create table place_look (${visit}, place text not null, state text not null, ${signed}, primary key (visit_id, place));
create table measurement (id uuid primary key, ${visit}, kind text not null, value double precision not null, how text not null, note text not null, ${signed});
create index measurement_visit on measurement (visit_id);
create table dating_evidence (id uuid primary key, movement_id uuid not null references movement deferrable initially deferred, not_before integer, not_after integer, why text not null, ${signed});
create index dating_evidence_movement on dating_evidence (movement_id);
create table photo_mark (
  id uuid primary key, photo_id uuid not null references photo deferrable initially deferred, number integer not null, x double precision not null, y double precision not null,
  finding_id uuid references finding on delete set null deferrable initially deferred, note text not null
);
create index photo_mark_photo on photo_mark (photo_id);
create index movement_merged on movement (merged_into) where merged_into is not null;
create index movement_type on movement (lower(maker), lower(name));
create index movement_mark_read on movement_mark ((${READ}));
create table own_cause (id text primary key, fields jsonb not null, ${signed});
`);
  }
}
