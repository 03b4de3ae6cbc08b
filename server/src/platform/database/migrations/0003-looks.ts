import { Migration } from '@mikro-orm/migrations';

/** What each look of a diagnosis found. */
export class Looks extends Migration {
  override up(): void {
    this.addSql(`create table look_taken (
  visit_id uuid not null references visit deferrable initially deferred, look text not null, outcome text not null, by text not null, at timestamptz not null, primary key (visit_id, look)
)`);
  }
}
