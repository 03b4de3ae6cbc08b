import type { Network, Posterior } from './infer.ts';

export interface Combination {
  /** Indices of the causes that are there; no other that could show any of what is present is. */
  causes: number[];
  probability: number;
}

/** Causes that are looked at for combinations, the likeliest ones, and how many of them may be true together. */
const AMONG = 16;
const TOGETHER = 3;

/**
 * The few likeliest explanations of what is present: these causes, and no other of those that could show any of it.
 * What the rest of the movement may have besides is left open. Exact for each set it names; sets of up to three among
 * the sixteen likeliest causes are tried, which holds all that a person would act on.
 */
export function combinations(net: Network, p: Posterior, most: number): Combination[] {
  const relevant = p.marginals.map((_, c) => p.present.some((f) => net.likelihoods[c]![f]! > 0));
  const among = p.marginals
    .map((m, c) => [m, c] as const)
    .filter(([, c]) => relevant[c])
    .sort((a, b) => b[0] - a[0])
    .slice(0, AMONG)
    .map(([, c]) => c);
  const allOff = p.off.reduce((w, q, c) => w * (relevant[c] ? q : q + p.on[c]!), 1);
  const found: Combination[] = [];
  const add = (causes: number[]) => {
    const state = causes.reduce((w, c) => (w * p.on[c]!) / p.off[c]!, allOff);
    const explained = p.present.reduce(
      (w, f) => w * (1 - causes.reduce((q, c) => q * (1 - net.likelihoods[c]![f]!), 1 - net.leaks[f]!)),
      1,
    );
    found.push({ causes, probability: (state * explained) / p.evidence });
  };
  const grow = (from: number, chosen: number[]) => {
    add(chosen);
    if (chosen.length < TOGETHER) for (let i = from; i < among.length; i++) grow(i + 1, [...chosen, among[i]!]);
  };
  grow(0, []);
  return found.sort((a, b) => b.probability - a.probability).slice(0, most);
}
