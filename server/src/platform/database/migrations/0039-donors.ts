import { Migration } from '@mikro-orm/migrations';

/** A donor lies in the stores, its movement may have a book, and it gives to the case as well. */
export class Donors extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql('alter table stock_item add column movement_id uuid references movement deferrable initially deferred');
    this.addSql(`
      alter table case_task add column donor_id uuid references stock_item deferrable initially deferred,
        add column donor_name text not null default ''`);
    this.addSql('set constraints all deferred');
  }
}
