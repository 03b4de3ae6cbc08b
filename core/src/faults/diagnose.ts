import type { Traits } from '../movement/index.ts';
import type { Cause, Level } from './causes/index.ts';
import { combinations } from './combos.ts';
import { networkOf, observedOf, type Experience, type Share } from './experience.ts';
import { posterior, type Observed } from './infer.ts';
import type { Instance } from './instances.ts';
import { levelReached, nextLooks, weigh, type LooksTaken, type NextLook } from './looks.ts';
import { SYMPTOMS, type SymptomId, type Observations } from './symptoms.ts';

const COMBINATIONS = 4;

export interface RankedCause {
  instance: Instance;
  probability: number;
  /** How often the shop's own signed visits found it, where it could have been; null when there are none. */
  found: Share | null;
  /** Why it stands where it stands, in words. */
  reasons: { text: string; speaks: 'for' | 'against'; strength: 'strongly' | 'somewhat' }[];
}

/** What a shop knows beyond the table: causes of its own, and what its signed visits found. */
export interface ShopKnowledge {
  causes: readonly Cause[];
  experience: Experience;
}
const NOTHING_YET: ShopKnowledge = { causes: [], experience: {} };

export interface Diagnosis {
  ranked: RankedCause[];
  /** What it could be as a whole, this and nothing else, likeliest first. */
  combinations: { instances: Instance[]; probability: number }[];
  looks: NextLook[];
  level: Level;
}

/**
 * The causes in order of their probability, each with its reasons; the likeliest states of the whole; and the next
 * look. A reason's direction is found by leaving that one observation out: if the cause was less likely without it, it
 * speaks for the cause.
 * @param apart how far the clock is taken down already, by the record of its stages
 * @param shop its own causes and counts; without them the shipped values stand alone
 */
export function diagnose(
  traits: Traits,
  seen: Observations,
  taken: LooksTaken = {},
  apart: Level = 0,
  { causes, experience }: ShopKnowledge = NOTHING_YET,
): Diagnosis {
  const { instances, symptoms, net } = networkOf(traits, causes, experience);
  const observed = observedOf(symptoms, seen);
  const looks = instances.map((i) => weigh(taken[i.id]));
  const all = posterior(net, observed, looks);
  const without = symptoms.map((_, f) =>
    observed[f] === 'unknown' ? null : posterior(net, observed.with(f, 'unknown'), looks).marginals,
  );
  const level = Math.max(apart, levelReached(instances, taken)) as Level;

  const ranked = instances.map((instance, c): RankedCause => ({
    instance,
    probability: all.marginals[c]!,
    found: experience[instance.id]?.found ?? null,
    reasons: [
      ...lookReason(taken, instance),
      ...symptoms.flatMap((s, f) =>
        reason(
          s,
          all.marginals[c]!,
          without[f]?.[c],
          net.likelihoods[c]![f]!,
          seen[s],
          experience[instance.id]?.shows[s],
        ),
      ),
    ],
  }));
  return {
    ranked: ranked.sort((a, b) => b.probability - a.probability),
    combinations: combinations(net, all, COMBINATIONS).map((k) => ({
      instances: k.causes.map((c) => instances[c]!),
      probability: k.probability,
    })),
    looks: nextLooks(
      instances,
      all.marginals,
      symptoms.filter((_, f) => observed[f] === 'present'),
      taken,
      level,
    ),
    level,
  };
}

const odds = (p: number) => p / (1 - p);

function lookReason(taken: LooksTaken, { id, cause }: Instance): RankedCause['reasons'] {
  const outcome = taken[id];
  if (outcome === 'found') return [{ speaks: 'for', strength: 'strongly', text: `looked: ${cause.look.what} Found.` }];
  return outcome === 'clear'
    ? [{ speaks: 'against', strength: 'strongly', text: `looked: ${cause.look.what} Nothing there.` }]
    : [];
}

function reason(
  symptom: SymptomId,
  p: number,
  pWithout: number | undefined,
  shows: number,
  seen: Observed | undefined,
  own: Share | undefined,
): RankedCause['reasons'] {
  if (pWithout === undefined) return [];
  const factor = odds(p) / odds(pWithout);
  const name = `“${SYMPTOMS[symptom].toLowerCase()}”`;
  const yours = own ? ` (${own.times} of your last ${own.of})` : '';
  const strength = factor > 4 || factor < 0.25 ? 'strongly' : 'somewhat';
  if (factor > 1.15)
    return [
      {
        speaks: 'for',
        strength,
        text: seen === 'present' ? `${often(shows)} shows as ${name}${yours}` : `${name} is not there, as one expects`,
      },
    ];
  if (factor < 0.87)
    return [
      {
        speaks: 'against',
        strength,
        text:
          seen === 'absent'
            ? `${often(shows)} shows as ${name}${yours}, and that is not there`
            : `${name} is explained by something likelier`,
      },
    ];
  return [];
}

const often = (p: number) => {
  if (p >= 0.6) return 'mostly';
  if (p >= 0.25) return 'often';
  return p > 0 ? 'sometimes' : 'never';
};
