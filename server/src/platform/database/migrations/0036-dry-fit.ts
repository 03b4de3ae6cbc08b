import { Migration } from '@mikro-orm/migrations';

const VISIT = 'visit_id uuid not null references visit deferrable initially deferred';
const SIGNED = 'by text not null, at timestamptz not null';

/** A train together dry and how each bush feels; a second person's look; how the plates of a movement close. */
export class DryFits extends Migration {
  override up(): void {
    this.addSql(`
      create table dry_fit (id uuid primary key, ${VISIT}, train text, ${SIGNED}, ended_by text not null,
        ended_at timestamptz)`);
    this.addSql(`
      create table dry_try (id uuid primary key, ${VISIT}, hole text not null, word text not null, cure text not null,
        ${SIGNED})`);
    this.addSql(`
      create table second_look (id uuid primary key, ${VISIT}, what text not null, of text not null, ${SIGNED},
        word text, note text not null, looked_by text not null, looked_at timestamptz)`);
    this.addSql(`
      create table closing_note (id uuid primary key, ${VISIT}, corner text, last text not null, note text not null,
        ${SIGNED})`);
    for (const table of ['dry_fit', 'dry_try', 'second_look', 'closing_note'])
      this.addSql(`create index ${table}_visit on ${table} (visit_id)`);
  }
}
