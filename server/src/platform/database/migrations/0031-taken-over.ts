import { Migration } from '@mikro-orm/migrations';

/** What came in a record of another shop says so: who took it in, when, and from which file. */
export class TakenOver extends Migration {
  override up(): void {
    this.addSql('alter table history_entry add taken_over jsonb');
  }
}
