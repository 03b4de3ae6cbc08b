import { Migration } from '@mikro-orm/migrations';

/**
 * That two movements were found to be one, with what was moved for it, so that they can be parted again. Of those that
 * were found so before, the visits that were signed under the other are known by their entries.
 */
export class MovementLinks extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql(`create table movement_link (
      id uuid primary key,
      movement_id uuid not null references movement (id) deferrable initially deferred,
      other_id uuid not null references movement (id) deferrable initially deferred,
      moved jsonb not null,
      by text not null, at timestamptz not null,
      parted_by text, parted_at timestamptz)`);
    this.addSql('create unique index linked_once on movement_link (other_id) where parted_at is null');
    this.addSql(`insert into movement_link (id, movement_id, other_id, moved, by, at)
      select gen_random_uuid(), m.merged_into, m.id, jsonb_build_object('visits', coalesce((
          select jsonb_agg(distinct e.visit_id) from history_entry e
            where e.movement_id = m.id and e.visit_id is not null), '[]')), '', now()
        from movement m where m.merged_into is not null`);
    this.addSql('set constraints all deferred');
  }
}
