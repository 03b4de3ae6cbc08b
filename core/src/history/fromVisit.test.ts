import { describe, expect, it } from 'vitest';
import { finishedVisit as visit, now } from '../visit/sample.ts';
import { recordTitle, serviceRecord } from './fromVisit.ts';

describe('the record of a visit', () => {
  const record = serviceRecord(visit, now, '', 'Next time the strike.');
  it('says what was done, in words that need no table', () => {
    expect(record.bushes[0]!.hole).toBe('T2 second wheel, back plate');
    // as long as it stayed, not as planned
    expect(record.cleaned).toEqual([{ bath: 'detergent', parts: ['plates'], minutes: 4 }]);
    expect(record.oiled).toEqual([
      { where: 'Wheel teeth and pinion leaves', grade: 'none' },
      { where: 'Crutch loop or fork', grade: 'fine', product: 'Clock oil', batch: '77-01' },
    ]);
    expect(record.test).toMatchObject({ days: 8, readings: 9, rateSecondsPerDay: 6, waived: null });
    expect(record.test.verdict).toContain('inside 2 min a week');
    expect(record.declined).toEqual(['Polish the case']);
    expect(record.electric).toEqual(['17 V, 154 mA: advances']);
    expect(record.looked).toEqual({ sound: 1, worn: [{ what: 'pallets', state: 'grooved', toMm: null, note: '' }] });
    expect(record.casework).toEqual([
      { place: 'case', what: 'Finish coat', product: 'shellac', times: 2, origin: '' },
      { place: 'glass', what: 'Glass cut and fitted', product: '', times: 1, origin: 'new, a guess' },
    ]);
    expect(record.parts[0]).toEqual({
      what: 'Suspension spring',
      source: 'donor movement M-ABC234',
      size: '0.1 × 6 × 22 mm, with brass ends',
      oldPart: 'scrapped',
    });
    expect(record.standRuns).toEqual([{ off: 'dial', watched: '', found: 'Even.', hours: 48 }]);
    expect(record.units![0]).toMatchObject({
      name: 'alarm',
      runs: [{ driven: 'by hand', found: 'Rings a minute.', hours: 6 }],
    });
    expect(record.note).toBe('Next time the strike.');
  });
  it('calls a point dry that was left dry, whatever the chart asks, and says why', () => {
    const dry = { point: 'crutch', at: '2031-05-02T09:00:00Z', product: '', batch: '', dry: true };
    const left = serviceRecord({ ...visit, oiled: [{ ...dry, differs: 'Its fork is leathered.' }] }, now);
    expect(left.oiled).toEqual([{ where: 'Crutch loop or fork', grade: 'none', otherwise: 'Its fork is leathered.' }]);
    expect(recordTitle({ shape: 'overhaul' }, left)).not.toContain('oiled');
    expect(recordTitle({ shape: 'overhaul' }, record)).toContain('oiled');
  });
  it('carries nothing of the owner', () => expect(JSON.stringify(record)).not.toMatch(/Tarrowby|0555/));
  it('says so when there was no test run', () => {
    expect(serviceRecord({ ...visit, testRun: null }, now, 'ornament only').test).toEqual({
      days: 0,
      readings: 0,
      rateSecondsPerDay: null,
      halfWidthSecondsPerDay: null,
      verdict: 'No test run.',
      waived: 'ornament only',
    });
  });
});
