import { openVisit } from '../visit/lock.ts';
import type { BenchEntry, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { BenchTest } from './benches.entity.ts';

/** What was entered at a bench: on this visit, on earlier ones of the movement, and on closed ones of its type. */
export const benchRows = (visitId: string, movementId: string) => ({
  benchTests: rows(BenchTest, 'where visit_id in (select id from visit where movement_id = ?) order by at', movementId),
  benchOfType: rows(
    BenchTest,
    `where visit_id in (
      select v.id from visit v join movement m on m.id = v.movement_id
        join movement mine on mine.id = ? and mine.id <> m.id and mine.maker <> '' and mine.maker = m.maker
          and mine.name = m.name
      where v.closed_at is not null and v.id <> ?
    ) and test->>'kind' like 'torsion%' order by at`,
    movementId,
    visitId,
  ),
});

/** The oldest first: where it stands now is said by the last. */
export const viewBenches = (
  { benchTests, benchOfType }: RowsOf<ReturnType<typeof benchRows>>,
  visitId: string,
): BenchEntry[] => [
  ...benchOfType.map((e) => viewBenchTest(e, 'type')),
  ...benchTests.map((e) => viewBenchTest(e, e.visitId === visitId ? 'visit' : 'movement')),
];

export const viewBenchTest = (e: BenchTest, of: BenchEntry['of']): BenchEntry => ({
  ...{ id: e.id, test: e.test, of, by: e.by, version: e.version },
  at: e.at.toISOString(),
});

export async function addBenchTest(
  ctx: Context,
  visitId: string,
  { test }: ParsedBodyOf<typeof api.benches.add>,
): Promise<BenchEntry> {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(BenchTest, { visitId, test, ...signature(ctx) });
  await ctx.em.flush();
  return viewBenchTest(row, 'visit');
}

export async function changeBenchTest(
  ctx: Context,
  visitId: string,
  id: string,
  { test, version }: ParsedBodyOf<typeof api.benches.change>,
): Promise<BenchEntry> {
  await openVisit(ctx, visitId);
  const row = await findOrRefuse(ctx, BenchTest, { id, visitId }, 'entry');
  expectVersion(row.version, version, viewBenchTest(row, 'visit'));
  if (row.test.kind !== test.kind) throw badField('test.kind', 'Another kind is another entry.');
  const { at } = row; // where it stood: the last of its kind leads
  Object.assign(row, { test, ...signature(ctx), at });
  await ctx.em.flush();
  return viewBenchTest(row, 'visit');
}

export async function removeBenchTest(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, BenchTest, { id, visitId }, 'reading'));
}
