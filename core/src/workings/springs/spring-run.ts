import { runDays, TURNS_LOST } from '../../spring/index.ts';
import { number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs } from '../suited.ts';

/** What gives more turns: length only up to half the free area, a thinner strip always. */
const moreTurns = (fillsPercent: number | undefined): string => {
  if (fillsPercent === undefined)
    return 'a thinner spring, or a longer one as long as it fills less than half the free area.';
  return fillsPercent < 47 ? 'a longer or a thinner spring.' : 'a thinner spring; a longer one would give fewer turns.';
};

export default working({
  id: 'spring-run',
  title: 'Does the spring last the days',
  subject: 'Mainspring',
  stages: ['assess', 'fit', 'run'],
  suits: springs,
  version: 2,
  asks: 'How many days does a full wind run?',
  alias: 'duration eight day',
  inputs: z.object({
    turns: number('Turns of the barrel, ideal', 'turns', 0.5, 60),
    hoursPerTurn: number('Hours of one barrel turn', 'h', 0.2, 2000),
    fillsPercent: number('It fills of the free area', '%', 5, 100, {
      digits: 0,
      hint: 'May stay empty; past a half a longer spring gives fewer turns',
    }).optional(),
    days: number('Days wanted', 'days', 0.25, 500, { digits: 1 }),
  }),
  example: { turns: 8.85, hoursPerTurn: 36, days: 8 },
  result: z.object({
    days: out('Runs, with one turn lost', 'days', 1),
    idealDays: out('Ideal', 'days', 1),
    inHandTurns: out('Turns in hand', 'turns', 1),
  }),
  compute(i) {
    const real = Math.max(0, i.turns - TURNS_LOST);
    return {
      days: runDays(real, i.hoursPerTurn),
      idealDays: runDays(i.turns, i.hoursPerTurn),
      inHandTurns: real - (24 * i.days) / i.hoursPerTurn,
    };
  },
  says: (r, i) =>
    r.inHandTurns >= 0
      ? `It runs ${r.days.toFixed(1)} days: ${r.inHandTurns.toFixed(1)} turns in hand over ${i.days} days.`
      : `It stops after ${r.days.toFixed(1)} days, before ${i.days}: ${moreTurns(i.fillsPercent)}`,
  formula: 'days = (turns − 1) · hours/24',
  sources: ['One turn is lost to the hook and the gaps (practice)'],
  checks: [
    {
      kind: 'practice',
      source: 'Seven usable turns of 30 h: 8.75 days',
      given: { turns: 8, hoursPerTurn: 30, days: 8 },
      finds: { days: [8.75, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'One turn in 12 h needs 16 turns for 8 days',
      given: { turns: 17, hoursPerTurn: 12, days: 8 },
      finds: { inHandTurns: [0, 1e-9], days: [8, 1e-9] },
    },
  ],
});
