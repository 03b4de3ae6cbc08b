import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import { causeOf, diagnose, experienceOf, type OwnCause, type SignedVisit } from './index.ts';

const { traits } = familyById('fusee');
const visit = (
  found: string[],
  seen: SignedVisit['seen'] = { 'stops-hours': 'present' },
  clear: string[] = [],
): SignedVisit => ({ traits, found, clear, seen });
const chance = (id: string, visits: SignedVisit[]) =>
  diagnose(traits, { 'stops-hours': 'present' }, {}, 0, { causes: [], experience: experienceOf(visits) }).ranked.find(
    (r) => r.instance.id === id,
  )!;

describe('the shop’s own signed visits', () => {
  const fifteen = [
    ...Array.from({ length: 12 }, () => visit(['worn-hole.going'])),
    ...Array.from({ length: 3 }, () => visit(['worn-hole.going'], { 'stops-hours': 'absent' })),
  ];
  it('are counted, and said as they are', () => {
    const { shows, found } = experienceOf([...fifteen, visit(['crutch-loop'])])['worn-hole.going']!;
    expect(shows['stops-hours']).toMatchObject({ times: 12, of: 15 });
    expect(found).toEqual({ times: 15, of: 15 });
    const looked = experienceOf([...fifteen, visit(['crutch-loop'], {}, ['worn-hole.going'])])['worn-hole.going']!;
    expect(looked.found).toEqual({ times: 15, of: 16 });
    expect(
      chance('worn-hole.going', fifteen)
        .reasons.map((r) => r.text)
        .join(),
    ).toContain('(12 of your last 15)');
  });
  it('sharpen the numbers, the more of them the more, and are gone when they are left out', () => {
    const none = chance('worn-hole.going', []).probability;
    const few = chance('worn-hole.going', fifteen.slice(0, 3)).probability;
    const many = chance('worn-hole.going', fifteen).probability;
    expect(few).toBeGreaterThan(none);
    expect(many).toBeGreaterThan(few);
    expect(chance('gummed-mainspring.going', fifteen).probability).toBeLessThan(
      chance('gummed-mainspring.going', []).probability,
    );
  });
  it('weigh as a Beta distribution does', () => {
    // Published: mean of Beta(a + k, b + n - k). Starting value 0.15 worth 20 clocks, 15 found in 15: (3 + 15) / 35.
    const seen = diagnose(traits, {}, {}, 0, { causes: [], experience: experienceOf(fifteen) }).ranked.find(
      (r) => r.instance.id === 'worn-hole.going',
    )!;
    expect(seen.probability).toBeCloseTo(18 / 35, 9);
  });
  // A cause that nobody looked for is unknown: fifteen visits that found another do not make it rarer.
  it('do not take what nobody looked for as absent', () => {
    const of = (visits: SignedVisit[]) =>
      diagnose(traits, {}, {}, 0, { causes: [], experience: experienceOf(visits) }).ranked.find(
        (r) => r.instance.id === 'loose-case',
      )!.probability;
    expect(of(fifteen)).toBeGreaterThan(0.9 * of([]));
    expect(of(fifteen.map((v) => ({ ...v, clear: ['loose-case'] })))).toBeLessThan(0.75 * of([]));
  });
  // Two causes found in one visit: what it showed is shared by how likely each is to have shown it.
  it('share a symptom among the causes that were found together', () => {
    const one = experienceOf([visit(['worn-hole.going'])])['worn-hole.going']!.shows['stops-hours']!;
    const two = experienceOf([visit(['worn-hole.going', 'out-of-beat'])])['worn-hole.going']!.shows['stops-hours']!;
    expect(one.blamed).toBeGreaterThan(0.95);
    expect(two.blamed).toBeLessThan(0.5);
  });
  it('say nothing where no cause was confirmed', () => expect(experienceOf([visit([])])).toEqual({}));
});

describe('a cause that the shop adds', () => {
  const own: OwnCause = {
    id: 'own-magnet',
    name: 'Magnetised crutch',
    prior: 'common',
    oscillators: ['pendulum'],
    fittings: ['crutch'],
    trains: [],
    shows: { 'rate-wanders': 'H' },
    look: { what: 'Hold a compass to it', minutes: 1, level: 0 },
    remedy: 'Demagnetise',
  };
  it('is reckoned with like the others, on movements that can have it', () => {
    const first = diagnose(traits, { 'rate-wanders': 'present' }, {}, 0, { causes: [causeOf(own)], experience: {} });
    expect(first.looks.some((l) => l.instance.id === 'own-magnet')).toBe(true);
    expect(first.ranked.find((r) => r.instance.id === 'own-magnet')!.probability).toBeGreaterThan(0.15);
    expect(
      diagnose(familyById('lever-platform').traits, { 'rate-wanders': 'present' }, {}, 0, {
        causes: [causeOf(own)],
        experience: {},
      }).ranked.some((r) => r.instance.id === 'own-magnet'),
    ).toBe(false);
  });
  it('is refused when it shows nothing, or takes the name of one in the table', () => {
    expect(() => causeOf({ ...own, shows: {} })).toThrow(/at least one symptom/);
    expect(() => causeOf({ ...own, id: 'worn-hole' })).toThrow(/begins with own-/);
  });
});
