import { Migration } from '@mikro-orm/migrations';

const visit = 'visit_id uuid not null references visit deferrable initially deferred';
const signed = 'by text not null, at timestamptz not null';

/** The owner's yes: lines, what was said of each and how, alternatives, the owner's page, and the shop's prices. */
export class Agreement extends Migration {
  override up(): void {
    this.addSql(`
alter table shop add column hourly_rate text not null default '0', add column tax_percent text not null default '0', add column prices_include_tax boolean not null default true,
  add column currency text not null default '', add column hours_per_week double precision not null default 30, add column learn boolean not null default true;
create table estimate_line (
  id uuid primary key, ${visit}, kind text not null, what text not null, quantity text not null, price text not null, routes jsonb not null, optional boolean not null, no_guarantee boolean not null,
  finding_id uuid references finding on delete set null deferrable initially deferred, from_survey boolean not null, addition boolean not null, ${signed}, version integer not null default 1
);
create index estimate_line_visit on estimate_line (visit_id);
create table line_decision (id uuid primary key, line_id uuid not null references estimate_line deferrable initially deferred, state text not null, how text not null, who text not null, note text not null, ${signed});
create index line_decision_line on line_decision (line_id);
create table estimate_route (${visit}, route text not null, originality text not null, guarantee text not null, primary key (visit_id, route));
create table route_choice (id uuid primary key, ${visit}, route text, how text not null, who text not null, note text not null, ${signed});
create index route_choice_visit on route_choice (visit_id);
create table owner_link (id uuid primary key, ${visit}, token_hash text not null unique, expires_at timestamptz not null, revoked_at timestamptz, ${signed});
create index owner_link_visit on owner_link (visit_id);
create table owner_link_use (id uuid primary key, link_id uuid not null references owner_link deferrable initially deferred, what text not null, at timestamptz not null);
create index owner_link_use_link on owner_link_use (link_id);
create table owner_question (id uuid primary key, ${visit}, text text not null, at timestamptz not null, answer text not null default '', answered_by text not null default '');
create index owner_question_visit on owner_question (visit_id);
create table knock (id bigint generated always as identity primary key, address text not null, at timestamptz not null);
create index knock_at on knock (address, at);
`);
  }
}
