import { Migration } from '@mikro-orm/migrations';

/** Books between shops: which are shared with whom, what others sent, and who asked whom for what. */
export class Exchange extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql(`alter table shop add column answers text not null default 'nothing'
      check (answers in ('nothing', 'by entries', 'by marks'))`);
    this.addSql(`create table shared_book (
      id uuid primary key,
      movement_id uuid not null references movement (id) deferrable initially deferred,
      kid text,
      by text not null, at timestamptz not null,
      ended_by text, ended_at timestamptz)`);
    this.addSql(
      `create unique index shared_once on shared_book (movement_id, coalesce(kid, '')) where ended_at is null`,
    );
    this.addSql(`create table offered_book (
      id uuid primary key,
      kid text not null,
      shop text not null,
      at timestamptz not null,
      movement jsonb not null,
      book text not null,
      entries integer not null,
      ids uuid[] not null, hashes text[] not null, marks text[] not null,
      settled_by text, settled_at timestamptz, taken boolean)`);
    this.addSql('create index offered_waiting on offered_book (at) where settled_at is null');
    this.addSql(`create table exchange_log (
      id uuid primary key,
      at timestamptz not null,
      direction text not null check (direction in ('in', 'out')),
      kid text not null,
      shop text not null,
      want text not null,
      movement_id uuid references movement (id) deferrable initially deferred,
      outcome text not null,
      request_hash text not null,
      by text not null)`);
    this.addSql(`create unique index exchange_once on exchange_log (request_hash) where direction = 'in'`);
    this.addSql('create index exchange_by_shop on exchange_log (kid, at)');
    this.addSql('create index exchange_by_time on exchange_log (at)');
    this.addSql('set constraints all deferred');
  }
}
