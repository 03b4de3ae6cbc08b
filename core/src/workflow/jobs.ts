import { SHAPES, TERMS, WITH_OWNER } from './jobs.data.ts';
import { STAGES, stageName, type StageId } from './stages.ts';

export { SHAPES, TERMS };
export type ShapeId = (typeof SHAPES)[number]['id'];
export type TermsId = (typeof TERMS)[number]['id'];
export const SHAPE_IDS = SHAPES.map((s) => s.id) as [ShapeId, ...ShapeId[]];
export const TERMS_IDS = TERMS.map((t) => t.id) as [TermsId, ...TermsId[]];

/** The shape with this id. */
export const shapeById = (id: ShapeId) => SHAPES.find((s) => s.id === id)!;
/** What these terms are called. */
export const termsName = (id: TermsId): string => TERMS.find((t) => t.id === id)!.name;

/** Work without a promise: what is expected, when it is looked at again, how it ended, what is offered next. */
export interface Trial {
  expected: string;
  /** ISO date. */
  reviewOn: string;
  /** Empty until it was looked at again. */
  outcome: string;
  offer: string;
}

/** What was agreed for one visit. */
export interface Job {
  shape: ShapeId;
  terms: TermsId;
  trial: Trial | null;
  /** The clock is the shop's own: there is no owner to ask. */
  ownStock: boolean;
}

/** `left`: done as far as agreed. */
export const STAGE_STATES = ['open', 'done', 'left', 'not in this job'] as const;
export type StageStateId = (typeof STAGE_STATES)[number];
/** Where a stage stands. */
export interface Stand {
  stage: StageId;
  state: StageStateId;
}
export interface StageState extends Stand {
  /** Why it was left, or does not belong; empty for the others. */
  why: string;
}

/**
 * Where every stage of a job stands, in their order. What a person said of a stage stands; for the others the shape
 * says whether they belong.
 * @param said the latest word on each stage, or an earlier answer of this function for the same job
 */
export function stagesOf(job: Pick<Job, 'shape' | 'ownStock'>, said: readonly StageState[]): StageState[] {
  const { name, without } = shapeById(job.shape);
  return STAGES.map(({ id: stage }) => {
    const word = said.find((s) => s.stage === stage);
    if (word) return { stage, state: word.state, why: word.why };
    if (job.ownStock && WITH_OWNER.includes(stage))
      return { stage, state: 'not in this job', why: 'It is the shop’s own: there is no owner to ask.' };
    if ((without as readonly StageId[]).includes(stage))
      return { stage, state: 'not in this job', why: `“${name}” goes without it.` };
    return { stage, state: 'open', why: '' };
  });
}

/** Stages in one of these states. */
export const stagesIn = (stages: readonly Stand[], ...states: StageStateId[]): StageId[] =>
  stages.filter((s) => states.includes(s.state)).map((s) => s.stage);

/** Stages that want no hand any more: done, left as far as agreed, or not in this job. */
export const settled = (stages: readonly Stand[]): StageId[] => stagesIn(stages, 'done', 'left', 'not in this job');

/**
 * What was not done and why, in words for the record; stages with one reason stand together: "Strip, Survey: “Cure in
 * place” goes without it."
 */
export function notDone(stages: readonly StageState[]): string[] {
  const byWhy = new Map<string, string[]>();
  for (const { stage, state, why } of stages) {
    if (state !== 'left' && state !== 'not in this job') continue;
    const name = stageName(stage) + (state === 'left' ? ', as far as agreed' : '');
    byWhy.set(why, [...(byWhy.get(why) ?? []), name]);
  }
  return [...byWhy].map(([why, names]) => `${names.join(', ')}: ${why}`);
}
