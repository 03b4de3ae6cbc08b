import { Migration } from '@mikro-orm/migrations';

/** Tasks stand in the order a person gives them; a photo carries arrows and outlines beside points. */
export class OrderAndMarks extends Migration {
  override up(): void {
    this.addSql('alter table case_task add column position integer not null default 0');
    this.addSql(`alter table photo_mark
      add column shape text not null default 'point',
      add column to_x double precision,
      add column to_y double precision`);
    this.addSql(`update case_task t set position = o.place from
      (select id, row_number() over (partition by visit_id order by at, id) as place from case_task) o
      where t.id = o.id`);
  }
}
