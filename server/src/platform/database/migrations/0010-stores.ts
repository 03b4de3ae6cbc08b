import { Migration } from '@mikro-orm/migrations';

/** Stores: what lies there is the sum of what came in and what was used. Parts fitted say where they came from. */
export class Stores extends Migration {
  override up(): void {
    this.addSql(`
create table stock_item (
  id uuid primary key, identity text not null unique, kind text not null, name text not null, sizes jsonb not null, minimum integer not null, price text not null, supplier text not null, supplier_no text not null,
  shelf text not null, note text not null, kept boolean not null default true, version integer not null default 1
);
create table stock_order (
  id uuid primary key, item_id uuid not null references stock_item deferrable initially deferred, quantity integer not null check (quantity > 0), expected_on date, visit_id uuid references visit deferrable initially deferred,
  ordered_at timestamptz not null, by text not null, arrived_at timestamptz
);
create index stock_order_item on stock_order (item_id) where arrived_at is null;
create table stock_move (
  id uuid primary key, item_id uuid not null references stock_item deferrable initially deferred, change integer not null, why text not null, visit_id uuid references visit deferrable initially deferred,
  for_id uuid, at timestamptz not null, by text not null
);
create index stock_move_item on stock_move (item_id);
create index stock_move_for on stock_move (for_id) where for_id is not null;
alter table part_fitted add column kind text not null default 'other', add column sizes jsonb not null default '{}', add column quantity integer not null default 1, add column cost text not null default '',
  add column stock_id uuid references stock_item deferrable initially deferred, add column donor_id uuid references movement deferrable initially deferred;
create index part_fitted_donor on part_fitted (donor_id) where donor_id is not null;
alter table bush add column stock_id uuid references stock_item deferrable initially deferred;
`);
  }
}
