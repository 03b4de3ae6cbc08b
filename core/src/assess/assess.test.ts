import { judgeAmplitude } from '../sound/index.ts';
import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { AREAS, mayMeasure, vocabulary, walkOf, weighMeasurement } from './index.ts';

const { traits: carriage } = familyById('lever-platform');

describe('the walk', () => {
  it('goes in order, names each place once, and has words for each', () => {
    for (const { traits } of FAMILIES) {
      const walk = walkOf(traits);
      expect(new Set(walk.map((p) => p.place)).size).toBe(walk.length);
      const order = walk.map((p) => AREAS.indexOf(p.area));
      expect(order).toEqual([...order].sort((a, b) => a - b));
      for (const p of walk) expect(vocabulary(p.area).length).toBeGreaterThan(3);
    }
  });
  it('leaves out what the clock does not have', () => {
    const places = walkOf(familyById('torsion').traits).map((p) => p.place);
    expect(places).toContain('dome');
    expect(places).not.toContain('strike work');
    expect(walkOf(familyById('quarter-chime').traits).map((p) => p.place)).toContain('chime train, warning wheel');
    expect(walkOf(familyById('synchronous').traits).filter((p) => p.area === 'Escapement')).toEqual([]);
  });
});

describe('a measurement is worth what its way of measuring is', () => {
  // From memory of practice: a healthy lever clock swings 220 to 300 degrees, knocks from 320; by sound, film and eye
  // it is known to 5, 10 and 30.
  it.each([
    [290, 'by sound', true],
    [290, 'slow-motion film', true],
    [240, 'by sound', true],
    [262, 'by eye', true],
    [290, 'by eye', null],
    [240, 'by eye', null],
    [200, 'by sound', false],
    [150, 'by eye', false],
    [150, 'by sound', false],
    [350, 'by sound', false],
  ] as const)('amplitude %d %s', (value, how, good) =>
    expect(weighMeasurement(carriage, 'amplitude', value, how).good).toBe(good),
  );
  it('says half the swing is a fault, and a regulator held at its end is another fault’s sign', () => {
    expect(weighMeasurement(carriage, 'amplitude', 140, 'slow-motion film').text).toContain('a fault');
    expect(weighMeasurement(carriage, 'regulator', 3, 'read off the index').text).toContain('another fault');
    // By eye nobody can say; at its stop anybody can.
    expect(weighMeasurement(carriage, 'regulator', 0, 'by eye').good).toBeNull();
    expect(weighMeasurement(carriage, 'regulator', 0, 'at its stop (0 or 100)').good).toBe(false);
    expect(weighMeasurement(carriage, 'regulator', 100, 'at its stop (0 or 100)').text).toContain('fast end');
    expect(() => weighMeasurement(carriage, 'regulator', 50, 'at its stop (0 or 100)')).toThrow('0 or 100');
  });
  it('says of an amplitude what the bench of the sound says; of an escapement without a range nothing', () => {
    for (let a = 130; a <= 340; a += 5) {
      const seen = weighMeasurement(carriage, 'amplitude', a, 'by sound');
      if (seen.good !== null) expect(seen.text, String(a)).toContain(judgeAmplitude(a, 'lever'));
    }
    const cylinder = { ...carriage, escapement: 'cylinder' as const };
    expect(weighMeasurement(cylinder, 'amplitude', 200, 'by sound').good).toBeNull();
  });
  it('knows doubt as a share too', () =>
    expect(
      weighMeasurement(familyById('electric-master').traits, 'coil', 110, 'meter, in its circuit').within,
    ).toBeCloseTo(22));
  it('refuses what it cannot be', () => {
    expect(() => weighMeasurement(carriage, 'amplitude', 900, 'by eye')).toThrow(RangeError);
    // 30° is half of what a pendulum could never swing: it has no such figure.
    expect(() => mayMeasure(familyById('longcase').traits, 'amplitude')).toThrow(RangeError);
    expect(() => mayMeasure(carriage, 'amplitude')).not.toThrow();
    expect(() => weighMeasurement(carriage, 'amplitude', 290, 'guessed')).toThrow(/how it was measured/);
  });
});
