import { chooseBush, freshClearanceMm, readStock, STARTING_STOCK } from '../../pivots/index.ts';
import { ensure, Outside } from '../../units/index.ts';
import { mm, out, text } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { size, hole } from './shared.ts';

export default working({
  id: 'bush',
  title: 'Bush from stock',
  subject: 'Pivots and bushes',
  stages: ['survey', 'fit'],
  version: 1,
  figure: 'bush',
  caution: 'Clamp the plate, never hold it by hand: the cutter seizes as it comes through. Eye protection.',
  asks: 'Which bush, which reamer, and where is the true centre?',
  alias: 'bushing reamer press fit broach',
  inputs: z.object({
    pivotMm: size('Finished pivot'),
    clearanceMm: mm('Clearance to leave', 0, 0.6, {
      digits: 3,
      hint: 'Empty: 4 % of the pivot, at least 0.02',
    }).optional(),
    ...hole,
    plateMm: mm('Plate', 0.3, 10),
    stockCsv: text('Own stock', 20000, {
      hint: 'CSV: bore_mm,outside_mm,height_mm. Empty: a graded stock to start from',
    }).optional(),
  }),
  example: { pivotMm: 1.2, holeLongMm: 1.6, holeShortMm: 1.28, plateMm: 1.8 },
  result: z.object({
    boreMm: out('Bush, bore', 'mm', 2),
    outsideMm: out('Bush, outside', 'mm', 2),
    heightMm: out('Bush, height', 'mm', 2),
    reamMm: out('Ream the plate to', 'mm', 3),
    finishedBoreMm: out('Broach the bore to', 'mm', 3),
    centreBackMm: out('True centre, back from the middle', 'mm', 3),
    wallMm: out('Wall left', 'mm', 2),
  }),
  compute(i) {
    ensure(i.holeLongMm >= i.holeShortMm, 'holeShortMm', 'The short way cannot be more than the long way.');
    const read = i.stockCsv?.trim() ? readStock(i.stockCsv) : null;
    if (read && read.problems.length > 0)
      throw new Outside('stockCsv', `Line ${read.problems[0]!.line}: ${read.problems[0]!.message}`);
    const bush = chooseBush(
      {
        finishedPivotMm: i.pivotMm,
        clearanceMm: i.clearanceMm ?? freshClearanceMm(i.pivotMm),
        holeLongMm: i.holeLongMm,
        holeShortMm: i.holeShortMm,
        plateMm: i.plateMm,
      },
      read?.stock ?? STARTING_STOCK,
    );
    if (!bush)
      throw new Outside(
        'stockCsv',
        'No bush in the stock swallows this hole and stands as high as the plate: turn one.',
      );
    return {
      boreMm: bush.boreMm,
      outsideMm: bush.outsideMm,
      heightMm: bush.heightMm,
      reamMm: bush.reamToMm,
      finishedBoreMm: bush.finishedBoreMm,
      centreBackMm: bush.centreBackMm,
      wallMm: (bush.outsideMm - bush.finishedBoreMm) / 2,
    };
  },
  says: (r) =>
    `Bush ${r.boreMm} × ${r.outsideMm} × ${r.heightMm}: ream to ${r.reamMm.toFixed(3)} mm about a ` +
    `centre ${r.centreBackMm.toFixed(2)} mm back against the wear, broach to ` +
    `${r.finishedBoreMm.toFixed(3)}.`,
  formula: 'outside ≥ 2 · long − short and bore + 0.8; ream = outside − 0.015; centre back (long − short)/2',
  sources: ['Press fit 0.01 to 0.02 mm, wall 0.4 mm (practice)'],
  checks: [
    {
      kind: 'practice',
      source: 'By hand: 1.6 − 0.64 = 0.96 from the true centre, wall wants 1.24 + 0.8 = 2.04: the next size is 2.5',
      given: { pivotMm: 1.2, clearanceMm: 0.04, holeLongMm: 1.6, holeShortMm: 1.28, plateMm: 1.8 },
      finds: { outsideMm: [2.5, 0], heightMm: [2, 0], centreBackMm: [0.16, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Press fit between 0.01 and 0.02 mm; own list with comma and semicolon',
      given: {
        pivotMm: 1,
        clearanceMm: 0.04,
        holeLongMm: 1.2,
        holeShortMm: 1.1,
        plateMm: 1.4,
        stockCsv: 'bore_mm;outside_mm;height_mm\n1,0;2,2;1,5\n1,0;4,0;1,5',
      },
      finds: { outsideMm: [2.2, 0], reamMm: [2.185, 0.005] },
    },
  ],
});
