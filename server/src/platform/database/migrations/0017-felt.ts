import { Migration } from '@mikro-orm/migrations';

/** A hole may be judged by feel: a verdict alone, on which no figure hangs. */
export class Felt extends Migration {
  override up(): void {
    this.addSql(`
      alter table surveyed_hole alter column pivot_mm drop not null, alter column hole_long_mm drop not null,
        alter column hole_short_mm drop not null, alter column computed drop not null;
    `);
  }
}
