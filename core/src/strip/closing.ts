import type { ArborClass, Traits } from '../movement/index.ts';

/** Where the plates are brought together first, seen from the back. */
export const CORNERS = ['lower left', 'lower right', 'upper left', 'upper right'] as const;
export type Corner = (typeof CORNERS)[number];

/** The thin pivots that find their holes last, the last of them last. Common practice. */
const LAST: readonly ArborClass[] = ['late train', 'escape', 'fly'];

/** Arbors whose pivots go in last, as far as they lie between the plates. */
export const lastPivots = (traits: Traits): string[] =>
  LAST.flatMap((c) => traits.trains.flatMap((t) => t.arbors.filter((a) => a.class === c).map((a) => a.name)));
