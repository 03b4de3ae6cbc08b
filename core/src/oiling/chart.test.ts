import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { oilChart } from './chart.ts';

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
