import { coilAt } from '../../electric/index.ts';
import { out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { electric } from '../suited.ts';
import { caution, volts, ohms } from './shared.ts';

const OHM = 'Ohm’s law';

export default working({
  id: 'coil',
  title: 'Current and power of a coil',
  subject: 'Electric',
  stages: ['assess', 'diagnose', 'run'],
  suits: electric,
  version: 1,
  caution,
  asks: 'What does this coil draw?',
  alias: 'ohm resistance milliamp watt',
  inputs: z.object({ volts, ohms }),
  example: { volts: 5, ohms: 220 },
  result: z.object({ milliamps: out('Current', 'mA', 1), watts: out('Power', 'W', 2) }),
  compute: (i) => coilAt(i.volts, i.ohms),
  says: (r) =>
    `${r.milliamps.toFixed(0)} mA, ${r.watts.toFixed(2)} W. ` +
    (r.watts > 2 ? 'Warm if it stays on: find out how long it is closed.' : 'Set the supply’s limit a little above.'),
  formula: 'I = V/R, P = V²/R',
  sources: [OHM],
  checks: [
    {
      kind: 'published',
      source: OHM + ': 5 V over 220 Ω',
      given: { volts: 5, ohms: 220 },
      finds: { milliamps: [22.727, 0.001] },
    },
    {
      kind: 'published',
      source: OHM + ': 18 V over 220 Ω',
      given: { volts: 18, ohms: 220 },
      finds: { milliamps: [81.8, 0.05], watts: [1.47, 0.005] },
    },
  ],
});
