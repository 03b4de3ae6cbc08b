import { Migration } from '@mikro-orm/migrations';

/** What is noted beside the record. */
export class Notes extends Migration {
  override up(): void {
    this.addSql(`
      create table visit_note (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        text text not null, by text not null, at timestamptz not null)`);
    this.addSql('create index on visit_note (visit_id, at)');
  }
}
