import { Migration } from '@mikro-orm/migrations';

/** What is not final yet stands beside what was put in for the time being; a phase or mark may have its photo. */
export class NotFinal extends Migration {
  override up(): void {
    this.addSql(`alter table strip_temporary add column kind text not null default 'put in'`);
    this.addSql('alter table strip_temporary alter column kind drop default');
    this.addSql('alter table strip_phase add column photo_id uuid');
  }
}
