import { Migration } from '@mikro-orm/migrations';

/**
 * Case, dial and glass: tasks with waits that run beside the movement's. What is looked at beside the holes. How the
 * trains lie between the plates. The electric bench. Replacement movements.
 */
export class Beside extends Migration {
  override up(): void {
    this.addSql(`
create table case_task (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, place text not null, what text not null, product text not null, origin text, times integer not null, wait_hours double precision not null,
  once boolean not null, note text not null, log jsonb not null, wait_ends_at timestamptz, done_at timestamptz, done_by text not null, version integer not null default 1, by text not null, at timestamptz not null
);
create index case_task_visit on case_task (visit_id);
create index case_task_waiting on case_task (wait_ends_at) where done_at is null and wait_ends_at is not null;
create table part_look (visit_id uuid not null references visit deferrable initially deferred, key text not null, state text not null, to_mm double precision, note text not null, by text not null, at timestamptz not null, version integer not null default 1, primary key (visit_id, key));
create table electric_look (id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, look jsonb not null, by text not null, at timestamptz not null);
create index electric_look_visit on electric_look (visit_id);
create table replacement_answer (visit_id uuid not null references visit deferrable initially deferred, point text not null, answer text not null, note text not null, by text not null, at timestamptz not null, primary key (visit_id, point));
create table movement_out (
  visit_id uuid primary key references visit deferrable initially deferred, movement_id uuid not null references movement deferrable initially deferred, out_visit_id uuid not null references visit deferrable initially deferred,
  why text not null, fate text not null, by text not null, at timestamptz not null
);
alter table movement add column plates jsonb not null default '{"sides":[],"centresMm":{}}';
create table plate_photo (visit_id uuid not null references visit deferrable initially deferred, plate text not null, photo_id uuid not null references photo deferrable initially deferred, points jsonb not null, by text not null, at timestamptz not null, version integer not null default 1, primary key (visit_id, plate));
`);
  }
}
