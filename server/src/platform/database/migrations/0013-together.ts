import { Migration } from '@mikro-orm/migrations';

/** Checks, strike, releases and what was heard of the beat; the test run in more detail; oil out of the stores. */
export class Together extends Migration {
  override up(): void {
    const visit = 'visit_id uuid not null references visit deferrable initially deferred';
    this.addSql(`
create table check_answer (${visit}, "check" text not null, result text not null, note text not null, detail jsonb, by text not null, at timestamptz not null, primary key (visit_id, "check"));
create table strike_heard (${visit}, mark text not null, heard integer not null, by text not null, at timestamptz not null, primary key (visit_id, mark));
create table release_minute (id uuid primary key, ${visit}, wanted integer not null, minute double precision not null, by text not null, at timestamptz not null);
create index release_minute_visit on release_minute (visit_id);
create table sound_heard (id uuid primary key, ${visit}, report jsonb not null, by text not null, at timestamptz not null);
create index sound_heard_visit on sound_heard (visit_id);
alter table run_reading add column celsius double precision;
alter table run_event add column detail jsonb;
alter table test_run add column conditions jsonb;
alter table oiled_point add column stock_id uuid references stock_item deferrable initially deferred, add column batch text not null default '', add column differs text not null default '';
`);
  }
}
