import { Migration } from '@mikro-orm/migrations';

/** One table for every bench: electric, torsion. Each entry says by its kind whose it is. */
export class BenchTests extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql('alter table electric_look rename to bench_test');
    this.addSql('alter table bench_test rename column look to test');
    this.addSql('alter index electric_look_visit rename to bench_test_visit');
    this.addSql('set constraints all deferred');
  }
}
