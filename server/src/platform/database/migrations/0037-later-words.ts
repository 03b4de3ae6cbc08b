import { Migration } from '@mikro-orm/migrations';

/** What was held before stands beside what is held now; a finding follows from another; a cure is looked at again. */
export class LaterWords extends Migration {
  override up(): void {
    this.addSql(`
      create table earlier_word (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        of text not null, said text not null, why text not null, by text not null, at timestamptz not null)`);
    this.addSql('create index earlier_word_visit on earlier_word (visit_id)');
    // What earlier steps of one run have written is checked now: a table with checks to come cannot be altered.
    this.addSql('set constraints all immediate');
    this.addSql(`
      alter table visit add column cause_by text, add column cause_at timestamptz,
        add column prognosis text not null default '', add column look_again_on date`);
    this.addSql(`
      alter table finding add column follows_from uuid, add column overturned text not null default '',
        add column overturned_by text, add column overturned_at timestamptz`);
    this.addSql('set constraints all deferred');
  }
}
