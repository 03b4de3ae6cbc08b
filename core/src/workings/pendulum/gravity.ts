import { gravityAt, rateMoved } from '../../pendulum/index.ts';
import { rateInWords } from '../../rate/index.ts';
import { number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';
import { WGS } from './shared.ts';

export default working({
  id: 'gravity',
  title: 'Gravity, and a clock that moves house',
  subject: 'Pendulum',
  stages: ['run', 'sign'],
  suits: pendulum,
  version: 1,
  asks: 'What will a pendulum clock do at another place?',
  alias: 'latitude altitude moved',
  inputs: z.object({
    fromLatitudeDeg: number('Latitude where it was set', '°', -90, 90),
    fromHeightM: number('Height there', 'm', -500, 9000, { digits: 0 }),
    toLatitudeDeg: number('Latitude where it goes', '°', -90, 90),
    toHeightM: number('Height there', 'm', -500, 9000, { digits: 0 }),
  }),
  example: { fromLatitudeDeg: 51.5, fromHeightM: 20, toLatitudeDeg: 40, toHeightM: 1000 },
  result: z.object({
    fromGravity: out('Gravity where it was set', 'm/s²', 5),
    toGravity: out('Gravity where it goes', 'm/s²', 5),
    rateSecondsPerDay: out('Change of rate', 's/day', 1),
  }),
  compute(i) {
    const fromGravity = gravityAt(i.fromLatitudeDeg, i.fromHeightM),
      toGravity = gravityAt(i.toLatitudeDeg, i.toHeightM);
    return { fromGravity, toGravity, rateSecondsPerDay: rateMoved(fromGravity, toGravity) };
  },
  says: (r) =>
    `At the new place it ${rateInWords(r.rateSecondsPerDay, 0)} against the old: set it for that before it goes.`,
  formula:
    'γ = 9.7803253359 (1 + 0.00193185265241 sin²φ)/√(1 − 0.00669437999013 sin²φ) − 3.086·10⁻⁶ h; Δ = ' +
    '86400 (√(g₂/g₁) − 1)',
  sources: [WGS],
  checks: [
    {
      kind: 'published',
      source: WGS,
      given: { fromLatitudeDeg: 0, fromHeightM: 0, toLatitudeDeg: 90, toHeightM: 0 },
      finds: { fromGravity: [9.780325, 1e-6], toGravity: [9.832185, 1e-6] },
    },
    {
      kind: 'memory',
      source: 'A thousand metres up a pendulum loses about 13.6 s a day',
      given: { fromLatitudeDeg: 45, fromHeightM: 0, toLatitudeDeg: 45, toHeightM: 1000 },
      finds: { rateSecondsPerDay: [-13.6, 0.05] },
    },
  ],
});
