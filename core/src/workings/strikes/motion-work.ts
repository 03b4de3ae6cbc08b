import { motionWork } from '../../strike/index.ts';
import { out, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';

export default working({
  id: 'motion-work',
  title: 'Motion work',
  subject: 'Strike and chime',
  stages: ['survey', 'oil'],
  version: 1,
  asks: 'Does the hour hand keep step with the minute hand?',
  alias: 'cannon pipe hour wheel twelve to one',
  inputs: z.object({
    cannon: whole('Cannon pinion', 6, 120),
    minuteWheel: whole('Minute wheel', 6, 200),
    pinion: whole('Its pinion', 4, 60),
    hourWheel: whole('Hour wheel', 12, 240),
  }),
  example: { cannon: 36, minuteWheel: 36, pinion: 6, hourWheel: 72 },
  result: z.object({ turns: out('Turns of the minute hand for one of the hour hand', '', 4) }),
  compute: (i) => ({ turns: motionWork(i.minuteWheel, i.cannon, i.hourWheel, i.pinion) }),
  says: (r) => {
    if (Math.abs(r.turns - 12) < 1e-9) return 'Twelve: right.';
    return Math.abs(r.turns - 24) < 1e-9
      ? 'Twenty-four: a 24-hour dial.'
      : `${r.turns.toFixed(3)}, not 12: a wheel does not belong.`;
  },
  formula: '(minute wheel/cannon) · (hour wheel/its pinion) = 12',
  sources: ['A dial of twelve hours'],
  checks: [
    {
      kind: 'practice',
      source: '36/36 · 72/6',
      given: { cannon: 36, minuteWheel: 36, pinion: 6, hourWheel: 72 },
      finds: { turns: [12, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Another usual set: 30/10 · 32/8',
      given: { cannon: 10, minuteWheel: 30, pinion: 8, hourWheel: 32 },
      finds: { turns: [12, 1e-9] },
    },
  ],
});
