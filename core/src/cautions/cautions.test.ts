import { describe, expect, it } from 'vitest';
import { STAGE_IDS } from '../workflow/index.ts';
import { FAMILIES, familyById, type Fitting, type Traits } from '../movement/index.ts';
import { CAUTIONS, cautionsFor, LOCAL_RULES } from './index.ts';

const ids = (traits: Traits, stage: Parameters<typeof cautionsFor>[1]) => cautionsFor(traits, stage).map((c) => c.id);
const family = (id: string) => familyById(id).traits;
const with_ = (traits: Traits, fitting: Fitting): Traits => ({ ...traits, fittings: [...traits.fittings, fitting] });

// Common practice: where the work can hurt somebody, the caution stands at the step, before it.
describe('cautions stand where the work can hurt', () => {
  it('a spring before the plates are opened, and it takes a name', () => {
    for (const { traits } of FAMILIES.filter((f) => f.traits.sources.some((s) => s.kind.endsWith('spring')))) {
      const spring = cautionsFor(traits, 'power').find((c) => c.id === 'wound-spring');
      expect(spring?.acknowledge).toBe(true);
    }
    expect(ids(family('longcase'), 'power')).not.toContain('wound-spring');
  });

  it('a loaded chain on a fusee, and nowhere else', () => {
    expect(ids(family('fusee'), 'power')).toContain('fusee');
    expect(ids(family('recorder'), 'power')).toContain('fusee');
    expect(ids(family('mantel-barrels'), 'power')).not.toContain('fusee');
  });

  it('weights from the counter on', () => {
    expect(ids(family('longcase'), 'intake')).toContain('weights');
    expect(ids(family('weight-shelf'), 'power')).toContain('weights');
    expect(ids(family('torsion'), 'intake')).not.toContain('weights');
  });

  it('mains wherever it is opened or run', () => {
    for (const stage of ['intake', 'assess', 'power', 'run'] as const)
      expect(ids(family('synchronous'), stage)).toContain('mains');
    expect(ids(with_(family('mantel-barrels'), 'mains cord'), 'run')).toContain('mains');
  });

  it('radium and mercury before the bath, deferring to local rules', () => {
    expect(ids(with_(family('riveted-alarm'), 'luminous paint'), 'clean')).toContain('luminous');
    expect(ids(with_(family('mantel-barrels'), 'mercury pendulum'), 'clean')).toContain('mercury');
    expect(ids(family('riveted-alarm'), 'clean')).not.toContain('luminous');
    for (const id of ['mains', 'luminous', 'mercury']) {
      const caution = CAUTIONS.find((c) => c.id === id)!;
      expect(caution.text).toContain(LOCAL_RULES);
      expect(caution.acknowledge).toBe(true);
    }
  });

  it('bath chemistry and the cutter for every movement', () => {
    for (const { traits } of FAMILIES) {
      expect(ids(traits, 'clean')).toContain('old-chemicals');
      expect(ids(traits, 'fit')).toContain('drilling');
    }
  });

  // Published in no one place; common practice, each seen missing once.
  it('a barrel wherever springs go in and out, a weight wherever it is hung', () => {
    for (const stage of ['strip', 'clean', 'survey', 'fit', 'assemble'] as const) {
      expect(ids(family('mantel-barrels'), stage)).toContain('barrel');
      expect(ids(family('fusee'), stage)).toContain('barrel');
      expect(ids(family('longcase'), stage)).not.toContain('barrel');
    }
    for (const stage of ['assemble', 'run', 'deliver'] as const)
      expect(ids(family('longcase-30-hour'), stage)).toContain('hang-weights');
  });

  it('a live motor where it is tried, and no word to it of low-voltage coils', () => {
    for (const stage of ['diagnose', 'strip', 'fit', 'assemble'] as const)
      expect(ids(family('synchronous'), stage)).toContain('mains');
    expect(ids(family('synchronous'), 'diagnose')).toContain('other-hertz');
    for (const { traits } of FAMILIES)
      for (const stage of STAGE_IDS)
        if (ids(traits, stage).includes('coil')) expect(ids(traits, stage)).not.toContain('other-hertz');
    expect(ids(family('electric-master'), 'diagnose')).toContain('coil');
    const luminous = with_(family('riveted-alarm'), 'luminous paint');
    for (const stage of ['intake', 'strip', 'clean'] as const) expect(ids(luminous, stage)).toContain('luminous');
    expect(CAUTIONS.find((c) => c.id === 'luminous')!.text).toContain('Radon');
  });

  it('are each there once, in one or two plain sentences', () => {
    expect(new Set(CAUTIONS.map((c) => c.id)).size).toBe(CAUTIONS.length);
    for (const c of CAUTIONS) {
      expect(c.text).not.toContain('!');
      expect(c.text.length).toBeLessThan(260);
    }
  });
});
