import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closedTogether, jumpersIn, outputsOf, sayOutputs, type TableTest, type Values } from './index.ts';

const entry = (kind: TableTest['kind'], values: Values): TableTest => ({ kind, values });
const output = (terminal: string, more: Values = {}) => entry('output', { terminal, does: 'makes', ...more });
const verdict = (terminal: string, where: string, is: string) => entry('contact verdict', { terminal, where, is });
const says = (...tests: TableTest[]) => sayOutputs(tests).map((s) => `${s.what}: ${s.says}`);
const goodOf = (what: string, ...tests: TableTest[]) => sayOutputs(tests).find((s) => s.what === what)?.good;

describe('outputs of a master', () => {
  it('are closed together where a turn, stepped through degree by degree, has both closed', () => {
    const closes = fc.record({ from: fc.integer({ min: 0, max: 359 }), span: fc.integer({ min: 1, max: 359 }) });
    const isClosed = ({ from, span }: { from: number; span: number }, deg: number) => (deg - from + 360) % 360 < span;
    fc.assert(
      fc.property(closes, closes, (a, b) => {
        const both = Array.from({ length: 360 }, (_, deg) => deg).filter((deg) => isClosed(a, deg) && isClosed(b, deg));
        expect(closedTogether(a, b)).toBe(both.length);
      }),
      { numRuns: 300, seed: 7 },
    );
  });

  it('close over the end of the turn, and their dwell follows from it', () => {
    // By hand: 20° of a turn of 30 s are 1.67 s.
    const over = { from: 350, to: 10, turn: 30 };
    expect(outputsOf([output('3', over)])[0]!.closes).toEqual({ from: 350, span: 20 });
    expect(says(output('3', { ...over, dwell: 1.6 })).join()).toMatch(/20° of its turn are 1.7 s, and so it is held/);
    expect(says(output('3', { ...over, dwell: 3.4 })).join()).toMatch(/bounces, drags, or another closes/);
    expect(goodOf('Terminal 3', output('3', { from: 90, to: 90 }))).toBe(true);
    expect(says(output('3', { from: 90, to: 90 })).join()).toMatch(/read its turn again/);
  });

  it('keep both verdicts, and the later leads', () => {
    const both = [output('3'), verdict('3', 'on the bench', 'bad'), verdict('3', 'in place', 'sound')];
    expect(says(...both)).toEqual(['Terminal 3: Makes; in place sound (on the bench: bad).']);
    expect(goodOf('Terminal 3', ...both)).toBe(true);
    expect(goodOf('Terminal 3', both[0]!, both[2]!, both[1]!)).toBe(false);
  });

  it('joined on one contact add up, on the contact and on the supply', () => {
    // Published: currents add, Kirchhoff’s first law.
    const joined = (carries: number | null, limit = 500) => [
      entry('return path', { pole: 'a terminal of its own', limit }),
      output('5', { draws: 90, carries }),
      output('6', { does: 'broken', draws: 120, with: '5' }),
    ];
    expect(says(...joined(300)).join()).toMatch(/5 and 6: Joined they draw 210 mA; its contact carries 300/);
    expect(goodOf('5 and 6', ...joined(200))).toBe(false);
    expect(says(...joined(300, 200)).join()).toMatch(/supply is limited to 200/);
    expect(goodOf('5 and 6', ...joined(null))).toBeNull();
    // A broken one that was decided upon is known; nobody is told to find it again.
    expect(goodOf('Terminal 6', ...joined(300))).toBe(false);
    const decided = entry('contact chosen', { terminal: '6', is: 'fed by another', why: 'out of scope' });
    expect(goodOf('Terminal 6', ...joined(300), decided)).toBeNull();
    // Nobody hangs two bells on a contact that was found bad.
    expect(goodOf('5 and 6', ...joined(300), verdict('5', 'in place', 'bad'))).toBe(false);
  });

  it('have no jumper left in, whichever was tried last', () => {
    const jumper = (is: string) => entry('jumper', { from: '5', to: '7', is, counted: 4, belong: 2 });
    expect(jumpersIn([jumper('in')])).toEqual(['5 to 7']);
    expect(jumpersIn([jumper('in'), jumper('out again')])).toEqual([]);
    expect(jumpersIn([jumper('in'), jumper('out again'), jumper('in')])).toHaveLength(1);
    expect(says(jumper('out again')).join()).toMatch(/Tried, and out again. It winds too often with it, 4 where 2/);
  });

  it('are measured against the frame only where it is the way back', () => {
    const path = (pole: string, frameOhms: number | null) =>
      goodOf('Return path', entry('return path', { pole, frameOhms }));
    expect(path('the frame', 0.3)).toBe(true);
    expect(path('the frame', 800)).toBe(false);
    expect(path('a terminal of its own', 0.3)).toBe(false);
    expect(path('not known', null)).toBeNull();
  });

  it('in a series loop want the volts of all of them', () => {
    const loop = (dials: number, volts: number | null) =>
      entry('series loop', { dials, ohms: 5, line: 3.4, wants: 220, volts });
    // By hand: (8 · 5 + 3.4) Ω · 0.22 A = 9.5 V.
    expect(says(loop(8, 9.6)).join()).toMatch(/9.5 V send 220 mA through all of it, and so it is/);
    expect(says(loop(8, 6)).join()).toMatch(/sends 138: dials will miss steps/);
    expect(says(loop(80, 24)).join()).toMatch(/more than bare hands may meet/);
  });
});
