import { describe, expect, it } from 'vitest';
import { runWorking, workingById } from './index.ts';

/** What a working tells the person to do: a wrong direction here bends a crutch or breaks a spring. */
const says = (id: string, change: Record<string, unknown> = {}): string => {
  const w = workingById(id)!;
  const outcome = runWorking(w, { ...(w.example as object), ...change });
  if (!outcome.ok) throw new Error(`${id}: ${JSON.stringify(outcome.problems)}`);
  return outcome.says;
};

describe('which way to turn', () => {
  // Practice: a clock that gains is let down (longer, slower), one that loses is taken up.
  it.each([
    ['set-rate', { rate: 62 }, /turns? down/],
    ['set-rate', { rate: -62 }, /turns? up/],
    ['set-rate', { rate: 0 }, /Leave it/],
    ['set-rate', { rate: 100, setter: 'hairspring', actingMm: 400 }, /0\.93 mm longer/],
    ['set-rate', { rate: -100, setter: 'hairspring', actingMm: 400 }, /shorter/],
    ['set-rate', { rate: -4, setter: 'bob weights', lengthMm: 994, pendulumG: 5000, belowMm: 497 }, /g added/],
    [
      'set-rate',
      { rate: 40, setter: 'regulator', tried: [{ amount: -1, before: 60, after: 40 }] },
      /2 divisions towards slow/,
    ],
    ['pendulum-alter', { rate: 120 }, /longer/],
    ['pendulum-alter', { rate: -120 }, /shorter/],
    ['gravity', { toLatitudeDeg: 80, toHeightM: 0 }, /gains/],
    ['gravity', { toLatitudeDeg: 0, toHeightM: 0 }, /loses/],
    ['pendulum-temperature', { warmerC: 10 }, /loses/],
    ['pendulum-temperature', { warmerC: -10 }, /gains/],
    ['circular-error', { semiArcDeg: 3, otherDeg: 2 }, /gains/],
    ['circular-error', { semiArcDeg: 2, otherDeg: 3 }, /loses/],
    ['release-minute', { minutes: [2, 2, 2] }, /Late by 2.0 min: turn its collet 12° back/],
    ['release-minute', { minutes: [58] }, /Early by 2.0 min: turn its collet 12° forward/],
    ['release-minute', { minutes: [15.2, 15] }, /1 square back/],
    ['rate-against', {}, /loses .* with each day of the wind/],
    [
      'rate-against',
      {
        against: 'temperature in °C',
        points: [
          { x: 10, rate: 1 },
          { x: 20, rate: 0.8 },
          { x: 30, rate: 1.1 },
        ],
      },
      /No more than chance/,
    ],
    [
      'rate-against',
      {
        against: 'temperature in °C',
        points: [
          { x: 10, rate: -8 },
          { x: 20, rate: 0 },
          { x: 30, rate: 8 },
        ],
      },
      /Gains 0.80 s a day for each °C warmer: no plain rod does that/,
    ],
  ])('%s %j', (id, change, what) => expect(says(id, change)).toMatch(what));
});

describe('what is too much or too little', () => {
  it.each([
    ['spring-strength', {}, /14 % harder/],
    ['spring-strength', { thicknessMm: 0.36 }, /25 % less/],
    ['spring-strength', { thicknessMm: 0.4 }, /As strong/],
    ['spring-turns', { arborMm: 10 }, /thin for this barrel/],
    ['spring-turns', { arborMm: 20 }, /thick for this barrel/],
    ['spring-turns', { lengthMm: 2200 }, /longer than the best/],
    ['spring-run', { days: 14 }, /stops after/],
    ['spring-run', { days: 8 }, /in hand over 8 days/],
    ['spring-stock', { stock: [{ name: 'wide', widthMm: 22, thicknessMm: 0.4, lengthMm: 1500 }] }, /None in stock/],
    ['weight-landing', {}, /lands first/],
    ['weight-landing', { fallMm: 4000 }, /still hanging/],
    ['weight-landing', { fallMm: 600 }, /only 3\.\d of 8 days/],
    ['line-strength', {}, /enough/],
    ['line-strength', { breakingKg: 10 }, /Take a line of 14 kg/],
    ['key-square', { keyMm: 4.4 }, /It fits/],
    ['key-square', {}, /sloppy by 0\.45 mm.*Take the 4\.5 mm/],
    ['depth-after', { measuredMm: 16.9 }, /Too deep/],
    ['depth-after', { measuredMm: 17.2 }, /Too shallow/],
    ['hole-verdict', { holeLongMm: 1.21, holeShortMm: 1.21 }, /^Tight/],
    ['hole-verdict', {}, /^Bush it/],
    ['train-duration', { turns: 12 }, /only 6.0 days: 4.0 turns short/],
    ['train-beats', { escapeTeeth: 31 }, /does not belong/],
    ['outputs', { mayMilliamps: 400 }, /Never join them all/],
    ['coil', { volts: 30 }, /Warm/],
    ['duty', { expected: 1 }, /Too often/],
    ['duty', { expected: 4 }, /Too seldom/],
    ['synchronous', {}, /loses 4.0 hours/],
    ['synchronous', { hertz: 60 }, /right for these mains/],
    ['step-test', { supplyV: 8 }, /will not step/],
    ['dilution', { inConcentrateL: 1, inWaterL: 1 }, /Pour 1.00 l out first. Add 3000 ml of water/],
    ['bath-limit', {}, /Take out hands/],
    ['bath-limit', { parts: [{ name: 'plates', material: 'bare brass' }] }, /15 min at most/],
    ['beat-error', { tickToTockMs: 500, tockToTickMs: 501 }, /In beat/],
    ['beat-error', { oscillator: 'balance' }, /collet/],
    ['amplitude', { ms: 22.182 }, /Too small/],
    ['motion-work', { hourWheel: 74 }, /does not belong/],
    ['motion-work', {}, /Twelve/],
    ['quarters', { heard: [1, 2, 3, 4] }, /in step\. Does each/],
    ['quarters', { heard: [1, 3, 2, 4] }, /in no order/],
    ['same-place', { stopMinutes: [5, 100, 170] }, /No arbor fits/],
    ['train-missing', { tolerancePercent: 0, beats: 3601 }, /No counts/],
    ['estimate', { prices: 'with tax' }, /452\.80 to pay, of which 75\.47 is tax/],
  ])('%s %j', (id, change, what) => expect(says(id, change)).toMatch(what));
});

it('what is dangerous says so, and defers to the rules of the place', () => {
  for (const id of ['spring-turns', 'spring-length', 'spring-stock', 'spring-set'])
    expect(workingById(id)!.caution).toMatch(/local rules/);
  for (const id of ['coil', 'suppression', 'duty', 'synchronous', 'step-test', 'outputs'])
    expect(workingById(id)!.caution).toMatch(/Mains: unplugged.*local rules/);
  for (const id of ['bath-limit', 'dilution']) expect(workingById(id)!.caution).toMatch(/bleach near ammonia/);
  for (const id of ['line-length', 'weight-landing', 'line-strength'])
    expect(workingById(id)!.caution).toMatch(/Weights off/);
});
