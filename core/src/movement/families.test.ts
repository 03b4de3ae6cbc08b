import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from './families.ts';
import { holesOf, isWeight, sourceName, storedSources } from './traits.ts';

const count = (family: string, train: string) =>
  familyById(family).traits.trains.find((t) => t.purpose === train)?.arbors.length;

describe('families fill in traits', () => {
  // Common practice: an eight-day spring going train has five wheels below the pallets, an eight-day weight train four.
  it('gives the usual arbors', () => {
    expect(count('mantel-barrels', 'going')).toBe(6);
    expect(count('longcase', 'going')).toBe(5);
    expect(count('longcase', 'strike')).toBe(5);
    expect(count('quarter-chime', 'chime')).toBe(7);
    expect(count('fusee', 'strike')).toBeUndefined();
  });

  // Facts of the trade: bells at sea have a train and a spring of their own; a clock that goes a month has one arbor
  // more than one of eight days; three weights drive three trains, and nothing in it is a spring.
  it('gives what is special to each', () => {
    const of = (id: string) => familyById(id).traits;
    expect(storedSources(of('ships-bells')).map((s) => s.id)).toEqual(['going', 'strike']);
    expect(count('month-wall', 'going')).toBe(count('mantel-barrels', 'going')! + 1);
    expect(of('month-wall').windHours! / 24).toBeGreaterThanOrEqual(30);
    expect(of('three-weights').sources.map((s) => isWeight(s.kind))).toEqual([true, true, true]);
    expect(storedSources(of('travelling-strike'))).toHaveLength(3);
    expect(of('fusee-balance').sources.filter((s) => s.kind === 'fusee spring')).toHaveLength(2);
  });

  it('names each hole once, front and back', () => {
    for (const { traits } of FAMILIES) {
      const keys = holesOf(traits).map((h) => h.key);
      expect(new Set(keys).size).toBe(keys.length);
      expect(keys.filter((k) => k.endsWith('.back'))).toHaveLength(keys.length / 2);
    }
  });

  it('asks for a power state only where power is stored', () => {
    expect(storedSources(familyById('synchronous').traits)).toHaveLength(0);
    expect(storedSources(familyById('quarter-chime').traits)).toHaveLength(3);
    // Fact of the trade: a thirty-hour longcase hangs one weight for both trains.
    const { traits } = familyById('longcase-30-hour');
    expect(storedSources(traits).map((s) => sourceName(traits, s))).toEqual(['going and strike']);
    expect(() => familyById('nothing')).toThrow(RangeError);
  });
});
