import { Migration } from '@mikro-orm/migrations';

/** Photos that other shops’ entries name, brought with a book file: by their hash, the bytes as they were named. */
export class BroughtPhotos extends Migration {
  override up(): void {
    this.addSql(`create table brought_photo (
      hash text primary key, width integer not null, height integer not null, large bytea not null,
      medium bytea not null, small bytea not null, by text not null, at timestamptz not null
    )`);
    this.addSql(`create trigger brought_photo_no_change before update or delete on brought_photo for each row
      execute function history_is_append_only()`);
    this.addSql(`create trigger brought_photo_no_truncate before truncate on brought_photo for each statement
      execute function history_is_append_only()`);
  }
}
