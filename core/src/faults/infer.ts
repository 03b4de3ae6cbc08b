/** A two-layer network: independent causes, each finding shown by any of them or by a leak (noisy-OR). */
export interface Network {
  priors: readonly number[];
  /** likelihoods[cause][finding]: chance that the cause, when there, shows the finding. */
  likelihoods: readonly (readonly number[])[];
  /** Chance that a finding shows with none of the causes there. */
  leaks: readonly number[];
}

export type Observed = 'present' | 'absent' | 'unknown';

/** Beyond this many present findings the exact recursion is too large: group them first. */
export const MOST_PRESENT = 16;

/**
 * Marginal probability of each cause given what was observed, exact.
 *
 * Absent findings factor into each cause's weight. Present ones are explained by a recursion over the subset of
 * findings explained so far, cause by cause: O(causes² · k · 2^k) with every term positive, so nothing cancels.
 * Unknown findings drop out.
 * @throws RangeError when more than MOST_PRESENT findings are present
 */
export function posterior(net: Network, observed: readonly Observed[]): number[] {
  const present = observed.flatMap((o, f) => (o === 'present' ? [f] : []));
  if (present.length > MOST_PRESENT) throw new RangeError(`at most ${MOST_PRESENT} findings can be present at once, not ${present.length}`);
  const absent = observed.flatMap((o, f) => (o === 'absent' ? [f] : []));
  const on = net.priors.map((p, c) => p * absent.reduce((q, f) => q * (1 - net.likelihoods[c]![f]!), 1));
  const off = net.priors.map((p) => 1 - p);

  const evidence = (clamped: number): number => {
    let weights = leakWeights(present.map((f) => net.leaks[f]!));
    net.priors.forEach((_, c) => {
      const explained = explain(weights, present.map((f) => net.likelihoods[c]![f]!));
      const stay = c === clamped ? 0 : off[c]!;
      weights = weights.map((w, mask) => stay * w + on[c]! * explained[mask]!);
    });
    return weights.at(-1)!;
  };
  const all = evidence(-1);
  return net.priors.map((_, c) => evidence(c) / all);
}

/** Weight of each subset of present findings having leaked. */
function leakWeights(leaks: readonly number[]): number[] {
  return Array.from({ length: 1 << leaks.length }, (_, mask) =>
    leaks.reduce((w, leak, j) => w * (mask & (1 << j) ? leak : 1 - leak), 1));
}

/** The weights after one cause that is there has shown what it shows. */
function explain(weights: readonly number[], likelihoods: readonly number[]): number[] {
  const out = [...weights];
  likelihoods.forEach((p, j) => {
    if (p === 0) return;
    const bit = 1 << j;
    for (let mask = 0; mask < out.length; mask++)
      if (!(mask & bit)) {
        out[mask | bit]! += out[mask]! * p;
        out[mask]! *= 1 - p;
      }
  });
  return out;
}
