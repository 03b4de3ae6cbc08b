import { Migration } from '@mikro-orm/migrations';

/**
 * Leave to open something under power is a word of its own, until the power changes. What was given when a strip was
 * begun goes there.
 */
export class PowerOverride extends Migration {
  override up(): void {
    this.addSql(`
      create table power_override (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        opens text not null, reason text not null, by text not null, at timestamptz not null);
      create index on power_override (visit_id, at);
    `);
    this.addSql(`
      insert into power_override (id, visit_id, opens, reason, by, at)
        select gen_random_uuid(), visit_id, 'barrel', override_reason, by, at from strip where override_reason <> '';
    `);
    this.addSql('alter table strip drop column override_reason;');
  }
}
