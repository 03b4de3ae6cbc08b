import { Migration } from '@mikro-orm/migrations';

/** Work that outlives a visit, and ends in the stores or nowhere. */
export class ShopWork extends Migration {
  override up(): void {
    this.addSql(`
      create table shop_task (
        id uuid primary key, thing text not null, next text not null,
        visit_id uuid references visit deferrable initially deferred, log jsonb not null, wait_ends_at timestamptz,
        ended_at timestamptz, ended_by text not null, ended text not null, by text not null, at timestamptz not null,
        version integer not null default 1);
      create index on shop_task (ended_at);
    `);
  }
}
