import { Migration } from '@mikro-orm/migrations';

/**
 * That a pivot is polished comes before its hole is judged, so it is a word on the pivot, no longer on the hole. Work on
 * a part that stays says which hole it eased and whether it was agreed.
 */
export class Polish extends Migration {
  override up(): void {
    this.addSql('alter table part_work add column hole text, add column agreed boolean');
    this.addSql(`
      insert into part_look (visit_id, key, state, note, by, at, version)
      select visit_id, 'polish.' || key, 'polished', '', by, at, 1 from surveyed_hole where polished
      on conflict do nothing`);
    this.addSql('alter table surveyed_hole drop column polished');
  }
}
