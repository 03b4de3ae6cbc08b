import { Migration } from '@mikro-orm/migrations';

/** Books that whoever has the address may read. The address stands on slips, so it is kept as it is. */
export class PublicBooks extends Migration {
  override up(): void {
    this.addSql(`create table public_book (
      id uuid primary key, movement_id uuid not null references movement deferrable initially deferred,
      token text not null unique, ended_at timestamptz, ended_by text, by text not null, at timestamptz not null
    )`);
    this.addSql('create unique index public_book_open on public_book (movement_id) where ended_at is null');
  }
}
