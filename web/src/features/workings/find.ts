import type { StageId } from '@eclat/core/workflow';
import { WORKINGS, type Working } from '@eclat/core/workings';

const haystack = new Map(
  WORKINGS.map((w) => [w.id, `${w.title} ${w.subject} ${w.asks} ${w.alias ?? ''} ${w.id}`.toLowerCase()]),
);

/** Workings in which every word typed occurs, those with it in their title first; of one stage, if one is chosen. */
export function findWorkings(q: string, stage: StageId | ''): Working[] {
  const words = q.toLowerCase().split(/\s+/).filter(Boolean);
  const inTitle = (w: Working) => words.filter((x) => w.title.toLowerCase().includes(x)).length;
  return WORKINGS.filter(
    (w) => (!stage || w.stages.includes(stage)) && words.every((x) => haystack.get(w.id)!.includes(x)),
  ).sort((a, b) => inTitle(b) - inTitle(a));
}
