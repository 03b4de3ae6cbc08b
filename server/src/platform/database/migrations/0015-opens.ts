import { Migration } from '@mikro-orm/migrations';

/** What a step of the strip opens, and why it was done under power where it was. */
export class Opens extends Migration {
  override up(): void {
    this.addSql(`alter table strip_step add column opens text, add column override_reason text not null default '';`);
  }
}
