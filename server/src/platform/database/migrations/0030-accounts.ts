import { Migration } from '@mikro-orm/migrations';

/**
 * Devices at which somebody has signed in, which no stranger's guesses delay; and the one-time code that opens a new
 * shop.
 */
export class Accounts extends Migration {
  override up(): void {
    this.addSql(`
      alter table sign_in_failure add device text;
      create table device (
        token_hash text not null, person_id uuid not null references person deferrable initially deferred,
        seen_at timestamptz not null, primary key (token_hash, person_id));
      create table opening_code (code_hash text primary key, at timestamptz not null);
    `);
  }
}
