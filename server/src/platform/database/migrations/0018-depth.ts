import { Migration } from '@mikro-orm/migrations';

/**
 * A pass has a depth, and only what it touches is asked again: answers are a log, of which the last one that nothing
 * was opened after holds. Passes that exist went through the plates and mended our own work.
 */
export class DepthOfPasses extends Migration {
  override up(): void {
    this.addSql(`
      alter table strip_pass add column depth text not null default 'plates',
        add column mends text not null default 'our own work';
      alter table strip_pass alter column depth drop default, alter column mends drop default;
      alter table check_answer add column id uuid not null default gen_random_uuid();
      alter table check_answer drop constraint check_answer_pkey, add primary key (id), alter column id drop default;
      create index on check_answer (visit_id, at);
      alter table oiled_point add column id uuid not null default gen_random_uuid();
      alter table oiled_point drop constraint oiled_point_pkey, add primary key (id), alter column id drop default;
      create index on oiled_point (visit_id, at);
      create table check_setting (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        "check" text not null, what text not null, way text not null, amount text not null, by text not null,
        at timestamptz not null);
      create index on check_setting (visit_id, at);
    `);
  }
}
