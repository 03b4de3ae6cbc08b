import { Migration } from '@mikro-orm/migrations';

/**
 * Tables of the first version. Cascades are deliberately absent: nothing of a visit goes away by itself. Keys between
 * tables are deferred, so that a unit of work may write its rows in any order; they are checked when it commits.
 */
export class First extends Migration {
  override up(): void {
    this.addSql(`
create table shop (one boolean primary key default true check (one), name text not null, created_at timestamptz not null);

create table person (
  id uuid primary key, name text not null, role text not null, passphrase_hash text not null, active boolean not null default true
);
create unique index person_name on person (lower(name));
create table session (token_hash text primary key, person_id uuid not null references person deferrable initially deferred, created_at timestamptz not null, seen_at timestamptz not null);
create table sign_in_failure (id bigint generated always as identity primary key, name text not null, address text not null, at timestamptz not null);
create index sign_in_failure_at on sign_in_failure (at);
create table idempotency (
  person_id uuid not null references person deferrable initially deferred, key text not null, request_hash text not null, status integer, reply jsonb, at timestamptz not null,
  primary key (person_id, key)
);

create table owner (
  id uuid primary key, name text not null, phone text not null, email text not null, address text not null, version integer not null default 1
);
create table movement (
  id uuid primary key, code text not null unique, name text not null, family_id text not null, maker text not null,
  traits jsonb not null, version integer not null default 1
);
create table movement_mark (id uuid primary key, movement_id uuid not null references movement deferrable initially deferred, place text not null, text text not null, unique (movement_id, place, text));
create table clock (id uuid primary key, owner_id uuid not null references owner deferrable initially deferred, description text not null);
create index clock_owner on clock (owner_id);
create table clock_movement (
  id uuid primary key, clock_id uuid not null references clock deferrable initially deferred, movement_id uuid not null references movement deferrable initially deferred,
  since timestamptz not null, until timestamptz
);
create index clock_movement_clock on clock_movement (clock_id);

create sequence claim_number start 1001;
create table visit (
  id uuid primary key, claim text not null unique, owner_id uuid not null references owner deferrable initially deferred, clock_id uuid not null references clock deferrable initially deferred,
  movement_id uuid not null references movement deferrable initially deferred, complaint text not null, wanted text not null, not_wanted text not null,
  cause text not null default '', promised_for date, opened_at timestamptz not null, closed_at timestamptz, version integer not null default 1
);
create index visit_open on visit (opened_at) where closed_at is null;
create index visit_movement on visit (movement_id);
create unique index visit_one_open_per_movement on visit (movement_id) where closed_at is null;
create table received_item (id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, position integer not null, what text not null, condition text not null);
create table stage_event (id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, stage text not null, done boolean not null, by text not null, at timestamptz not null);
create table photo (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, caption text not null, stage text not null, width integer not null, height integer not null,
  large bytea not null, medium bytea not null, small bytea not null, by text not null, at timestamptz not null
);
create table finding (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, place text not null, seen text not null, severity text not null, effect text not null,
  proposal text not null, earlier_repair boolean not null, do_not_disturb boolean not null, by text not null, at timestamptz not null, version integer not null default 1
);
create table observation (visit_id uuid not null references visit deferrable initially deferred, symptom text not null, state text not null, by text not null, at timestamptz not null, primary key (visit_id, symptom));
create table train_power (
  visit_id uuid not null references visit deferrable initially deferred, train text not null, state text not null, turns double precision, note text not null,
  by text not null, at timestamptz, version integer not null default 1, primary key (visit_id, train)
);
create table caution_read (visit_id uuid not null references visit deferrable initially deferred, caution text not null, by text not null, at timestamptz not null, primary key (visit_id, caution));
create table strip (visit_id uuid primary key references visit deferrable initially deferred, override_reason text not null, by text not null, at timestamptz not null);
create table bath_run (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, bath text not null, parts jsonb not null, minutes integer not null,
  override_reason text not null, started_at timestamptz not null, ends_at timestamptz not null, stopped_at timestamptz, by text not null
);
create index bath_running on bath_run (ends_at) where stopped_at is null;
create table surveyed_hole (
  visit_id uuid not null references visit deferrable initially deferred, key text not null, pivot_mm double precision not null, hole_long_mm double precision not null,
  hole_short_mm double precision not null, verdict text not null, computed text not null, note text not null,
  by text not null, at timestamptz not null, version integer not null default 1, primary key (visit_id, key)
);
create table bush (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, hole text not null, pivot_mm double precision not null, bore_mm double precision not null,
  outside_mm double precision not null, height_mm double precision not null, note text not null, by text not null, at timestamptz not null
);
create table part_fitted (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, what text not null, why text not null, source text not null, size text not null,
  old_part text not null, by text not null, at timestamptz not null
);
create table oiled_point (visit_id uuid not null references visit deferrable initially deferred, point text not null, product text not null, by text not null, at timestamptz not null, primary key (visit_id, point));
create table test_run (id uuid primary key, visit_id uuid not null unique references visit deferrable initially deferred, started_at timestamptz not null, read_by text not null, place text not null);
create table run_reading (id uuid primary key, test_run_id uuid not null references test_run deferrable initially deferred, read_at timestamptz not null, error_s double precision not null, by text not null, unique (test_run_id, read_at));
create table run_event (id uuid primary key, test_run_id uuid not null references test_run deferrable initially deferred, kind text not null, happened_at timestamptz not null, note text not null, by text not null);

create table history_entry (
  id uuid primary key, movement_id uuid not null references movement deferrable initially deferred, visit_id uuid unique references visit deferrable initially deferred, kind text not null, date text not null,
  title text not null, text text not null, place text not null, shop text not null, signed_by text not null, record jsonb,
  amends uuid references history_entry deferrable initially deferred, previous_hash text, hash text not null, written_at timestamptz not null
);
create index history_movement on history_entry (movement_id);
`);
    for (const table of ['received_item', 'stage_event', 'photo', 'finding', 'bath_run', 'bush', 'part_fitted'])
      this.addSql(`create index ${table}_visit on ${table} (visit_id)`);
    this.addSql(
      `create index movement_mark_movement on movement_mark (movement_id); create index run_reading_run on run_reading (test_run_id); create index run_event_run on run_event (test_run_id);`,
    );
    // A signed entry is evidence: the database itself refuses to change, delete or empty it.
    this.addSql(`
create function history_is_append_only() returns trigger language plpgsql as $$
begin
  raise exception 'history entries are never changed or deleted: add an amendment' using errcode = 'integrity_constraint_violation';
end $$;
create trigger history_no_change before update or delete on history_entry for each row execute function history_is_append_only();
create trigger history_no_truncate before truncate on history_entry for each statement execute function history_is_append_only();
`);
  }
}
