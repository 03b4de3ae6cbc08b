import { dayOf, startOf, yearsAfter } from '@eclat/core/days';
import { shopZone } from '../people/shop.service.ts';
import type { api, DueAgain, ParsedQueryOf, Recalled, ReplyOf } from '@eclat/contract';
import { dueAgain } from '@eclat/core/aftercare';
import type { Traits } from '@eclat/core/movement';
import type { Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { likely } from '../owners/owners.service.ts';

type Em = Pick<Context, 'em'>;

/**
 * Of each clock the latest visit, if it is signed and its movement has not been here since, in whatever clock; a
 * replacement movement is due by its own years.
 */
export async function dueList({ em }: Em): Promise<DueAgain[]> {
  const rows = await sql<{
    visit_id: string;
    claim: string;
    clock: string;
    movement_id: string;
    code: string;
    traits: Traits;
    signed_at: string;
    look_again: string | null;
    replaced: boolean;
  }>(
    em,
    `
    select * from (select distinct on (v.clock_id) v.id as visit_id, v.claim, c.description as clock,
      m.id as movement_id, m.code, m.traits, v.opened_at, v.closed_at as signed_at,
      v.look_again_on::text as look_again,
      exists (select 1 from movement_out o where o.visit_id = v.id) as replaced
    from visit v join clock c on c.id = v.clock_id join movement m on m.id = v.movement_id
      order by v.clock_id, v.closed_at is null desc, v.opened_at desc) latest
    where signed_at is not null and not exists (select 1 from visit later
      where later.movement_id = latest.movement_id and later.opened_at > latest.opened_at)`,
  );
  const zone = await shopZone({ em });
  return rows
    .map((r) => {
      const at = new Date(r.signed_at);
      return {
        visitId: r.visit_id,
        claim: r.claim,
        clock: r.clock,
        movementId: r.movement_id,
        code: r.code,
        signedAt: at.toISOString(),
        lookAgain: r.look_again,
        ...dueAgain(r.traits, dayOf(at, zone), r.replaced),
      };
    })
    .sort((a, b) => placeOf(a).localeCompare(placeOf(b)));
}

const PAGE = 50;
/** The first day on which it is due for anything short of an overhaul. */
const dueOn = (d: DueAgain): string => (d.lookAgain !== null && d.lookAgain < d.oil ? d.lookAgain : d.oil);
const placeOf = (d: DueAgain): string => `${dueOn(d)} ${d.visitId}`;

/** The soonest first; `next` leads to what comes after this page. */
export async function duePage(
  em: Em,
  { until, after = '' }: ParsedQueryOf<typeof api.aftercare.due>,
): Promise<ReplyOf<typeof api.aftercare.due>> {
  const left = (await dueList(em)).filter((d) => placeOf(d) > after && (until === undefined || dueOn(d) <= until));
  const items = left.slice(0, PAGE);
  return { items, next: left.length > PAGE ? placeOf(items.at(-1)!) : null };
}

const SHORTEST = 2,
  MOST = 500;
/**
 * What names a visit: oil and its batch, the bath and its fill, what went on case, dial or glass, parts with source and
 * sizes, bushes out of the stores, the type and its maker.
 */
const NAMED = `
  select visit_id, 'oil: ' || product || case when batch = '' then '' else ', batch ' || batch end as why
    from oiled_point where product || ' ' || batch ilike :like
  union select o.visit_id, 'oil: ' || s.name || ', ' || s.note from oiled_point o
    join stock_item s on s.id = o.stock_id
      where s.name || ' ' || s.note || ' ' || s.supplier || ' ' || s.supplier_no ilike :like
  union select visit_id, 'part: ' || what || case when size = '' then '' else ', ' || size end from part_fitted
    where what || ' ' || size || ' ' || source ilike :like
  union select p.visit_id, 'part: ' || p.what || ' (' || s.name || ')' from part_fitted p
    join stock_item s on s.id = p.stock_id
      where s.name || ' ' || s.note || ' ' || s.supplier || ' ' || s.supplier_no ilike :like
  union select b.visit_id, 'bush: ' || s.name from bush b join stock_item s on s.id = b.stock_id
    where s.name || ' ' || s.note || ' ' || s.supplier || ' ' || s.supplier_no ilike :like
  union select r.visit_id, 'bath: ' || f.name || case when f.note = '' then '' else ', ' || f.note end
    from bath_run r join bath_fill f on f.id = r.fill_id where f.name || ' ' || f.note || ' ' || f.bath ilike :like
  union select visit_id, place || ': ' || product from case_task where product <> '' and product ilike :like
  union select v.id, 'type: ' || m.name || case when m.maker = '' then '' else ', ' || m.maker end from visit v
    join movement m on m.id = v.movement_id where m.name || ' ' || m.maker || ' ' || m.code ilike :like`;

/** Every visit with this product, batch, part or type, latest first. @returns nothing for fewer than two letters */
export async function recall({ em }: Em, typed: string): Promise<Recalled[]> {
  const q = typed.trim();
  if (q.length < SHORTEST) return [];
  const like = `%${q
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(likely)
    .join('%')}%`;
  const bindings: string[] = [];
  const text = NAMED.replace(/:like/g, () => {
    bindings.push(like);
    return '?';
  });
  const rows = await sql<Omit<Recalled, 'openedAt' | 'closedAt'> & { openedAt: string; closedAt: string | null }>(
    em,
    `
    select v.id as "visitId", v.claim, c.description as clock, o.name as owner, m.code,
      v.opened_at as "openedAt", v.closed_at as "closedAt", string_agg(distinct n.why, '; ') as why
    from (${text}) n join visit v on v.id = n.visit_id join clock c on c.id = v.clock_id
      join owner o on o.id = v.owner_id join movement m on m.id = v.movement_id
    group by v.id, c.description, o.name, m.code order by v.opened_at desc limit ${MOST}`,
    bindings,
  );
  return rows.map((r) => ({
    ...r,
    openedAt: new Date(r.openedAt).toISOString(),
    closedAt: r.closedAt && new Date(r.closedAt).toISOString(),
  }));
}

/** Of what was signed in the last years, how many came back, and with what cause. */
export async function callbacks(
  { em, now }: Pick<Context, 'em' | 'now'>,
  years: number,
): Promise<ReplyOf<typeof api.aftercare.callbacks>> {
  const zone = await shopZone({ em });
  const since = startOf(yearsAfter(dayOf(now, zone), -years), zone);
  const [count] = await sql<{ n: number }>(em, 'select count(*)::int as n from visit where closed_at >= ?', [since]);
  const rows = await sql<{
    visitId: string;
    claim: string;
    clock: string;
    openedAt: string;
    of: string;
    cause: string;
    complaint: string;
  }>(
    em,
    `
    select v.id as "visitId", v.claim, c.description as clock, v.opened_at as "openedAt", b.claim as of,
      v.cause, left(v.complaint, 200) as complaint
    from visit v join visit b on b.id = v.callback_of join clock c on c.id = v.clock_id where b.closed_at >= ?
      order by v.opened_at desc`,
    [since],
  );
  return {
    signed: count!.n,
    came: new Set(rows.map((r) => r.of)).size,
    rows: rows.map((r) => ({ ...r, openedAt: new Date(r.openedAt).toISOString() })),
  };
}
