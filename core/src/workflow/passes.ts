import { isShallow, reaches, type Depth } from './power.ts';

/** A movement that comes apart again, as far as its depth. Times are ISO 8601. */
export interface PassDepth {
  depth: Depth;
  at: string;
}

/**
 * Whether an answer still holds: nothing that it is about was opened after it was given.
 * @param at ISO 8601
 * @param from the shallowest depth that touches what the answer is about
 */
export const stillHolds = (at: string, from: Depth, passes: readonly PassDepth[]): boolean =>
  !passes.some((p) => reaches(p.depth, from) && Date.parse(p.at) > Date.parse(at));

/** How deep a step opens it where that is not said with the step: as far as a pass that stays under the dial. */
export function depthSaid(passes: readonly Pick<PassDepth, 'depth'>[]): Depth | null {
  const last = passes.at(-1);
  return last && isShallow(last.depth) ? last.depth : null;
}

/** Whose work a pass puts right. Only hours for our own count as rework. */
export const MENDS = ['our own work', 'earlier work', 'found on the way'] as const;
export type Mends = (typeof MENDS)[number];
