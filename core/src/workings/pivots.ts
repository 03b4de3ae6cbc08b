import { z } from 'zod';
import { ARBOR_CLASSES, type ArborClass } from '../movement/index.ts';
import {
  chooseBush,
  clearanceFromLean,
  clearanceFromPlay,
  freshClearanceMm,
  judgeDepth,
  judgeHole,
  leanBetweenPlatesDeg,
  leanDeg,
  measureProblem,
  readStock,
  STARTING_STOCK,
  trueCentre,
} from '../pivots/index.ts';
import { centreDistanceMm } from '../train/index.ts';
import { given, ensure, Outside } from '../units/index.ts';
import { choice, mm, number, out, text, whole, words } from './fields.ts';
import { working } from './working.ts';

const size = (title: string) => mm(title, 0.05, 15);
const hole = { holeLongMm: size('Hole, the long way'), holeShortMm: size('Hole, the short way') };
const HOUSE = 'House rule, practice: between 0.02 mm and a tenth of the pivot for train arbors';

export const PIVOTS = [
  working({
    id: 'hole-verdict',
    title: 'Verdict on a pivot hole',
    subject: 'Pivots and bushes',
    stages: ['assess', 'survey'],
    version: 1,
    figure: 'hole',
    asks: 'Does this hole want a bush?',
    alias: 'worn clearance oval wear',
    inputs: z.object({
      pivotMm: size('Pivot'),
      ...hole,
      arbor: choice('Arbor', ARBOR_CLASSES as readonly [ArborClass, ...ArborClass[]]),
    }),
    example: { pivotMm: 1.2, holeLongMm: 1.55, holeShortMm: 1.28, arbor: 'train' },
    result: z.object({
      verdict: words('Verdict'),
      clearanceMm: out('Clearance, the long way', 'mm', 3),
      limitMm: out('House limit', 'mm', 3),
      ovalityMm: out('Oval by', 'mm', 3),
      why: words('Why'),
    }),
    compute(i) {
      const problem = measureProblem(i);
      if (problem)
        throw new Outside(problem.field, `${problem.message.charAt(0).toUpperCase()}${problem.message.slice(1)}.`);
      return judgeHole(i, i.arbor);
    },
    says: (r) =>
      `${{ sound: 'Sound', tight: 'Tight', marginal: 'Marginal', bush: 'Bush it' }[r.verdict as 'sound']}. ${r.why}`,
    formula:
      'clearance = long way − pivot; limit a tenth of the pivot (train), looser at the barrel, tighter at the escapement',
    sources: [HOUSE],
    checks: [
      {
        kind: 'practice',
        source: HOUSE,
        given: { pivotMm: 1.2, holeLongMm: 1.25, holeShortMm: 1.24, arbor: 'train' },
        finds: { verdict: 'sound' },
      },
      {
        kind: 'practice',
        source: 'A third of a millimetre on a 1.2 mm pivot is worn out',
        given: { pivotMm: 1.2, holeLongMm: 1.55, holeShortMm: 1.28, arbor: 'train' },
        finds: { verdict: 'bush', clearanceMm: [0.35, 1e-9] },
      },
    ],
  }),
  working({
    id: 'arbor-lean',
    title: 'Lean, play and clearance',
    subject: 'Pivots and bushes',
    stages: ['survey'],
    version: 1,
    asks: 'What clearance does this lean or this sideways play show?',
    alias: 'rock tilt one plate',
    inputs: z.object({
      how: choice('Known', ['clearance', 'lean in one plate', 'sideways play']),
      clearanceMm: mm('Clearance', 0, 3, { digits: 3, when: { how: ['clearance'] } }).optional(),
      leanDeg: number('Lean to each side', '°', 0, 30, { when: { how: ['lean in one plate'] } }).optional(),
      plateMm: mm('Plate less its sinks', 0.3, 10),
      playMm: mm('Sideways play', 0, 5, { digits: 3, when: { how: ['sideways play'] } }).optional(),
      measuredAtMm: mm('Measured at, from the far pivot', 1, 300, { when: { how: ['sideways play'] } }).optional(),
      gapMm: mm('Between the plates', 3, 300),
    }),
    example: { how: 'lean in one plate', leanDeg: 5, plateMm: 1.5, gapMm: 30 },
    result: z.object({
      clearanceMm: out('Clearance', 'mm', 3),
      leanDeg: out('Lean in one plate, each side', '°', 2),
      betweenDeg: out('Lean between plates', '°', 3),
    }),
    compute(i) {
      const clearanceMm = clearanceOf(i);
      return {
        clearanceMm,
        leanDeg: leanDeg(clearanceMm, i.plateMm),
        betweenDeg: leanBetweenPlatesDeg(clearanceMm, i.gapMm),
      };
    },
    says: (r) =>
      `Clearance ${r.clearanceMm.toFixed(3)} mm: ${r.leanDeg.toFixed(1)}° to each side in one plate, only ${r.betweenDeg.toFixed(2)}° between plates, where sideways play is what can be read.`,
    formula: 'lean = atan(c/h), h = plate less its sinks; between plates atan(c/gap)',
    sources: ['Trigonometry; the method is stored with the number'],
    checks: [
      {
        kind: 'published',
        source: 'tan 45° = 1',
        given: { how: 'clearance', clearanceMm: 1, plateMm: 1, gapMm: 30 },
        finds: { leanDeg: [45, 1e-9] },
      },
      {
        kind: 'published',
        source: 'Tables: tan 5° = 0.087489',
        given: { how: 'lean in one plate', leanDeg: 5, plateMm: 2, gapMm: 30 },
        finds: { clearanceMm: [0.174978, 1e-5] },
      },
    ],
  }),
  working({
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
      `Bush ${r.boreMm} × ${r.outsideMm} × ${r.heightMm}: ream to ${r.reamMm.toFixed(3)} mm about a centre ${r.centreBackMm.toFixed(2)} mm back against the wear, broach to ${r.finishedBoreMm.toFixed(3)}.`,
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
  }),
  working({
    id: 'true-centre',
    title: 'True centre from the wear',
    subject: 'Pivots and bushes',
    stages: ['survey', 'fit'],
    version: 1,
    asks: 'Where was the hole when it was new?',
    alias: 'oval direction coordinates',
    inputs: z.object({
      xMm: number('Middle of the oval, x', 'mm', -500, 500),
      yMm: number('Middle of the oval, y', 'mm', -500, 500),
      ...hole,
      wearDeg: number('Direction of wear', '°', -360, 360, { digits: 0, hint: 'From x towards y' }),
    }),
    example: { xMm: 20, yMm: 35, holeLongMm: 1.6, holeShortMm: 1.28, wearDeg: 210 },
    result: z.object({
      xMm: out('True centre, x', 'mm', 3),
      yMm: out('True centre, y', 'mm', 3),
      backMm: out('Moved back', 'mm', 3),
    }),
    compute: (i) => ({
      ...trueCentre(i, i.holeLongMm, i.holeShortMm, i.wearDeg),
      backMm: (i.holeLongMm - i.holeShortMm) / 2,
    }),
    says: (r) =>
      `${r.xMm.toFixed(2)}, ${r.yMm.toFixed(2)}: ${r.backMm.toFixed(2)} mm back from the middle of the oval.`,
    formula: 'centre = middle − ½(long − short) · direction',
    sources: ['The unworn side of the oval is the old edge (practice)'],
    checks: [
      {
        kind: 'practice',
        source: 'Worn along x by 0.4: the centre lies 0.2 back',
        given: { xMm: 10, yMm: 5, holeLongMm: 1.4, holeShortMm: 1, wearDeg: 0 },
        finds: { xMm: [9.8, 1e-9], yMm: [5, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'Worn straight up: only y moves',
        given: { xMm: 10, yMm: 5, holeLongMm: 1.4, holeShortMm: 1, wearDeg: 90 },
        finds: { xMm: [10, 1e-9], yMm: [4.8, 1e-9] },
      },
    ],
  }),
  working({
    id: 'depth-after',
    title: 'Depthing after bushing',
    subject: 'Pivots and bushes',
    stages: ['fit'],
    version: 1,
    asks: 'Do wheel and pinion still stand right?',
    alias: 'depthing centre distance mesh',
    inputs: z.object({
      wheel: whole('Wheel', 6, 400),
      pinion: whole('Pinion', 4, 60),
      moduleMm: mm('Module', 0.05, 3, { digits: 3 }),
      measuredMm: mm('Centre to centre, now', 1, 300),
    }),
    example: { wheel: 60, pinion: 8, moduleMm: 0.5, measuredMm: 17.03 },
    result: z.object({ rightMm: out('Right distance', 'mm', 3), offMm: out('Off by', 'mm', 3), depth: words('Depth') }),
    compute(i) {
      const rightMm = centreDistanceMm(i.moduleMm, i.wheel, i.pinion);
      return { rightMm, ...judgeDepth(i.measuredMm, rightMm, i.moduleMm) };
    },
    says: (r) =>
      r.depth === 'right'
        ? 'Right, within a twentieth of the module.'
        : `${r.depth === 'too deep' ? 'Too deep' : 'Too shallow'} by ${Math.abs(r.offMm).toFixed(2)} mm: the last bush is off its centre. Plug and mark anew before it goes together.`,
    formula: 'm (N + n)/2 ± m/20',
    sources: ['House rule, practice'],
    checks: [
      {
        kind: 'published',
        source: 'Pitch circles touch: half of 0.5 · 68',
        given: { wheel: 60, pinion: 8, moduleMm: 0.5, measuredMm: 17 },
        finds: { rightMm: [17, 1e-9], depth: 'right' },
      },
      {
        kind: 'practice',
        source: 'A tenth of a millimetre too far is too shallow for module 0.5',
        given: { wheel: 60, pinion: 8, moduleMm: 0.5, measuredMm: 17.1 },
        finds: { depth: 'too shallow' },
      },
    ],
  }),
];

function clearanceOf(i: {
  how: 'clearance' | 'lean in one plate' | 'sideways play';
  plateMm: number;
  gapMm: number;
  clearanceMm?: number | undefined;
  leanDeg?: number | undefined;
  playMm?: number | undefined;
  measuredAtMm?: number | undefined;
}) {
  if (i.how === 'clearance') return given(i.clearanceMm, 'clearanceMm');
  if (i.how === 'lean in one plate') return clearanceFromLean(given(i.leanDeg, 'leanDeg'), i.plateMm);
  return clearanceFromPlay(given(i.playMm, 'playMm'), given(i.measuredAtMm, 'measuredAtMm'), i.gapMm);
}
