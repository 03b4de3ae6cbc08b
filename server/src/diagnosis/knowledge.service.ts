import { randomUUID } from 'node:crypto';
import type { ParsedBodyOf, ReplyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { causeOf, experienceOf, OWN_PREFIX, type Cause, type SignedVisit } from '@eclat/core/faults';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { theShop } from '../people/shop.service.ts';
import { OwnCauseRow } from './diagnosis.entity.ts';

/** So many signed visits count: what a shop met long ago is not what it meets now. */
const LAST = 200;

const rows = (ctx: Context) => ctx.em.find(OwnCauseRow, {}, { orderBy: { at: 'asc' } });

/** The shop's own causes, checked as the table is when it is loaded. */
export const ownCauses = async (ctx: Context): Promise<Cause[]> =>
  (await rows(ctx)).map((r) => causeOf({ id: r.id, ...r.fields }));

/** The shop's own causes, and what its signed visits found: only its own, and only while it wants them counted. */
export async function knowledgeOf(ctx: Context): Promise<ReplyOf<typeof api.diagnosis.knowledge>> {
  const own = await rows(ctx);
  const { learn } = await theShop(ctx);
  const signed = await sql<SignedVisit>(
    ctx.em,
    `
    select m.traits,
      (select coalesce(json_agg(distinct x.id), '[]')
        from (select look as id from look_taken where visit_id = v.id and outcome = 'found' union select cause
          from finding where visit_id = v.id and removed_at is null and overturned_at is null
            and cause <> '') x) as found,
      (select coalesce(json_agg(look), '[]') from look_taken where visit_id = v.id and outcome = 'clear') as clear,
      (select coalesce(json_object_agg(symptom, state), '{}') from observation where visit_id = v.id) as seen
    from visit v join movement m on m.id = v.movement_id where v.closed_at is not null order by v.closed_at desc
      limit ${LAST}`,
  );
  return {
    causes: own.map((r) => ({
      id: r.id,
      ...r.fields,
      oscillators: [...r.fields.oscillators],
      fittings: [...r.fields.fittings],
      trains: [...r.fields.trains],
      by: r.by,
      at: r.at.toISOString(),
    })),
    learn,
    signedVisits: signed.filter((s) => s.found.length > 0).length,
    experience: learn
      ? experienceOf(
          signed,
          own.map((r) => causeOf({ id: r.id, ...r.fields })),
        )
      : {},
  };
}

export async function addCause(ctx: Context, given: ParsedBodyOf<typeof api.diagnosis.addCause>) {
  const id = `${OWN_PREFIX}${randomUUID()}`;
  causeOf({ id, ...given }); // as strict as the table is with itself
  const row = ctx.em.create(OwnCauseRow, { id, fields: given, ...signature(ctx) });
  await ctx.em.flush();
  return { id, ...given, by: row.by, at: row.at.toISOString() };
}

export async function removeCause(ctx: Context, id: string): Promise<void> {
  ctx.em.remove(await findOrRefuse(ctx, OwnCauseRow, { id }, 'cause of your own'));
}

export async function setLearning(ctx: Context, learn: boolean): Promise<void> {
  (await theShop(ctx)).learn = learn;
}
