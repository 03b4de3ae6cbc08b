import type { Visit } from '@eclat/contract';
import { dayOf, daysAfter } from '@eclat/core/days';
import { addDryTry, endDryFit, setDryCure, startDryFit } from '@eclat/server/assembly/dry.service';
import { changeFinding, overturnFinding } from '@eclat/server/assessment/findings.service';
import type { Context } from '@eclat/server/platform/http/context';
import { changeVisit } from '@eclat/server/visit/visit.service';
import type { Course } from './course.ts';

type Did = <T>(work: Promise<T>, minutes?: number) => Promise<T>;

/** What follows from what, and what a later look found instead. */
export async function findingsAgain(ctx: Context, did: Did, { id, findings }: Visit, course: Course): Promise<void> {
  const of = (i: number | string) => findings.find((f) => f.seen === course.findings![Number(i)]!.seen)!;
  for (const [i, from] of Object.entries(course.follows ?? {})) {
    const { id: findingId, version } = of(i);
    await did(changeFinding(ctx, id, findingId, { followsFrom: of(from).id, version }), 1);
  }
  for (const [i, why] of Object.entries(course.overturned ?? {}))
    await did(overturnFinding(ctx, id, of(i).id, why), 30);
}

/** Each bush felt in its train together dry, in the order they were fitted. */
export async function driedIn(ctx: Context, did: Did, { id, bushes }: Visit, course: Course): Promise<void> {
  if (!course.dry) return;
  const fit = await did(startDryFit(ctx, id, { train: null }), 10);
  for (const { word, cure } of course.dry) {
    const felt = await did(addDryTry(ctx, id, { hole: bushes[0]!.hole, word, cure: '' }), 2);
    if (cure) await did(setDryCure(ctx, id, felt.id, cure), 5);
  }
  await did(endDryFit(ctx, id, fit.id), 5);
}

/** What to expect, and when it is looked at again. */
export async function expected(ctx: Context, did: Did, visit: Visit, course: Course, today: Date): Promise<void> {
  if (!course.prognosis) return;
  const { text, inDays } = course.prognosis;
  const lookAgainOn = daysAfter(dayOf(today, 'UTC'), inDays);
  await did(changeVisit(ctx, visit.id, { prognosis: text, lookAgainOn, version: visit.version }), 2);
}
