import { Migration } from '@mikro-orm/migrations';

/**
 * What was agreed for a visit is a log of its own, a stage has a state with its reason, and work on parts that stay is
 * kept. Visits that exist are full overhauls on their owner's terms, and their stages stand where they stood.
 */
export class Job extends Migration {
  override up(): void {
    this.addSql(`
      create table visit_job (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, shape text not null, terms text not null,
        trial jsonb, reason text not null, owner_id uuid not null references owner deferrable initially deferred, by text not null,
        at timestamptz not null);
      create index on visit_job (visit_id, at);
      insert into visit_job (id, visit_id, shape, terms, reason, owner_id, by, at)
        select gen_random_uuid(), id, 'overhaul', 'guaranteed', '', owner_id, '', opened_at from visit;
      alter table owner add column own_stock boolean not null default false;
      create unique index on owner (own_stock) where own_stock;
      alter table stage_event add column state text, add column why text not null default '';
      update stage_event set state = case when done then 'done' else 'open' end;
      alter table stage_event alter column state set not null, drop column done;
      create table part_work (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, part text not null, did text not null,
        before text not null, after text not null, reversible boolean not null, by text not null,
        at timestamptz not null);
      create index on part_work (visit_id, at);
    `);
  }
}
