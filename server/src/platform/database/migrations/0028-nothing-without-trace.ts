import { Migration } from '@mikro-orm/migrations';

/**
 * A finding that is taken back keeps its points on photos and its lines of the estimate, for when it comes back; a
 * number or mark that is taken out of a movement leaves its trace.
 */
export class NothingWithoutTrace extends Migration {
  override up(): void {
    this.addSql(`
      alter table finding add removed_by text, add removed_at timestamptz;
      create table mark_taken_out (
        id uuid primary key, movement_id uuid not null references movement deferrable initially deferred,
        place text not null, text text not null, by text not null, at timestamptz not null);
      create index on mark_taken_out (movement_id);
    `);
  }
}
