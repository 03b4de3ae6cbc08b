import { daysForTurns, ratioOf, turnsForDays } from '../../train/index.ts';
import { maybe, number, out, rows } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { swings } from '../suited.ts';
import { mesh, TEXT } from './shared.ts';

export default working({
  id: 'train-duration',
  title: 'Turns and days of a wind',
  subject: 'Trains',
  stages: ['assess', 'fit', 'run'],
  suits: swings,
  version: 1,
  asks: 'How many turns does it need for the days wanted, and how long does a wind last?',
  alias: 'eight day run barrel turns duration',
  inputs: z.object({
    meshes: rows('From the first wheel to the hourly arbor', mesh, 1, 5),
    days: number('Days wanted', 'days', 0.25, 500, { digits: 1 }),
    turns: number('Turns that there are', 'turns', 0.1, 100).optional(),
  }),
  example: { meshes: [{ wheel: 96, pinion: 8 }], days: 8, turns: 16 },
  result: z.object({
    hoursPerTurn: out('One turn of the first wheel', 'h', 2),
    turnsNeeded: out('Turns for the days wanted', 'turns', 2),
    days: maybe('Days from the turns there are', 'days', 2),
  }),
  compute({ meshes, days, turns }) {
    const hours = ratioOf(meshes);
    return {
      hoursPerTurn: hours,
      turnsNeeded: turnsForDays(days, hours),
      days: turns === undefined ? null : daysForTurns(turns, hours),
    };
  },
  says: (r, i) => {
    if (r.days === null) return `${r.turnsNeeded.toFixed(1)} turns for ${i.days} days.`;
    return r.days >= i.days
      ? `It runs ${r.days.toFixed(1)} days: enough for ${i.days}.`
      : `It runs only ${r.days.toFixed(1)} days: ${(r.turnsNeeded - i.turns!).toFixed(1)} turns short ` +
          `of ${i.days} days.`;
  },
  formula: 'hours of a turn = Π wheels/Π pinions; turns = 24 · days/hours',
  sources: [TEXT],
  checks: [
    {
      kind: 'practice',
      source: 'Longcase barrel: one turn in 12 h, 16 turns for 8 days',
      given: { meshes: [{ wheel: 96, pinion: 8 }], days: 8, turns: 16 },
      finds: { hoursPerTurn: [12, 1e-9], turnsNeeded: [16, 1e-9], days: [8, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Thirty-hour clock: great wheel turns once an hour',
      given: { meshes: [{ wheel: 60, pinion: 60 }], days: 1.25 },
      finds: { turnsNeeded: [30, 1e-9] },
    },
  ],
});
