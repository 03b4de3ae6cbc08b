import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { CAUSES } from './causes.ts';
import { diagnose, symptomsFor } from './diagnose.ts';
import { posterior, type Network, type Observed } from './infer.ts';

/** Brute force: every combination of causes, every finding, straight from the definition of noisy-OR. */
function enumerate(net: Network, observed: readonly Observed[]): number[] {
  const hits = net.priors.map(() => 0);
  let total = 0;
  for (let world = 0; world < 1 << net.priors.length; world++) {
    let p = 1;
    net.priors.forEach((prior, c) => { p *= world & (1 << c) ? prior : 1 - prior; });
    observed.forEach((o, f) => {
      let absent = 1 - net.leaks[f]!;
      net.priors.forEach((_, c) => { if (world & (1 << c)) absent *= 1 - net.likelihoods[c]![f]!; });
      if (o !== 'unknown') p *= o === 'absent' ? absent : 1 - absent;
    });
    total += p;
    net.priors.forEach((_, c) => { if (world & (1 << c)) hits[c]! += p; });
  }
  return hits.map((h) => h / total);
}

describe('the reasoning', () => {
  it('equals full enumeration', () => {
    const p = fc.double({ min: 0.01, max: 0.95, noNaN: true });
    const net = fc.tuple(fc.integer({ min: 1, max: 8 }), fc.integer({ min: 1, max: 6 })).chain(([c, f]) =>
      fc.record({
        priors: fc.array(p, { minLength: c, maxLength: c }),
        likelihoods: fc.array(fc.array(p, { minLength: f, maxLength: f }), { minLength: c, maxLength: c }),
        leaks: fc.array(p, { minLength: f, maxLength: f }),
        observed: fc.array(fc.constantFrom<Observed>('present', 'absent', 'unknown'), { minLength: f, maxLength: f }),
      }));
    fc.assert(fc.property(net, ({ observed, ...network }) => {
      const want = enumerate(network, observed);
      posterior(network, observed).forEach((got, c) => expect(Math.abs(got - want[c]!)).toBeLessThan(1e-9));
    }), { numRuns: 60 });
  });
  it('refuses more present findings than it can do exactly', () => {
    const n = 17;
    expect(() => posterior({ priors: [0.1], likelihoods: [Array(n).fill(0.5)], leaks: Array(n).fill(0.1) }, Array(n).fill('present'))).toThrow(RangeError);
  });
});

describe('the knowledge base', () => {
  it('has stable ids, once each', () => expect(new Set(CAUSES.map((c) => c.id)).size).toBe(20));
  it('lets every family show something and explains all that it offers', () => {
    for (const { traits } of FAMILIES) expect(symptomsFor(traits).length).toBeGreaterThan(3);
    expect(symptomsFor(familyById('longcase').traits)).not.toContain('torsion-flutters');
    expect(symptomsFor(familyById('torsion').traits)).not.toContain('misses-strike');
  });
});

// Practice: each little story says what a good repairer would look at first.
describe('stories', () => {
  const first = (family: string, seen: Parameters<typeof diagnose>[1]) => diagnose(familyById(family).traits, seen).slice(0, 2).map((r) => r.cause.id);
  it('a pendulum clock that limps and stops after hours is out of beat, or not level', () =>
    expect(first('mantel-barrels', { 'uneven-beat': 'present', 'stops-hours': 'present' })[0]).toBe('out-of-beat'));
  it('an eight-day clock that gives up late in the week has a gummed spring', () =>
    expect(first('mantel-barrels', { 'stops-late': 'present', 'small-swing': 'present' })[0]).toBe('gummed-mainspring'));
  it('a balance clock that gains hours has oil on its coils', () =>
    expect(first('lever-platform', { gains: 'present' })).toEqual(expect.arrayContaining(['too-much-oil'])));
  it('a longcase never has a mainspring', () =>
    expect(diagnose(familyById('longcase').traits, { dead: 'present' }).map((r) => r.cause.id)).not.toContain('broken-mainspring'));
  it('stopping always at one place is a tooth before a pivot', () =>
    expect(first('fusee', { 'stops-place': 'present' })[0]).toBe('bent-tooth'));
  it('a dead clock has no swing to speak of: an old answer about it changes nothing', () => {
    const traits = familyById('mantel-barrels').traits;
    expect(diagnose(traits, { dead: 'present', 'small-swing': 'absent' })[0]!.probability)
      .toBe(diagnose(traits, { dead: 'present' })[0]!.probability);
  });
  it('gives reasons on both sides', () => {
    const ranked = diagnose(familyById('mantel-barrels').traits, { 'stops-hours': 'present', 'uneven-beat': 'absent' });
    const beat = ranked.find((r) => r.cause.id === 'out-of-beat')!;
    expect(beat.reasons.map((r) => r.speaks).sort()).toEqual(['against', 'for']);
  });
});

// Facts of probability, and of the trade: several faults at once are normal.
describe('several causes at once', () => {
  const { traits } = familyById('mantel-barrels');
  const p = (seen: Parameters<typeof diagnose>[1], id: string) => diagnose(traits, seen).find((r) => r.cause.id === id)!.probability;

  it('come out together when the evidence wants them', () => {
    const both = { 'stops-place': 'present', 'uneven-beat': 'present', 'bench-not-case': 'present' } as const;
    expect(p(both, 'bent-tooth')).toBeGreaterThan(0.5);
    expect(p(both, 'not-level')).toBeGreaterThan(0.5);
  });
  it('leave one another alone when nothing joins them', () => {
    const before = p({ 'stops-place': 'present' }, 'bent-tooth');
    expect(p({ 'stops-place': 'present', 'uneven-beat': 'present' }, 'bent-tooth')).toBeCloseTo(before, 9);
  });
  it('explain one another away', () => {
    const alone = p({ 'stops-hours': 'present' }, 'gummed-mainspring');
    expect(p({ 'stops-hours': 'present', 'uneven-beat': 'present' }, 'gummed-mainspring')).toBeLessThan(alone);
  });
  it('stay at their prior while nothing was observed', () => {
    for (const { cause, probability } of diagnose(traits, {})) expect(probability).toBeCloseTo({ common: 0.15, usual: 0.05, rare: 0.01 }[cause.prior], 12);
  });
  it('rise with what they show and fall when it was looked for and is not there', () => {
    for (const { cause } of diagnose(traits, {})) {
      const [symptom] = Object.keys(cause.shows).filter((s) => symptomsFor(traits).includes(s as never)) as (keyof typeof cause.shows)[];
      if (!symptom || (cause.id === 'too-much-oil' && (symptom === 'gains' || symptom === 'loses'))) continue;
      expect(p({ [symptom]: 'present' }, cause.id), `${cause.id} by ${symptom}`).toBeGreaterThan(p({}, cause.id));
      expect(p({ [symptom]: 'absent' }, cause.id), `${cause.id} without ${symptom}`).toBeLessThan(p({}, cause.id));
    }
  });
});
