/** How the true centre was found and kept. Common practice. */
export const LOCATED = [
  'from the unworn side',
  'three-point transfer',
  'by the depthing of the pair',
  'by eye',
] as const;
export type Located = (typeof LOCATED)[number];

/**
 * Holes that stand bushed: where the last try went off centre, it is plugged and wants its bush again. Bushes in the
 * order they were fitted.
 */
export function bushedHoles(bushes: readonly { hole: string; off: boolean }[]): Set<string> {
  const last = new Map(bushes.map((b) => [b.hole, b.off]));
  return new Set([...last].flatMap(([hole, off]) => (off ? [] : [hole])));
}

/**
 * Holes that still want their bush, one by one: a bush in another hole, or in one that is sound after all, is not
 * theirs.
 */
export function bushesLeft<H extends { key: string; verdict: string }>(
  holes: readonly H[],
  bushes: readonly { hole: string; off: boolean }[],
): H[] {
  const bushed = bushedHoles(bushes);
  return holes.filter((h) => h.verdict === 'bush' && !bushed.has(h.key));
}

/** Holes that were found tight, and of which no work says yet that they were eased. */
export function tightLeft<H extends { key: string; verdict: string }>(
  holes: readonly H[],
  work: readonly { hole: string | null }[],
): H[] {
  const eased = new Set(work.map((w) => w.hole));
  return holes.filter((h) => h.verdict === 'tight' && !eased.has(h.key));
}
