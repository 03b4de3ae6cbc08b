/** What becomes of a thing that is missing, step by step. */
export const WANTED_STEPS = [
  'looked for',
  'ordered',
  'arrived',
  'arrived faulty',
  'sent back',
  'found',
  'fitted',
  'made here',
  'guessed',
  'given up',
] as const;
export type WantedStep = (typeof WANTED_STEPS)[number];

/** The steps that end it. A guess is new work that looks right: nobody knows what was there. */
export const WANTED_ENDS = ['found', 'fitted', 'made here', 'guessed', 'given up'] as const;
export type WantedEnd = (typeof WANTED_ENDS)[number];
export const wantedEnd = (step: WantedStep): WantedEnd | null => WANTED_ENDS.find((e) => e === step) ?? null;

/** What usually comes next: after nothing, and after each step. Common practice. */
export const NEXT_STEPS: Readonly<Record<WantedStep | 'nothing', readonly WantedStep[]>> = {
  nothing: ['looked for', 'ordered', 'found', 'made here', 'given up'],
  'looked for': ['ordered', 'found', 'made here', 'guessed', 'given up'],
  ordered: ['arrived', 'arrived faulty', 'given up'],
  arrived: ['fitted', 'arrived faulty', 'sent back'],
  'arrived faulty': ['sent back', 'fitted', 'ordered', 'made here'],
  'sent back': ['ordered', 'made here', 'looked for', 'given up'],
  found: [],
  fitted: [],
  'made here': [],
  guessed: [],
  'given up': [],
};

/** What a step cannot be without, as it is asked. */
export const STEP_ASKS: Readonly<Partial<Record<WantedStep, { field: 'note' | 'from'; message: string }>>> = {
  ordered: { field: 'from', message: 'From whom?' },
  'arrived faulty': { field: 'note', message: 'What is wrong with it?' },
  guessed: { field: 'note', message: 'Where was evidence looked for?' },
};

/** Words that tell nothing of a part. */
const EMPTY_WORDS = new Set(['the', 'and', 'with', 'for', 'from', 'its', 'one', 'any', 'that', 'of', 'or', 'a', 'an']);
const stem = (word: string): string => word.replace(/(?:es|s)$/, '');
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w.length > 1 && !EMPTY_WORDS.has(w))
    .map(stem);

/**
 * Whether a thing may be what is wanted: all words of what is missing, or of one of the ways it can be satisfied
 * (parted by commas or semicolons), stand in its name. It is for a person to look.
 */
export function maySatisfy(wanted: { what: string; would: string }, name: string): boolean {
  const there = new Set(wordsOf(name));
  return [wanted.what, ...wanted.would.split(/[,;]/)]
    .map(wordsOf)
    .some((words) => words.length > 0 && words.every((w) => there.has(w)));
}
