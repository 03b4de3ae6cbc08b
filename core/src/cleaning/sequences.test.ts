import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import {
  begin,
  fillPast,
  mayAgain,
  minutesIn,
  move,
  planSequence,
  planWipe,
  sequencesFor,
  SEQUENCES,
  stepsOf,
  tooLongAgain,
  type BasketPart,
} from './index.ts';

const brass: BasketPart = { name: 'plates', materials: ['bare brass'] };
const lever: BasketPart = { name: 'lever and pallets', materials: ['plain steel', 'shellac setting'] };
const steps = (
  parts: BasketPart[],
  drying = 'displace',
  bath: 'ammoniated water' | 'detergent' = 'ammoniated water',
  minutes = 5,
) => stepsOf('ultrasonic', { bath, minutes, parts, choices: { drying } });
const at = (min: number) => new Date(Date.UTC(2026, 4, 1, 9, min));

// Common practice: 5 minutes and a look, at most twice more; hot rinse 2; displaced 1; no alcohol where shellac is.
describe('a sequence', () => {
  it('of the water bath is warmed, looked at, rinsed, displaced and dried', () => {
    expect(steps([brass]).map((s) => [s.minutes, s.bath])).toEqual([
      [null, null],
      [5, 'ammoniated water'],
      [2, null],
      [1, 'alcohol'],
      [null, null],
    ]);
  });
  it('displaces with solvent what is set in shellac, and follows the house rule of drying', () => {
    expect(steps([brass, lever], 'displace', 'detergent')[3]).toMatchObject({ bath: 'petroleum solvent' });
    expect(steps([brass], 'air')[3]).toMatchObject({ what: 'Blow the water off at once', bath: null });
  });
  it('has its caution before the step it belongs to', () => {
    expect(steps([brass])[1]!.caution).toContain('never in one room with bleach');
    expect(steps([brass])[3]!.caution).toContain('Flammable');
    const whole = stepsOf('whole', { bath: 'detergent', minutes: 5, parts: [brass], choices: {} });
    expect(whole.some((s) => s.caution.includes('closed barrel'))).toBe(true);
    const runs = SEQUENCES.flatMap((s) => (s.baths.length > 0 ? s.baths : [null]).map((bath) => ({ s, bath })));
    for (const { s, bath } of runs)
      for (const step of stepsOf(s.id, { bath, minutes: 5, parts: [brass], choices: {} })) {
        const what = `${s.id}, ${bath}, ${step.what}`;
        if (step.bath === 'petroleum solvent' || step.bath === 'alcohol')
          expect(step.caution, what).toContain('no flame');
        if (step.bath === 'ammoniated water') expect(step.caution, what).toMatch(/bleach.*silver.*ultrasonic/);
      }
  });
  it('is stopped by what may not go into its first bath, and limited by the strictest part', () => {
    const hands: BasketPart = { name: 'hands', materials: ['blued or polished steel'] };
    expect(planSequence(steps([brass, hands]), [brass, hands]).forbidden.map((f) => f.part)).toEqual(['hands']);
    expect(planSequence(steps([brass], 'displace', 'ammoniated water', 20), [brass])).toMatchObject({
      limitMin: 15,
      tooLong: { minutes: 20 },
    });
  });
  it('wipes what no bath takes, and nothing that no cloth may touch', () => {
    const barred = (...materials: BasketPart['materials'][number][]) =>
      planWipe([{ name: 'x', materials }]).map((f) => f.material);
    expect(barred('lacquered brass', 'wood or veneer', 'enamel dial', 'celluloid')).toEqual([]);
    // May carry radium; a conservator's work; paint lifts: common practice
    expect(barred('luminous paint', 'silvered dial', 'painted or paper dial')).toHaveLength(3);
    expect(barred('bare brass', 'hairspring or bimetal balance')).toEqual(['hairspring or bimetal balance']);
    const wiped = stepsOf('wipe', { bath: null, minutes: 1, parts: [brass], choices: {} });
    expect(wiped.every((s) => s.bath === null)).toBe(true);
    expect(wiped[0]!.what).toContain('hidden spot');
  });
  it('drives water out with what takes it up: alcohol, or where a part would suffer a fluid made for it', () => {
    const out = (part: typeof brass) => steps([part], 'displace').find((s) => s.what.startsWith('Displace'))!;
    expect(out(brass)).toMatchObject({ what: 'Displace the water in alcohol', bath: 'alcohol' });
    const shellac = { name: 'pallets', materials: ['plain steel' as const, 'shellac setting' as const] };
    expect(out(shellac).what).toBe('Displace the water in a dewatering fluid');
    expect(out(shellac).caution).toContain('Plain petroleum spirit takes up no water');
  });
  it('needs no rinse after solvent, and waits a day for a sealed rotor', () => {
    expect(
      stepsOf('light', { bath: 'petroleum solvent', minutes: 2, parts: [brass], choices: {} })
        .map((s) => s.what)
        .join(),
    ).not.toMatch(/rinse|Displace/);
    expect(
      stepsOf('rotor', { bath: null, minutes: 5, parts: [], choices: {} }).filter((s) => s.minutes === 1440),
    ).toHaveLength(3);
  });
  it('is offered as the movement is made', () => {
    const ids = (family: string) => sequencesFor(familyById(family).traits).map((s) => s.id);
    expect(ids('riveted-alarm')).toContain('whole');
    expect(ids('riveted-alarm')).not.toContain('ultrasonic');
    expect(ids('synchronous')).toContain('rotor');
    for (const f of FAMILIES) expect(ids(f.id).length).toBeGreaterThan(3);
  });
});

describe('a run', () => {
  const start = begin(steps([brass]), at(0));
  const inBath = move(start, 'next', at(3), 'Ines')!;
  it('goes on step by step; each timer begins when the step does', () => {
    expect(start.endsAt).toBeNull();
    expect(inBath).toMatchObject({ step: 1, endsAt: at(8).toISOString() });
  });
  it('is done once more as often as a look asks for it; past what its strictest part stands it says so', () => {
    const over = (run: typeof inBath, min: number, ...parts: BasketPart[]) => tooLongAgain({ ...run, parts }, at(min));
    const twice = move(move(inBath, 'again', at(8), 'Ines')!, 'again', at(13), 'Ines')!;
    expect([mayAgain(inBath), mayAgain(twice), mayAgain(start)]).toEqual([true, true, false]);
    // Bare brass: 15 minutes in ammonia, common practice. In since 09:03.
    expect(over(inBath, 8, brass)).toBeNull();
    expect(over(twice, 13, brass)).toBeNull();
    expect(over(twice, 18, brass)).toEqual({ minutes: 20, limitMin: 15, part: 'plates', material: 'bare brass' });
    // It lay in longer than was meant: that counts, not the plan.
    expect(over(inBath, 14, brass)).toMatchObject({ minutes: 16 });
    expect(over(inBath, 8, { name: 'weights', materials: ['lead weight'] })).toBeNull();
    expect(move(twice, 'again', at(18), 'Ines')).toMatchObject({ step: 1, endsAt: at(23).toISOString() });
    expect(minutesIn(move(twice, 'next', at(18), 'Ines')!, at(30).toISOString())).toBe(15);
    expect(minutesIn(twice, null)).toBe(10);
  });
  it('goes back as if the step had not been left', () => {
    expect(move(move(inBath, 'next', at(4), 'Ines')!, 'back', at(5), 'Ines')).toEqual(inBath);
    expect(move(start, 'back', at(5), 'Ines')).toBeNull();
  });
  it('ends with its last step', () => {
    const last = ['next', 'next', 'next'].reduce((r) => move(r, 'next', at(20), 'Ines')!, inBath);
    expect(move(last, 'next', at(30), 'Ines')).toBeNull();
  });
});

it('a bath past its house rule says why', () => {
  const fill = { filledAt: at(0).toISOString(), loads: 4, limitLoads: 10, limitDays: 30 };
  const later = (days: number) => at(0).getTime() + days * 86_400_000;
  expect(fillPast(fill, later(29))).toBeNull();
  expect(fillPast(fill, later(30))).toContain('30 days');
  expect(fillPast({ ...fill, loads: 10 }, later(1))).toContain('10 loads');
  expect(fillPast({ ...fill, limitDays: null, limitLoads: null }, later(999))).toBeNull();
});
