import { CAMBRIDGE_QUARTERS, judgeQuarters, outOfStep, quarterNotes } from '../../strike/index.ts';
import { ensure } from '../../units/index.ts';
import { fact, maybe, numbers, out, table, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { has } from '../../movement/index.ts';

const QUARTERS = 'Cambridge Quarters, tune of 1793: five changes, used 1 | 2 3 | 4 5 1 | 2 3 4 5';

export default working({
  id: 'quarters',
  title: 'Cambridge Quarters',
  subject: 'Strike and chime',
  stages: ['oil', 'run'],
  suits: (t) => has(t, 'chime drum'),
  version: 2,
  asks: 'Which changes sound at each quarter, and is their number in step?',
  alias: 'chime drum out of phase notes four bells',
  inputs: z.object({
    heard: numbers('Changes heard at ¼, ½, ¾ and the hour', '', [1, 4], 0, 4, {
      digits: 0,
      hint: 'Four numbers, or none',
    }),
  }),
  example: { heard: [2, 3, 4, 1] },
  result: z.object({
    plan: table('As it should be', {
      quarter: words('Quarter'),
      changes: words('Changes'),
      notes: out('Notes', '', 0),
    }),
    anHour: out('Notes an hour', '', 0),
    right: fact('Right'),
    outBy: maybe('Ahead of the hand by', 'quarters', 0),
  }),
  compute({ heard }) {
    ensure(heard.length === 0 || heard.length === 4, 'heard', 'Four numbers, or none.');
    const judged = heard.length === 4 ? judgeQuarters(heard) : { right: true, outOfStepBy: null };
    const quarters = [1, 2, 3, 4] as const;
    return {
      plan: quarters.map((q) => ({
        quarter: ['quarter', 'half', 'three quarters', 'hour'][q - 1]!,
        changes: CAMBRIDGE_QUARTERS[q].join(' '),
        notes: quarterNotes(q),
      })),
      anHour: quarters.reduce((n, q) => n + quarterNotes(q), 0),
      right: judged.right,
      outBy: judged.outOfStepBy,
    };
  },
  says: (r) => {
    if (r.outBy !== null) return outOfStep(r.outBy);
    return r.right
      ? 'The numbers are in step. Does each quarter begin as it should? The drum gives that.'
      : outOfStep(null);
  },
  formula: '4, 8, 12, 16 notes; 40 an hour; the drum turns twice',
  sources: [QUARTERS],
  checks: [
    {
      kind: 'published',
      source: QUARTERS,
      given: { heard: [] },
      finds: { anHour: [40, 0], 'plan.2.changes': '4 5 1', 'plan.3.notes': [16, 0] },
    },
    {
      kind: 'practice',
      source: 'Half at the quarter, three quarters at the half …: one quarter ahead',
      given: { heard: [2, 3, 4, 1] },
      finds: { outBy: [1, 0], right: false },
    },
  ],
});
