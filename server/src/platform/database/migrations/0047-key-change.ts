import { Migration } from '@mikro-orm/migrations';

/** That a shop signs with another key from now on, in its own words: of this shop, and of others as files brought them. */
export class KeyChanges extends Migration {
  override up(): void {
    this.addSql(`create table key_change (
      from_kid text primary key, to_kid text not null unique, old_jws text not null, new_jws text not null,
      at timestamptz not null
    )`);
    this.addSql(`create trigger key_change_no_change before update or delete on key_change for each row
      execute function history_is_append_only()`);
    this.addSql(`create trigger key_change_no_truncate before truncate on key_change for each statement
      execute function history_is_append_only()`);
  }
}
