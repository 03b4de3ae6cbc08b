import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from './families.ts';
import { holesOf, isWeight, poweredTrains } from './traits.ts';

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

  // Facts of the trade: bells at sea have a train and a spring of their own; a clock that goes a month has one arbor
  // more than one of eight days; three weights drive three trains, and nothing in it is a spring.
  it('gives what is special to each', () => {
    const of = (id: string) => familyById(id).traits;
    expect(poweredTrains(of('ships-bells')).map((t) => t.train)).toEqual(['going', 'strike']);
    expect(count('month-wall', 'going')).toBe(count('mantel-barrels', 'going')! + 1);
    expect(of('month-wall').windHours! / 24).toBeGreaterThanOrEqual(30);
    expect(of('three-weights').trains.map((t) => isWeight(t.drive))).toEqual([true, true, true]);
    expect(poweredTrains(of('travelling-strike'))).toHaveLength(3);
    expect(of('fusee-balance').trains.filter((t) => t.drive === 'fusee spring')).toHaveLength(2);
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
