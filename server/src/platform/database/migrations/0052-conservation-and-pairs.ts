import { Migration } from '@mikro-orm/migrations';

/** What of an old thing was kept or changed and why, and which photo shows what another shows before. */
export class ConservationAndPairs extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql(`create table conservation_decision (
      id uuid primary key,
      visit_id uuid not null references visit (id) deferrable initially deferred,
      about text not null, of text not null, ways jsonb not null, agreed boolean not null,
      version integer not null default 1,
      by text not null, at timestamptz not null)`);
    this.addSql('create index conservation_of_visit on conservation_decision (visit_id)');
    this.addSql('alter table photo add column before_id uuid references photo (id) deferrable initially deferred');
    this.addSql('set constraints all deferred');
  }
}
