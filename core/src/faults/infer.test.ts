import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { combinations } from './combos.ts';
import { posterior, type Look, type Network, type Observed } from './infer.ts';

/** Brute force: every combination of causes, every finding and look, straight from the definition of noisy-OR. */
function enumerate(net: Network, observed: readonly Observed[], looks: readonly (Look | null)[]) {
  const worlds = Array.from({ length: 1 << net.priors.length }, (_, world) => {
    const there = (c: number) => Boolean(world & (1 << c));
    let p = 1;
    net.priors.forEach((prior, c) => {
      p *= there(c) ? prior * (looks[c]?.there ?? 1) : (1 - prior) * (looks[c]?.notThere ?? 1);
    });
    observed.forEach((o, f) => {
      let absent = 1 - net.leaks[f]!;
      net.priors.forEach((_, c) => {
        if (there(c)) absent *= 1 - net.likelihoods[c]![f]!;
      });
      if (o !== 'unknown') p *= o === 'absent' ? absent : 1 - absent;
    });
    return p;
  });
  const total = worlds.reduce((a, b) => a + b, 0);
  return {
    marginals: net.priors.map((_, c) => worlds.reduce((s, p, w) => (w & (1 << c) ? s + p : s), 0) / total),
    of: (causes: readonly number[]) => {
      // Whatever cannot show any of what is present may be there or not.
      const open = net.priors.reduce(
        (m, _, c) => (observed.some((o, f) => o === 'present' && net.likelihoods[c]![f]! > 0) ? m : m | (1 << c)),
        0,
      );
      const mask = causes.reduce((m, c) => m | (1 << c), 0);
      return worlds.reduce((s, p, w) => ((w & ~open) === (mask & ~open) ? s + p : s), 0) / total;
    },
  };
}

const p = fc.double({ min: 0.005, max: 0.95, noNaN: true });
const network = (causes: number, findings: number) =>
  fc.tuple(fc.integer({ min: 1, max: causes }), fc.integer({ min: 1, max: findings })).chain(([c, f]) =>
    fc.record({
      net: fc.record({
        priors: fc.array(p, { minLength: c, maxLength: c }),
        likelihoods: fc.array(fc.array(fc.oneof(fc.constant(0), p), { minLength: f, maxLength: f }), {
          minLength: c,
          maxLength: c,
        }),
        leaks: fc.array(p, { minLength: f, maxLength: f }),
      }),
      observed: fc.array(fc.constantFrom<Observed>('present', 'absent', 'unknown'), { minLength: f, maxLength: f }),
      looks: fc.array(fc.option(fc.record({ there: p, notThere: p })), { minLength: c, maxLength: c }),
    }),
  );

describe('the reasoning', () => {
  it('equals full enumeration, looks included', () => {
    fc.assert(
      fc.property(network(9, 7), ({ net, observed, looks }) => {
        const want = enumerate(net, observed, looks);
        const got = posterior(net, observed, looks);
        got.marginals.forEach((m, c) => {
          expect(Math.abs(m - want.marginals[c]!)).toBeLessThan(1e-9);
        });
        for (const k of combinations(net, got, 6))
          expect(Math.abs(k.probability - want.of(k.causes))).toBeLessThan(1e-9);
      }),
      { numRuns: 60 },
    );
  });
  it('equals it with twelve causes and ten present findings too', () => {
    const net: Network = {
      priors: Array.from({ length: 12 }, (_, c) => 0.01 + 0.012 * c),
      likelihoods: Array.from({ length: 12 }, (_, c) =>
        Array.from({ length: 10 }, (_, f) => ((c * 7 + f * 5) % 9) / 10),
      ),
      leaks: Array(10).fill(0.015) as number[],
    };
    const observed = Array<Observed>(10).fill('present');
    const want = enumerate(net, observed, []);
    posterior(net, observed).marginals.forEach((m, c) => {
      expect(Math.abs(m - want.marginals[c]!)).toBeLessThan(1e-9);
    });
  });
  it('finds the likeliest state of a small movement, whatever else there is', () => {
    fc.assert(
      fc.property(network(6, 4), ({ net, observed, looks }) => {
        const want = enumerate(net, observed, looks);
        const best = combinations(net, posterior(net, observed, looks), 1)[0]!;
        for (let a = 0; a < net.priors.length; a++)
          for (let b = a; b < net.priors.length; b++)
            expect(want.of([...new Set([a, b])])).toBeLessThanOrEqual(best.probability + 1e-12);
      }),
      { numRuns: 40 },
    );
  });
  it('refuses more present findings than it can do exactly', () => {
    const n = 17;
    expect(() =>
      posterior(
        { priors: [0.1], likelihoods: [Array<number>(n).fill(0.5)], leaks: Array<number>(n).fill(0.1) },
        Array<Observed>(n).fill('present'),
      ),
    ).toThrow(RangeError);
  });
});
