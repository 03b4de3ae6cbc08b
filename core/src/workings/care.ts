import { addYears } from 'date-fns';
import { z } from 'zod';
import { BATHS, correct, dilute, MATERIALS, planRun, type Bath, type Material } from '../cleaning/index.ts';
import { FAMILIES, familyById } from '../movement/index.ts';
import { oilChart, serviceInterval } from '../oiling/index.ts';
import { ensure } from '../units/index.ts';
import { choice, day, fact, isoDay, maybe, number, out, rows, table, text, words } from './fields.ts';
import { working } from './working.ts';

const HOUSE = 'House rules, practice';
const family = choice('Kind of movement', FAMILIES.map((f) => f.id) as [string, ...string[]]);
const caution =
  'Ventilate; goggles and gloves. Never bleach near ammonia, never a flame or a heat gun near solvent. Follow the label and local rules.';

export const CARE = [
  working({
    id: 'bath-limit',
    title: 'How long in which bath',
    subject: 'Cleaning and oil',
    stages: ['clean'],
    version: 1,
    caution,
    asks: 'How long may these parts stay in this bath, and what must stay out?',
    alias: 'material limit ammonia solvent forbidden',
    inputs: z.object({
      bath: choice('Bath', BATHS as readonly [Bath, ...Bath[]]),
      parts: rows(
        'Basket',
        { name: text('Part', 60), material: choice('Of', MATERIALS as readonly [Material, ...Material[]]) },
        1,
        60,
      ),
    }),
    example: {
      bath: 'ammoniated water',
      parts: [
        { name: 'plates', material: 'bare brass' },
        { name: 'hands', material: 'blued or polished steel' },
      ],
    },
    result: z.object({
      limitMin: maybe('At most', 'min', 0),
      limitedBy: words('Because of'),
      allowed: fact('The basket may go in'),
      forbidden: table('Must come out', { part: words('Part'), material: words('Of'), reason: words('Why') }),
    }),
    compute(i) {
      const plan = planRun(
        i.parts.map((p) => ({ name: p.name, materials: [p.material] })),
        i.bath,
      );
      return {
        limitMin: plan.limitMin,
        limitedBy: plan.limitedBy ? `${plan.limitedBy.part} (${plan.limitedBy.material})` : 'nothing',
        allowed: plan.forbidden.length === 0,
        forbidden: plan.forbidden,
      };
    },
    says: (r) => {
      if (r.allowed) {
        return r.limitMin === null
          ? 'No part sets a limit. Look every five minutes all the same.'
          : `${r.limitMin} min at most, for the ${r.limitedBy}. Look every five.`;
      }
      return `Take out ${r.forbidden.map((f) => f.part || f.material).join(', ')}: ${r.forbidden[0]!.reason}.`;
    },
    formula: 'the strictest material decides',
    sources: [HOUSE],
    checks: [
      {
        kind: 'practice',
        source: 'Bare brass in ammoniated water: 15 min',
        given: { bath: 'ammoniated water', parts: [{ name: 'plates', material: 'bare brass' }] },
        finds: { limitMin: [15, 0], allowed: true },
      },
      {
        kind: 'practice',
        source: 'Lacquer is clouded by ammonia',
        given: { bath: 'ammoniated water', parts: [{ name: 'plate', material: 'lacquered brass' }] },
        finds: { allowed: false, 'forbidden.0.part': 'plate' },
      },
    ],
  }),
  working({
    id: 'dilution',
    title: 'Dilution of a bath',
    subject: 'Cleaning and oil',
    stages: ['clean'],
    version: 1,
    caution,
    asks: 'How much concentrate fills the tank, and how is a wrong bath put right?',
    alias: 'mix concentrate water parts litre',
    inputs: z.object({
      tankLitres: number('Tank', 'l', 0.05, 1000),
      parts: number('Parts of water to one', '', 0.1, 1000, { digits: 1 }),
      inConcentrateL: number('In it now: concentrate', 'l', 0.001, 1000).optional(),
      inWaterL: number('In it now: water', 'l', 0, 1000).optional(),
    }),
    example: { tankLitres: 4, parts: 7 },
    result: z.object({
      concentrateL: out('Concentrate', 'l', 3),
      waterL: out('Water', 'l', 3),
      percent: out('Strength', '%', 1),
      add: words('To put right, add'),
      addL: maybe('so much', 'l', 3),
    }),
    compute(i) {
      const mix = dilute(i.tankLitres, i.parts);
      if ((i.inConcentrateL === undefined) !== (i.inWaterL === undefined))
        ensure(false, i.inWaterL === undefined ? 'inWaterL' : 'inConcentrateL', 'Both amounts, or neither.');
      const fix = i.inConcentrateL === undefined ? null : correct(i.inConcentrateL, i.inWaterL!, i.parts);
      return {
        ...mix,
        percent: 100 / (i.parts + 1),
        add: fix?.add ?? 'nothing',
        addL: fix && fix.add !== 'nothing' ? fix.litres : null,
      };
    },
    says: (r) =>
      r.addL === null
        ? `${(1000 * r.concentrateL).toFixed(0)} ml of concentrate, ${r.waterL.toFixed(2)} l of water first.`
        : `Add ${(1000 * r.addL).toFixed(0)} ml of ${r.add}.`,
    formula: 'concentrate = V/(n + 1)',
    sources: ['Parts by volume'],
    checks: [
      {
        kind: 'practice',
        source: 'One part and seven parts fill eight',
        given: { tankLitres: 8, parts: 7 },
        finds: { concentrateL: [1, 1e-9], waterL: [7, 1e-9], percent: [12.5, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'Mixed 1 to 9 and wanted 1 to 4: another 1.25 l to 9 l of water',
        given: { tankLitres: 10, parts: 4, inConcentrateL: 1, inWaterL: 9 },
        finds: { add: 'concentrate', addL: [1.25, 1e-9] },
      },
    ],
  }),
  working({
    id: 'oil-chart',
    title: 'Lubrication chart',
    subject: 'Cleaning and oil',
    stages: ['oil'],
    version: 1,
    asks: 'What is oiled, with what, and what stays dry?',
    alias: 'oil grease dry points',
    inputs: z.object({ family }),
    example: { family: 'longcase' },
    result: z.object({
      points: table('Points', { where: words('Where'), grade: words('With'), amount: words('How much') }),
      dry: out('Left dry', '', 0),
    }),
    compute(i) {
      const chart = oilChart(familyById(i.family).traits);
      return {
        points: chart.map(({ where, grade, amount }) => ({
          where,
          grade: grade === 'none' ? 'leave dry' : grade,
          amount,
        })),
        dry: chart.filter((p) => p.grade === 'none').length,
      };
    },
    says: (r) => `${r.points.length - r.dry} points take something, ${r.dry} stay dry. Too much is the commoner fault.`,
    formula: 'from the traits of the movement',
    sources: [HOUSE],
    checks: [
      {
        kind: 'practice',
        source: 'Teeth and leaves stay dry in every clock',
        given: { family: 'riveted-alarm' },
        finds: { says: 'stay dry' },
      },
      {
        kind: 'practice',
        source: 'The first point of a spring clock: barrel and winding arbors with heavy oil',
        given: { family: 'mantel-barrels' },
        finds: { 'points.0.grade': 'heavy', 'points.1.grade': 'grease' },
      },
    ],
  }),
  working({
    id: 'service-due',
    title: 'When service is due',
    subject: 'Cleaning and oil',
    stages: ['sign'],
    version: 1,
    asks: 'When does it want oil, and when an overhaul?',
    alias: 'interval next',
    inputs: z.object({ family, done: day('Last overhaul'), oiled: day('Last oiled, if later').optional() }),
    example: { family: 'longcase', done: '2026-11-23' },
    result: z.object({
      oilOn: words('Look and oil'),
      overhaulOn: words('Overhaul'),
      oilYears: out('Look and oil every', 'years', 0),
      overhaulYears: out('Overhaul every', 'years', 0),
    }),
    compute(i) {
      const done = new Date(i.done);
      const oiled = i.oiled ? new Date(i.oiled) : done;
      ensure(oiled >= done, 'oiled', 'Not before the overhaul.');
      const rule = serviceInterval(familyById(i.family).traits);
      const overhaul = addYears(done, rule.overhaulYears),
        oil = addYears(oiled, rule.oilYears);
      return { oilOn: isoDay(oil < overhaul ? oil : overhaul), overhaulOn: isoDay(overhaul), ...rule };
    },
    says: (r) => `Look and oil by ${r.oilOn}, overhaul by ${r.overhaulOn}; sooner in dust, smoke or damp.`,
    formula: 'last day + house interval',
    sources: [HOUSE],
    checks: [
      {
        kind: 'practice',
        source: 'Oil after 3 years, overhaul after 8',
        given: { family: 'longcase', done: '2024-02-29' },
        finds: { oilOn: '2027-02-28', overhaulOn: '2032-02-29' },
      },
      {
        kind: 'practice',
        source: 'Torsion clocks: 8 years; synchronous: 5',
        given: { family: 'torsion', done: '2026-01-10' },
        finds: { oilOn: '2034-01-10', overhaulYears: [8, 0] },
      },
    ],
  }),
];
