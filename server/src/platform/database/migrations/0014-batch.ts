import { Migration } from '@mikro-orm/migrations';

/** A batch has a digit in it: "a whole batch of them" names none. */
const NAMED = String.raw`\mbatch\s+([^\s,;]*\d[^\s,;]*)`;

/** The batch of a product has a column of its own; it was written into the note until now. */
export class Batch extends Migration {
  override up(): void {
    this.addSql(`
alter table stock_item add column batch text not null default '';
update stock_item set
  batch = left((regexp_match(note, '${NAMED}', 'i'))[1], 40),
  note = btrim(regexp_replace(note, '${NAMED}[,;]{0,1}\\s*', '', 'i'), ' ,;')
where note ~* '${NAMED}';
`);
  }
}
