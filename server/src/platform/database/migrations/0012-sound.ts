import { Migration } from '@mikro-orm/migrations';

/** Recordings: spoken remarks, beats, strikes. Set-up turns beside those let down. */
export class Sound extends Migration {
  override up(): void {
    this.addSql(`
create table recording (
  id uuid primary key, visit_id uuid not null references visit deferrable initially deferred, stage text not null, kind text not null, caption text not null, seconds double precision not null, sample_rate integer not null,
  wav bytea not null, by text not null, at timestamptz not null
);
create index recording_visit on recording (visit_id);
alter table strip_step add column recording_id uuid references recording deferrable initially deferred;
alter table train_power add column set_up_turns double precision;
`);
  }
}
