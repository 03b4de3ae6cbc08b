import type { api, ParsedBodyOf, WantedHere, WantedThing as Thing } from '@eclat/contract';
import { maySatisfy, wantedEnd } from '@eclat/core/stores';
import { rows } from '../platform/database/rows.ts';
import { sql } from '../platform/http/app-context.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { refused } from '../platform/http/problems.ts';
import { openVisit } from '../visit/lock.ts';
import { WantedStep, WantedThing } from './reception.entity.ts';

/** Of this clock: what this visit found missing, and what is wanted since earlier ones. */
const OF_CLOCK = 'clock_id = ? and (visit_id = ? or ended is null)';

export const wantedRows = (visitId: string, clockId: string) => ({
  wantedThings: rows(WantedThing, `where ${OF_CLOCK} order by at`, clockId, visitId),
  wantedSteps: rows(
    WantedStep,
    `where wanted_id in (select id from wanted_thing where ${OF_CLOCK}) order by at, id`,
    clockId,
    visitId,
  ),
});

export const viewWanted = (
  { id, what, evidence, would, ended, ...w }: WantedThing,
  steps: readonly WantedStep[],
): Thing => ({
  ...{ id, what, evidence, would, ended: ended ?? null },
  steps: steps
    .filter((s) => s.wantedId === id)
    .map((s) => ({
      ...{ id: s.id, step: s.step, note: s.note, from: s.from, price: s.price, expectedOn: s.expectedOn ?? null },
      ...viewSigned(s),
    })),
  ...viewSigned(w),
});

const stepsOf = (ctx: Context, wantedId: string) =>
  ctx.em.find(WantedStep, { wantedId }, { orderBy: { at: 'asc', id: 'asc' } });

export async function addWanted(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.reception.addWanted>,
): Promise<Thing> {
  const { clockId } = await openVisit(ctx, visitId);
  const thing = ctx.em.create(WantedThing, { visitId, clockId, ended: null, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewWanted(thing, []);
}

/** The list is the clock's: a thing wanted since an earlier visit goes on in this one. */
async function wantedOf(ctx: Context, visitId: string, id: string): Promise<WantedThing> {
  const { clockId } = await openVisit(ctx, visitId);
  return findOrRefuse(ctx, WantedThing, { id, clockId }, 'wanted thing');
}

export async function changeWanted(
  ctx: Context,
  visitId: string,
  id: string,
  given: ParsedBodyOf<typeof api.reception.changeWanted>,
): Promise<Thing> {
  const thing = ctx.em.assign(await wantedOf(ctx, visitId, id), given);
  await ctx.em.flush();
  return viewWanted(thing, await stepsOf(ctx, id));
}

export async function removeWanted(ctx: Context, visitId: string, id: string): Promise<void> {
  const thing = await wantedOf(ctx, visitId, id);
  if ((await stepsOf(ctx, id)).length > 0) throw refused('Something was done about it.', 'Say how it ended.');
  ctx.em.remove(thing);
}

/** @throws 409 when the thread has ended */
export async function addWantedStep(
  ctx: Context,
  visitId: string,
  id: string,
  given: ParsedBodyOf<typeof api.reception.addWantedStep>,
): Promise<Thing> {
  const thing = await wantedOf(ctx, visitId, id);
  if (thing.ended) throw refused(`It was ${thing.ended}.`, 'Take that step back first.');
  ctx.em.create(WantedStep, { wantedId: id, ...given, ...signature(ctx) });
  thing.ended = wantedEnd(given.step);
  await ctx.em.flush();
  return viewWanted(thing, await stepsOf(ctx, id));
}

/** Only the last step is taken back; what it ended is wanted again. */
export async function removeWantedStep(ctx: Context, visitId: string, id: string, stepId: string): Promise<Thing> {
  const thing = await wantedOf(ctx, visitId, id);
  const steps = await stepsOf(ctx, id);
  const last = steps.at(-1);
  if (last?.id !== stepId) throw refused('Something was done since.', 'The last step is taken back first.');
  ctx.em.remove(last);
  thing.ended = null;
  await ctx.em.flush();
  return viewWanted(thing, steps.slice(0, -1));
}

/** Over all clocks, the oldest first, each with what lies in the stores that may be it. */
export async function wantedList(ctx: Context): Promise<WantedHere[]> {
  const things = await ctx.em.find(WantedThing, { ended: null }, { orderBy: { at: 'asc' } });
  const steps = await ctx.em.find(
    WantedStep,
    { wantedId: { $in: things.map((t) => t.id) } },
    { orderBy: { at: 'asc', id: 'asc' } },
  );
  const clocks = await sql<{ clockId: string; clock: string; claim: string; visitId: string; here: boolean }>(
    ctx.em,
    `
    select distinct on (c.id) c.id as "clockId", c.description as clock, v.claim, v.id as "visitId",
      v.closed_at is null as here
    from clock c join visit v on v.clock_id = c.id where c.id = any(?::uuid[]) order by c.id, v.opened_at desc`,
    [`{${things.map((t) => t.clockId).join(',')}}`],
  );
  const stock = await sql<{ itemId: string; name: string; note: string; onHand: number; shelf: string }>(
    ctx.em,
    `
    select i.id as "itemId", i.name, i.note, i.shelf, coalesce(sum(m.change), 0)::int as "onHand"
    from stock_item i join stock_move m on m.item_id = i.id where i.kept group by i.id having sum(m.change) > 0`,
  );
  return things.flatMap((t) => {
    const clock = clocks.find((c) => c.clockId === t.clockId);
    if (!clock) return [];
    const { ended: _, ...view } = viewWanted(t, steps);
    const { clockId: __, ...whose } = clock;
    const matches = stock
      .filter((i) => maySatisfy(t, `${i.name} ${i.note}`))
      .map(({ itemId, name, onHand, shelf }) => ({ itemId, name, onHand, shelf }));
    return [{ ...view, ...whose, matches }];
  });
}
