import { z } from 'zod';
import {
  coilAt,
  duty,
  GRADES_OF_STEP,
  judgeSteps,
  judgeWindings,
  loadOf,
  rateOnOtherMains,
  resistorForPeak,
  suppressed,
  synchronousRpm,
} from '../electric/index.ts';
import { choice, maybe, number, out, rows, text, whole, words } from './fields.ts';
import { working } from './working.ts';

const volts = number('Supply', 'V', 0.1, 400, { digits: 1 });
const ohms = number('Coil', 'Ω', 0.1, 100000, { digits: 1 });
const OHM = 'Ohm’s law';
const caution =
  'Limit the current before anything is joined. Mains: unplugged, proved dead, and by somebody whom local rules allow.';

export const ELECTRICS = [
  working({
    id: 'coil',
    title: 'Current and power of a coil',
    subject: 'Electric',
    stages: ['assess', 'diagnose', 'run'],
    version: 1,
    caution,
    asks: 'What does this coil draw?',
    alias: 'ohm resistance milliamp watt',
    inputs: z.object({ volts, ohms }),
    example: { volts: 5, ohms: 220 },
    result: z.object({ milliamps: out('Current', 'mA', 1), watts: out('Power', 'W', 2) }),
    compute: (i) => coilAt(i.volts, i.ohms),
    says: (r) =>
      `${r.milliamps.toFixed(0)} mA, ${r.watts.toFixed(2)} W. ${r.watts > 2 ? 'Warm if it stays on: find out how long it is closed.' : 'Set the supply’s limit a little above.'}`,
    formula: 'I = V/R, P = V²/R',
    sources: [OHM],
    checks: [
      {
        kind: 'published',
        source: OHM + ': 5 V over 220 Ω',
        given: { volts: 5, ohms: 220 },
        finds: { milliamps: [22.727, 0.001] },
      },
      {
        kind: 'published',
        source: OHM + ': 18 V over 220 Ω',
        given: { volts: 18, ohms: 220 },
        finds: { milliamps: [81.8, 0.05], watts: [1.47, 0.005] },
      },
    ],
  }),
  working({
    id: 'suppression',
    title: 'Resistor across a coil',
    subject: 'Electric',
    stages: ['fit'],
    version: 1,
    caution,
    asks: 'Which resistor keeps the contact from sparking?',
    alias: 'spark arc peak suppressor',
    inputs: z.object({
      volts,
      ohms,
      contactPeakV: number('Peak across the contact, at most', 'V', 1, 1000, { digits: 0 }).optional(),
      resistorOhms: number('Resistor that is there', 'Ω', 1, 1e6, { digits: 0 }).optional(),
      henries: number('Inductance, if measured', 'H', 0.001, 100).optional(),
    }),
    example: { volts: 10, ohms: 220, contactPeakV: 110 },
    result: z.object({
      resistorOhms: out('Resistor', 'Ω', 0),
      coilPeakV: out('Peak across the coil', 'V', 0),
      contactPeakV: out('Peak across the contact', 'V', 0),
      steadyLossW: out('Lost while closed', 'W', 3),
      decayMs: maybe('Decay', 'ms', 1),
    }),
    compute(i) {
      const r =
        i.contactPeakV !== undefined
          ? resistorForPeak(i.volts, i.ohms, i.contactPeakV)
          : (i.resistorOhms ?? 10 * i.ohms);
      return { resistorOhms: r, ...suppressed(i.volts, i.ohms, r, i.henries) };
    },
    says: (r) =>
      `${r.resistorOhms} Ω across the coil: ${r.contactPeakV.toFixed(0)} V at the contact. Take one for at least ${(2 * r.steadyLossW).toFixed(2)} W.`,
    formula: 'coil peak I·R_s; contact V + I·R_s; loss V²/R_s; decay L/(R + R_s)',
    sources: ['Decay of current in an inductive circuit, any text on circuits', 'IEC 60063, series E12'],
    checks: [
      {
        kind: 'published',
        source: 'I·R_s by hand: 10 V, 220 Ω, 2.2 kΩ: 100 V and 110 V',
        given: { volts: 10, ohms: 220, resistorOhms: 2200 },
        finds: { coilPeakV: [100, 1e-9], contactPeakV: [110, 1e-9] },
      },
      {
        kind: 'published',
        source: 'IEC 60063: the largest E12 value that keeps 110 V is 2.2 kΩ',
        given: { volts: 10, ohms: 220, contactPeakV: 110 },
        finds: { resistorOhms: [2200, 0] },
      },
    ],
  }),
  working({
    id: 'duty',
    title: 'Contact time and windings',
    subject: 'Electric',
    stages: ['run'],
    version: 1,
    caution,
    asks: 'How long is the contact closed, and does it wind as often as it should?',
    alias: 'dwell duty windings a minute',
    inputs: z.object({
      dwellS: number('Closed for', 's', 0.001, 600, { digits: 3 }),
      periodS: number('From one closing to the next', 's', 0.01, 3600),
      volts,
      ohms,
      expected: number('Windings a minute that belong there', '', 0.01, 120).optional(),
    }),
    example: { dwellS: 0.4, periodS: 30, volts: 5, ohms: 220, expected: 2 },
    result: z.object({
      dutyPercent: out('Closed', '%', 2),
      perMinute: out('Windings a minute', '', 2),
      meanMw: out('Mean power', 'mW', 1),
      verdict: words('Windings'),
    }),
    compute(i) {
      const share = duty(i.dwellS, i.periodS);
      const perMinute = 60 / i.periodS;
      return {
        dutyPercent: 100 * share,
        perMinute,
        meanMw: 1000 * share * coilAt(i.volts, i.ohms).watts,
        verdict: i.expected === undefined ? 'not compared' : judgeWindings(i.expected, perMinute),
      };
    },
    says: (r) =>
      ({
        right: 'As often as it should.',
        'too often': 'Too often: it unwinds too far each time, or the contact makes twice. Watch one winding.',
        'too seldom': 'Too seldom: the contact misses, or the pull is too weak.',
        'not compared': `Closed ${r.dutyPercent.toFixed(1)} % of the time.`,
      })[r.verdict as 'right'],
    formula: 'duty = dwell/period',
    sources: ['Practice'],
    checks: [
      {
        kind: 'published',
        source: 'By hand: 1 s in 60 s is 1.667 %',
        given: { dwellS: 1, periodS: 60, volts: 10, ohms: 100 },
        finds: { dutyPercent: [1.6667, 0.0001], meanMw: [16.667, 0.001] },
      },
      {
        kind: 'practice',
        source: 'Three windings a minute where one belongs is too often',
        given: { dwellS: 1, periodS: 20, volts: 10, ohms: 100, expected: 1 },
        finds: { verdict: 'too often' },
      },
    ],
  }),
  working({
    id: 'synchronous',
    title: 'Synchronous speed',
    subject: 'Electric',
    stages: ['assess', 'diagnose', 'run'],
    version: 1,
    caution,
    asks: 'How fast does this motor turn, and what if the mains are others?',
    alias: 'mains frequency 50 60 Hz poles rotor',
    inputs: z.object({
      hertz: number('Mains', 'Hz', 1, 1000, { digits: 0 }),
      poles: whole('Poles', 2, 120),
      madeForHertz: number('Made for', 'Hz', 1, 1000, { digits: 0 }),
      outputRpm: number('Output speed on those mains', 'rpm', 0.001, 10000, { digits: 3 }).optional(),
    }),
    example: { hertz: 50, poles: 16, madeForHertz: 60, outputRpm: 3.6 },
    result: z.object({
      rotorRpm: out('Rotor', 'rpm', 1),
      outputRpm: maybe('Output', 'rpm', 3),
      rateSecondsPerDay: out('Rate', 's/day', 0),
    }),
    compute: (i) => ({
      rotorRpm: synchronousRpm(i.hertz, i.poles),
      outputRpm: i.outputRpm === undefined ? null : (i.outputRpm * i.hertz) / i.madeForHertz,
      rateSecondsPerDay: rateOnOtherMains(i.madeForHertz, i.hertz),
    }),
    says: (r, i) =>
      i.hertz === i.madeForHertz
        ? `The rotor turns ${r.rotorRpm.toFixed(0)} times a minute: right for these mains.`
        : `On these mains it ${r.rateSecondsPerDay < 0 ? 'loses' : 'gains'} ${(Math.abs(r.rateSecondsPerDay) / 3600).toFixed(1)} hours a day: another output wheel or a converter.`,
    formula: '120 f/poles',
    sources: ['Any text on electrical machines'],
    checks: [
      {
        kind: 'published',
        source: 'Any text on electrical machines: 2 poles, 60 Hz',
        given: { hertz: 60, poles: 2, madeForHertz: 60 },
        finds: { rotorRpm: [3600, 1e-9] },
      },
      {
        kind: 'published',
        source: '5/6: an output of 3.6 turns at 3.0, four hours a day slow',
        given: { hertz: 50, poles: 2, madeForHertz: 60, outputRpm: 3.6 },
        finds: { outputRpm: [3, 1e-9], rateSecondsPerDay: [-14400, 1e-6] },
      },
    ],
  }),
  working({
    id: 'step-test',
    title: 'Step test of a slave or rewind',
    subject: 'Electric',
    stages: ['diagnose', 'run'],
    version: 1,
    caution,
    asks: 'From which voltage does it really advance, and is there enough in hand?',
    alias: 'pull-in impulse slave dial moves lifts advances',
    inputs: z.object({
      supplyV: number('It runs on', 'V', 0.1, 400, { digits: 1 }),
      steps: rows(
        'Tried',
        { volts: number('Volts', 'V', 0.1, 400, { digits: 1 }), did: choice('It', GRADES_OF_STEP) },
        1,
        40,
      ),
    }),
    example: {
      supplyV: 12,
      steps: [
        { volts: 4, did: 'nothing' },
        { volts: 6, did: 'moves' },
        { volts: 8, did: 'lifts' },
        { volts: 9, did: 'advances' },
      ],
    },
    result: z.object({
      pullInV: maybe('Advances from', 'V', 1),
      margin: maybe('In hand', '×', 2),
      words: words('What follows'),
    }),
    compute: (i) => judgeSteps(i.steps, i.supplyV),
    says: (r) => r.words,
    formula: 'pull-in: the lowest voltage from which every higher one advanced; a quarter in hand',
    sources: ['Practice'],
    checks: [
      {
        kind: 'practice',
        source: 'Moving and lifting is not yet advancing',
        given: {
          supplyV: 12,
          steps: [
            { volts: 6, did: 'moves' },
            { volts: 8, did: 'lifts' },
            { volts: 9, did: 'advances' },
          ],
        },
        finds: { pullInV: [9, 0], margin: [1.333, 0.001] },
      },
      {
        kind: 'practice',
        source: 'A higher voltage that did less is a catching part',
        given: {
          supplyV: 12,
          steps: [
            { volts: 8, did: 'advances' },
            { volts: 9, did: 'lifts' },
            { volts: 10, did: 'advances' },
          ],
        },
        finds: { pullInV: [10, 0], says: 'did less than below' },
      },
    ],
  }),
  working({
    id: 'outputs',
    title: 'Joined outputs',
    subject: 'Electric',
    stages: ['assess', 'run'],
    version: 1,
    caution,
    asks: 'How much do the joined dials and bells draw together?',
    alias: 'sum current load supply',
    inputs: z.object({
      mayMilliamps: number('The supply may give', 'mA', 1, 20000, { digits: 0 }),
      outputs: rows(
        'Joined side by side',
        {
          name: text('What', 40),
          milliamps: number('Each', 'mA', 0, 20000, { digits: 0 }),
          count: whole('How many', 1, 200),
        },
        1,
        40,
      ),
    }),
    example: {
      mayMilliamps: 500,
      outputs: [
        { name: 'slave dial', milliamps: 90, count: 4 },
        { name: 'bell', milliamps: 120, count: 1 },
      ],
    },
    result: z.object({ milliamps: out('Together', 'mA', 0), sharePercent: out('Of what it may give', '%', 0) }),
    compute(i) {
      const { milliamps, share } = loadOf(i.outputs, i.mayMilliamps);
      return { milliamps, sharePercent: 100 * share };
    },
    says: (r) => {
      if (r.sharePercent > 100)
        return `${r.milliamps.toFixed(0)} mA: more than the supply may give. Never join them all at once.`;
      return r.sharePercent > 80
        ? `${r.milliamps.toFixed(0)} mA: within the limit, but close.`
        : `${r.milliamps.toFixed(0)} mA: well within the limit. In series, one current serves all: count the volts instead.`;
    },
    formula: 'Σ current · count',
    sources: ['Kirchhoff’s first law, any text on circuits'],
    checks: [
      {
        kind: 'published',
        source: 'Kirchhoff’s first law: currents add',
        given: {
          mayMilliamps: 500,
          outputs: [
            { name: 'a', milliamps: 90, count: 4 },
            { name: 'b', milliamps: 120, count: 1 },
          ],
        },
        finds: { milliamps: [480, 0], sharePercent: [96, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'Six dials of 100 mA are too many for half an ampere',
        given: { mayMilliamps: 500, outputs: [{ name: 'a', milliamps: 100, count: 6 }] },
        finds: { says: 'Never join them all' },
      },
    ],
  }),
];
