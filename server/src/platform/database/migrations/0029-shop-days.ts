import { ownZone } from '@eclat/core/days';
import { Migration } from '@mikro-orm/migrations';

/** The shop has a time zone, at first the one of its server; its settings say which version of them was seen. */
export class ShopDays extends Migration {
  override up(): void {
    const zone = ownZone().replaceAll("'", '');
    this.addSql(`
      alter table shop add time_zone text not null default '${zone}', add version int not null default 1;
      alter table shop alter time_zone drop default;
    `);
  }
}
