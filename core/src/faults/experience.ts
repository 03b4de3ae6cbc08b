import type { Traits } from '../movement/index.ts';
import { PRIOR, type Cause } from './causes/index.ts';
import { posterior, type Look, type Network, type Observed } from './infer.ts';
import { instancesFor, symptomsFor, type Instance } from './instances.ts';
import { weigh } from './looks.ts';
import { EXCLUSIVE, unobservable, type Observations, type SymptomId } from './symptoms.ts';

/** What a signed visit found: causes confirmed by a look or a finding, those looked for in vain, what it did. */
export interface SignedVisit {
  traits: Traits;
  found: readonly string[];
  clear: readonly string[];
  seen: Observations;
}
export interface Share {
  times: number;
  of: number;
}
/** What the shop's signed visits say of a cause of a train. */
export interface Found {
  /** How often it was found, of the visits in which it was looked for. */
  found: Share;
  /** How often it is to be taken for there, of all visits of clocks that could have it: found, or not ruled out. */
  expected: Share;
  /** Where it was found: how often each symptom showed, and by how much of that it is to be blamed. */
  shows: Partial<Record<SymptomId, Share & { blamed: number }>>;
}
/** By the id of a cause of a train. */
export type Experience = Readonly<Record<string, Found>>;

/** A symptom shows without any listed cause about this often. House rule: 0.01 to 0.02. */
const LEAK = 0.015;
/**
 * A shipped starting value counts as so many clocks seen: the shop's own have the say after about as many. House rule.
 */
const PRIOR_CLOCKS = 20;
const SHOWS_CLOCKS = 6;
/** States of one thing cannot all be likely: together they show at most this often. House rule. */
const MOST_TOGETHER = 0.9;
/** More symptoms at once are not reckoned with where a visit is only counted. */
const MOST_COUNTED = 10;

/**
 * Mean of a Beta distribution whose starting value is worth so many clocks. Published: conjugate prior of the binomial.
 */
const updated = (start: number, worth: number, times: number, of: number): number =>
  (start * worth + times) / (worth + of);

/** The network of a movement: its causes, the symptoms that tell them apart, and the numbers of both. */
export function networkOf(traits: Traits, own: readonly Cause[], experience: Experience) {
  const instances = instancesFor(traits, own);
  const symptoms = symptomsFor(traits, own);
  const net: Network = {
    priors: instances.map((i) => {
      const { times, of } = experience[i.id]?.expected ?? { times: 0, of: 0 };
      return updated(PRIOR[i.cause.prior], PRIOR_CLOCKS, times, of);
    }),
    likelihoods: instances.map((i) => {
      const shows = symptoms.map((s) => showsWith(i, s, experience));
      return symptoms.map((s, f) => shows[f]! / tooMuch(s, symptoms, shows));
    }),
    leaks: symptoms.map(() => LEAK),
  };
  return { instances, symptoms, net };
}

/** How often the cause shows the symptom, from the table and what this shop found; 0 where the table says never. */
function showsWith(instance: Instance, symptom: SymptomId, experience: Experience): number {
  const start = instance.shows[symptom] ?? 0;
  const own = experience[instance.id]?.shows[symptom];
  return start === 0 || !own ? start : updated(start, SHOWS_CLOCKS, own.blamed, own.of);
}

/** By how much a symptom and those that it excludes are together likelier than they can be; one where they are not. */
function tooMuch(symptom: SymptomId, symptoms: readonly SymptomId[], shows: readonly number[]): number {
  const states = EXCLUSIVE.find((all) => all.some((s) => s.includes(symptom)));
  if (!states) return 1;
  const most = (of: readonly SymptomId[]) => Math.max(0, ...of.map((s) => shows[symptoms.indexOf(s)] ?? 0));
  return Math.max(1, states.reduce((sum, of) => sum + most(of), 0) / MOST_TOGETHER);
}

/** What counts as observed of these symptoms; what could not be observed is unknown. */
export function observedOf(symptoms: readonly SymptomId[], seen: Observations): Observed[] {
  const hidden = unobservable(seen);
  return symptoms.map((s) => (hidden.includes(s) ? 'unknown' : (seen[s] ?? 'unknown')));
}

/**
 * Counts over the shop's signed visits. A visit that confirmed no cause says nothing of how common causes are. A cause
 * that nobody looked for is not absent: it counts by how likely it was, given what was seen and found in that visit; a
 * symptom is shared among the causes found, by how likely each is to have shown it.
 * Published: expectation–maximisation, one step from the shipped values (Dempster, Laird, Rubin 1977).
 */
export function experienceOf(visits: readonly SignedVisit[], own: readonly Cause[] = []): Experience {
  const all: Record<string, Found> = {};
  for (const visit of visits) if (visit.found.length > 0) count(visit, own, all);
  return all;
}

const THERE: Look = { there: 1, notThere: 0 };

function count({ traits, found, clear, seen }: SignedVisit, own: readonly Cause[], all: Record<string, Found>): void {
  const { instances, symptoms, net } = networkOf(traits, own, {});
  const observed = observedOf(symptoms, seen);
  const outcomes = instances.map((i) => {
    if (found.includes(i.id)) return 'found' as const;
    return clear.includes(i.id) ? ('clear' as const) : undefined;
  });
  const tooMany = observed.filter((o) => o === 'present').length > MOST_COUNTED;
  const { marginals } = posterior(
    net,
    tooMany ? observed.map(() => 'unknown') : observed,
    outcomes.map((o) => (o === 'found' ? THERE : weigh(o))),
  );
  // Chance that a symptom shows by none of the causes found.
  const unexplained = symptoms.map((_, f) =>
    outcomes.reduce((q, o, c) => (o === 'found' ? q * (1 - net.likelihoods[c]![f]!) : q), 1 - LEAK),
  );
  instances.forEach((instance, c) => {
    const entry = (all[instance.id] ??= { found: { times: 0, of: 0 }, expected: { times: 0, of: 0 }, shows: {} });
    entry.expected.of++;
    entry.expected.times += marginals[c]!;
    if (!outcomes[c]) return;
    entry.found.of++;
    if (outcomes[c] !== 'found') return;
    entry.found.times++;
    symptoms.forEach((symptom, f) => {
      if (!instance.shows[symptom] || observed[f] === 'unknown') return;
      const share = (entry.shows[symptom] ??= { times: 0, of: 0, blamed: 0 });
      share.of++;
      if (observed[f] !== 'present') return;
      share.times++;
      share.blamed += net.likelihoods[c]![f]! / (1 - unexplained[f]!);
    });
  });
}
