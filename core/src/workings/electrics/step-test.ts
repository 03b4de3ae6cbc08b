import { GRADES_OF_STEP, judgeSteps } from '../../electric/index.ts';
import { choice, maybe, number, rows, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { electric } from '../suited.ts';
import { caution } from './shared.ts';

export default working({
  id: 'step-test',
  title: 'Step test of a slave or rewind',
  subject: 'Electric',
  stages: ['diagnose', 'run'],
  suits: electric,
  version: 1,
  caution,
  asks: 'From which voltage does it really advance, and is there enough in hand?',
  alias: 'pull-in impulse slave dial moves lifts advances',
  inputs: z.object({
    supplyV: number('It runs on', 'V', 0.1, 400, { digits: 1 }),
    steps: rows(
      'Tried',
      { volts: number('Volts', 'V', 0.1, 400, { digits: 1 }), did: choice('It', GRADES_OF_STEP) },
      1,
      40,
    ),
  }),
  example: {
    supplyV: 12,
    steps: [
      { volts: 4, did: 'nothing' },
      { volts: 6, did: 'moves' },
      { volts: 8, did: 'lifts' },
      { volts: 9, did: 'advances' },
    ],
  },
  result: z.object({
    pullInV: maybe('Advances from', 'V', 1),
    margin: maybe('In hand', '×', 2),
    words: words('What follows'),
  }),
  compute: (i) => judgeSteps(i.steps, i.supplyV),
  says: (r) => r.words,
  formula: 'pull-in: the lowest voltage from which every higher one advanced; a quarter in hand',
  sources: ['Practice'],
  checks: [
    {
      kind: 'practice',
      source: 'Moving and lifting is not yet advancing',
      given: {
        supplyV: 12,
        steps: [
          { volts: 6, did: 'moves' },
          { volts: 8, did: 'lifts' },
          { volts: 9, did: 'advances' },
        ],
      },
      finds: { pullInV: [9, 0], margin: [1.333, 0.001] },
    },
    {
      kind: 'practice',
      source: 'A higher voltage that did less is a catching part',
      given: {
        supplyV: 12,
        steps: [
          { volts: 8, did: 'advances' },
          { volts: 9, did: 'lifts' },
          { volts: 10, did: 'advances' },
        ],
      },
      finds: { pullInV: [10, 0], says: 'did less than below' },
    },
  ],
});
