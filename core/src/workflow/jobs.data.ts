import type { StageId } from './stages.ts';

interface Shape {
  id: string;
  name: string;
  /** What is agreed, for whoever chooses. */
  does: string;
  /** What stands in the title of the record where nothing more is said. */
  done: string;
  /** Stages that do not belong to it. Each can be brought in. */
  without: readonly StageId[];
}

const NOT_OPENED = ['power', 'strip', 'clean', 'survey', 'fit', 'assemble', 'oil'] as const;

/** What a job can be. The stages of each are common practice; no shop is held to them. */
export const SHAPES = [
  {
    id: 'report',
    name: 'Look and report',
    does: 'Look, find the cause, say what it needs. Nothing is touched.',
    done: 'Looked at and reported',
    without: ['agree', ...NOT_OPENED, 'run'],
  },
  {
    id: 'in place',
    name: 'Cure in place',
    does: 'Set right without opening the plates, then tried.',
    done: 'Cured in place',
    without: ['power', 'strip', 'clean', 'survey', 'assemble', 'oil'],
  },
  {
    id: 'partial',
    name: 'Partial service',
    does: 'Cleaned or mended in part: not taken down, not every hole looked at.',
    done: 'Partial service',
    without: ['strip', 'survey', 'assemble'],
  },
  {
    id: 'overhaul',
    name: 'Full overhaul',
    does: 'Down to single parts, every hole looked at, together and tested.',
    done: 'Overhauled',
    without: [],
  },
  {
    id: 'replacement',
    name: 'Replacement',
    does: 'Another movement goes into the case.',
    done: 'Movement replaced',
    without: ['strip', 'clean', 'survey', 'fit'],
  },
  {
    id: 'case',
    name: 'Case only',
    does: 'Case, dial or glass; the movement is left alone.',
    done: 'Work on the case',
    without: ['diagnose', ...NOT_OPENED, 'run'],
  },
] as const satisfies readonly Shape[];

/** Under which terms the work is done. */
export const TERMS = [
  { id: 'guaranteed', name: 'Guaranteed', says: 'With the guarantee of the shop.' },
  { id: 'no guarantee', name: 'Without guarantee', says: 'No guarantee is given.' },
  { id: 'free', name: 'Free', says: 'No charge and no guarantee.' },
  { id: 'trial', name: 'Trial', says: 'No guarantee: it is looked at again on a date.' },
] as const;

/** Stages in which an owner is asked or shown something: a clock of the shop's own has none. */
export const WITH_OWNER: readonly StageId[] = ['agree', 'deliver'];
