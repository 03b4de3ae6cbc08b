import type { Traits } from '../movement/index.ts';
import { canShow, CAUSES, likelihood, PRIOR, type Cause } from './causes.ts';
import { posterior, type Observed } from './infer.ts';
import { HIDDEN_WHEN_DEAD, SYMPTOM_IDS, SYMPTOMS, type SymptomId } from './symptoms.ts';

/** A symptom shows without any listed cause about this often. House rule: 0.01 to 0.02. */
const LEAK = 0.015;

export type Observations = Partial<Record<SymptomId, Exclude<Observed, 'unknown'>>>;

export interface RankedCause {
  cause: Cause;
  probability: number;
  /** Why it stands where it stands, in words. */
  reasons: { text: string; speaks: 'for' | 'against' }[];
}

export const causesFor = (traits: Traits): Cause[] => CAUSES.filter((c) => c.applies(traits));

/** Symptoms that this movement can show and at least one cause could explain. */
export function symptomsFor(traits: Traits): SymptomId[] {
  const causes = causesFor(traits);
  return SYMPTOM_IDS.filter((s) => canShow(traits, s) && causes.some((c) => likelihood(c, s, traits) > 0));
}

/** Symptoms that cannot be observed given the others: a dead clock has no rate. */
export const unobservable = (seen: Observations): readonly SymptomId[] => (seen.dead === 'present' ? HIDDEN_WHEN_DEAD : []);

/**
 * The causes in order of their probability, each with its reasons. A reason's direction is found by leaving that one
 * observation out: if the cause was less likely without it, it speaks for the cause.
 */
export function diagnose(traits: Traits, seen: Observations): RankedCause[] {
  const causes = causesFor(traits);
  const symptoms = symptomsFor(traits);
  const hidden = unobservable(seen);
  const net = {
    priors: causes.map((c) => PRIOR[c.prior]),
    likelihoods: causes.map((c) => symptoms.map((s) => likelihood(c, s, traits))),
    leaks: symptoms.map(() => LEAK),
  };
  const observed = symptoms.map((s): Observed => (hidden.includes(s) ? 'unknown' : seen[s] ?? 'unknown'));
  const all = posterior(net, observed);
  const without = new Map(symptoms.map((s, f) => [s, observed[f] === 'unknown' ? null : posterior(net, observed.with(f, 'unknown'))]));

  return causes
    .map((cause, c) => ({ cause, probability: all[c]!, reasons: symptoms.flatMap((s) => reason(s, all[c]!, without.get(s)?.[c], likelihood(cause, s, traits), seen[s])) }))
    .sort((a, b) => b.probability - a.probability);
}

const odds = (p: number) => p / (1 - p);

function reason(symptom: SymptomId, p: number, pWithout: number | undefined | null, shows: number, seen?: Observed): RankedCause['reasons'] {
  if (pWithout === undefined || pWithout === null) return [];
  const factor = odds(p) / odds(pWithout);
  const name = `“${SYMPTOMS[symptom].toLowerCase()}”`;
  if (factor > 1.15) return [{ speaks: 'for', text: seen === 'present' ? `${often(shows)} shows as ${name}` : `${name} is not there, as one expects` }];
  if (factor < 0.87)
    return [{ speaks: 'against', text: seen === 'absent' ? `${often(shows)} shows as ${name}, and that is not there` : `${name} is explained by something likelier` }];
  return [];
}

const often = (p: number) => (p >= 0.6 ? 'mostly' : p >= 0.25 ? 'often' : 'sometimes');
