import type { Hit } from '@eclat/contract';
import type { Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { likely } from '../owners/owners.service.ts';

/** Trigrams need three letters; fewer name nothing. */
const SHORTEST = 3;
const FEWEST_DIGITS = 3;
const MOST = 12;
/** How near a spelling must be, 0 to 1, by the trigrams of the best-fitting words. */
const NEAR = 0.6;
/** Candidates weighed in each column: a common word may stand in half of all movements, and only the best are shown. */
const CANDIDATES = 300;

const WORDS = `(m.code || ' ' || m.name || ' ' || m.maker)`;

/** What stands there as it was typed, with how well that place names a clock. */
const AS_TYPED = [
  'select coalesce(m.merged_into, m.id) as movement_id, null::uuid as owner_id, m.name as why, 1.2 ' +
    `as s from movement m where ${WORDS} ilike :like limit ${CANDIDATES}`,
  `select k.movement_id, null, k.text || ', ' || k.place, case when k.text ilike :q then 1.5 else ` +
    `1.1 end from movement_mark k where k.text ilike :like limit ${CANDIDATES}`,
  'select cm.movement_id, null, c.description, 1.25 from clock c join clock_movement cm on ' +
    `cm.clock_id = c.id and cm.until is null where c.description ilike :like limit ${CANDIDATES}`,
  `select null, o.id, o.name, 1.3 from owner o where o.name ilike :like limit ${CANDIDATES}`,
  `select null, o.id, o.phone, 1.4 from owner o where :digits <> '' and regexp_replace(o.phone, ` +
    `'\\D', '', 'g') like '%' || :digits || '%' limit ${CANDIDATES}`,
  `select v.movement_id, null, v.claim, 1.5 from visit v where v.claim ilike :like limit ${CANDIDATES}`,
  `select v.movement_id, null, left(v.complaint, 80), 1 from visit v where v.complaint ilike :like limit ${CANDIDATES}`,
];
/** What is spelt nearly so. */
const NEARLY = [
  'select coalesce(m.merged_into, m.id) as movement_id, null::uuid as owner_id, m.name as why, ' +
    `word_similarity(:q, ${WORDS}) as s from movement m where ${WORDS} %> :q limit ${CANDIDATES}`,
  `select k.movement_id, null, k.text || ', ' || k.place, word_similarity(:q, k.text) from ` +
    `movement_mark k where k.text %> :q limit ${CANDIDATES}`,
  `select null, o.id, o.name, word_similarity(:q, o.name) from owner o where o.name %> :q limit ${CANDIDATES}`,
  'select cm.movement_id, null, c.description, word_similarity(:q, c.description) from clock c join ' +
    'clock_movement cm on cm.clock_id = c.id and cm.until is null where c.description %> :q limit ' +
    `${CANDIDATES}`,
  'select v.movement_id, null, left(v.complaint, 80), 0.8 * word_similarity(:q, v.complaint) from ' +
    `visit v where v.complaint %> :q limit ${CANDIDATES}`,
];

/** Candidates of these branches with the clock and the owner they belong to, best first. */
const shownOf = (branches: readonly string[]) => `
with hits as (${branches.map((b) => `(${b})`).join(' union all ')}),
best as (
  select movement_id, owner_id, max(s) as s, (array_agg(why order by s desc))[1] as why from hits
    group by movement_id, owner_id order by max(s) desc limit ${2 * MOST}
), shown as (
  select b.s, b.why, o.id as owner_id, c.id as clock_id, m.id as movement_id from best b
    left join clock_movement cm on cm.movement_id = b.movement_id and cm.until is null
    left join clock c on c.id = cm.clock_id or (b.owner_id is not null and c.owner_id = b.owner_id
      and exists (select 1 from clock_movement x where x.clock_id = c.id and x.until is null))
    left join clock_movement own on b.movement_id is null and own.clock_id = c.id and own.until is null
    left join movement m on m.id = coalesce(b.movement_id, own.movement_id)
    left join owner o on o.id = coalesce(b.owner_id, c.owner_id)
)
select s.owner_id as "ownerId", coalesce(o.name, '') as owner, s.clock_id as "clockId",
  coalesce(c.description, '') as clock, s.movement_id as "movementId",
  coalesce(m.name, '') as movement, coalesce(m.code, '') as code, (array_agg(s.why order by s.s desc))[1] as why,
  (select v.id from visit v where v.movement_id = s.movement_id and v.closed_at is null limit 1) as "openVisitId"
from shown s left join owner o on o.id = s.owner_id left join clock c on c.id = s.clock_id left
  join movement m on m.id = s.movement_id
group by s.owner_id, o.name, s.clock_id, c.description, s.movement_id, m.name, m.code
  order by max(s.s) desc, o.name, c.description limit ${MOST}`;

const keyOf = (h: Hit) => `${h.ownerId} ${h.clockId} ${h.movementId}`;

/**
 * Anything the counter may type: first what stands there so, then, if that leaves room, what is spelt nearly so. The
 * expressions are those of the trigram indexes of migration 0004: change both together. Each branch is bounded, so that
 * a common word costs no more than a rare one.
 */
export async function findAnything(ctx: Context, typed: string): Promise<Hit[]> {
  const q = typed.trim();
  if (q.length < SHORTEST) return [];
  const digits = q.replace(/\D/g, '');
  const values: Record<string, string> = {
    q,
    like: `%${q
      .split(/[\s\-.,]+/)
      .filter(Boolean)
      .map(likely)
      .join('%')}%`,
    digits: digits.length >= FEWEST_DIGITS && digits.length >= q.length / 2 ? digits : '',
  };
  const ask = (em: Context['em'], branches: readonly string[]) => {
    const bindings: string[] = [];
    const text = shownOf(branches).replace(/:(q|like|digits)\b/g, (_, name: string) => {
      bindings.push(values[name]!);
      return '?::text';
    });
    return sql<Hit>(em, text, bindings);
  };
  return ctx.em.transactional(async (em) => {
    const exact = await ask(em, AS_TYPED);
    if (exact.length === MOST) return exact;
    // The nearness that an index may use is a setting: it is set for this question only.
    await sql(em, `select set_config('pg_trgm.word_similarity_threshold', ?, true)`, [String(NEAR)]);
    const known = new Set(exact.map(keyOf));
    return [...exact, ...(await ask(em, NEARLY)).filter((h) => !known.has(keyOf(h)))].slice(0, MOST);
  });
}
