import { openVisit } from '../visit/lock.ts';
import type { Movement as Shape, ParsedBodyOf, ReplyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { whereWritten } from '@eclat/core/record';
import { mismatches } from '@eclat/core/intake';
import { signature, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { Finding } from '../assessment/findings.entity.ts';
import { readMark } from './books-named.ts';
import { MarkTakenOut, MovementMark } from './movements.entity.ts';
import { movementBook, movementNow, loadMovement } from './movements.service.ts';

const MOST = 4;
const LAST_ENTRIES = 4;
/**
 * Movements that carry such a mark or code, while it is typed, with the last of their history. `same`: read alike to
 * the letter.
 */
export async function movementsLike(ctx: Context, text: string): Promise<ReplyOf<typeof api.movements.like>> {
  if (text.length < 2) return [];
  const like = `%${text.replace(/[\\%_]/g, '\\$&')}%`;
  const found = await sql<{ id: string; same: boolean }>(
    ctx.em,
    `
    select f.id, bool_or(f.same) as same from (
      select k.movement_id as id, true as same from movement_mark k where ${readMark('k.text')} = ${readMark('?::text')}
      union all select m.id, true from movement m where m.code = upper(?)
      union all (select k.movement_id, false from movement_mark k where length(?) > 2 and k.text ilike ? limit 20)
    ) f join movement m on m.id = f.id and m.merged_into is null group by f.id order by same desc, f.id limit ${MOST}`,
    [text, text, text, like],
  );
  const all = [];
  for (const { id, same } of found) {
    const { movement: m, entries: shown, inTheShop } = await movementBook(ctx, id);
    const entries = shown.filter((e) => e.proof !== 'changed');
    all.push({
      id,
      code: m.code,
      name: m.name,
      maker: m.maker,
      marks: m.marks,
      same,
      count: entries.length,
      inTheShop: inTheShop !== null,
      entries: entries
        .slice(-LAST_ENTRIES)
        .reverse()
        .map((e) => ({
          date: e.date,
          title: e.kind === 'inscription' ? `“${e.text}”. ${whereWritten(e)}`.trim() : e.title,
          shop: e.shop,
        })),
    });
  }
  return all;
}

/**
 * Refuses to make a movement that is likely one that is known: same place, same number, read alike. The person who saw
 * both may say it is another.
 */
export async function refuseTwin(ctx: Context, marks: readonly { place: string; text: string }[]): Promise<void> {
  for (const { place, text } of marks) {
    if (text.replace(/\W/g, '').length < 3) continue;
    const [twin] = await sql<{ code: string; name: string }>(
      ctx.em,
      `
      select m.code, m.name from movement m join movement_mark k on k.movement_id = m.id
        where m.merged_into is null and k.place = ? and ${readMark('k.text')} = ${readMark('?::text')} limit 1`,
      [place, text],
    );
    if (twin)
      throw badField(
        'movement.marks',
        `${twin.name}, ${twin.code}, carries ${text} on its ${place}. Take that one, or say that this is another.`,
      );
  }
}

/** Numbers that disagree become findings of the visit, once each; one that was taken back is not said again. */
export async function noteMismatches(ctx: Context, visitId: string, movementId: string): Promise<void> {
  const marks = await ctx.em.find(MovementMark, { movementId });
  const findings = await ctx.em.find(Finding, { visitId });
  for (const { place, text, seen } of mismatches(marks))
    if (!findings.some((f) => f.seen.startsWith(`Number ${text} on the ${place},`)))
      ctx.em.create(Finding, {
        visitId,
        place: `${place}, number`,
        seen,
        severity: 'looks',
        effect: 'value',
        proposal: '',
        earlierRepair: true,
        doNotDisturb: false,
        hours: null,
        cause: '',
        ...signature(ctx),
      });
}

export async function setMark(
  ctx: Context,
  movementId: string,
  { place, text, there, visitId }: ParsedBodyOf<typeof api.movements.setMark>,
): Promise<Shape> {
  const movement = await movementNow(ctx, movementId);
  if (visitId && (await openVisit(ctx, visitId)).movementId !== movement.id)
    throw badField('visitId', 'This visit is of another movement.');
  const gone = await ctx.em.nativeDelete(MovementMark, { movementId: movement.id, place, text });
  if (there) ctx.em.create(MovementMark, { movementId: movement.id, place, text });
  // What identifies a movement does not go without a trace, whether it was misread or filed off.
  else if (gone > 0) ctx.em.create(MarkTakenOut, { movementId: movement.id, place, text, ...signature(ctx) });
  await ctx.em.flush();
  if (visitId && there) await noteMismatches(ctx, visitId, movement.id);
  return loadMovement(ctx, movement);
}
