import { Migration } from '@mikro-orm/migrations';

/**
 * House rules by version; each visit remembers the one it came in under, and what it does otherwise. Version 0 is what
 * ships.
 */
export class Rules extends Migration {
  override up(): void {
    this.addSql(`
create table house_rules (version integer primary key, choices jsonb not null, why jsonb not null, by text not null, at timestamptz);
insert into house_rules values (0, '{}', '{}', '', null);
alter table visit add column rules_version integer not null default 0 references house_rules deferrable initially deferred;
create table visit_rule (visit_id uuid not null references visit deferrable initially deferred, question text not null, school text not null, reason text not null, by text not null, at timestamptz not null, primary key (visit_id, question));
`);
  }
}
