import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from './families.ts';
import { holesOf, poweredTrains } from './traits.ts';

const count = (family: string, train: string) =>
  familyById(family).traits.trains.find((t) => t.train === train)?.arbors.length;

describe('families fill in traits', () => {
  // Common practice: an eight-day spring going train has five wheels below the pallets, an eight-day weight train four.
  it('gives the usual arbors', () => {
    expect(count('mantel-barrels', 'going')).toBe(6);
    expect(count('longcase', 'going')).toBe(5);
    expect(count('longcase', 'strike')).toBe(5);
    expect(count('quarter-chime', 'chime')).toBe(7);
    expect(count('fusee', 'strike')).toBeUndefined();
  });

  it('names each hole once, front and back', () => {
    for (const { traits } of FAMILIES) {
      const keys = holesOf(traits).map((h) => h.key);
      expect(new Set(keys).size).toBe(keys.length);
      expect(keys.filter((k) => k.endsWith('.back'))).toHaveLength(keys.length / 2);
    }
  });

  it('asks for a power state only where power is stored', () => {
    expect(poweredTrains(familyById('synchronous').traits)).toHaveLength(0);
    expect(poweredTrains(familyById('quarter-chime').traits).map((t) => t.train)).toEqual(['going', 'strike', 'chime']);
    expect(() => familyById('nothing')).toThrow(RangeError);
  });
});
