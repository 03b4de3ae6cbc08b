import { CONTROLS, HALVES, judgeStrike } from '../../strike/index.ts';
import { choice, maybe, rows, whole, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { strikes } from '../suited.ts';

export default working({
  id: 'strike-heard',
  title: 'What was heard',
  subject: 'Strike and chime',
  stages: ['diagnose', 'run'],
  suits: strikes,
  version: 2,
  asks: 'It strikes wrong: what does the list of hours and blows say?',
  alias: 'judge miscount offset random run-on',
  inputs: z.object({
    control: choice('Counted by', CONTROLS),
    halves: choice('A blow at the half', HALVES),
    heard: rows('Heard', { hand: whole('Hand at', 1, 12), heard: whole('Blows', 0, 60) }, 3, 48),
  }),
  example: {
    control: 'count wheel',
    halves: 'not known',
    heard: [
      { hand: 1, heard: 4 },
      { hand: 2, heard: 5 },
      { hand: 3, heard: 6 },
      { hand: 4, heard: 7 },
    ],
  },
  result: z.object({ kind: words('It is'), by: maybe('Off by', 'blows', 0), words: words('What follows') }),
  compute(i) {
    const v = judgeStrike(i.heard, i.control, i.halves);
    return { kind: v.kind, by: v.kind === 'offset' || v.kind === 'tail' ? v.by : null, words: v.words };
  },
  says: (r) => r.words,
  formula: 'offsets round a dial of twelve: all alike, none alike, or a limit',
  sources: ['Practice'],
  checks: [
    {
      kind: 'practice',
      source: 'Count wheel: always the same too many is out of step, cured by tripping it or moving the hour hand',
      given: {
        control: 'count wheel',
        halves: 'not known',
        heard: [
          { hand: 11, heard: 12 },
          { hand: 12, heard: 1 },
          { hand: 1, heard: 2 },
        ],
      },
      finds: { kind: 'offset', by: [1, 0] },
    },
    {
      kind: 'practice',
      source: 'Rack: always one or two, the rack does not fall',
      given: {
        control: 'rack',
        halves: 'not known',
        heard: [
          { hand: 4, heard: 1 },
          { hand: 5, heard: 1 },
          { hand: 6, heard: 2 },
        ],
      },
      finds: { kind: 'always few' },
    },
    {
      kind: 'practice',
      source: 'Rack: one too many at every hour, thirteen at twelve, is a bent tail and no run-on',
      given: {
        control: 'rack',
        halves: 'none',
        heard: [
          { hand: 11, heard: 12 },
          { hand: 12, heard: 13 },
          { hand: 1, heard: 2 },
        ],
      },
      finds: { kind: 'tail', by: [1, 0] },
    },
    {
      kind: 'practice',
      source: 'Bells of the watch in their order are right: two at one o’clock, eight at four',
      given: {
        control: 'ship bells',
        halves: 'on the count',
        heard: [
          { hand: 1, heard: 2 },
          { hand: 4, heard: 8 },
          { hand: 5, heard: 2 },
        ],
      },
      finds: { kind: 'right' },
    },
    {
      kind: 'practice',
      source: 'More than twelve is a run-on',
      given: {
        control: 'rack',
        halves: 'not known',
        heard: [
          { hand: 4, heard: 4 },
          { hand: 5, heard: 19 },
          { hand: 6, heard: 6 },
        ],
      },
      finds: { kind: 'run-on' },
    },
  ],
});
