import type { z } from 'zod';
import type { Traits } from '../movement/index.ts';
import type { StageId } from '../workflow/index.ts';

export const SUBJECTS = [
  'Units',
  'Trains',
  'Pendulum',
  'Torsion',
  'Mainspring',
  'Weights and fusee',
  'Pivots and bushes',
  'Strike and chime',
  'Electric',
  'Cleaning and oil',
  'Rate and beat',
  'Planning and money',
] as const;
export type Subject = (typeof SUBJECTS)[number];

/**
 * Where a figure to be checked against comes from: in print, worked by hand, what the trade does, or from memory.
 */
export type CheckKind = 'published' | 'by hand' | 'practice' | 'memory';

export interface Check {
  kind: CheckKind;
  source: string;
  given: unknown;
  /** What must come out: a path into the result, with a number and how near, or a word. */
  finds: Record<string, readonly [value: number, within: number] | string | boolean | null>;
}

/** One calculation: the only definition that the pages, the panels, the command line and the API have. */
export interface Working<I extends z.ZodObject = z.ZodObject, R extends z.ZodObject = z.ZodObject> {
  id: string;
  title: string;
  subject: Subject;
  /** The stages of a visit in which it is of use. */
  stages: readonly StageId[];
  /** The movements it is of use for; none said: all. The page of all workings never hides one. */
  suits?: (traits: Traits) => boolean;
  /** The question it answers, as a person would ask it. */
  asks: string;
  /** Other words that it is looked for by. */
  alias?: string;
  /** Raised when the same inputs give another answer: saved results keep theirs. */
  version: number;
  inputs: I;
  example: z.input<I>;
  result: R;
  compute: (input: z.output<I>) => z.output<R>;
  /** One sentence that says what to do. */
  says: (result: z.output<R>, input: z.output<I>) => string;
  formula: string;
  sources: readonly string[];
  checks: readonly Check[];
  /** Too long for the thread that draws the page. */
  heavy?: boolean;
  /** The picture or chart that is drawn beside it. */
  figure?: string;
  caution?: string;
}

/** Keeps the types of inputs and result together while the definition is written. */
export const working = <I extends z.ZodObject, R extends z.ZodObject>(definition: Working<I, R>): Working => definition;

/** Whether a working is of use for a movement with these traits. */
export const suits = (w: Working, traits: Traits): boolean => w.suits?.(traits) ?? true;
