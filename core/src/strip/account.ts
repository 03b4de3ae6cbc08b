/** What became of a thing that came off. `apart` is not an answer yet. */
export const FATES = ['apart', 'on again', 'replaced', 'handed back', 'kept', 'lost or damaged here'] as const;
export type Fate = (typeof FATES)[number];

export interface Step {
  id: string;
  what: string;
  place: string;
  pass: number;
  fate: Fate;
  note: string;
  fateNote: string;
}

/** The order of assembly is the list backwards, the last pass first: what came off last goes on first. */
export const backwards = <S extends Step>(steps: readonly S[]): S[] => [...steps].reverse();

export interface Account {
  off: number;
  answered: number;
  /** Still apart: each needs a word before the visit is signed. */
  open: Step[];
}
/** What came off, how much of it has its word, and what is still apart. */
export function accountOf(steps: readonly Step[]): Account {
  const open = steps.filter((s) => s.fate === 'apart');
  return { off: steps.length, answered: steps.length - open.length, open };
}

/**
 * Steps by the sub-assembly they belong to, in the order in which each was begun; what belongs to none comes last,
 * under ''.
 */
export function bySubAssembly<S extends { group: string }>(steps: readonly S[]): [group: string, steps: S[]][] {
  const groups = new Map<string, S[]>();
  for (const s of steps) groups.set(s.group, [...(groups.get(s.group) ?? []), s]);
  return [...groups].sort(([a], [b]) => Number(a === '') - Number(b === ''));
}

const words = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter((w) => w.length > 1 && !['the', 'where', 'is', 'are'].includes(w));

/**
 * "Where is the strike third wheel?": the latest step that names it, and where it was put. Each asked word must be
 * there, begun at least.
 */
export function whereIs<S extends Step>(steps: readonly S[], asked: string): S[] {
  const wanted = words(asked);
  if (wanted.length === 0) return [];
  return steps
    .filter((s) => {
      const has = words(`${s.what} ${s.note}`);
      return wanted.every((w) => has.some((h) => h.startsWith(w)));
    })
    .reverse();
}
