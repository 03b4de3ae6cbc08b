import { beatsForLength } from '../../pendulum/index.ts';
import { mm, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';
import { place, gravity, MECHANICS } from './shared.ts';

export default working({
  id: 'pendulum-beats',
  title: 'Beats of a pendulum',
  subject: 'Pendulum',
  stages: ['assess'],
  suits: pendulum,
  version: 1,
  figure: 'pendulum',
  asks: 'How often does a pendulum of this length beat?',
  alias: 'measured length',
  inputs: z.object({ lengthMm: mm('Flexing point to centre of oscillation', 0.5, 20000), ...place }),
  example: { lengthMm: 248.4 },
  result: z.object({ beats: out('Beats an hour', '', 1), beatS: out('One beat', 's', 4) }),
  compute(i) {
    const found = beatsForLength(i.lengthMm, gravity(i));
    return { beats: found, beatS: 3600 / found };
  },
  says: (r) =>
    `${r.beats.toFixed(0)} beats an hour. Taken at the middle of the bob, count it against a watch for two minutes.`,
  formula: 'beats = 7200/(2π √(L/g))',
  sources: [MECHANICS],
  checks: [
    {
      kind: 'published',
      source: 'Seconds pendulum at standard gravity 993.62 mm',
      given: { lengthMm: 993.621 },
      finds: { beats: [3600, 0.01] },
    },
    {
      kind: 'memory',
      source: 'Quarter-seconds pendulum about 62.1 mm',
      given: { lengthMm: 62.101 },
      finds: { beats: [14400, 0.1] },
    },
  ],
});
