import type { ReplyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { hoursOf } from '@eclat/core/estimate';
import { jobOfVisit, LONGEST_H, paceOf, promiseDays } from '@eclat/core/planning';
import { daysAfter, daysFrom } from '@eclat/core/days';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { Movement } from '../movements/movements.entity.ts';
import { loadVisitRules } from '../house-rules/house-rules.service.ts';
import { Visit } from '../visit/visit.entity.ts';
import { linesOf, loadAgreement } from './agreement.service.ts';
import { shopDay } from '../people/shop.service.ts';

const SEED = 6438;
const TRIALS = 10_000;
/** A clock that runs its test asks for no bench hours. */
const AT_THE_BENCH =
  'not exists (select 1 from (select distinct on (stage) stage, state from stage_event e where ' +
  `e.visit_id = v.id order by stage, at desc) s where s.stage = 'oil' and s.state = 'done')`;

/** By when, from this estimate, this movement, what stands before it and how often the shop's work came apart again. */
export async function promiseOf(ctx: Context, visitId: string): Promise<ReplyOf<typeof api.agreement.promise>> {
  const visit = await findOrRefuse(ctx, Visit, { id: visitId }, 'visit');
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const { lines, chosen, prices } = await loadAgreement(ctx, visitId);
  const others = await sql<{ id: string }>(
    ctx.em,
    `select v.id from visit v where v.closed_at is null and v.id <> ? and v.opened_at < ? and ${AT_THE_BENCH}`,
    [visitId, visit.openedAt],
  );
  let hoursAhead = 0;
  for (const { id } of others)
    hoursAhead += hoursOf(
      (await linesOf(ctx, id)).filter((l) => l.state === 'accepted'),
      null,
    );
  const [past] = await sql<{ signed: number; again: number }>(
    ctx.em,
    `
    select count(*)::int as signed, count(*) filter (where exists (select 1 from stage_event e join stage_event d
      on d.visit_id = e.visit_id and d.stage = e.stage and d.state = 'done' and d.at < e.at
      where e.visit_id = v.id and e.state = 'open'))::int as again from visit v where v.closed_at is not null`,
  );
  const [pass] = await sql<{ counted: number; mean: number | null; usual: string | null }>(
    ctx.em,
    `select count(*)::int as counted, avg(hours) as mean, mode() within group (order by lower(reason)) as usual
      from strip_pass where hours is not null and mends = 'our own work'`,
  );
  const timed = await sql<{ written: number; worked: number }>(
    ctx.em,
    `
    select (select coalesce(sum(replace(quantity, ',', '.')::numeric), 0)::float8 from estimate_line l
      where l.visit_id = v.id and l.kind = 'labour'
        and (select state from line_decision d where d.line_id = l.id order by at desc
          limit 1) = 'accepted') as written,
      (select coalesce(sum(least(extract(epoch
        from t.ended_at - t.started_at) / 3600, ${LONGEST_H})), 0)::float8 from time_spent t
          where t.visit_id = v.id and t.ended_at is not null) as worked
    from visit v where v.closed_at is not null order by v.closed_at desc limit 50`,
  );
  const taken = paceOf(timed.map((t) => ({ writtenH: t.written, workedH: t.worked })));
  const { job, reasons } = jobOfVisit(
    traits,
    lines,
    chosen?.route ?? null,
    {
      hoursPerWeek: prices.hoursPerWeek,
      hoursAhead,
      signed: past!.signed,
      takenUpAgain: past!.again,
      passes: pass!.counted > 0 ? { counted: pass!.counted, meanHours: pass!.mean!, usualReason: pass!.usual! } : null,
      taken,
    },
    (await loadVisitRules(ctx, visitId)).held,
  );
  const today = await shopDay(ctx);
  const days = promiseDays(job, SEED, TRIALS, visit.promisedFor ? daysFrom(today, visit.promisedFor) : undefined);
  const day = (n: number) => daysAfter(today, Math.ceil(n));
  return { half: day(days.half), nineInTen: day(days.nineInTen), odds: days.chance, reasons };
}
