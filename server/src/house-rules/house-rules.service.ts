import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, ReplyOf, RulesVersion, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { held, RULES, schoolOf } from '@eclat/core/rules';
import { fetchAll, rows, type RowsOf } from '../platform/database/rows.ts';
import { expectVersion, signature, type Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { HouseRules, VisitRule } from './house-rules.entity.ts';

const present = (r: HouseRules): RulesVersion => ({
  version: r.version,
  choices: r.choices,
  why: r.why,
  by: r.by,
  at: r.at?.toISOString() ?? null,
});
const newest = async (ctx: Pick<Context, 'em'>): Promise<HouseRules> =>
  (await ctx.em.find(HouseRules, {}, { orderBy: { version: 'desc' }, limit: 1 }))[0]!;

/** The version that a visit taken in now is worked under. */
export const rulesToday = async (ctx: Pick<Context, 'em'>): Promise<number> => (await newest(ctx)).version;

export async function rulesOf(ctx: Context): Promise<ReplyOf<typeof api.houseRules.get>> {
  const all = await ctx.em.find(HouseRules, {}, { orderBy: { version: 'desc' } });
  return { now: present(all[0]!), earlier: all.slice(1).map(present) };
}

export async function setRules(
  ctx: Context,
  { choices, why, version }: ParsedBodyOf<typeof api.houseRules.set>,
): Promise<RulesVersion> {
  await sql(ctx.em, 'select pg_advisory_xact_lock(6438003)'); // one version after another
  const before = await newest(ctx);
  expectVersion(before.version, version, present(before));
  const made = ctx.em.create(HouseRules, {
    version: before.version + 1,
    choices: choices,
    why: why,
    ...signature(ctx),
  });
  await ctx.em.flush();
  return present(made);
}

export const rulesRows = (visitId: string) => ({
  under: rows(HouseRules, 'where version = (select rules_version from visit where id = ?)', visitId),
  differs: rows(VisitRule, 'where visit_id = ? order by at', visitId),
});

export function viewVisitRules({ under: [under], differs }: RowsOf<ReturnType<typeof rulesRows>>): Shape['rules'] {
  const { version, choices } = under!;
  return {
    version,
    held: Object.fromEntries(RULES.map((r) => [r.id, held(r.id, choices, differs).id])),
    differs: differs.map((d) => ({
      question: d.question,
      school: d.school,
      reason: d.reason,
      by: d.by,
      at: d.at.toISOString(),
    })),
  };
}
export const loadVisitRules = async (ctx: Context, visitId: string): Promise<Shape['rules']> =>
  viewVisitRules(await fetchAll(ctx.em, rulesRows(visitId)));

const known = (question: string): void => {
  if (!RULES.some((r) => r.id === question)) throw notFound('house rule');
};

/** One visit may differ, with its reason; the house rule itself stays as it is. */
export async function differ(
  ctx: Context,
  visitId: string,
  question: string,
  { school, reason }: ParsedBodyOf<typeof api.houseRules.differ>,
): Promise<Shape['rules']> {
  known(question);
  schoolOf(question, school);
  await openVisit(ctx, visitId);
  await ctx.em.upsert(VisitRule, { visitId, question, school, reason, ...signature(ctx) });
  return loadVisitRules(ctx, visitId);
}

export async function keepTo(ctx: Context, visitId: string, question: string): Promise<Shape['rules']> {
  known(question);
  await openVisit(ctx, visitId);
  await ctx.em.nativeDelete(VisitRule, { visitId, question });
  return loadVisitRules(ctx, visitId);
}
