import type { Arbor, Train, Traits } from './traits.ts';

/** How the trains of one movement lie between its plates, as far as somebody looked and measured. */
export interface Arrangement {
  /** Ids of the trains on the front plate from the right; empty: as usual, going on the right. */
  sides: string[];
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
    const at = (t: Train) => (sides.includes(t.id) ? sides.indexOf(t.id) : sides.length + traits.trains.indexOf(t));
    return at(a) - at(b);
  });

/** Of an arrangement what is still in the description. */
export function arrangementFor(traits: Traits, { sides, centresMm }: Arrangement): Arrangement {
  const pairs = new Set(traits.trains.flatMap((t) => pairsOf(t).map((p) => p.key)));
  return {
    sides: sides.filter((s) => traits.trains.some((t) => t.id === s)),
    centresMm: Object.fromEntries(Object.entries(centresMm).filter(([pair]) => pairs.has(pair))),
  };
}

const WIDEST_MM = 300;
/** What cannot be, by pair; null where all can. */
export function arrangementProblem(
  traits: Traits,
  { sides, centresMm }: Arrangement,
): { field: string; message: string } | null {
  const trains = traits.trains.map((t) => t.id);
  if (new Set(sides).size !== sides.length || sides.some((s) => !trains.includes(s)))
    return { field: 'sides', message: 'Each train of this movement once.' };
  const pairs = new Set(traits.trains.flatMap((t) => pairsOf(t).map((p) => p.key)));
  for (const [pair, mm] of Object.entries(centresMm)) {
    if (!pairs.has(pair)) return { field: `centresMm.${pair}`, message: 'These two do not mesh in this movement.' };
    if (!(mm >= 1 && mm <= WIDEST_MM)) return { field: `centresMm.${pair}`, message: `Between 1 and ${WIDEST_MM} mm.` };
  }
  return null;
}
