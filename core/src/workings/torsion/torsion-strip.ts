import { neighbours, thicknessFor } from '../../torsion/index.ts';
import { MM_PER_INCH } from '../../units/index.ts';
import { numbers, out, table } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { torsion } from '../suited.ts';
import { strip, perMinute, law, LAW } from './shared.ts';

const inches = (t: number) => `${(t / MM_PER_INCH).toFixed(4)} in`;

export default working({
  id: 'torsion-strip',
  title: 'Strength of a torsion strip',
  subject: 'Torsion',
  stages: ['fit', 'run'],
  suits: torsion,
  version: 1,
  asks: 'Which strip makes it beat as it should?',
  alias: 'suspension spring 400-day eight beats',
  inputs: z.object({
    thicknessMm: strip('Strip that is in'),
    observed: perMinute('Beats counted with it'),
    wanted: perMinute('Beats wanted'),
    law,
    stockMm: numbers('Strips in stock', 'mm', [0.03, 0.5], 0, 60, {
      digits: 4,
      hint: 'Empty: every ten-thousandth of an inch',
    }),
  }),
  example: { thicknessMm: 0.09652, observed: 7.6, wanted: 8, law: 'equal width', stockMm: [] },
  result: z.object({
    wantedMm: out('Thickness wanted', 'mm', 4),
    nowSecondsPerDay: out('Rate with the strip that is in', 's/day', 0),
    choices: table('Nearest strips', {
      thicknessMm: out('Thickness', 'mm', 4),
      thousandths: out('in thousandths', '', 1),
      beatsPerMinute: out('Beats', 'a minute', 3),
      rateSecondsPerDay: out('Rate', 's/day', 0),
    }),
  }),
  compute(i) {
    return {
      wantedMm: thicknessFor(i.thicknessMm, i.observed, i.wanted, i.law),
      nowSecondsPerDay: 86400 * (i.observed / i.wanted - 1),
      choices: neighbours(i.thicknessMm, i.observed, i.wanted, i.law, i.stockMm).map((c) => ({
        ...c,
        thousandths: (1000 * c.thicknessMm) / MM_PER_INCH,
      })),
    };
  },
  says(r, i) {
    const best = [...r.choices].sort((a, b) => Math.abs(a.rateSecondsPerDay) - Math.abs(b.rateSecondsPerDay))[0];
    return best
      ? `Take ${inches(best.thicknessMm)}: it ` +
          (best.rateSecondsPerDay < 0 ? 'loses' : 'gains') +
          ` ${Math.abs(best.rateSecondsPerDay / 60).toFixed(1)} min a day, the rest on the bob’s ` +
          `adjuster. Calculated for ${i.law}.`
      : 'The stock has none near it.';
  },
  formula: 't₂ = t₁ (wanted/observed)^(2/3) at equal width; ^(1/2) when width grows with strength',
  sources: [LAW],
  checks: [
    {
      kind: 'practice',
      source: '0.0038 in at 7.6 a minute wants 0.00393 in for 8',
      given: { thicknessMm: 0.0038 * 25.4, observed: 7.6, wanted: 8, law: 'equal width', stockMm: [] },
      finds: {
        wantedMm: [0.00393 * 25.4, 0.00001 * 25.4],
        'choices.0.thousandths': [3.9, 0.001],
        'choices.1.thousandths': [4, 0.001],
      },
    },
    {
      kind: 'published',
      source: LAW + ': four times the thickness, eight times the beats',
      given: { thicknessMm: 0.05, observed: 2, wanted: 16, law: 'equal width', stockMm: [0.19, 0.2] },
      finds: { wantedMm: [0.2, 1e-9] },
    },
  ],
});
