import { describe, expect, it } from 'vitest';
import { STAGE_IDS } from '../workflow/index.ts';
import { bathMinutes, bushedVerdicts, held, RULES, rulesFor, schoolOf } from './index.ts';

describe('house rules', () => {
  it('name each question and school once, ship one of them, and give every side its reason', () => {
    expect(new Set(RULES.map((r) => r.id)).size).toBe(RULES.length);
    for (const r of RULES) {
      expect(r.schools.length, r.id).toBeGreaterThan(1);
      expect(new Set(r.schools.map((s) => s.id)).size).toBe(r.schools.length);
      expect(() => schoolOf(r.id, r.ours), r.id).not.toThrow();
      for (const s of r.schools) expect(s.reason, `${r.id} ${s.id}`).toMatch(/^[A-Z].{10,}\.$/);
      for (const s of r.stages) expect(STAGE_IDS).toContain(s);
    }
  });
  it('a visit goes before the shop, the shop before what ships', () => {
    const differs = [{ question: 'rack', school: 'dry', reason: 'as the owner wishes' }];
    expect(held('rack', {}).id).toBe('dry');
    expect(held('rack', { rack: 'trace' }).id).toBe('trace');
    expect(held('rack', { rack: 'trace' }, differs).id).toBe('dry');
  });
  it('refuse what is not in the table', () => {
    // @ts-expect-error -- the compiler refuses it too
    expect(() => held('colour', {})).toThrow(/no such house rule/);
    // @ts-expect-error -- and a school that is none
    expect(held('rack', {}).id === 'glue').toBe(false);
    expect(() => held('rack', { rack: 'glue' })).toThrow(/not one of the choices/);
  });
  // Practice: marginal holes are bushed while it is apart; five minutes and look.
  it('decide which verdicts ask for a bush, and how long a bath is planned', () => {
    expect(bushedVerdicts({})).toEqual(['bush', 'marginal']);
    expect(bushedVerdicts({ 'which-holes': 'failed' })).toEqual(['bush']);
    expect([bathMinutes({}), bathMinutes({ 'bath-time': 'long' })]).toEqual([5, 45]);
  });
  it('stand at their stages, in the words of the trade: oil where it is oiled, baths where it is cleaned', () => {
    for (const stage of STAGE_IDS)
      expect(rulesFor(stage).map((r) => r.id)).toEqual(RULES.filter((r) => r.stages.includes(stage)).map((r) => r.id));
    expect(rulesFor('oil').map((r) => r.id)).toEqual(expect.arrayContaining(['oil', 'rack', 'spring-grease']));
    expect(rulesFor('oil').some((r) => /bath/.test(r.id))).toBe(false);
    expect(rulesFor('intake')).toEqual([]);
  });
});
