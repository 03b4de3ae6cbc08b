import { Migration } from '@mikro-orm/migrations';

/** Words of the owner that mean something else in the record, kept by the signer with why. */
export class KeptWord extends Migration {
  override up(): void {
    this.addSql(`
      create table kept_word (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        word text not null, why text not null, by text not null, at timestamptz not null);
      create index on kept_word (visit_id);
    `);
  }
}
