import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { CAUSES, readShows } from './causes/index.ts';
import { diagnose } from './diagnose.ts';
import { instancesFor, symptomsFor } from './instances.ts';
import type { LooksTaken } from './looks.ts';
import { SYMPTOM_IDS, type Observations } from './symptoms.ts';

const of = (family: string, seen: Observations, taken: LooksTaken = {}, apart: 0 | 1 | 2 | 3 = 0) =>
  diagnose(familyById(family).traits, seen, taken, apart);
const ids = (family: string, seen: Observations, n = 1) =>
  of(family, seen)
    .ranked.slice(0, n)
    .map((r) => r.instance.id);
const chance = (family: string, seen: Observations, id: string, taken: LooksTaken = {}) =>
  of(family, seen, taken).ranked.find((r) => r.instance.id === id)!.probability;

describe('the knowledge base', () => {
  it('names each cause once, and every symptom can be explained by some cause', () => {
    expect(new Set(CAUSES.map((c) => c.id)).size).toBe(CAUSES.length);
    expect(CAUSES.length).toBeGreaterThanOrEqual(60);
    const shown = new Set(FAMILIES.flatMap((f) => symptomsFor(f.traits)));
    expect(
      SYMPTOM_IDS.filter(
        (s) => !shown.has(s) && !['repeater-uneven', 'dial-train-catches', 'strikes-fast'].includes(s),
      ),
    ).toEqual([]);
  });
  it('is refused when a row says what cannot be', () => {
    for (const text of ['dead X', 'deaf H', 'dead H M', 'dead'])
      expect(() => readShows('row', text)).toThrow(/cause row/);
  });
  it('gives each train its own springs, pivots and holes', () => {
    const all = instancesFor(familyById('quarter-chime').traits);
    expect(all.filter((i) => i.cause.id === 'broken-mainspring').map((i) => [i.of, Object.keys(i.shows)[0]])).toEqual([
      ['going', 'dead'],
      ['strike', 'no-strike'],
      ['chime', 'no-chime'],
    ]);
    expect(all.length).toBeGreaterThanOrEqual(55);
    expect(instancesFor(familyById('fusee').traits).find((i) => i.id === 'worn-hole.going')!.name).toBe(
      'Worn, oval hole',
    );
  });
  it('offers no family what it cannot show', () => {
    expect(symptomsFor(familyById('longcase').traits)).not.toContain('torsion-flutters');
    expect(symptomsFor(familyById('torsion').traits)).not.toContain('misses-strike');
    expect(symptomsFor(familyById('longcase').traits).filter((s) => /coil|hums|silent|prints/.test(s))).toEqual([]);
    for (const { traits } of FAMILIES) expect(symptomsFor(traits).length).toBeGreaterThan(3);
  });
});

// Practice: each little story says what a good repairer would name first, and look at first, and why.
describe('stories', () => {
  it.each([
    // Springs that open in jerks give out as the wind runs down.
    ['shelf-open-springs', { 'stops-late': 'present', 'small-swing': 'present' }, /^gummed-mainspring.going/, null],
    // It limps: level and beat come before everything, and cost a minute.
    [
      'mantel-barrels',
      { 'uneven-beat': 'present', 'stops-hours': 'present' },
      /^out-of-beat|^not-level/,
      /^out-of-beat|^not-level/,
    ],
    // The strike alone is dead: its spring or its wind, not the going train.
    [
      'mantel-barrels',
      { 'no-strike': 'present', dead: 'absent' },
      /strike|fly/,
      /^broken-mainspring.strike|^strike-run-down|^selector/,
    ],
    // Always three too many: nothing is broken.
    ['shelf-open-springs', { 'wrong-constant': 'present' }, /^out-of-step/, /^out-of-step/],
    // A weight that hangs or tangles late.
    ['weight-shelf', { 'stops-late': 'present' }, /^dip-residue|^weight-line/, /^weight-line|^dip-residue/],
    // It stops on the same day of the week, weights beside the bob.
    [
      'longcase',
      { 'stops-late': 'present', 'bench-not-case': 'absent' },
      /^sympathy|^weight-line.going|^dip-residue/,
      /^sympathy/,
    ],
    // On the bench it goes, in its case it does not.
    ['longcase', { 'bench-not-case': 'present' }, /^not-level/, /^not-level|^loose-case/],
    // The hour comes as one or two.
    ['longcase', { 'far-too-few': 'present' }, /^oil-on-rack/, /^oil-on-rack/],
    ['quarter-chime', { 'quarters-order': 'present' }, /^chime-locking/, /^chime-locking|^chime-stalled|^selector/],
    // Flutter and touching: height and level before the strip is blamed.
    [
      'torsion',
      { 'torsion-touches': 'present', 'torsion-flutters': 'present' },
      /^not-level|^fork-height/,
      /^not-level/,
    ],
    ['torsion', { loses: 'present' }, /^strip-strength/, /^strip-strength/],
    // Gains hours: coils that cling.
    ['lever-platform', { gains: 'present' }, /^too-much-oil/, /^too-much-oil/],
    ['riveted-alarm', { 'alarm-fails': 'present', dead: 'absent' }, /alarm/, /alarm/],
    // Every hour at the same place: a tooth, or hands that touch.
    ['fusee', { 'stops-place': 'present' }, /^bent-tooth|^hands-touch/, /^hands-touch/],
    ['electric-master', { 'winds-often': 'present' }, /^two-contacts/, /^two-contacts/],
    [
      'electric-master',
      { 'coil-no-pull': 'present', 'coil-hot': 'absent' },
      /^contact-dirty|^coil-open/,
      /^coil-open|^contact-dirty/,
    ],
    ['synchronous', { hums: 'present', silent: 'absent' }, /^rotor/, null],
    ['synchronous', { silent: 'present', hums: 'absent' }, /^cord-open/, /^cord-open/],
    ['recorder', { 'prints-faint': 'present', 'day-change': 'present' }, /^bevels/, /^bevels/],
  ] as const)('%s %j', (family, seen, cause, look) => {
    const d = of(family, seen);
    expect(d.ranked[0]!.instance.id).toMatch(cause);
    if (look) expect(d.looks[0]!.instance.id).toMatch(look);
  });

  it('a dead clock has no swing to speak of: an old answer about it changes nothing', () =>
    expect(of('mantel-barrels', { dead: 'present', 'small-swing': 'absent' }).ranked[0]!.probability).toBe(
      of('mantel-barrels', { dead: 'present' }).ranked[0]!.probability,
    ));
  // Practice: these stop a clock altogether, whatever else they do.
  it.each([
    ['mantel-barrels', 'out-of-beat'],
    ['mantel-barrels', 'not-level'],
    ['torsion', 'torsion-beat'],
    ['electric-master', 'contact-dirty'],
    ['electric-master', 'supply-low'],
  ] as const)('a dead %s may be %s', (family, id) =>
    expect(chance(family, { dead: 'present' }, id)).toBeGreaterThan(1.3 * chance(family, {}, id)),
  );
  it('a chime that hangs can be why it does not strike', () =>
    expect(chance('quarter-chime', { 'no-strike': 'present' }, 'chime-stalled')).toBeGreaterThan(
      1.5 * chance('quarter-chime', {}, 'chime-stalled'),
    ));
  // Practice: the number of changes comes from the locking plate, the phrase from the drum.
  it('the wrong phrases accuse the drum, the wrong number the locking plate', () => {
    const chime = (seen: Observations) => ids('quarter-chime', seen)[0];
    expect(chime({ 'wrong-phrases': 'present' })).toBe('drum-phase');
    expect(chime({ 'quarters-order': 'present' })).toBe('chime-locking');
    expect(ids('shelf-rack', { 'wrong-linear': 'present' })[0]).toBe('rack-tail-bent');
    expect(ids('shelf-rack', { 'wrong-constant': 'present' })[0]).toBe('out-of-step');
    expect(ids('shelf-open-springs', { 'half-hour-out': 'present' })[0]).toBe('half-hour-out');
  });
  // Fact: what loses does not gain. A strip that does either is no less likely because it does not do both.
  it('what loses cannot gain: an answer to the other says nothing', () => {
    for (const gains of ['absent', undefined] as const)
      expect(chance('torsion', { loses: 'present', ...(gains && { gains }) }, 'strip-strength')).toBe(
        chance('torsion', { loses: 'present' }, 'strip-strength'),
      );
    expect(chance('torsion', { loses: 'present' }, 'strip-strength')).toBeGreaterThan(0.4);
  });
  it('a longcase never has a mainspring', () =>
    expect(ids('longcase', { dead: 'present' }, 99).filter((id) => /mainspring/.test(id))).toEqual([]));
  it('a strike that misses accuses the strike train, and leaves the going train alone', () => {
    expect(chance('mantel-barrels', { 'misses-strike': 'present' }, 'worn-hole.strike')).toBeGreaterThan(0.2);
    expect(chance('mantel-barrels', { 'misses-strike': 'present' }, 'worn-hole.going')).toBeCloseTo(0.15, 9);
  });
  it('reasons stand on both sides, with their strength', () => {
    const beat = of('mantel-barrels', { 'stops-hours': 'present', 'uneven-beat': 'absent' }).ranked.find(
      (r) => r.instance.id === 'out-of-beat',
    )!;
    expect(beat.reasons.map((r) => r.speaks).sort()).toEqual(['against', 'for']);
    expect(beat.reasons.find((r) => r.speaks === 'against')).toMatchObject({ strength: 'strongly' });
  });
});

// Facts of probability, and of the trade: several faults at once are normal.
describe('several causes at once', () => {
  const p = (seen: Observations, id: string) => chance('mantel-barrels', seen, id);
  it('come out together when the evidence wants them, and as a pair', () => {
    const seen = {
      'stops-place': 'present',
      'uneven-beat': 'present',
      'bench-not-case': 'present',
      'off-the-hour': 'present',
    } as const;
    expect(p(seen, 'not-level')).toBeGreaterThan(0.5);
    expect(p(seen, 'hand-square')).toBeGreaterThan(0.5);
    const best = of('mantel-barrels', seen).combinations[0]!.instances.map((i) => i.id);
    expect(best).toEqual(expect.arrayContaining(['not-level', 'hand-square']));
  });
  it('leave one another alone when nothing joins them', () =>
    expect(p({ 'stops-place': 'present', 'uneven-beat': 'present' }, 'bent-tooth.going')).toBeCloseTo(
      p({ 'stops-place': 'present' }, 'bent-tooth.going'),
      9,
    ));
  it('explain one another away', () =>
    expect(p({ 'stops-hours': 'present', 'uneven-beat': 'present' }, 'gummed-mainspring.going')).toBeLessThan(
      p({ 'stops-hours': 'present' }, 'gummed-mainspring.going'),
    ));
  it('stay at their prior while nothing was observed', () => {
    for (const { instance, probability } of of('quarter-chime', {}).ranked)
      expect(probability).toBeCloseTo({ common: 0.15, usual: 0.05, rare: 0.01 }[instance.cause.prior], 12);
  });
  it.each(FAMILIES.map((f) => f.id))(
    'of %s rise with what they show, and fall when it was looked for and is not there',
    (family) => {
      const traits = familyById(family).traits;
      const before = new Map(diagnose(traits, {}).ranked.map((r) => [r.instance.id, r.probability]));
      for (const symptom of symptomsFor(traits))
        for (const state of ['present', 'absent'] as const)
          for (const r of diagnose(traits, { [symptom]: state }).ranked)
            if (r.instance.shows[symptom])
              expect(
                Math.sign(r.probability - before.get(r.instance.id)!),
                `${r.instance.id} ${symptom} ${state}`,
              ).toBe(state === 'present' ? 1 : -1);
    },
  );
});

describe('the next look', () => {
  const seen = { 'stops-hours': 'present', 'rate-wanders': 'present' } as const;
  it('is not one already taken, nor one that cannot be taken here', () => {
    const first = of('longcase', seen).looks[0]!.instance.id;
    for (const outcome of ['found', 'clear', 'impossible'] as const)
      expect(of('longcase', seen, { [first]: outcome }).looks.map((l) => l.instance.id)).not.toContain(first);
  });
  it('says what each outcome would mean, and the outcome then means it', () => {
    const d = of('longcase', seen);
    for (const look of d.looks.slice(0, 12)) {
      const id = look.instance.id;
      expect(chance('longcase', seen, id, { [id]: 'found' })).toBeCloseTo(look.ifFound, 9);
      expect(chance('longcase', seen, id, { [id]: 'clear' })).toBeCloseTo(look.ifClear, 9);
      // Fact of probability: what is expected after the look is what was believed before it.
      expect(look.chanceFound * look.ifFound + (1 - look.chanceFound) * look.ifClear).toBeCloseTo(
        chance('longcase', seen, id),
        9,
      );
      expect(look.bits).toBeGreaterThanOrEqual(0);
    }
  });
  it('stays with what costs nothing to reach, until the clock is apart', () => {
    const together = of('mantel-barrels', seen).looks;
    expect(together[0]!.reachMinutes).toBe(0);
    const apart = of('mantel-barrels', seen, {}, 3).looks;
    expect(apart.every((l) => l.reachMinutes === 0)).toBe(true);
    const rank = (list: typeof apart, id: string) => list.findIndex((l) => l.instance.id === id);
    expect(rank(apart, 'worn-hole.going')).toBeLessThan(rank(together, 'worn-hole.going'));
  });
  it('counts a level as reached once a look was taken there', () =>
    expect(of('mantel-barrels', seen, { 'worn-hole.going': 'clear' })).toMatchObject({ level: 2 }));
  it('an impossible look changes no opinion', () =>
    expect(chance('longcase', seen, 'worn-hole.going', { 'worn-hole.going': 'impossible' })).toBe(
      chance('longcase', seen, 'worn-hole.going'),
    ));
});
