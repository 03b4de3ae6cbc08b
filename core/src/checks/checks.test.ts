import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { allChecks, CHECK_PLACES, checksFor, checksLeft } from './index.ts';

describe('set-up checks', () => {
  it('ask of every family only what its traits have, and each once', () => {
    for (const family of FAMILIES) {
      const all = CHECK_PLACES.flatMap((p) => checksFor(family.traits, p));
      expect(new Set(all.map((c) => c.id)).size, family.id).toBe(all.length);
      const text = all.map((c) => c.what).join('\n');
      if (family.traits.strike === 'none') expect(text, family.id).not.toMatch(/strike|warning/i);
      if (!family.traits.fittings.includes('chime drum')) expect(text, family.id).not.toMatch(/quarter|chime/i);
      // A verge has no lock: its pallets recoil all the time (any handbook).
      if (family.traits.escapement === 'verge') expect(text, family.id).not.toMatch(/locks on both pallets/i);
      if (family.traits.oscillator !== 'pendulum') expect(text, family.id).not.toMatch(/pendulum hangs/i);
    }
  });
  // Common practice: what is meshed between the plates is set before they close; hands go on last.
  it('ask for a whole wind only where one is over in a month, by hand: not of a 400-day clock', () => {
    const asked = (family: string) => allChecks(familyById(family).traits).some((c) => c.id === 'run-down');
    expect(['mantel-barrels', 'longcase', 'month-wall', 'fusee', 'shelf-alarm'].map(asked)).not.toContain(false);
    expect(['torsion', 'electric-master', 'synchronous'].map(asked)).toEqual([false, false, false]);
  });
  it('come in the order of work', () => {
    const chime = FAMILIES.find((f) => f.traits.fittings.includes('chime drum'))!;
    const checks = checksFor(chime.traits, 'assemble');
    expect(checks[0]!.id).toBe('end-shake');
    expect(checks.at(-1)!.group).toBe('Hands');
    // End shake is felt and quarters are heard with the plates on: neither can be asked before they close.
    expect(checks.filter((c) => c.before).map((c) => c.id)).toEqual(['lock-strike', 'hammer-rest']);
    expect(checksFor(chime.traits, 'deliver')[0]!.caution).toContain('local rules');
  });
  it('are open until answered', () => {
    const checks = checksFor(FAMILIES[0]!.traits, 'assemble');
    const left = checksLeft(checks, [
      { check: checks[0]!.id, result: 'failed' },
      { check: checks[1]!.id, result: 'not applicable' },
    ]);
    expect([left.open.length, left.failed.map((c) => c.id)]).toEqual([checks.length - 2, [checks[0]!.id]]);
  });
});
