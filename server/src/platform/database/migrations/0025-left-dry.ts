import { Migration } from '@mikro-orm/migrations';

/** A point that was left dry though the chart asks for oil says so by itself, not in words alone. */
export class LeftDry extends Migration {
  override up(): void {
    this.addSql('alter table oiled_point add column dry boolean not null default false;');
  }
}
