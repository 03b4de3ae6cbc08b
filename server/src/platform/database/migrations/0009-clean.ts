import { Migration } from '@mikro-orm/migrations';

const iso = (column: string) => `to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

/**
 * Bench time. What a survey sees beside the two ways of a hole. Cleaning runs go through steps, each with its own
 * timer; baths have a book; what is due goes to calendar programs.
 */
export class Clean extends Migration {
  override up(): void {
    this.addSql(`
create table bath_fill (
  id uuid primary key, bath text not null, name text not null, litres double precision not null, water_parts double precision, limit_loads integer, limit_days integer, note text not null,
  filled_at timestamptz not null, by text not null, changed_at timestamptz, changed_by text not null default '', version integer not null default 1
);
alter table bath_run alter column bath drop not null, alter column ends_at drop not null,
  add column sequence text not null default 'soapy', add column steps jsonb, add column step integer not null default 0, add column step_started_at timestamptz, add column log jsonb not null default '[]',
  add column before text not null default '', add column after text not null default '', add column fill_id uuid references bath_fill deferrable initially deferred, add column version integer not null default 1;
update bath_run set step_started_at = started_at, sequence = case bath when 'petroleum solvent' then 'solvent' when 'ammoniated water' then 'ultrasonic' else 'soapy' end,
  steps = jsonb_build_array(jsonb_build_object('what', 'In the bath', 'minutes', minutes, 'bath', bath, 'caution', '', 'again', 0));
update bath_run set log = jsonb_build_array(jsonb_build_object('step', 0, 'startedAt', ${iso('started_at')}, 'endsAt', ${iso('ends_at')}, 'endedAt', ${iso('stopped_at')}, 'by', by)) where stopped_at is not null;
alter table bath_run alter column steps set not null, alter column step_started_at set not null, alter column sequence drop default;
create index bath_run_fill on bath_run (fill_id) where fill_id is not null;
alter table surveyed_hole add column seen jsonb, add column way text not null default 'one-wheel', add column wear_deg double precision, add column end_shake_mm double precision,
  add column spins boolean, add column polished boolean not null default false, add column past text not null default 'original';
alter table bush add column located text, add column off boolean not null default false, add column end_shake_mm double precision, add column spins boolean;
create table time_spent (id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, person_id uuid not null references person deferrable initially deferred, by text not null, stage text not null, started_at timestamptz not null, ended_at timestamptz);
create index time_spent_visit on time_spent (visit_id);
create unique index time_spent_running on time_spent (person_id) where ended_at is null;
create table calendar_feed (person_id uuid primary key references person deferrable initially deferred, token_hash text not null unique, since timestamptz not null);
`);
  }
}
