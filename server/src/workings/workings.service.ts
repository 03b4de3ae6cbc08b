import { openVisit } from '../visit/lock.ts';
import type { api, KeptWorking as Kept, ParsedBodyOf } from '@eclat/contract';
import { runWorking, WORKINGS, workingById, type Working } from '@eclat/core/workings';
import { z } from 'zod';
import { aside } from '../platform/aside/aside.ts';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { HttpProblem, notFound } from '../platform/http/problems.ts';
import { KeptWorking } from './workings.entity.ts';

type Row = Omit<Kept, 'at'> & { at: Date };
export const viewKept = ({ id, working, version, stage, input, result, says, by, at }: Row): Kept => ({
  id,
  working,
  version,
  stage,
  input,
  result,
  says,
  by,
  at: at.toISOString(),
});

const schema = (s: z.ZodType, io: 'input' | 'output') => z.toJSONSchema(s, { io }) as Record<string, unknown>;
/** As a program that has never seen it needs it: the schemas with units and limits, and what it was checked against. */
export const cards = WORKINGS.map((w) => ({
  id: w.id,
  title: w.title,
  subject: w.subject,
  asks: w.asks,
  stages: [...w.stages],
  version: w.version,
  formula: w.formula,
  sources: [...w.sources],
  caution: w.caution ?? null,
  inputs: schema(w.inputs, 'input'),
  result: schema(w.result, 'output'),
  example: w.example,
  checks: w.checks.map(({ kind, source }) => ({ kind, source })),
}));

/** @throws 404 for a working that is not there, 422 with the field and its limit for bad input */
export async function reckon(id: string, input: unknown) {
  const outcome = known(id).heavy ? await aside('reckoned', { id, input }) : runWorking(known(id), input);
  if (!outcome.ok)
    throw new HttpProblem(422, 'Something typed is not valid.', {
      fields: outcome.problems.map((p) => ({ path: p.field, message: p.message })),
    });
  const { result, says, version } = outcome;
  return { result, says, version };
}

function known(id: string): Working {
  const found = workingById(id);
  if (!found) throw notFound('working');
  return found;
}

/** Reckoned here, not taken from the sender: what is kept was really computed by that version. */
export async function keepWorking(
  ctx: Context,
  visitId: string,
  { working, stage, input }: ParsedBodyOf<typeof api.workings.keep>,
): Promise<Kept> {
  const reckoned = await reckon(working, input);
  await openVisit(ctx, visitId);
  const row = ctx.em.create(KeptWorking, {
    visitId,
    working,
    stage,
    input,
    ...reckoned,
    ...signature(ctx),
  });
  await ctx.em.flush();
  return viewKept(row);
}

export async function removeWorking(ctx: Context, visitId: string, keptId: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, KeptWorking, { id: keptId, visitId }, 'kept working'));
}
