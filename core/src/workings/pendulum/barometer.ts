import { airDensity, BOBS, lossPerAir, type BobMetal } from '../../pendulum/index.ts';
import { choice, mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';

export default working({
  id: 'barometer',
  title: 'Barometer and the pendulum',
  subject: 'Pendulum',
  stages: ['run', 'sign'],
  suits: pendulum,
  version: 1,
  asks: 'How much does the weather change the rate?',
  alias: 'barometric air pressure density buoyancy',
  inputs: z.object({
    metal: choice('Bob', Object.keys(BOBS) as [BobMetal, ...BobMetal[]]),
    diameterMm: mm('Bob across', 5, 600, { digits: 0 }),
    thicknessMm: mm('Bob thick', 1, 600, { digits: 0 }),
    risesHPa: number('Barometer rises by', 'hPa', -80, 80, { digits: 1, hint: 'One inch of mercury is 33.9 hPa' }),
    celsius: number('In the room', '°C', 0, 40, { digits: 0 }),
  }),
  example: { metal: 'lead', diameterMm: 150, thicknessMm: 50, risesHPa: 30, celsius: 20 },
  result: z.object({
    leastSecondsPerDay: out('Change of rate, in ideal air', 's/day', 2),
    mostSecondsPerDay: out('Change of rate, in air that clings', 's/day', 2),
    toKgPerM3: out('Air of one hPa more', 'kg/m³', 6),
  }),
  compute(i) {
    const perHPa = airDensity(1000, i.celsius) / 1000;
    const loss = lossPerAir(i.metal, i.thicknessMm / i.diameterMm);
    return {
      leastSecondsPerDay: -loss.least * perHPa * i.risesHPa,
      mostSecondsPerDay: -loss.most * perHPa * i.risesHPa,
      toKgPerM3: perHPa,
    };
  },
  says: (r) =>
    (Math.abs(r.mostSecondsPerDay) < 0.05
      ? 'Not to be seen.'
      : `It ${r.mostSecondsPerDay < 0 ? 'loses' : 'gains'} ${Math.abs(r.leastSecondsPerDay).toFixed(2)} to ` +
        `${Math.abs(r.mostSecondsPerDay).toFixed(2)} s a day.`) +
    ' A house clock never shows it; do not set the nut by a day of odd weather.',
  formula: 'Δrate = −43200 Δρ/ρ_bob (1 + k), k the share of the displaced air that swings along',
  sources: ['Buoyancy; Lamb, Hydrodynamics: air carried by a spheroid; ICAO standard atmosphere'],
  checks: [
    {
      kind: 'memory',
      source: 'Regulators lose about 0.3 s a day for an inch of mercury',
      given: { metal: 'lead', diameterMm: 150, thicknessMm: 150, risesHPa: 33.86, celsius: 15 },
      finds: { mostSecondsPerDay: [-0.3, 0.02] },
    },
    {
      kind: 'published',
      source: 'ICAO standard atmosphere: 1.2250 kg/m³ at 1013.25 hPa and 15 °C',
      given: { metal: 'brass', diameterMm: 100, thicknessMm: 30, risesHPa: 10, celsius: 15 },
      finds: { toKgPerM3: [1.225 / 1013.25, 1e-7] },
    },
    {
      kind: 'published',
      source: 'A ball carries half of the air that it displaces, any text on fluids: 43200 · 0.0409/8500 · 1.5',
      given: { metal: 'brass', diameterMm: 100, thicknessMm: 100, risesHPa: 33.86, celsius: 15 },
      finds: { leastSecondsPerDay: [-0.312, 0.002] },
    },
  ],
});
