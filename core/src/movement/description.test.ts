import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checksFor } from '../checks/index.ts';
import { instancesFor } from '../faults/index.ts';
import { partsToSurvey } from '../pivots/index.ts';
import { partGone } from '../visit/index.ts';
import { powerOf, powerWords, unsafeFor } from '../workflow/index.ts';
import { descriptionChanges, descriptionProblem, nextPartId } from './description.ts';
import { addSource, addTrain, driveBy, insertArbor, removeSource, removeTrain } from './edit.ts';
import { FAMILIES, familyById } from './families.ts';
import { holesOf, PURPOSES, SOURCE_KINDS, storedSources, type Traits } from './traits.ts';

const chain = familyById('longcase-30-hour').traits;
const longcase = familyById('longcase').traits;

// Facts of the trade: an endless chain has one weight, one click and one drop; a bad click lets both trains down.
describe('one weight for two trains', () => {
  it('has one state of power, which both trains wait for', () => {
    const [power, ...more] = powerOf(chain, []);
    expect(more).toEqual([]);
    expect(powerWords(power!)).toBe('going and strike trains are not known to be safe');
    const down = powerOf(chain, [{ source: 'all', state: 'let down', at: '2031-05-01T10:00:00Z' }]);
    expect(unsafeFor('plates', down)).toEqual([]);
  });
  it('has one click, one chain and one weight to look at', () => {
    const of = (kind: string) => partsToSurvey(chain).filter((p) => p.kind === kind).length;
    expect([of('click'), of('chain')]).toEqual([1, 1]);
    expect(checksFor(chain, 'assemble').filter((c) => c.id.startsWith('click'))).toHaveLength(1);
  });
  it('shows one fault of the source in both trains, and not twice', () => {
    const slips = instancesFor(chain).filter((i) => i.cause.of === 'source');
    expect(new Set(slips.map((i) => i.cause.id)).size).toBe(slips.length);
    const both = slips.find((i) => i.shows['no-strike'] !== undefined);
    expect(both?.shows.dead).toBeDefined();
  });
});

it('becomes an endless chain from two weights in three steps, and says what changed', () => {
  const one = driveBy(longcase, 'strike', 'going');
  const found: Traits = {
    ...one,
    sources: one.sources.map((s) => ({ ...s, kind: 'weight on endless chain' })),
    windHours: 30,
  };
  expect(storedSources(found)).toHaveLength(1);
  expect(descriptionProblem(found, [longcase])).toBeNull();
  expect(descriptionChanges(longcase, found)).toEqual([
    'strike (weight on line) power taken out',
    'going and strike power: weight on line, now weight on endless chain',
    'strike train driven by going and strike weight on endless chain',
    'a full wind: 192 hours, now 30 hours',
  ]);
  expect(descriptionChanges(found, found)).toEqual([]);
  const called = { ...found, sources: [{ ...found.sources[0]!, name: 'the weight' }] };
  expect(descriptionChanges(found, called)).toEqual(['going and strike power called the weight']);
});

it('never gives an id of what is gone to something else', () => {
  const without = removeTrain(familyById('quarter-chime').traits, 'chime');
  const again = addTrain(without, [familyById('quarter-chime').traits], 'chime');
  expect(again.trains.at(-1)).toMatchObject({ id: 'chime-2', name: '' });
  expect(again.trains.at(-1)!.arbors[0]!.id).toBe('C8');
  // By hand: the strike's T1 would be read as the going train's old one.
  const stolen: Traits = {
    ...longcase,
    trains: [{ ...longcase.trains[1]!, arbors: [{ id: 'T1', name: 'great wheel', class: 'barrel' }] }],
  };
  expect(descriptionProblem(stolen, [longcase])!.message).toMatch(/T1 belonged to another train/);
  const turned: Traits = { ...longcase, trains: [{ ...longcase.trains[0]!, purpose: 'alarm' }] };
  expect(descriptionProblem(turned, [longcase])).not.toBeNull();
  expect(descriptionProblem({ ...longcase, sources: [] }, [])!.field).toBe('trains.0.source');
});

type Step = (t: Traits, versions: readonly Traits[]) => Traits;
const steps: fc.Arbitrary<Step> = fc.oneof(
  fc.constantFrom(...PURPOSES).map(
    (p): Step =>
      (t, v) =>
        addTrain(t, v, p),
  ),
  fc.constantFrom(...SOURCE_KINDS).map(
    (k): Step =>
      (t, v) =>
        addSource(t, v, k),
  ),
  fc.nat(7).map(
    (n): Step =>
      (t) =>
        t.trains.length > 1 ? removeTrain(t, t.trains[n % t.trains.length]!.id) : t,
  ),
  fc.nat(7).map(
    (n): Step =>
      (t) =>
        t.sources.length > 0 ? removeSource(t, t.sources[n % t.sources.length]!.id) : t,
  ),
  fc.nat(40).map((n): Step => (t, v) => {
    const train = t.trains[n % t.trains.length]!;
    return insertArbor(t, v, train.id, (n % (train.arbors.length + 1)) - 1);
  }),
  fc.nat(40).map((n): Step => (t) => {
    const train = t.trains[n % t.trains.length]!;
    return driveBy(t, train.id, [...t.sources.map((s) => s.id), null][n % (t.sources.length + 1)]!);
  }),
);

it('whatever is edited, in whatever order, can be kept, and every id names one thing for ever', () => {
  fc.assert(
    fc.property(fc.constantFrom(...FAMILIES), fc.array(steps, { maxLength: 25 }), ({ traits }, all) => {
      const versions: Traits[] = [traits];
      for (const step of all) versions.push(step(versions.at(-1)!, versions));
      const named = new Map<string, string>();
      for (const [at, version] of versions.entries()) {
        expect(descriptionProblem(version, versions.slice(0, at))).toBeNull();
        const before = versions[at - 1] ?? version;
        expect(descriptionChanges(before, version).length > 0).toBe(!isDeepStrictEqual(before, version));
        for (const t of version.trains)
          for (const a of t.arbors) {
            expect(named.get(a.id) ?? t.id).toBe(t.id);
            named.set(a.id, t.id);
          }
        const keys = holesOf(version).map((h) => h.key);
        expect(new Set(keys).size).toBe(keys.length);
      }
      expect(nextPartId(versions, 'going')).not.toBe('going');
    }),
    { numRuns: 100, seed: 77 },
  );
});

it('keeps what was recorded on something that is gone, by the name it had', () => {
  const signed = { by: 'Marit', at: '2031-05-01T10:00:00Z' };
  const alone = removeTrain(longcase, 'strike');
  const { kept, gone } = partGone(
    alone,
    [alone, longcase],
    {
      holes: [
        { key: 'T1.front', verdict: 'sound', ...signed },
        { key: 'S2.back', verdict: 'bush', ...signed },
      ],
      partConditions: [{ key: 'click.strike', state: 'worn', ...signed }],
      checks: [],
      oiled: [{ point: 'hammer-lift', ...signed }],
    },
    [{ source: 'strike', state: 'wound', ...signed }],
  );
  expect(kept.holes.map((h) => h.key)).toEqual(['T1.front']);
  expect(gone.map((g) => [g.stage, g.what, g.said])).toEqual([
    ['power', 'strike power, weight on line', 'wound'],
    ['survey', 'S2 pin wheel, back plate', 'bush'],
    ['survey', 'strike click and ratchet', 'worn'],
    ['oil', 'Hammer lifting pins or star, drum teeth', 'ticked'],
  ]);
});
