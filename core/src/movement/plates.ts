import type { Arbor, Train, TrainKey, Traits } from './traits.ts';

/** How the trains of one movement lie between its plates, as far as somebody looked and measured. */
export interface Arrangement {
  /** The trains on the front plate from the right; empty: as usual, going on the right. */
  sides: TrainKey[];
  /** Centre distance of two neighbours in a train, mm, by `T1-T2`. */
  centresMm: Record<string, number>;
}
export const AS_USUAL: Arrangement = { sides: [], centresMm: {} };

export interface Pair {
  key: string;
  from: Arbor;
  to: Arbor;
}
/** Neighbours that mesh, from the power to the fast end. */
export const pairsOf = (train: Train): Pair[] =>
  train.arbors.slice(1).map((to, i) => {
    const from = train.arbors[i]!;
    return { key: `${from.id}-${to.id}`, from, to };
  });

/** The trains from the right of the front plate. What was not said of a train stands at its end. */
export const trainsFromRight = (traits: Traits, { sides }: Arrangement): Train[] =>
  traits.trains.toSorted((a, b) => {
    const at = (t: Train) =>
      sides.includes(t.train) ? sides.indexOf(t.train) : sides.length + traits.trains.indexOf(t);
    return at(a) - at(b);
  });

const WIDEST_MM = 300;
/** What cannot be, by pair; null where all can. */
export function arrangementProblem(
  traits: Traits,
  { sides, centresMm }: Arrangement,
): { field: string; message: string } | null {
  const trains = traits.trains.map((t) => t.train);
  if (new Set(sides).size !== sides.length || sides.some((s) => !trains.includes(s)))
    return { field: 'sides', message: 'Each train of this movement once.' };
  const pairs = new Set(traits.trains.flatMap((t) => pairsOf(t).map((p) => p.key)));
  for (const [pair, mm] of Object.entries(centresMm)) {
    if (!pairs.has(pair)) return { field: `centresMm.${pair}`, message: 'These two do not mesh in this movement.' };
    if (!(mm >= 1 && mm <= WIDEST_MM)) return { field: `centresMm.${pair}`, message: `Between 1 and ${WIDEST_MM} mm.` };
  }
  return null;
}
