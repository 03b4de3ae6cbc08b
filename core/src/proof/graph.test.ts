import { describe, expect, it } from 'vitest';
import { seeded } from '../simulated/index.ts';
import { headsOf, parentsFirst, type Node } from './index.ts';

/** Three shops write on what each has, and hand on all they have now and then; each clock is wrong in its own way. */
function history(seed: number): Node[] {
  const random = seeded(seed);
  const pick = (n: number) => Math.floor(random() * n);
  const off = [0, 1, 2].map(() => pick(2_000_000) - 1_000_000);
  const shops: Node[][] = [[], [], []];
  for (let i = 0; i < 40; i++) {
    const s = pick(3);
    if (random() < 0.3) shops[s] = [...new Set([...shops[s]!, ...shops[pick(3)]!])];
    const parents = headsOf(shops[s]!);
    shops[s]!.push({ hash: `${i}-${s}-${pick(1e6)}`, parents, at: i * 1000 + off[s]! });
  }
  return [...new Set(shops.flat())];
}

const shuffled = <T>(items: readonly T[], seed: number): T[] => {
  const random = seeded(seed);
  return items
    .map((item) => [random(), item] as const)
    .sort((a, b) => a[0] - b[0])
    .map(([, item]) => item);
};

describe('entries that name what they were written on', () => {
  it('stand in one order, each after its parents, in whatever order they came and whatever the clocks said', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const nodes = history(seed);
      const order = parentsFirst(nodes);
      expect(parentsFirst(shuffled(nodes, seed + 7))).toEqual(order);
      expect(new Set(order).size).toBe(nodes.length);
      const place = new Map(order.map((n, i) => [n.hash, i]));
      for (const n of order) for (const p of n.parents) expect(place.get(p)!).toBeLessThan(place.get(n.hash)!);
    }
  });

  it('have heads from which every one of them is reached', () => {
    for (let seed = 1; seed <= 100; seed++) {
      const nodes = history(seed);
      const byHash = new Map(nodes.map((n) => [n.hash, n]));
      const reached = new Set<string>();
      const walk = (hash: string): void => {
        if (reached.has(hash)) return;
        reached.add(hash);
        byHash.get(hash)!.parents.forEach(walk);
      };
      headsOf(nodes).forEach(walk);
      expect(reached.size).toBe(nodes.length);
    }
  });

  it('lose none where a parent is gone, one stands twice, or two name each other', () => {
    const n = (hash: string, at: number, ...parents: string[]): Node => ({ hash, at, parents });
    const words = (nodes: Node[]) => parentsFirst(nodes).map((x) => x.hash);
    expect(words([n('b', 2, 'gone'), n('a', 1)])).toEqual(['a', 'b']);
    expect(words([n('a', 1, 'b'), n('b', 2, 'a'), n('c', 3)])).toEqual(['c', 'a', 'b']);
    expect(words([n('c', 3, 'a'), n('a', 1), n('a', 2)])).toEqual(['a', 'a', 'c']);
    expect(headsOf([])).toEqual([]);
  });
});
