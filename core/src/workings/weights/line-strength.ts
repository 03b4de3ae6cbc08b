import { HOUSE_FACTOR, pullKg } from '../../weight/index.ts';
import { choice, fact, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { weights } from '../suited.ts';
import { caution, falls, count } from './shared.ts';

export default working({
  id: 'line-strength',
  title: 'Is the line strong enough',
  subject: 'Weights and fusee',
  stages: ['fit'],
  suits: weights,
  version: 1,
  caution,
  asks: 'Does this line, chain or cable carry the weight?',
  alias: 'breaking load safe',
  inputs: z.object({
    massKg: number('Weight', 'kg', 0.1, 500),
    falls,
    breakingKg: number('Breaking load', 'kg', 0.5, 5000, { digits: 1 }),
    factor: number('House factor', '×', 1, 20, { digits: 1 }).default(HOUSE_FACTOR),
    trains: choice('It drives', ['one train', 'two trains on an endless chain']),
  }),
  example: { massKg: 5.5, falls: 'on a pulley', breakingKg: 40, factor: 5, trains: 'one train' },
  result: z.object({
    pullKg: out('Pull in the line', 'kg', 2),
    times: out('Stronger than its pull', '×', 1),
    enough: fact('Enough'),
  }),
  compute(i) {
    const pull = i.trains === 'one train' ? pullKg(i.massKg, count(i.falls)) : i.massKg / 2;
    return { pullKg: pull, times: i.breakingKg / pull, enough: i.breakingKg >= i.factor * pull };
  },
  says: (r, i) =>
    r.enough
      ? `${r.times.toFixed(1)} times its pull: enough.`
      : `Only ${r.times.toFixed(1)} times its pull; the house wants ${i.factor}. Take a line of ` +
        `${(i.factor * r.pullKg).toFixed(0)} kg.`,
  formula: 'pull = m, or m/2 on a pulley or an endless chain; breaking load ≥ factor · pull',
  sources: ['House factor of five, practice'],
  checks: [
    {
      kind: 'practice',
      source: 'Endless chain: half the weight on each train',
      given: { massKg: 6, falls: 'straight on the line', breakingKg: 30, trains: 'two trains on an endless chain' },
      finds: { pullKg: [3, 1e-9], enough: true },
    },
    {
      kind: 'practice',
      source: 'A pulley halves the pull; five times is asked',
      given: { massKg: 10, falls: 'on a pulley', breakingKg: 24, factor: 5, trains: 'one train' },
      finds: { times: [4.8, 1e-9], enough: false },
    },
  ],
});
