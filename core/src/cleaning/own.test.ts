import { describe, expect, it } from 'vitest';
import { ownProblem, ownSteps, planSequence, type BasketPart, type OwnStep } from './index.ts';

const step = (what: string, bath: OwnStep['bath'], more: Partial<OwnStep> = {}): OwnStep => ({
  ...{ what, bath, minutes: 5, celsius: null, times: 1 },
  ...more,
});
const SPIRIT = step('Soak and brush', 'petroleum solvent', { minutes: 15 });
const WATER = step('Hot water', 'water', { minutes: 2, celsius: 60, times: 2 });
const FLUID = step('Into the fluid', 'dewatering fluid', { minutes: 1 });
const AIR = step('Warm air', null, { minutes: null, celsius: 50 });
const wheels: BasketPart = { name: 'wheels', materials: ['bare brass', 'plain steel'] };
const stones: BasketPart = { name: 'pallets', materials: ['plain steel', 'shellac setting'] };

// Common practice: petroleum spirit, hot water, dewatering fluid, warm air once the vapour has gone.
describe('a sequence of the shop’s own', () => {
  it('goes step by step, repeats and all, each with the caution of what it is done in', () => {
    const steps = ownSteps([SPIRIT, WATER, FLUID, AIR], [wheels]);
    expect(steps.map((s) => [s.what, s.minutes, s.bath])).toEqual([
      ['Soak and brush', 15, 'petroleum solvent'],
      ['Hot water, 60 °C', 2, null],
      ['Hot water, 60 °C', 2, null],
      ['Into the fluid', 1, 'petroleum solvent'],
      ['Warm air, 50 °C', null, null],
    ]);
    expect(steps[0]!.caution).toContain('no flame');
    expect(steps[1]!.caution).toContain('rusts in minutes');
    expect(steps[3]!.caution).toContain('Plain petroleum spirit takes up no water');
    expect(steps[4]!.caution).toBe('No heat before the vapour has gone.');
    // Where nothing flammable went before, warm air may come at once.
    expect(ownSteps([WATER, AIR], [wheels]).at(-1)!.caution).toBe('');
  });
  it('keeps cool what stands no heat, in air and in water', () => {
    const steps = ownSteps([SPIRIT, WATER, FLUID, AIR], [wheels, stones]);
    expect(steps.filter((s) => s.what.includes('°C'))).toEqual([]);
    expect(steps.at(-1)).toMatchObject({ what: 'Warm air: not warmed', caution: expect.stringContaining('No heat') });
  });
  it('is held to what the basket stands like any other', () => {
    const steps = ownSteps([step('Soak', 'ammoniated water', { minutes: 40 }), FLUID], [wheels]);
    expect(planSequence(steps, [wheels])).toMatchObject({ limitMin: 15, tooLong: { minutes: 40 } });
    const spring: BasketPart = { name: 'springs', materials: ['blued or polished steel'] };
    expect(planSequence(steps, [spring]).forbidden).toHaveLength(1);
    const alcohol = ownSteps([step('Displace', 'alcohol')], [stones]);
    expect(planSequence(alcohol, [stones]).forbidden).toMatchObject([{ reason: 'shellac dissolves' }]);
  });
  it.each([
    ['spirit on a hot plate', [step('Soak', 'petroleum solvent', { celsius: 30 })], 0, /vapour burns/],
    ['alcohol warmed', [SPIRIT, step('Displace', 'alcohol', { celsius: 25 })], 1, /vapour burns/],
    ['ammonia near the boil', [step('Soak', 'ammoniated water', { celsius: 80 }), FLUID], 0, /At most 60/],
    ['water as the last step', [SPIRIT, WATER], 1, /drives this water out/],
    ['water, then a brush', [step('Soap', 'detergent'), step('Brush', null)], 0, /drives this water out/],
    ['water, then plain spirit', [WATER, SPIRIT], 0, /drives this water out/],
    ['driven out, then wet again', [WATER, FLUID, step('Rinse', 'water')], 2, /drives this water out/],
  ] as const)('%s is refused at its step', (_, steps, at, says) => {
    expect(ownProblem(steps)).toMatchObject({ step: at, message: expect.stringMatching(says) });
  });
  it('is taken as practice has it: by fluid, by alcohol, by warm air', () => {
    for (const end of [[FLUID], [FLUID, AIR], [step('Displace', 'alcohol')], [AIR], [SPIRIT, AIR]])
      expect(ownProblem([SPIRIT, WATER, ...end])).toBeNull();
    expect(ownProblem([step('Brush dry', null)])).toBeNull();
  });
});
