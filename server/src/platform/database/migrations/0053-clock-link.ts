import { Migration } from '@mikro-orm/migrations';

/** That two clocks, each with its id, are one: nothing is moved, and the word can be taken back. */
export class ClockLinks extends Migration {
  override up(): void {
    this.addSql(`create table clock_link (
      id uuid primary key,
      clock_id uuid not null references clock (id) deferrable initially deferred,
      other_id uuid not null,
      by text not null, at timestamptz not null,
      ended_by text, ended_at timestamptz)`);
    this.addSql('create unique index clock_linked_once on clock_link (other_id) where ended_at is null');
  }
}
