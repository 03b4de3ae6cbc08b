import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById, holesOf } from '../movement/index.ts';
import { oilChart, pointOfPivot } from './chart.ts';

const grade = (family: string, point: string) => oilChart(familyById(family).traits).find((p) => p.id === point)?.grade;

// Common practice: what stays dry, and what each kind needs that the others do not.
describe('the oil chart', () => {
  it('keeps dry what must stay dry', () => {
    for (const { traits } of FAMILIES) expect(oilChart(traits).find((p) => p.id === 'teeth')?.grade).toBe('none');
    expect(grade('lever-platform', 'hairspring')).toBe('none');
    expect(grade('lever-platform', 'lever-pivots')).toBe('none');
    expect(grade('mantel-barrels', 'rack')).toBe('none');
    expect(grade('electric-master', 'contacts')).toBe('none');
    expect(grade('longcase', 'suspension')).toBe('none');
  });
  it('follows the traits and offers nothing that is not there', () => {
    expect(grade('mantel-barrels', 'mainspring-barrel')).toBe('grease');
    expect(grade('shelf-open-springs', 'mainspring-open')).toBe('heavy');
    expect(grade('shelf-open-springs', 'mainspring-barrel')).toBeUndefined();
    expect(grade('longcase', 'mainspring-open')).toBeUndefined();
    expect(grade('longcase', 'hairspring')).toBeUndefined();
    expect(grade('riveted-alarm', 'cone-pivots')).toBe('fine');
    expect(grade('synchronous', 'pallet-faces')).toBeUndefined();
    expect(grade('synchronous', 'motor-bushes')).toBe('clock');
    expect(grade('torsion', 'hammer-lift')).toBeUndefined();
  });
});

describe('the chart under house rules', () => {
  const at = (id: string, rules: Record<string, string>) =>
    oilChart(familyById('mantel-barrels').traits, rules).find((p) => p.id === id)!.grade;
  // Practice: rack and teeth dry, grease in a barrel; other schools oil them.
  it('follows the school that holds, and has the same points under every one', () => {
    expect([at('rack', {}), at('teeth', {}), at('mainspring-barrel', {})]).toEqual(['none', 'none', 'grease']);
    expect([
      at('rack', { rack: 'trace' }),
      at('teeth', { teeth: 'oiled' }),
      at('mainspring-barrel', { 'spring-grease': 'oil' }),
    ]).toEqual(['fine', 'clock', 'heavy']);
    const ids = (rules: Record<string, string>) => oilChart(familyById('fusee').traits, rules).map((p) => p.id);
    expect(ids({ chains: 'dry', teeth: 'greased' })).toEqual(ids({}));
  });
});

it('every pivot of every family has its point', () => {
  for (const { id, traits } of FAMILIES) {
    const chart = oilChart(traits);
    for (const { arbor, train } of holesOf(traits))
      expect(pointOfPivot(chart, arbor.class, train.purpose)?.id ?? 'none', `${id} ${arbor.id}`).not.toBe('none');
  }
  // Practice: no pool at a lever in jewels; steel pivots in brass want their oil; an alarm's pallets are its hammer.
  expect([grade('lever-platform', 'lever-pivots'), grade('riveted-alarm', 'pin-lever-pivots')]).toEqual([
    'none',
    'fine',
  ]);
  expect(pointOfPivot(oilChart(familyById('shelf-alarm').traits), 'pallet', 'alarm')?.id).toBe('alarm-hammer');
  expect(grade('lever-platform', 'impulse-pin')).toBe('none');
  expect(grade('quarter-chime', 'drum-pivots')).toBe('clock');
  expect(grade('shelf-rack', 'warning-faces')).toBe('grease');
});
