import { ensure } from '../units/index.ts';

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

/** What a look at one cause says of it alone: weights when it is there, and when it is not. */
export interface Look {
  there: number;
  notThere: number;
}

export interface Posterior {
  /** Chance of each cause. */
  marginals: number[];
  /** Probability of the evidence. */
  evidence: number;
  /** Weights of one cause there and not there, before what is present is explained. */
  on: number[];
  off: number[];
  present: number[];
}

/**
 * Marginal probability of each cause given what was observed, exact.
 *
 * Absent findings and looks factor into each cause's own weight. Present findings are explained by a recursion over the
 * subset explained so far: forwards from the leaks, and backwards as the chance that the causes still to come complete
 * the explanation. One pass each way gives every marginal, O(causes · k · 2^k), and every term is positive, so nothing
 * cancels. Unknown findings drop out.
 * @throws Outside when more than MOST_PRESENT findings are present
 */
export function posterior(
  net: Network,
  observed: readonly Observed[],
  looks: readonly (Look | null)[] = [],
): Posterior {
  const present = observed.flatMap((o, f) => (o === 'present' ? [f] : []));
  ensure(present.length <= MOST_PRESENT, 'present', `At most ${MOST_PRESENT} findings can be present at once.`);
  const absent = observed.flatMap((o, f) => (o === 'absent' ? [f] : []));
  const on = net.priors.map(
    (p, c) => p * absent.reduce((q, f) => q * (1 - net.likelihoods[c]![f]!), 1) * (looks[c]?.there ?? 1),
  );
  const off = net.priors.map((p, c) => (1 - p) * (looks[c]?.notThere ?? 1));
  const shows = net.priors.map((_, c) => present.map((f) => net.likelihoods[c]![f]!));
  const n = net.priors.length;
  const size = 1 << present.length;

  // after[c]: given what is explained already, the weight with which causes c, c + 1, … explain all the rest.
  const after: Float64Array[] = Array.from({ length: n + 1 });
  const ifOn: Float64Array[] = Array.from({ length: n });
  after[n] = new Float64Array(size);
  after[n][size - 1] = 1;
  for (let c = n - 1; c >= 0; c--) {
    ifOn[c] = completedBy(after[c + 1]!, shows[c]!);
    const next = after[c + 1]!;
    const now = new Float64Array(size);
    for (let m = 0; m < size; m++) now[m] = off[c]! * next[m]! + on[c]! * ifOn[c]![m]!;
    after[c] = now;
  }

  let before = leakWeights(present.map((f) => net.leaks[f]!));
  const evidence = dot(before, after[0]!);
  const marginals = net.priors.map((_, c) => {
    const there = on[c]! * dot(before, ifOn[c]!);
    before = explainedBy(before, shows[c]!, on[c]!, off[c]!);
    return there / evidence;
  });
  return { marginals, evidence, on, off, present };
}

const dot = (a: Float64Array, b: Float64Array): number => {
  let sum = 0;
  for (let m = 0; m < a.length; m++) sum += a[m]! * b[m]!;
  return sum;
};

/** Weight of each subset of present findings having leaked. */
function leakWeights(leaks: readonly number[]): Float64Array {
  return Float64Array.from({ length: 1 << leaks.length }, (_, mask) =>
    leaks.reduce((w, leak, j) => w * (mask & (1 << j) ? leak : 1 - leak), 1),
  );
}

/** Value of each mask once a cause that is there has shown, or not shown, each finding it can. */
function completedBy(next: Float64Array, likelihoods: readonly number[]): Float64Array {
  const out = Float64Array.from(next);
  likelihoods.forEach((p, j) => {
    if (p === 0) return;
    const bit = 1 << j;
    for (let mask = 0; mask < out.length; mask++)
      if (!(mask & bit)) out[mask] = p * out[mask | bit]! + (1 - p) * out[mask]!;
  });
  return out;
}

/** Weights of what is explained, after one more cause. */
function explainedBy(weights: Float64Array, likelihoods: readonly number[], on: number, off: number): Float64Array {
  const shown = Float64Array.from(weights);
  likelihoods.forEach((p, j) => {
    if (p === 0) return;
    const bit = 1 << j;
    for (let mask = 0; mask < shown.length; mask++)
      if (!(mask & bit)) {
        shown[mask | bit]! += shown[mask]! * p;
        shown[mask]! *= 1 - p;
      }
  });
  for (let m = 0; m < shown.length; m++) shown[m] = off * weights[m]! + on * shown[m]!;
  return shown;
}
