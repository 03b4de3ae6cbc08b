import { z } from 'zod';
import {
  bestLengthMm,
  chooseSpring,
  coil,
  judgeFree,
  lengthsForTurns,
  runDays,
  strengthAgainst,
  torqueNmm,
  TURNS_LOST,
} from '../spring/index.ts';
import { maybe, mm, number, out, rows, table, text, words } from './fields.ts';
import { working } from './working.ts';

const AREAS = 'Areas of the coils, any text on springs';
const BENDING = 'Bending of a strip, any text on elasticity';
const barrel = { barrelMm: mm('Inside of the barrel', 5, 200), arborMm: mm('Arbor across', 1, 100) };
const thicknessMm = mm('Thickness', 0.05, 2);
const widthMm = mm('Width', 1, 80);
const lengthMm = mm('Length', 50, 10000, { digits: 0 });
const caution =
  'A mainspring can take an eye or a finger. Winder, gloves, eye protection; let down first. A contained spring stays contained until the winder has it. Follow local rules.';

export const SPRINGS = [
  working({
    id: 'spring-turns',
    title: 'Turns of a mainspring',
    subject: 'Mainspring',
    stages: ['survey', 'fit'],
    version: 1,
    figure: 'barrel',
    caution,
    asks: 'How many turns does this spring give, and how long should it be?',
    alias: 'barrel fill half',
    inputs: z.object({ ...barrel, thicknessMm, lengthMm: lengthMm.optional() }),
    example: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 1500 },
    result: z.object({
      bestLengthMm: out('Best length', 'mm', 0),
      bestTurns: out('Most turns, ideal', 'turns', 2),
      turns: maybe('Turns of this spring, ideal', 'turns', 2),
      realTurns: out('To be counted on', 'turns', 1),
      fillsPercent: maybe('Fills of the free space', '%', 0),
      unwoundInnerMm: out('Clear inside, let down', 'mm radius', 2),
      woundOuterMm: out('Outside, fully wound', 'mm radius', 2),
      arborShare: out('Arbor to barrel', '', 2),
    }),
    compute(i) {
      const best = bestLengthMm(i);
      const ideal = coil(i, best);
      const own = i.lengthMm === undefined ? null : coil(i, i.lengthMm);
      const shown = own ?? ideal;
      return {
        bestLengthMm: best,
        bestTurns: ideal.turns,
        turns: own?.turns ?? null,
        realTurns: Math.max(0, shown.turns - TURNS_LOST),
        fillsPercent: own ? 100 * own.fills : null,
        unwoundInnerMm: shown.unwoundInnerMm,
        woundOuterMm: shown.woundOuterMm,
        arborShare: i.arborMm / i.barrelMm,
      };
    },
    says(r, i) {
      const arbor = arborWords(r.arborShare);
      if (r.turns === null)
        return `Cut it to ${r.bestLengthMm.toFixed(0)} mm: about ${r.realTurns.toFixed(1)} turns in practice.${arbor}`;
      const short = i.lengthMm! < r.bestLengthMm;
      return `About ${r.realTurns.toFixed(1)} turns in practice${Math.abs(i.lengthMm! / r.bestLengthMm - 1) > 0.05 ? `; ${short ? 'shorter' : 'longer'} than the best ${r.bestLengthMm.toFixed(0)} mm, which would give ${(r.bestTurns - r.turns).toFixed(2)} more` : ''}.${arbor}`;
    },
    formula: 'turns = (r_w − d/2 − D/2 + r_u)/e, r_u = √(D²/4 − ℓe/π), r_w = √(d²/4 + ℓe/π); best ℓ = π(D² − d²)/8e',
    sources: [AREAS],
    checks: [
      {
        kind: 'practice',
        source: 'Fill half the free space: barrel 45, arbor 15, 0.40 thick: 1767 mm, 8.85 turns',
        given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 1500 },
        finds: { bestLengthMm: [1767, 0.5], bestTurns: [8.853, 0.001], turns: [8.699, 0.001] },
      },
      {
        kind: 'practice',
        source: 'Too long a spring gives fewer turns too: 2100 mm in the same barrel',
        given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 2100 },
        finds: { turns: [8.613, 0.001], realTurns: [7.613, 0.001] },
      },
    ],
  }),
  working({
    id: 'spring-length',
    title: 'Spring length for the turns wanted',
    subject: 'Mainspring',
    stages: ['fit'],
    version: 1,
    figure: 'barrel',
    caution,
    asks: 'How long must a spring be for these turns?',
    alias: 'cut',
    inputs: z.object({ ...barrel, thicknessMm, turns: number('Turns wanted, ideal', 'turns', 0.5, 60) }),
    example: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, turns: 8.5 },
    result: z.object({
      shortMm: out('Shorter of the two', 'mm', 0),
      longMm: out('Longer of the two', 'mm', 0),
      unwoundInnerMm: out('Clear inside, let down', 'mm radius', 2),
      woundOuterMm: out('Outside, fully wound', 'mm radius', 2),
    }),
    compute(i) {
      const [shortMm, longMm] = lengthsForTurns(i, i.turns);
      const { unwoundInnerMm, woundOuterMm } = coil(i, shortMm);
      return { shortMm, longMm, unwoundInnerMm, woundOuterMm };
    },
    says: (r) =>
      `${r.shortMm.toFixed(0)} mm, the shorter: it has more room and less friction than ${r.longMm.toFixed(0)} mm.`,
    formula: 'turns(ℓ) solved for ℓ',
    sources: [AREAS],
    checks: [
      {
        kind: 'practice',
        source: 'Barrel 45, arbor 15, 0.40: 8.699 turns at 1500 mm',
        given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, turns: 8.699 },
        finds: { shortMm: [1500, 2] },
      },
      {
        kind: 'practice',
        source: 'The same barrel: 8.613 turns at 2100 mm',
        given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, turns: 8.613 },
        finds: { longMm: [2100, 2] },
      },
    ],
  }),
  working({
    id: 'spring-strength',
    title: 'Strength against the old spring',
    subject: 'Mainspring',
    stages: ['survey', 'fit'],
    version: 1,
    asks: 'How much harder or softer does this spring pull?',
    alias: 'torque compare replacement wrong',
    inputs: z.object({
      thicknessMm,
      widthMm,
      lengthMm,
      oldThicknessMm: mm('Old: thickness', 0.05, 2),
      oldWidthMm: mm('Old: width', 1, 80),
      oldLengthMm: mm('Old: length', 50, 10000, { digits: 0 }),
      turns: number('Torque wanted at so many turns from free', 'turns', 0.5, 60).optional(),
    }),
    example: { thicknessMm: 0.42, widthMm: 19, lengthMm: 1500, oldThicknessMm: 0.4, oldWidthMm: 19, oldLengthMm: 1500 },
    result: z.object({
      strength: out('Strength against the old', '×', 3),
      torqueNmm: maybe('Torque, ideal', 'N mm', 0),
    }),
    compute: (i) => ({
      strength: strengthAgainst(i, { thicknessMm: i.oldThicknessMm, widthMm: i.oldWidthMm, lengthMm: i.oldLengthMm }),
      torqueNmm: i.turns === undefined ? null : torqueNmm(i, i.turns),
    }),
    says(r) {
      const percent = Math.round(100 * (r.strength - 1));
      if (Math.abs(percent) <= 5) return 'As strong as the old one.';
      return percent > 0
        ? `Pulls ${percent} % harder. Too strong a spring wears the train and breaks teeth when it slips: look for a thinner one.`
        : `Pulls ${-percent} % less. It may not drive a clock that is not quite clean.`;
    },
    formula: 'strength goes as b e³/ℓ; M = E b e³ θ/12 ℓ',
    sources: [BENDING, 'Spring steel 206 GPa, from memory of handbooks'],
    checks: [
      {
        kind: 'practice',
        source: '5 % thicker pulls 16 % harder',
        given: {
          thicknessMm: 0.42,
          widthMm: 19,
          lengthMm: 1500,
          oldThicknessMm: 0.4,
          oldWidthMm: 19,
          oldLengthMm: 1500,
        },
        finds: { strength: [1.16, 0.005] },
      },
      {
        kind: 'published',
        source: BENDING + ': twice the width, twice the pull; twice the length, half',
        given: {
          thicknessMm: 0.4,
          widthMm: 20,
          lengthMm: 2000,
          oldThicknessMm: 0.4,
          oldWidthMm: 10,
          oldLengthMm: 1000,
        },
        finds: { strength: [1, 1e-9] },
      },
    ],
  }),
  working({
    id: 'spring-run',
    title: 'Does the spring last the days',
    subject: 'Mainspring',
    stages: ['assess', 'fit', 'run'],
    version: 1,
    asks: 'How many days does a full wind run?',
    alias: 'duration eight day',
    inputs: z.object({
      turns: number('Turns of the barrel, ideal', 'turns', 0.5, 60),
      hoursPerTurn: number('Hours of one barrel turn', 'h', 0.2, 2000),
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
        : `It stops after ${r.days.toFixed(1)} days, before ${i.days}: a longer or thinner spring, or a fuller barrel.`,
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
  }),
  working({
    id: 'spring-stock',
    title: 'A spring from stock',
    subject: 'Mainspring',
    stages: ['fit'],
    version: 1,
    caution,
    asks: 'Which of the springs in the drawer comes nearest?',
    alias: 'choose replacement mainspring',
    inputs: z.object({
      ...barrel,
      widthMm: mm('Width that belongs there', 1, 80),
      thicknessMm,
      lengthMm: lengthMm.optional(),
      stock: rows('In stock', { name: text('Marked', 40), widthMm, thicknessMm, lengthMm }, 1, 100),
    }),
    example: {
      barrelMm: 45,
      arborMm: 15,
      widthMm: 19,
      thicknessMm: 0.4,
      stock: [
        { name: 'drawer 3', widthMm: 19, thicknessMm: 0.4, lengthMm: 1500 },
        { name: 'drawer 4', widthMm: 18, thicknessMm: 0.42, lengthMm: 1800 },
        { name: 'drawer 5', widthMm: 20, thicknessMm: 0.4, lengthMm: 1700 },
      ],
    },
    result: z.object({
      fits: table('That go in, nearest first', {
        name: words('Marked'),
        widthMm: out('Width', 'mm', 2),
        thicknessMm: out('Thickness', 'mm', 2),
        lengthMm: out('Length', 'mm', 0),
        strength: out('Strength', '×', 2),
        turns: out('Turns, ideal', '', 2),
        fillsPercent: out('Fills', '%', 0),
      }),
    }),
    compute: (i) => ({
      fits: chooseSpring(i, i, i.stock).map(({ fills, ...f }) => ({ ...f, fillsPercent: 100 * fills })),
    }),
    says: (r) =>
      r.fits[0]
        ? `Take ${r.fits[0].name || 'the first'}: it pulls ${r.fits[0].strength.toFixed(2)} × the right one and gives ${r.fits[0].turns.toFixed(1)} turns.`
        : 'None in stock goes in: too wide, more than 1.5 mm too narrow, or too long for the barrel.',
    formula: 'strength b e³/ℓ first, then turns',
    sources: [BENDING, 'A spring wider than the old binds on the cap (practice)'],
    checks: [
      {
        kind: 'practice',
        source: 'Too wide a spring is never offered',
        given: {
          barrelMm: 45,
          arborMm: 15,
          widthMm: 19,
          thicknessMm: 0.4,
          stock: [
            { name: 'wide', widthMm: 20, thicknessMm: 0.4, lengthMm: 1767 },
            { name: 'right', widthMm: 19, thicknessMm: 0.4, lengthMm: 1750 },
          ],
        },
        finds: { 'fits.0.name': 'right', 'fits.1': null },
      },
      {
        kind: 'practice',
        source: 'Strength counts before turns: 0.45 pulls 42 % harder and comes after 0.40',
        given: {
          barrelMm: 45,
          arborMm: 15,
          widthMm: 19,
          thicknessMm: 0.4,
          stock: [
            { name: 'strong', widthMm: 19, thicknessMm: 0.45, lengthMm: 1570 },
            { name: 'same', widthMm: 19, thicknessMm: 0.4, lengthMm: 1500 },
          ],
        },
        finds: { 'fits.0.name': 'same' },
      },
    ],
  }),
  working({
    id: 'spring-set',
    title: 'Is the spring set',
    subject: 'Mainspring',
    stages: ['survey'],
    version: 1,
    caution,
    asks: 'Has this spring lost its life?',
    alias: 'tired free diameter',
    inputs: z.object({
      freeMm: mm('Widest coil, lying free', 10, 1000, { digits: 0 }),
      barrelMm: mm('Inside of the barrel', 5, 200),
    }),
    example: { freeMm: 95, barrelMm: 45 },
    result: z.object({ share: out('Free over barrel', '×', 2), verdict: words('It is') }),
    compute: (i) => ({ share: i.freeMm / i.barrelMm, verdict: judgeFree(i.freeMm, i.barrelMm) }),
    says: (r) =>
      ({
        set: 'Set: replace it by one of the same width and strength.',
        tired: 'Tired: it will do for a light train; note it, and think of replacing.',
        lively: 'Lively: clean it and use it again.',
      })[r.verdict as 'set' | 'tired' | 'lively'],
    formula: 'free diameter/barrel: under 2 set, under 2.5 tired',
    sources: ['House rule, from memory of practice'],
    checks: [
      {
        kind: 'memory',
        source: 'A good spring opens to well over twice its barrel',
        given: { freeMm: 130, barrelMm: 45 },
        finds: { verdict: 'lively' },
      },
      {
        kind: 'memory',
        source: 'One that hardly opens is set',
        given: { freeMm: 60, barrelMm: 45 },
        finds: { verdict: 'set' },
      },
    ],
  }),
];

function arborWords(share: number) {
  if (share < 0.28) return ' The arbor is thin for this barrel: the spring may break at the centre.';
  if (share > 0.4) return ' The arbor is thick for this barrel: turns are lost.';
  return '';
}
