import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { accountOf, bySubAssembly, backwards, comesOff, placesFor, staysWhole, whereIs, type Step } from './index.ts';

const step = (what: string, place: string, change: Partial<Step> = {}): Step => ({
  id: what,
  what,
  place,
  pass: 1,
  fate: 'apart',
  note: '',
  fateNote: '',
  ...change,
});
const STEPS = [
  step('hands', 'tub 1'),
  step('strike third wheel', 'strike rack'),
  step('going third wheel', 'going rack'),
  step('screw of the back cock', 'mesh cage', { note: 'longer one' }),
];

describe('the strip log', () => {
  it.each([
    ['where is the strike third wheel?', 'strike rack'],
    ['strike thi', 'strike rack'],
    ['back cock', 'mesh cage'],
    ['longer', 'mesh cage'],
  ])('answers “%s” with the place', (asked, place) => expect(whereIs(STEPS, asked)[0]!.place).toBe(place));
  it('answers with the latest, when a thing came off twice, and with nothing when it did not', () => {
    expect(whereIs([...STEPS, step('hands', 'tub 3', { pass: 2 })], 'hands').map((s) => s.place)).toEqual([
      'tub 3',
      'tub 1',
    ]);
    expect(whereIs(STEPS, 'moon')).toEqual([]);
    expect(whereIs(STEPS, 'where is the')).toEqual([]);
  });
  it('is the order of assembly backwards', () =>
    expect(backwards(STEPS).map((s) => s.what)).toEqual([
      'screw of the back cock',
      'going third wheel',
      'strike third wheel',
      'hands',
    ]));
  it('is grouped by what belongs together, the rest last', () => {
    const of = (what: string, group: string) => ({ what, group });
    expect(
      bySubAssembly([
        of('hands', ''),
        of('lever', 'strike levers'),
        of('post', 'case'),
        of('spring', 'strike levers'),
      ]).map(([g, s]) => [g, s.map((x) => x.what)]),
    ).toEqual([
      ['strike levers', ['lever', 'spring']],
      ['case', ['post']],
      ['', ['hands']],
    ]);
  });
  it('accounts for every thing that came off', () => {
    const account = accountOf([...STEPS.slice(0, 3), { ...STEPS[3]!, fate: 'on again' }]);
    expect(account).toMatchObject({ off: 4, answered: 1 });
    expect(account.open.map((s) => s.what)).toEqual(['hands', 'strike third wheel', 'going third wheel']);
  });
});

describe('what is offered', () => {
  it('follows the construction: a riveted movement keeps its trains', () => {
    const riveted = familyById('riveted-alarm').traits;
    expect(staysWhole(riveted)).toContain('does not come apart');
    expect(comesOff(riveted)).not.toContain('front plate');
    expect(comesOff(riveted)).toContain('balance');
    expect(comesOff(familyById('mantel-barrels').traits)).toEqual(
      expect.arrayContaining(['front plate', 'strike warning wheel', 'going mainspring']),
    );
    const barrels = familyById('mantel-barrels').traits;
    expect(comesOff(barrels, { mainspring: 'leave' })).not.toContain('going mainspring');
    expect(comesOff(barrels, { strip: 'whole' })).not.toContain('front plate');
    // Practice: a count wheel has no rack; weights come off first of all.
    const open = familyById('shelf-open-springs').traits;
    expect(comesOff(open).filter((w) => /rack|count wheel/.test(w))).toEqual(['count wheel and levers']);
    expect(comesOff(familyById('longcase').traits)[0]).toBe('weights');
    expect(comesOff(barrels)).not.toContain('weights');
    for (const { traits } of FAMILIES) expect(new Set(comesOff(traits)).size).toBe(comesOff(traits).length);
  });
  it('keeps trains apart', () =>
    expect(placesFor(familyById('quarter-chime').traits)).toEqual(
      expect.arrayContaining(['going rack', 'strike rack', 'chime rack', 'mesh cage']),
    ));
});
