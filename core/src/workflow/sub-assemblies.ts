import type { StageId } from './stages.ts';
import type { StageStateId } from './jobs.ts';

/** What often goes at its own pace beside the movement. Practice; any other name will do. */
export const USUAL_UNITS = [
  'print work',
  'alarm',
  'repeater',
  'chime block',
  'platform',
  'motor',
  'dial work',
  'fusee and barrels',
] as const;

/** The stages that a sub-assembly has of its own, in their order; the others are of the whole clock. */
export const UNIT_STAGES = ['power', 'strip', 'clean', 'survey', 'fit', 'assemble', 'oil', 'run'] as const;
export type UnitStage = (typeof UNIT_STAGES)[number];

/** The latest word on a stage of a sub-assembly. */
export interface UnitWord {
  stage: UnitStage;
  state: StageStateId;
  why: string;
}

/** What often drives one while it runs by itself; any other words will do. Practice. */
export const DRIVEN_BY = ['its own spring', 'a weight', 'by hand', 'a test winder'] as const;

/** A run of a sub-assembly by itself, begun at an ISO time. */
export interface UnitRun {
  driven: string;
  at: string;
}

/** A sub-assembly with what was said of its stages. */
export interface Unit {
  name: string;
  stages: readonly UnitWord[];
  /** It runs by itself now. */
  running: boolean;
}

/** Stages in which it is opened, or its parts are out. */
const HANDS_IN: readonly UnitStage[] = ['strip', 'clean', 'survey', 'fit', 'assemble'];

/**
 * Taken up again at this stage: does its power come first? So it is after a run on anything but a hand, until
 * something is said of its power. Each word with its ISO time.
 */
export function unitPowerFirst(
  stage: UnitStage,
  words: readonly { stage: UnitStage; at: string }[],
  runs: readonly UnitRun[],
): boolean {
  const wound = runs.findLast((r) => r.driven !== 'by hand');
  const said = words.findLast((w) => w.stage === 'power');
  return HANDS_IN.includes(stage) && wound !== undefined && (!said || said.at < wound.at);
}

/** Every stage of a sub-assembly, in their order; of which nothing was said is open. */
export const unitStages = (words: readonly UnitWord[]): UnitWord[] =>
  UNIT_STAGES.map((stage) => words.findLast((w) => w.stage === stage) ?? { stage, state: 'open', why: '' });

/** The first stage of it that wants a hand; null: it is ready. */
export const unitStage = (unit: Pick<Unit, 'stages'>): UnitStage | null =>
  unitStages(unit.stages).find((s) => s.state === 'open')?.stage ?? null;

/**
 * Of the sub-assemblies the least advanced that wants a hand, or null: one that runs by itself wants none. The first
 * named counts of two alike.
 */
export function leastUnit(units: readonly Unit[]): { name: string; stage: StageId } | null {
  const open = units.flatMap((u) => {
    const stage = unitStage(u);
    return stage === null || u.running ? [] : [{ name: u.name, stage }];
  });
  return open.toSorted((a, b) => UNIT_STAGES.indexOf(a.stage) - UNIT_STAGES.indexOf(b.stage))[0] ?? null;
}
