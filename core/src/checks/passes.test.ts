import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { oilChart, oilHolding } from '../oiling/index.ts';
import { DEPTHS, depthSaid, stillHolds } from '../workflow/index.ts';
import { TOUCHED_FROM } from './checks.data.ts';
import { answersHolding, CHECK_PLACES, checksFor } from './index.ts';

const at = (minute: number) => new Date(Date.UTC(2031, 4, 2, 9, minute)).toISOString();
const passes = (depth: (typeof DEPTHS)[number], minute = 10) => [{ depth, at: at(minute) }];
const { traits } = familyById('mantel-barrels');
const checks = CHECK_PLACES.flatMap((p) => checksFor(traits, p));
const holdingAfter = (depth: (typeof DEPTHS)[number]) =>
  answersHolding(
    checks,
    checks.map((c) => ({ check: c.id, result: 'passed', at: at(1) })),
    passes(depth),
    [],
  ).holding.map((a) => a.check);

describe('a movement that comes apart again', () => {
  it('names only checks that some clock has', () => {
    const ids = new Set(FAMILIES.flatMap((f) => CHECK_PLACES.flatMap((p) => checksFor(f.traits, p).map((c) => c.id))));
    for (const extra of ['bellows', 'moon', 'calendar', 'repeater', 'f-repeater', 'f-moon', 'f-calendar', 'f-flag'])
      ids.add(extra);
    expect(Object.keys(TOUCHED_FROM).filter((id) => !ids.has(id))).toEqual([]);
  });

  // Common practice: end shake was felt between closed plates, and nothing under the dial changes it; the hands come
  // off for anything. A deeper pass never leaves standing what a shallower one upsets.
  it('is checked again as deep as it was opened, and deeper always includes shallower', () => {
    expect(holdingAfter('dial side')).toEqual(expect.arrayContaining(['end-shake', 'free-going', 'beat']));
    expect(holdingAfter('dial side')).not.toEqual(expect.arrayContaining(['rack']));
    expect(holdingAfter('hands and dial')).toContain('rack');
    expect(holdingAfter('hands and dial')).not.toContain('hands');
    expect(holdingAfter('escapement')).not.toContain('beat');
    expect(holdingAfter('plates')).not.toContain('end-shake');
    for (const [i, depth] of DEPTHS.entries())
      for (const deeper of DEPTHS.slice(i))
        expect(holdingAfter(depth), `${depth}, ${deeper}`).toEqual(expect.arrayContaining(holdingAfter(deeper)));
  });

  // Nobody takes a barrel's spring out to reach the rack; the escapement is oiled again whenever it was off.
  it('is oiled again where it was opened', () => {
    const chart = oilChart(traits);
    const left = (depth: (typeof DEPTHS)[number]) =>
      oilHolding(
        chart,
        chart.map((p) => ({ point: p.id, at: at(1) })),
        passes(depth),
      ).map((o) => o.point);
    expect(left('hands and dial')).toHaveLength(chart.length);
    expect(left('dial side')).not.toContain('pipes');
    expect(left('escapement')).not.toContain('pallet-faces');
    expect(left('plates')).toEqual(['mainspring-barrel']);
    expect(left('barrel')).toEqual([]);
  });

  it('keeps what was answered after it was closed again, in whatever zone the time is written', () => {
    expect(stillHolds('2031-05-02T12:11:00+03:00', 'plates', passes('barrel'))).toBe(true);
    expect(stillHolds('2031-05-02T11:09:00+02:00', 'plates', passes('barrel'))).toBe(false);
  });

  it('opens a check again that was set after it failed, and keeps the failure', () => {
    const answers = [
      { check: 'rack', result: 'passed', at: at(1) },
      { check: 'rack', result: 'failed', at: at(2) },
    ] as const;
    const set = [{ check: 'rack', at: at(3) }];
    expect(answersHolding(checks, answers, [], []).holding).toEqual([answers[1]]);
    expect(answersHolding(checks, answers, [], set)).toEqual({ holding: [], earlier: answers });
  });

  it('under the dial says with the pass how deep its steps go; a deeper pass leaves that to each step', () => {
    expect([depthSaid([]), depthSaid(passes('dial side')), depthSaid(passes('plates'))]).toEqual([
      null,
      'dial side',
      null,
    ]);
    expect(depthSaid([...passes('dial side'), ...passes('plates', 20)])).toBeNull();
  });
});
