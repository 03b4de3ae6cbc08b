import { ensure } from '../units/index.ts';
import type { StageId } from '../workflow/index.ts';
import { RULES, type RuleId, type RuleQuestion, type School, type SchoolId } from './schools.ts';

/** School by question; what is not named is as shipped. */
export type Choices = Readonly<Record<string, string>>;
export interface Difference {
  question: string;
  school: string;
  reason: string;
}

const byId = new Map<string, RuleQuestion>(RULES.map((r) => [r.id, r]));

/** @throws Outside for a question or a school that is not in the table */
export function schoolOf(question: string, school: string): School {
  const found = byId.get(question)?.schools.find((s) => s.id === school);
  ensure(found !== undefined, 'school', 'This is not one of the choices.');
  return found;
}

/** The school that holds: as shipped, then the shop's choice, then what this visit does otherwise. */
export function held<Q extends RuleId>(
  question: Q,
  choices: Choices,
  differs: readonly Difference[] = [],
): School & { id: SchoolId<Q> } {
  const rule = byId.get(question);
  ensure(rule !== undefined, 'question', 'There is no such house rule.');
  const school = differs.find((d) => d.question === question)?.school ?? choices[question] ?? rule.ours;
  return schoolOf(question, school) as School & { id: SchoolId<Q> };
}

/** House rules that matter at a stage, in the order of the table. */
export const rulesFor = (stage: StageId): RuleQuestion[] => RULES.filter((r) => r.stages.includes(stage));

/** Verdicts that ask for a bush, by the house rule of which holes. */
export function bushedVerdicts(choices: Choices, differs: readonly Difference[] = []): readonly string[] {
  const school = held('which-holes', choices, differs).id;
  if (school === 'failed') return ['bush'];
  return school === 'every' ? ['bush', 'marginal', 'tight', 'sound'] : ['bush', 'marginal'];
}

/** Minutes that a bath is planned for, by the house rule of how long: the strictest material may allow less. */
export const BATH_MINUTES: Readonly<Record<SchoolId<'bath-time'>, number>> = { short: 5, medium: 15, long: 45 };
/** Minutes that the house rule plans a bath for. */
export const bathMinutes = (choices: Choices, differs: readonly Difference[] = []): number =>
  BATH_MINUTES[held('bath-time', choices, differs).id];
