import { Migration } from '@mikro-orm/migrations';

/** A missing thing has its thread, and what would do for it. What was ended before has that as its one step. */
export class WantedThread extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql(`
      create table wanted_step (
        id uuid primary key, wanted_id uuid not null references wanted_thing deferrable initially deferred,
        step text not null, note text not null, "from" text not null, price text not null, expected_on date,
        by text not null, at timestamptz not null)`);
    this.addSql('create index wanted_step_wanted on wanted_step (wanted_id)');
    this.addSql(`alter table wanted_thing add column would text not null default ''`);
    this.addSql('set constraints all deferred');
    this.addSql(`
      insert into wanted_step (id, wanted_id, step, note, "from", price, by, at)
        select gen_random_uuid(), id, ended, '', '', '', by, at from wanted_thing where ended is not null`);
  }
}
