import { Migration } from '@mikro-orm/migrations';

/**
 * Entries are signed from now on, by a key of the shop whose private half stands here encrypted; those of before stand
 * as they were sealed.
 */
export class Signed extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql('alter table history_entry add column jws text');
    this.addSql(`create table shop_key (
      kid text primary key, public_jwk jsonb not null, sealed text not null, made_at timestamptz not null
    )`);
    this.addSql(`create table known_key (
      kid text primary key, shop text not null, by text not null, at timestamptz not null, jws text not null
    )`);
    this.addSql(`create table store_check (
      one boolean primary key default true check (one), at timestamptz not null, entries integer not null,
      broken jsonb not null
    )`);
    this.addSql('create unique index history_hash on history_entry (hash)');
    this.addSql('set constraints all deferred');
  }
}
