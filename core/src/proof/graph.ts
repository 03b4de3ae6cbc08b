/** An entry as it stands among others: its hash, the hashes that it was written on, and when. */
export interface Node {
  hash: string;
  parents: readonly string[];
  /** As its writer’s clock said; ms. */
  at: number;
}

/** Those that no other was written on, by hash. What is written next names them. */
export function headsOf(nodes: readonly Pick<Node, 'hash' | 'parents'>[]): string[] {
  const followed = new Set(nodes.flatMap((n) => n.parents));
  return nodes
    .map((n) => n.hash)
    .filter((hash) => !followed.has(hash))
    .sort();
}

/**
 * Each after all that it was written on, whatever the clocks said; of those that are free the earliest first, then by
 * hash. So the order of a set is one, in whatever order it was joined. A parent that is not there is passed over;
 * what names itself in a circle (which no true hash can) stands at the end.
 */
export function parentsFirst<N extends Node>(nodes: readonly N[]): N[] {
  const here = new Set(nodes.map((n) => n.hash));
  const waits = new Map<N, number>();
  const followers = new Map<string, N[]>();
  for (const n of nodes) {
    const parents = new Set(n.parents.filter((p) => here.has(p)));
    waits.set(n, parents.size);
    for (const p of parents) followers.set(p, [...(followers.get(p) ?? []), n]);
  }
  const before = (a: N, b: N) => a.at - b.at || (a.hash < b.hash ? -1 : 1);
  const free = nodes.filter((n) => waits.get(n) === 0).sort(before);
  const placed = new Set<N>();
  const done = new Set<string>();
  const out: N[] = [];
  while (free.length > 0) {
    const next = free.shift()!;
    placed.add(next);
    out.push(next);
    if (done.has(next.hash)) continue;
    done.add(next.hash);
    for (const n of followers.get(next.hash) ?? []) {
      const left = waits.get(n)! - 1;
      waits.set(n, left);
      if (left > 0) continue;
      const at = free.findIndex((f) => before(n, f) < 0);
      free.splice(at < 0 ? free.length : at, 0, n);
    }
  }
  return [...out, ...nodes.filter((n) => !placed.has(n)).sort(before)];
}
