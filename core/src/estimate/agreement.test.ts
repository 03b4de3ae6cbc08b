import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import {
  hoursOf,
  priceAccepted,
  priceOfRoute,
  priceRange,
  proposedLines,
  unanswered,
  type AgreedLine,
} from './index.ts';

const line = (what: string, change: Partial<AgreedLine> = {}): AgreedLine => ({
  kind: 'labour',
  what,
  quantity: '1',
  price: '50.00',
  routes: [],
  optional: false,
  state: null,
  ...change,
});
const tax = { taxPercent: '20', pricesIncludeTax: false };
const LINES = [
  line('look and cure', { quantity: '2', state: 'accepted' }),
  line('overhaul', { quantity: '6,5', routes: ['overhaul'] }),
  line('new movement', { kind: 'part', price: '210.00', routes: ['replace'] }),
  line('polish', { optional: true, quantity: '3', routes: ['overhaul'], state: 'ask later' }),
  line('glass', { kind: 'outside work', price: '80.00', state: 'declined' }),
];

describe('what an estimate comes to', () => {
  // Worked by hand: 2 h at 50 is 100; 6.5 h more is 425; with the polish 575; the other way 310. A fifth of tax on top.
  it.each([
    ['cure', '120.00', '120.00'],
    ['overhaul', '510.00', '690.00'],
    ['replace', '372.00', '372.00'],
  ] as const)('%s: %s, with options %s', (route, without, withOptions) => {
    const p = priceOfRoute(LINES, route, tax);
    expect([p.without.gross, p.withOptions.gross]).toEqual([without, withOptions]);
  });
  it('says from what to what', () =>
    expect(priceRange(LINES, ['overhaul', 'cure', 'replace'], tax)).toEqual(['120.00', '510.00']));
  it('counts only the accepted as agreed', () => expect(priceAccepted(LINES, 'overhaul', tax).gross).toBe('120.00'));
  it('waits for the lines of the chosen way only, and for those to be asked again', () => {
    expect(unanswered(LINES, 'overhaul').map((l) => l.what)).toEqual(['overhaul', 'polish']);
    expect(unanswered(LINES, 'cure')).toEqual([]);
  });
  it('adds the hours of what is not declined, of the longest way while none is chosen', () => {
    expect(hoursOf(LINES, 'overhaul')).toBe(11.5);
    expect(hoursOf(LINES, null)).toBe(11.5);
    const short = line('a second look', { quantity: '1', routes: ['cure'] });
    expect(hoursOf([...LINES, short], null)).toBe(11.5);
  });
});

describe('lines offered', () => {
  const { traits } = familyById('fusee');
  const finding = { id: 'f1', place: 'suspension', proposal: 'Replace', hours: 0.5 };
  const holes = [
    { key: 'T1.front', verdict: 'bush' },
    { key: 'T2.back', verdict: 'bush' },
    { key: 'T3.back', verdict: 'sound' },
  ];
  it('come from findings and from the survey, by plate', () => {
    const [a, b] = proposedLines(
      traits,
      [finding, { id: 'f2', place: 'case', proposal: '', hours: null }],
      holes,
      [],
      [],
    );
    expect(a).toMatchObject({ what: 'Replace (suspension)', quantity: '0.5', findingId: 'f1' });
    expect(b).toMatchObject({ what: '2 bushes: 1 front, 1 back', quantity: '0.8', fromSurvey: true });
  });
  it('come from the parts that want work, once', () => {
    const looked = [
      { key: 'pallets', state: 'grooved', note: 'entry deeper' },
      { key: 'crutch', state: 'sound', note: '' },
    ];
    const [line] = proposedLines(traits, [], [], looked, []);
    expect(line).toMatchObject({ what: 'Pallets, grooved: move over or resurface (entry deeper)', quantity: '' });
    expect(proposedLines(traits, [], [], looked, [{ ...line!, quantity: '1' }])).toEqual([]);
  });
  it('are not offered twice, and a hole found later is a line of its own', () => {
    const standing = [
      { findingId: 'f1', fromSurvey: false, quantity: '0.5', what: 'x' },
      { findingId: null, fromSurvey: true, quantity: '0.8', what: 'y' },
    ];
    expect(proposedLines(traits, [finding], holes, [], standing)).toEqual([]);
    const more = proposedLines(traits, [finding], [...holes, { key: 'T4.back', verdict: 'bush' }], [], standing);
    expect(more).toMatchObject([{ what: '1 bush, found since: now 1 front, 2 back', quantity: '0.4' }]);
    const wide = ['T2.front', 'T3.back', 'S3.back'].map((key) => ({ key, verdict: 'bush' }));
    const [both] = proposedLines(familyById('mantel-barrels').traits, [], wide, [], []);
    expect(both!.what).toBe('3 bushes: going 1 front, 1 back; strike 1 back');
  });
});

describe('a repairer’s bill by hand', () => {
  // Practice: prices that hold the tax are offered whole, and the tax in them is a part of the sum, not on top.
  it('holds the tax where prices do', () => {
    const p = priceOfRoute(LINES, 'cure', { taxPercent: '20', pricesIncludeTax: true });
    expect([p.without.net, p.without.tax, p.without.gross]).toEqual(['83.33', '16.67', '100.00']);
  });
  it('counts an optional line once it is accepted, and never a declined one', () => {
    const accepted = LINES.map((l) => (l.what === 'polish' ? { ...l, state: 'accepted' as const } : l));
    expect(priceOfRoute(accepted, 'overhaul', tax).without.gross).toBe('690.00');
    expect(priceAccepted(accepted, 'overhaul', tax).gross).toBe('300.00');
    expect(priceAccepted(accepted, 'cure', tax).gross).toBe('120.00');
  });
});
