import { Migration } from '@mikro-orm/migrations';

/** An entry of a bench can be corrected: who corrects what somebody else has just corrected is told. */
export class BenchTestVersion extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql('alter table bench_test add column version integer not null default 1');
    this.addSql('set constraints all deferred');
  }
}
