import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById, holesOf } from '../movement/index.ts';
import {
  pairsTouched,
  partAsks,
  partCanBe,
  partsToSurvey,
  PART_KINDS,
  pivotKey,
  turnedDownMm,
  turningProblem,
} from './index.ts';

const keys = (id: string) => partsToSurvey(familyById(id).traits).map((p) => p.key);

// Common practice: beside the holes one looks at pivots, trundles, teeth, clicks, pins, pallets, crutch, suspension,
// levers, fly, chain.
describe('what is looked at beside the holes', () => {
  it('follows the traits', () => {
    expect(keys('shelf-open-springs')).toEqual(
      expect.arrayContaining([
        'trundles.going',
        'click.strike',
        'pallets',
        'crutch',
        'suspension',
        'fly.strike',
        'levers.strike',
      ]),
    );
    expect(keys('longcase')).toEqual(expect.arrayContaining(['chain.going', 'click.going']));
    expect(keys('longcase')).not.toContain('trundles.going');
    expect(keys('lever-platform')).toContain('balance');
    expect(keys('lever-platform')).not.toContain('crutch');
  });
  it('has each once, a pivot for every hole, and a first state that asks for nothing', () => {
    for (const { traits } of FAMILIES) {
      const all = partsToSurvey(traits);
      expect(new Set(all.map((p) => p.key)).size).toBe(all.length);
      expect(all.filter((p) => p.kind === 'pivot')).toHaveLength(holesOf(traits).length);
    }
    for (const [kind, { states }] of Object.entries(PART_KINDS))
      expect(partAsks(kind as 'pivot', states[0][0]), kind).toBe('');
    expect([
      partAsks('trundles', 'grooved'),
      partAsks('trundles', 'grooved', { 'worn-pins': 'leave' }),
      partAsks('trundles', 'broken', { 'worn-pins': 'leave' }),
    ]).toEqual(['renew', '', 'renew']);
    expect([partCanBe('pallets', 'grooved'), partCanBe('pallets', 'frayed or rusty')]).toEqual([true, false]);
  });
  it('asks for the depth of the pairs that a bush touched, and of no others', () => {
    const { traits } = familyById('fusee');
    expect(pairsTouched(traits, new Set(['T3.front'])).map((p) => p.key)).toEqual(['depth.T2-T3', 'depth.T3-T4']);
    expect(
      pairsTouched(traits, new Set([traits.trains[0]!.arbors.find((a) => a.class === 'pallet')!.id + '.back'])),
    ).toEqual([]);
    expect(pairsTouched(traits, new Set())).toEqual([]);
  });
  it('knows a pivot that was turned down, and one that would be too thin', () => {
    const parts = [
      { key: pivotKey('T2.front'), toMm: 1.1 },
      { key: pivotKey('T2.back'), toMm: null },
    ];
    expect([turnedDownMm(parts, 'T2.front'), turnedDownMm(parts, 'T2.back'), turnedDownMm(parts, 'T3.back')]).toEqual([
      1.1,
      null,
      null,
    ]);
    expect(turningProblem(1.3, 1.1)).toBeNull();
    expect(turningProblem(1.3, 1.3)).toContain('less');
    expect(turningProblem(1.3, 0.8)).toContain('repivot');
  });
});
