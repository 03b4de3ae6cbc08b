import { Migration } from '@mikro-orm/migrations';

/** What was heard stays when the strike is heard anew: each hearing that ended carries when it did. */
export class StrikeHearings extends Migration {
  override up(): void {
    this.addSql(`
      alter table strike_heard add ended text not null default '';
      alter table strike_heard drop constraint strike_heard_pkey;
      alter table strike_heard add primary key (visit_id, mark, ended);
    `);
  }
}
