import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import { STAGES } from '../workflow/index.ts';
import { suits } from './working.ts';
import { fieldsOf, readField, runCheck, runWorking, SUBJECTS, WORKINGS, workingById, type Field } from './index.ts';

describe('the registry', () => {
  it('names each working once, and files it under a subject and stages that exist', () => {
    expect(new Set(WORKINGS.map((w) => w.id)).size).toBe(WORKINGS.length);
    const stages = STAGES.map((s) => s.id);
    for (const w of WORKINGS) {
      expect(SUBJECTS).toContain(w.subject);
      expect(w.stages.filter((s) => !stages.includes(s))).toEqual([]);
    }
  });

  it.each(WORKINGS.map((w) => [w.id, w] as const))('%s: its example runs and says something to do', (_, w) => {
    const outcome = runWorking(w, w.example);
    expect(outcome, JSON.stringify(outcome)).toMatchObject({ ok: true });
    expect(outcome.ok && outcome.says.length > 3 && !/NaN|undefined|null|Infinity/.test(outcome.says)).toBe(true);
  });

  // The values and their sources stand beside each working, where the reader of the page sees them too.
  it.each(WORKINGS.flatMap((w) => w.checks.map((c, i) => [`${w.id} ${i + 1}: ${c.source}`, w, c] as const)))(
    '%s',
    (_, w, check) => {
      expect(runCheck(w, check).filter((c) => !c.holds)).toEqual([]);
    },
  );

  it('has two checks at least for each, with a number, a word or a verdict that could fail', () => {
    for (const w of WORKINGS) {
      expect(w.checks.length, w.id).toBeGreaterThanOrEqual(2);
      for (const c of w.checks) expect(Object.keys(c.finds).length, w.id).toBeGreaterThan(0);
    }
    const first = WORKINGS.find((w) => w.id === 'pendulum-length')!;
    expect(runCheck(first, { ...first.checks[0]!, finds: { lengthMm: [990, 1] } })[0]!.holds).toBe(false);
  });
});

/** Anything a form could hand over, inside the stated limits and now and then outside. */
const anyOf = (f: Field): fc.Arbitrary<unknown> => {
  const one: fc.Arbitrary<unknown> = oneOf(f);
  return f.optional ? fc.option(one, { nil: undefined }) : one;
};

function oneOf(f: Field): fc.Arbitrary<unknown> {
  const { min = -1e6, max = 1e6 } = f;
  const inside = f.whole
    ? fc.integer({ min: Math.ceil(min), max: Math.floor(max) })
    : fc.double({ min, max, noNaN: true });
  const number = fc.oneof(
    { weight: 12, arbitrary: inside },
    { weight: 1, arbitrary: fc.constantFrom(0, -1, Number.NaN, Infinity, 1e300, '3') },
  );
  if (f.kind === 'number') return number;
  if (f.kind === 'choice') return fc.constantFrom(...f.options!);
  if (f.kind === 'yes') return fc.boolean();
  if (f.kind === 'text')
    return fc.constantFrom(
      '',
      '12',
      '1,5 mm',
      '2026-02-30',
      '2026-03-01',
      '9.99',
      'bore_mm,outside_mm,height_mm\n1,2,3',
    );
  if (f.kind === 'day') return fc.constantFrom('2026-03-01', '2026-02-30', '23.11.2026', '');
  if (f.kind === 'numbers')
    return fc.array(inside, { minLength: f.entries![0], maxLength: Math.min(6, f.entries![1]) });
  return fc.array(record(f.of!), { minLength: f.entries![0], maxLength: Math.min(5, f.entries![1]) });
}
const record = (fields: readonly Field[]): fc.Arbitrary<Record<string, unknown>> =>
  fc.record(Object.fromEntries(fields.map((f) => [f.name, anyOf(f)])));

describe('bad input', () => {
  it.each(WORKINGS.filter((w) => !w.heavy).map((w) => [w.id, w] as const))(
    '%s answers, never gives NaN, and never breaks',
    (_, w) => {
      const names = fieldsOf(w.inputs).map((f) => f.name);
      const example = w.example as Record<string, unknown>;
      let answered = 0;
      // Its own example with some fields changed, few or all: what refuses nearly everything is of no use either.
      const changed = fc
        .tuple(record(fieldsOf(w.inputs)), fc.subarray(names, { minLength: 1 }))
        .map(([any, some]) => ({ ...example, ...Object.fromEntries(some.map((n) => [n, any[n]])) }));
      fc.assert(
        fc.property(changed, (given) => {
          const outcome = runWorking(w, given);
          if (outcome.ok) {
            answered += 1;
            expect(JSON.stringify(outcome)).not.toMatch(/NaN|Infinity/);
            expect(w.result.safeParse(outcome.result).success).toBe(true);
          } else
            for (const p of outcome.problems)
              expect(p.message.length, JSON.stringify({ given, p, names })).toBeGreaterThan(4);
        }),
        { numRuns: 60, seed: 20_310_502 },
      );
      expect(answered, 'of 60').toBeGreaterThanOrEqual(3);
    },
  );

  it.each([
    ['spring-turns', { barrelMm: 20, arborMm: 25, thicknessMm: 0.4 }, 'arborMm', /smaller than the inside/],
    ['spring-turns', { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 5000 }, 'lengthMm', /at most 3534 mm/],
    ['pendulum-length', { beats: 0 }, 'beats', /between 300 and 40000/i],
    ['pendulum-length', { beats: Infinity }, 'beats', /Beats an hour/],
    ['pendulum-length', {}, 'beats', /is needed/],
    [
      'rate-readings',
      { family: 'longcase', readBy: 'seconds hand', readings: [{ days: 0, errorS: 0 }] },
      'readings',
      /between 2 and 2000/i,
    ],
    [
      'rate-readings',
      {
        family: 'longcase',
        readBy: 'seconds hand',
        readings: [
          { days: 1, errorS: 0 },
          { days: 1, errorS: 2 },
        ],
      },
      'readings',
      /different times/,
    ],
    ['train-missing', { ...(workingById('train-missing')!.example as object), wheelsTo: 5000 }, 'wheelsTo', /400/],
    [
      'hole-verdict',
      { pivotMm: 1.2, holeLongMm: 1.1, holeShortMm: 1.2, arbor: 'train', in: 'the plate or a bush' },
      'holeShortMm',
      /short way/,
    ],
    ['service-due', { family: 'longcase', done: '2026-02-30' }, 'done', /Last overhaul: a day as year-month-day/],
    [
      'train-beats',
      { meshes: [{ wheel: 64.5, pinion: 8 }], escapeTeeth: 30 },
      'meshes.0.wheel',
      /Wheel: .*whole number/,
    ],
  ] as const)('%s %j: says so at %s', (id, given, field, message) => {
    const outcome = runWorking(workingById(id)!, given);
    if (outcome.ok) throw new Error('it should be refused');
    expect(outcome.problems[0]).toEqual({ field, message: expect.stringMatching(message) });
  });
});

describe('fields of a form', () => {
  it('are read from the schema with unit, limits and choices', () => {
    const fields = fieldsOf(workingById('set-rate')!.inputs);
    expect(fields.find((f) => f.name === 'pitchMm')).toMatchObject({
      title: 'Pitch of the nut',
      unit: 'mm',
      min: 0.1,
      max: 3,
      optional: true,
      kind: 'number',
    });
    expect(fields.find((f) => f.name === 'tried')).toMatchObject({ kind: 'rows', entries: [0, 20] });
    expect(fields.find((f) => f.name === 'setter')?.options).toContain('hairspring');
  });

  it.each([
    [{ unit: 'mm', min: 0.1, max: 12 }, '0.048in', { kind: 'length', mm: 1.2192 }],
    [{ unit: 'mm', min: 0.1, max: 12 }, '48', { kind: 'ask', asMm: 48, asThousandths: expect.closeTo(1.2192, 6) }],
    [{ unit: 'kg', min: 0.1, max: 50 }, '8 lb', { kind: 'value', value: expect.closeTo(3.6287, 4) }],
    [{ unit: 's/day', min: -100, max: 100 }, '−12,5', { kind: 'value', value: -12.5 }],
    [{ unit: '°', min: 0, max: 45 }, '3 °', { kind: 'value', value: 3 }],
    [{ unit: '°', min: 0, max: 45 }, '50', { kind: 'problem', message: 'Between 0 and 45 °.' }],
    [{ whole: true, min: 3, max: 200 }, '7.5', { kind: 'problem', message: 'A whole number.' }],
    [{ unit: 'mm', min: -500, max: 500 }, '-3.5', { kind: 'value', value: -3.5 }],
  ])('%j reads %s', (field, typed, want) => expect(readField({ whole: false, ...field }, typed)).toEqual(want));
});

describe('what suits a movement', () => {
  const ids = (family: string, stage: string) =>
    WORKINGS.filter((w) => w.stages.includes(stage as never) && suits(w, familyById(family).traits)).map((w) => w.id);
  it('follows its traits', () => {
    expect(ids('torsion', 'fit')).toContain('torsion-strip');
    expect(ids('longcase', 'fit')).not.toContain('torsion-strip');
    expect(ids('longcase', 'fit')).toContain('line-length');
    expect(ids('mantel-barrels', 'fit')).not.toContain('line-length');
    expect(ids('lever-platform', 'run')).toEqual(expect.arrayContaining(['amplitude', 'beat-error']));
    expect(ids('synchronous', 'run').filter((id) => /pendulum|spring|amplitude/.test(id))).toEqual([]);
  });
});
