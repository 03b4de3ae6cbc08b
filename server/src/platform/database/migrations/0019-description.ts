import { Migration } from '@mikro-orm/migrations';

/**
 * A movement is described in versions. Sources of power stand apart from the trains that they drive: what each train
 * had as its drive becomes a source of its own, called as the train was, and what was said of a train's power is an
 * event of that source. A visit that is signed keeps the description it was signed under.
 */
export class Description extends Migration {
  override up(): void {
    this.addSql(`
      create table movement_description (
        id uuid primary key, movement_id uuid not null references movement deferrable initially deferred,
        number integer not null, family_id text not null, traits jsonb not null, reason text not null,
        by text not null, at timestamptz not null, unique (movement_id, number));
      alter table visit add column described_as uuid references movement_description deferrable initially deferred;
      create table movement_absent (
        movement_id uuid not null references movement deferrable initially deferred, what text not null,
        by text not null, at timestamptz not null, primary key (movement_id, what));
      create table power_event (
        id uuid primary key, visit_id uuid not null references visit deferrable initially deferred,
        source text not null, state text not null, turns double precision, set_up_turns double precision,
        note text not null, by text not null, at timestamptz not null, version integer not null);
      create index on power_event (visit_id, at);

      update movement m set traits = (m.traits - 'trains') || jsonb_build_object(
        'sources', (
          select coalesce(jsonb_agg(jsonb_build_object('id', t->>'train', 'name', '', 'kind', case t->>'drive'
            when 'mains' then 'mains motor' when 'weight on endless chain' then 'weight on chain' else t->>'drive' end)
            order by n), '[]')
          from jsonb_array_elements(m.traits->'trains') with ordinality x(t, n) where t->>'drive' <> 'none'),
        'trains', (
          select coalesce(jsonb_agg(jsonb_build_object('id', t->>'train', 'purpose', t->>'train', 'name', '',
            'source', case when t->>'drive' = 'none' then null else t->>'train' end, 'arbors', t->'arbors')
            order by n), '[]')
          from jsonb_array_elements(m.traits->'trains') with ordinality x(t, n)));

      insert into movement_description
        select gen_random_uuid(), m.id, 1, m.family_id, m.traits, 'As it was taken in.', '',
          coalesce((select min(opened_at) from visit where movement_id = m.id), now())
        from movement m;
      update visit v set described_as = d.id from movement_description d
        where d.movement_id = v.movement_id and v.closed_at is not null;
      insert into power_event
        select gen_random_uuid(), p.visit_id, p.train, p.state, p.turns, p.set_up_turns, p.note, p.by,
          coalesce(p.at, v.opened_at), p.version
        from train_power p join visit v on v.id = p.visit_id where p.at is not null or p.state <> 'unknown';
      drop table train_power;
    `);
  }
}
