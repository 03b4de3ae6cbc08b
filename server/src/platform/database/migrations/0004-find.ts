import { Migration } from '@mikro-orm/migrations';

/** Trigram indexes behind the search of the counter. pg_trgm is trusted: the owner of a database may create it. */
export class Find extends Migration {
  override up(): void {
    this.addSql(`create extension if not exists pg_trgm`);
    this.addSql(
      `create index movement_words on movement using gin ((code || ' ' || name || ' ' || maker) gin_trgm_ops)`,
    );
    this.addSql(`create index movement_mark_words on movement_mark using gin (text gin_trgm_ops)`);
    this.addSql(`create index clock_words on clock using gin (description gin_trgm_ops)`);
    this.addSql(`create index owner_words on owner using gin (name gin_trgm_ops)`);
    this.addSql(`create index owner_digits on owner using gin (regexp_replace(phone, '\\D', '', 'g') gin_trgm_ops)`);
    this.addSql(`create index visit_claim_words on visit using gin (claim gin_trgm_ops)`);
    this.addSql(`create index clock_movement_movement on clock_movement (movement_id)`);
    this.addSql(`create index visit_complaint_words on visit using gin (complaint gin_trgm_ops)`);
  }
}
