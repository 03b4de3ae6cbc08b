import type { Fill, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { minutesIn } from '@eclat/core/cleaning';
import { expectVersion, findOrRefuse, type Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { fetchAll, rows } from '../platform/database/rows.ts';
import { BathFill, BathRun } from './cleaning.entity.ts';

const LATEST = 'order by changed_at desc nulls first, filled_at desc limit 200';

/**
 * Every tank and jar: what is in use first, then the latest changed. Loads and minutes are those of the runs that name
 * it.
 */
export async function bathBook(ctx: Context): Promise<Fill[]> {
  const { fills, runs } = await fetchAll(ctx.em, {
    fills: rows(BathFill, LATEST),
    runs: rows(BathRun, `where fill_id in (select id from bath_fill ${LATEST})`),
  });
  return fills.map((f) => {
    const own = runs.filter((r) => r.fillId === f.id);
    const minutes = own.reduce(
      (sum, r) =>
        sum +
        minutesIn(
          { ...r, stepStartedAt: r.stepStartedAt.toISOString() },
          r.stoppedAt ? null : ctx.now.toISOString(),
          f.bath,
        ),
      0,
    );
    return {
      id: f.id,
      version: f.version,
      bath: f.bath,
      name: f.name,
      litres: f.litres,
      waterParts: f.waterParts ?? null,
      limitLoads: f.limitLoads ?? null,
      limitDays: f.limitDays ?? null,
      note: f.note,
      filledAt: f.filledAt.toISOString(),
      by: f.by,
      changedAt: f.changedAt?.toISOString() ?? null,
      changedBy: f.changedBy,
      loads: own.length,
      minutes,
      clocks: new Set(own.map((r) => r.visitId)).size,
    };
  });
}

async function inBook(ctx: Context, id: string): Promise<Fill> {
  const fill = (await bathBook(ctx)).find((f) => f.id === id);
  if (!fill) throw notFound('bath');
  return fill;
}

export async function fillBath(ctx: Context, given: ParsedBodyOf<typeof api.cleaning.addFill>): Promise<Fill> {
  const made = ctx.em.create(BathFill, { ...given, filledAt: ctx.now, changedAt: null, by: ctx.person.name });
  await ctx.em.flush();
  return inBook(ctx, made.id);
}

export async function correctBath(
  ctx: Context,
  id: string,
  { version, ...fields }: ParsedBodyOf<typeof api.cleaning.changeFill>,
): Promise<Fill> {
  const fill = await findOrRefuse(ctx, BathFill, { id }, 'bath');
  if (fill.version !== version) expectVersion(fill.version, version, await inBook(ctx, id));
  ctx.em.assign(fill, fields);
  return inBook(ctx, id);
}

export async function changeBath(ctx: Context, id: string, changed: boolean): Promise<Fill> {
  ctx.em.assign(
    await findOrRefuse(ctx, BathFill, { id }, 'bath'),
    changed ? { changedAt: ctx.now, changedBy: ctx.person.name } : { changedAt: null, changedBy: '' },
  );
  return inBook(ctx, id);
}
