import type { Traits } from '../movement/index.ts';
import { instancesFor, type Instance } from './instances.ts';
import type { Cause } from './causes/index.ts';
import type { SymptomId, Observations } from './symptoms.ts';

/** What a signed visit found: causes that a look or a finding confirmed, and what the clock did. */
export interface SignedVisit {
  traits: Traits;
  found: readonly string[];
  seen: Observations;
}
export interface Share {
  times: number;
  of: number;
}
/** By the id of a cause of a train: how often it was found, and how often it then showed each symptom. */
export type Experience = Readonly<Record<string, { found: Share; shows: Partial<Record<SymptomId, Share>> }>>;

/**
 * A shipped starting value counts as so many clocks seen: the shop's own have the say after about as many. House rule.
 */
const PRIOR_CLOCKS = 20;
const SHOWS_CLOCKS = 6;

/**
 * Mean of a Beta distribution whose starting value is worth so many clocks. Published: conjugate prior of the binomial.
 */
const updated = (start: number, worth: number, seen: Share | undefined): number =>
  seen ? (start * worth + seen.times) / (worth + seen.of) : start;

/** Counts over the shop's signed visits. A visit that confirmed no cause says nothing of how common causes are. */
export function experienceOf(visits: readonly SignedVisit[], own: readonly Cause[] = []): Experience {
  const all: Record<string, { found: Share; shows: Partial<Record<SymptomId, Share>> }> = {};
  for (const { traits, found, seen } of visits) {
    if (found.length === 0) continue;
    for (const instance of instancesFor(traits, own)) {
      const entry = (all[instance.id] ??= { found: { times: 0, of: 0 }, shows: {} });
      entry.found.of++;
      if (!found.includes(instance.id)) continue;
      entry.found.times++;
      for (const symptom of Object.keys(instance.shows) as SymptomId[]) {
        const state = seen[symptom];
        if (!state) continue;
        const share = (entry.shows[symptom] ??= { times: 0, of: 0 });
        share.of++;
        if (state === 'present') share.times++;
      }
    }
  }
  return all;
}

/** How often a clock has the cause, from the shipped value and what this shop found. */
export const priorWith = (start: number, instance: Instance, experience: Experience): number =>
  updated(start, PRIOR_CLOCKS, experience[instance.id]?.found);
/** How often the cause shows the symptom, likewise; 0 where the table says that it never does. */
export const showsWith = (instance: Instance, symptom: SymptomId, experience: Experience): number => {
  const start = instance.shows[symptom] ?? 0;
  return start === 0 ? 0 : updated(start, SHOWS_CLOCKS, experience[instance.id]?.shows[symptom]);
};
