import { Migration } from '@mikro-orm/migrations';

/** The clock that an entry is of, besides its movement: an index of what is signed. Entries of before have none. */
export class ClockOfEntry extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql('alter table history_entry add column clock_id uuid');
    this.addSql('create index history_entry_clock on history_entry (clock_id) where clock_id is not null');
    this.addSql('set constraints all deferred');
  }
}
