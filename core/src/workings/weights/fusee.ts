import { barrelTurns, bestSetUp, chainLengthMm, torqueOverWind, unevenness } from '../../weight/index.ts';
import { mm, number, out, table } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { fusee } from '../suited.ts';

export default working({
  id: 'fusee',
  title: 'Fusee, chain and set-up',
  subject: 'Weights and fusee',
  stages: ['fit', 'run'],
  suits: fusee,
  version: 1,
  figure: 'fusee',
  caution: 'Never unhook a loaded chain. Let the set-up down and count it before the barrel bridge is touched.',
  asks: 'How long is the chain, how far does the barrel turn, and how many set-up turns pull evenly?',
  alias: 'fuzee chain set up turns torque even',
  inputs: z.object({
    largeMm: mm('Groove at the foot, across', 5, 150),
    smallMm: mm('Groove at the top, across', 3, 120),
    turns: number('Turns of the groove', 'turns', 2, 30),
    barrelMm: mm('Barrel, outside', 10, 150),
    chainMm: mm('Chain or line, thick', 0.3, 4),
    spanMm: mm('Straight run and hooks', 0, 300, { digits: 0 }),
    restTurns: number('Spring tighter in its barrel than free by', 'turns', 0, 30, {
      digits: 1,
      hint: 'Coils counted let down in the barrel, less coils lying free',
    }),
    setUpTurns: number('Set-up', 'turns', 0, 10),
  }),
  example: {
    largeMm: 44,
    smallMm: 20,
    turns: 16,
    barrelMm: 50,
    chainMm: 1.4,
    spanMm: 40,
    restTurns: 8.5,
    setUpTurns: 0.5,
  },
  result: z.object({
    chainMm: out('Chain', 'mm', 0),
    barrelTurns: out('Barrel turns', 'turns', 2),
    unevenPercent: out('Pull varies by', '%', 0),
    bestSetUp: out('Most even set-up', 'turns', 2),
    bestUnevenPercent: out('It would vary by', '%', 0),
    curve: table('Pull over the wind', {
      unwoundTurns: out('Turns from full', '', 1),
      sharePercent: out('Pull, of its mean', '%', 0),
    }),
  }),
  compute(i) {
    const best = bestSetUp(i);
    const curve = torqueOverWind(i, i.setUpTurns)
      .filter((_, k) => k % 5 === 0)
      .map((p) => ({ unwoundTurns: p.unwoundTurns, sharePercent: 100 * p.share }));
    return {
      chainMm: chainLengthMm(i),
      barrelTurns: barrelTurns(i),
      unevenPercent: 100 * unevenness(i, i.setUpTurns),
      bestSetUp: best,
      bestUnevenPercent: 100 * unevenness(i, best),
      curve,
    };
  },
  says: (r, i) =>
    Math.abs(r.bestSetUp - i.setUpTurns) < 0.2
      ? `The pull is as even as this fusee allows, within ${r.unevenPercent.toFixed(0)} %.`
      : `Set up ${r.bestSetUp} turns instead of ${i.setUpTurns}: the pull would vary by ` +
        `${r.bestUnevenPercent.toFixed(0)} % instead of ${r.unevenPercent.toFixed(0)}. What was ` +
        'counted out goes before theory.',
  formula:
    'chain = π n (mean groove + chain) + half a barrel turn + span; pull = (spring turns from free + ' +
    'set-up + barrel turns left) · radius',
  sources: ['Spring pull taken as proportional to its turns from free, and the taper as straight: real fusees differ'],
  checks: [
    {
      kind: 'by hand',
      source: 'Circumference: ten turns of 30 mm are 942.5 mm; barrel of 30 mm turns as often',
      given: {
        largeMm: 29.2,
        smallMm: 28.8,
        turns: 10,
        barrelMm: 29,
        chainMm: 1,
        spanMm: 0,
        restTurns: 5,
        setUpTurns: 1,
      },
      finds: { barrelTurns: [10, 1e-9], chainMm: [942.478 + 47.124, 0.01] },
    },
    {
      kind: 'practice',
      source:
        'A spring without any tension in its barrel has no pull at the end of the wind: that is what set-up is for',
      given: {
        largeMm: 44,
        smallMm: 20,
        turns: 16,
        barrelMm: 50,
        chainMm: 1.4,
        spanMm: 40,
        restTurns: 0,
        setUpTurns: 0,
      },
      finds: { 'curve.20.sharePercent': [0, 0.001] },
    },
  ],
});
