import { Migration } from '@mikro-orm/migrations';

/** Place and address of the shop, for its card; and the cards by which other shops are known. */
export class ShopCards extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql(`alter table shop add column place text not null default '', add column web_address text not null
      default ''`);
    this.addSql('alter table known_key add column card text');
    this.addSql('set constraints all deferred');
  }
}
