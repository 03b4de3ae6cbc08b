import { z } from 'zod';
import {
  addedWeightEffect,
  adviseSetting,
  beatsForLength,
  circularErrorSecondsPerDay,
  gravityAt,
  hairspringEffect,
  lengthenMm,
  lengthMmFor,
  nutEffect,
  rateMoved,
  RODS,
  semiArcDeg,
  SETTERS,
  settingWords,
  STANDARD_GRAVITY,
  temperatureSecondsPerDayPerC,
  type Rod,
  type Setter,
} from '../pendulum/index.ts';
import { rateInWords } from '../rate/index.ts';
import { ensure } from '../units/index.ts';
import { beats, choice, maybe, mm, number, out, rows, words } from './fields.ts';
import { working } from './working.ts';

const MECHANICS = 'Simple pendulum, any text on mechanics';
const WGS = 'NIMA TR8350.2, 3rd edition (WGS 84 normal gravity)';
const place = {
  latitudeDeg: number('Latitude', '°', -90, 90, { hint: 'Empty for standard gravity' }).optional(),
  heightM: number('Height above the sea', 'm', -500, 9000, { digits: 0 }).optional(),
};
const gravity = (i: { latitudeDeg?: number | undefined; heightM?: number | undefined }) =>
  i.latitudeDeg === undefined ? STANDARD_GRAVITY : gravityAt(i.latitudeDeg, i.heightM ?? 0);

export const PENDULUM = [
  working({
    id: 'pendulum-length',
    title: 'Length of a pendulum',
    subject: 'Pendulum',
    stages: ['assess', 'fit'],
    version: 1,
    figure: 'pendulum',
    asks: 'How long must the pendulum be for these beats?',
    alias: 'missing pendulum',
    inputs: z.object({ beats: beats(), ...place }),
    example: { beats: 3600 },
    result: z.object({
      lengthMm: out('From the flexing point to the centre of oscillation', 'mm', 2),
      secondsPerMm: out('A millimetre longer loses', 's/day', 2),
      gravity: out('Gravity', 'm/s²', 5),
    }),
    compute(i) {
      const g = gravity(i);
      const lengthMm = lengthMmFor(i.beats, g);
      return { lengthMm, secondsPerMm: 43200 / lengthMm, gravity: g };
    },
    says: (r) =>
      `${r.lengthMm.toFixed(1)} mm to the centre of oscillation, a little above the middle of the bob. The rod is longer; leave it to be cut.`,
    formula: 'L = g T²/4π², T = 7200/beats',
    sources: [MECHANICS, WGS],
    checks: [
      {
        kind: 'published',
        source: 'Length of the seconds pendulum at standard gravity, handbooks: 39.12 in',
        given: { beats: 3600 },
        finds: { lengthMm: [993.621, 0.001] },
      },
      {
        kind: 'published',
        source: 'British Weights and Measures Act 1824: 39.1393 in at London (51°31′08″), to 5 in 100,000',
        given: { beats: 3600, latitudeDeg: 51.5189, heightM: 0 },
        finds: { lengthMm: [994.138, 0.05] },
      },
      {
        kind: 'memory',
        source: 'Half-seconds pendulum about 248 mm',
        given: { beats: 7200 },
        finds: { lengthMm: [248.405, 0.001] },
      },
    ],
  }),
  working({
    id: 'pendulum-beats',
    title: 'Beats of a pendulum',
    subject: 'Pendulum',
    stages: ['assess'],
    version: 1,
    figure: 'pendulum',
    asks: 'How often does a pendulum of this length beat?',
    alias: 'measured length',
    inputs: z.object({ lengthMm: mm('Flexing point to centre of oscillation', 0.5, 20000), ...place }),
    example: { lengthMm: 248.4 },
    result: z.object({ beats: out('Beats an hour', '', 1), beatS: out('One beat', 's', 4) }),
    compute(i) {
      const found = beatsForLength(i.lengthMm, gravity(i));
      return { beats: found, beatS: 3600 / found };
    },
    says: (r) =>
      `${r.beats.toFixed(0)} beats an hour. Taken at the middle of the bob, count it against a watch for two minutes.`,
    formula: 'beats = 7200/(2π √(L/g))',
    sources: [MECHANICS],
    checks: [
      {
        kind: 'published',
        source: 'Seconds pendulum at standard gravity 993.62 mm',
        given: { lengthMm: 993.621 },
        finds: { beats: [3600, 0.01] },
      },
      {
        kind: 'memory',
        source: 'Quarter-seconds pendulum about 62.1 mm',
        given: { lengthMm: 62.101 },
        finds: { beats: [14400, 0.1] },
      },
    ],
  }),
  working({
    id: 'gravity',
    title: 'Gravity, and a clock that moves house',
    subject: 'Pendulum',
    stages: ['run', 'sign'],
    version: 1,
    asks: 'What will a pendulum clock do at another place?',
    alias: 'latitude altitude moved',
    inputs: z.object({
      fromLatitudeDeg: number('Latitude where it was set', '°', -90, 90),
      fromHeightM: number('Height there', 'm', -500, 9000, { digits: 0 }),
      toLatitudeDeg: number('Latitude where it goes', '°', -90, 90),
      toHeightM: number('Height there', 'm', -500, 9000, { digits: 0 }),
    }),
    example: { fromLatitudeDeg: 51.5, fromHeightM: 20, toLatitudeDeg: 40, toHeightM: 1000 },
    result: z.object({
      fromGravity: out('Gravity where it was set', 'm/s²', 5),
      toGravity: out('Gravity where it goes', 'm/s²', 5),
      rateSecondsPerDay: out('Change of rate', 's/day', 1),
    }),
    compute(i) {
      const fromGravity = gravityAt(i.fromLatitudeDeg, i.fromHeightM),
        toGravity = gravityAt(i.toLatitudeDeg, i.toHeightM);
      return { fromGravity, toGravity, rateSecondsPerDay: rateMoved(fromGravity, toGravity) };
    },
    says: (r) =>
      `At the new place it ${rateInWords(r.rateSecondsPerDay, 0)} against the old: set it for that before it goes.`,
    formula:
      'γ = 9.7803253359 (1 + 0.00193185265241 sin²φ)/√(1 − 0.00669437999013 sin²φ) − 3.086·10⁻⁶ h; Δ = 86400 (√(g₂/g₁) − 1)',
    sources: [WGS],
    checks: [
      {
        kind: 'published',
        source: WGS,
        given: { fromLatitudeDeg: 0, fromHeightM: 0, toLatitudeDeg: 90, toHeightM: 0 },
        finds: { fromGravity: [9.780325, 1e-6], toGravity: [9.832185, 1e-6] },
      },
      {
        kind: 'memory',
        source: 'A thousand metres up a pendulum loses about 13.6 s a day',
        given: { fromLatitudeDeg: 45, fromHeightM: 0, toLatitudeDeg: 45, toHeightM: 1000 },
        finds: { rateSecondsPerDay: [-13.6, 0.05] },
      },
    ],
  }),
  working({
    id: 'circular-error',
    title: 'Circular error',
    subject: 'Pendulum',
    stages: ['run'],
    version: 1,
    figure: 'circular',
    asks: 'How much does it lose by swinging wide, and what does a change of arc do?',
    alias: 'arc amplitude swing',
    inputs: z.object({
      semiArcDeg: number('Semi-arc', '°', 0, 45, { hint: 'From the middle to one side' }),
      otherDeg: number('Semi-arc at the end of the wind', '°', 0, 45).optional(),
    }),
    example: { semiArcDeg: 3, otherDeg: 2.5 },
    result: z.object({
      lossSecondsPerDay: out('Loses against a small swing', 's/day', 3),
      changeSecondsPerDay: maybe('Rate at the other arc against this one', 's/day', 2),
    }),
    compute({ semiArcDeg: a, otherDeg }) {
      const loss = circularErrorSecondsPerDay(a);
      return {
        lossSecondsPerDay: loss,
        changeSecondsPerDay: otherDeg === undefined ? null : loss - circularErrorSecondsPerDay(otherDeg),
      };
    },
    says: (r) =>
      r.changeSecondsPerDay === null
        ? `It loses ${r.lossSecondsPerDay.toFixed(1)} s a day by the width of its swing; only a change of the swing matters.`
        : `As the arc changes it ${rateInWords(r.changeSecondsPerDay, 1)}.`,
    formula: '86400 (1 − agm(1, cos θ/2)); near 86400 θ²/16',
    sources: ['Exact period of the pendulum by the arithmetic-geometric mean, any text on elliptic integrals'],
    checks: [
      {
        kind: 'published',
        source: 'First term of the series, 86400·θ²/16, any text on mechanics: 1.645 s at 1°',
        given: { semiArcDeg: 1 },
        finds: { lossSecondsPerDay: [1.645, 0.001] },
      },
      {
        kind: 'published',
        source: 'Exact values by elliptic integral: 14.8042 s at 3°, 164.467 s at 10°',
        given: { semiArcDeg: 10, otherDeg: 3 },
        finds: { lossSecondsPerDay: [164.467, 0.001], changeSecondsPerDay: [149.663, 0.001] },
      },
    ],
  }),
  working({
    id: 'semi-arc',
    title: 'Semi-arc from the swing seen',
    subject: 'Pendulum',
    stages: ['assess', 'run'],
    version: 1,
    asks: 'How many degrees is the swing that I measure at the tip?',
    alias: 'degrees swing measure',
    inputs: z.object({
      swingMm: mm('From the middle to one side', 0, 2000),
      fromPivotMm: mm('Measured so far below the flexing point', 5, 5000),
    }),
    example: { swingMm: 52, fromPivotMm: 1000 },
    result: z.object({ semiArcDeg: out('Semi-arc', '°', 2), lossSecondsPerDay: out('Circular error', 's/day', 2) }),
    compute(i) {
      const a = semiArcDeg(i.swingMm, i.fromPivotMm);
      return { semiArcDeg: a, lossSecondsPerDay: circularErrorSecondsPerDay(a) };
    },
    says: (r) => `${r.semiArcDeg.toFixed(2)}° to each side.`,
    formula: 'θ = asin(swing/distance)',
    sources: ['Trigonometry'],
    checks: [
      {
        kind: 'published',
        source: 'sin 30° = 1/2',
        given: { swingMm: 500, fromPivotMm: 1000 },
        finds: { semiArcDeg: [30, 1e-9] },
      },
      {
        kind: 'published',
        source: 'Tables: sin 3° = 0.052336',
        given: { swingMm: 52.336, fromPivotMm: 1000 },
        finds: { semiArcDeg: [3, 0.0001], lossSecondsPerDay: [14.804, 0.001] },
      },
    ],
  }),
  working({
    id: 'pendulum-temperature',
    title: 'Temperature and the rod',
    subject: 'Pendulum',
    stages: ['run', 'sign'],
    version: 1,
    asks: 'How much does warmth change the rate?',
    alias: 'expansion brass steel invar wood',
    inputs: z.object({
      rod: choice('Rod', Object.keys(RODS) as [Rod, ...Rod[]]),
      warmerC: number('Warmer by', '°C', -60, 60, { digits: 1 }),
    }),
    example: { rod: 'steel', warmerC: 10 },
    result: z.object({
      perC: out('Loses for each °C warmer', 's/day', 3),
      rateSecondsPerDay: out('Change of rate', 's/day', 2),
    }),
    compute({ rod, warmerC }) {
      const perC = temperatureSecondsPerDayPerC(rod);
      return { perC, rateSecondsPerDay: -perC * warmerC };
    },
    says: (r) => `It ${rateInWords(r.rateSecondsPerDay, 1)} against before.`,
    formula: '43200 α',
    sources: ['Expansion of rods from memory of handbooks'],
    checks: [
      {
        kind: 'memory',
        source: 'Steel rod: about half a second a day for each °C',
        given: { rod: 'steel', warmerC: 1 },
        finds: { perC: [0.5, 0.01] },
      },
      {
        kind: 'memory',
        source: 'Brass rod: about 0.8 s a day for each °C',
        given: { rod: 'brass', warmerC: 10 },
        finds: { rateSecondsPerDay: [-8.08, 0.05] },
      },
    ],
  }),
  working({
    id: 'set-rate',
    title: 'What to turn, and how far',
    subject: 'Pendulum',
    stages: ['run'],
    version: 1,
    figure: 'nut',
    asks: 'How far do I set the nut, the regulator, the hairspring or the weights?',
    alias: 'rating nut regulator adjust turns divisions',
    inputs: z.object({
      rate: number('Rate now', 's/day', -7200, 7200, { digits: 1, hint: 'Gaining is positive' }),
      setter: choice('What sets it', Object.keys(SETTERS) as [Setter, ...Setter[]]),
      lengthMm: mm('Pendulum length', 20, 5000, { when: { setter: ['rating nut', 'bob weights'] } }).optional(),
      pitchMm: mm('Pitch of the nut', 0.1, 3, { when: { setter: ['rating nut'] } }).optional(),
      actingMm: mm('Acting length of the hairspring', 10, 2000, { when: { setter: ['hairspring'] } }).optional(),
      pendulumG: number('Mass of the pendulum', 'g', 10, 50000, {
        digits: 0,
        when: { setter: ['bob weights'] },
      }).optional(),
      belowMm: mm('Weight lies below the flexing point', 0, 5000, { when: { setter: ['bob weights'] } }).optional(),
      tried: rows(
        'What it did before',
        {
          amount: number('Set by', '', -100, 100, { hint: 'Positive makes it gain' }),
          before: number('Rate before', 's/day', -7200, 7200),
          after: number('Rate after', 's/day', -7200, 7200),
        },
        0,
        20,
      ),
      noise: number('Doubt of one rate', 's/day', 0.1, 60, { digits: 1 }).default(3),
    }),
    example: { rate: 62, setter: 'rating nut', lengthMm: 248.4, pitchMm: 0.5, tried: [], noise: 3 },
    result: z.object({
      theory: maybe('Theory: one unit makes', 's/day', 2),
      perUnit: out('One unit makes', 's/day', 2),
      halfWidthPerUnit: out('give or take', 's/day', 2),
      amount: out('Set by', '', 2),
      unit: words('Unit'),
      leavesSecondsPerDay: out('It should then be within', 's/day', 1),
      from: words('Known from'),
    }),
    compute(i) {
      const theory = theoryOf(i);
      const advice = adviseSetting(theory, i.tried, i.rate, 0, i.noise);
      ensure(
        advice !== null,
        'tried',
        'Theory does not know this one: set it by one unit, read the rate again, and enter what it did.',
      );
      return {
        theory,
        perUnit: advice.perUnit,
        halfWidthPerUnit: advice.halfWidthPerUnit,
        amount: advice.amount,
        unit: SETTERS[i.setter].unit,
        leavesSecondsPerDay: advice.leavesSecondsPerDay,
        from: advice.from,
      };
    },
    says(r, i) {
      if (Math.abs(r.amount) < 0.02) return 'Leave it: it is where it should be.';
      return `${settingWords(i.setter, r.amount)}, by ${sourceWords(r)}.`;
    },
    formula:
      'nut 43200 p/L · hairspring 43200/l · weight 43200 (m/M)(h/L)(1 − h/L); with the log: a line through the origin, theory as its prior',
    sources: [MECHANICS, 'Normal linear model with a prior, any text on Bayesian regression'],
    checks: [
      {
        kind: 'memory',
        source: 'Seconds pendulum: a millimetre is 43.5 s a day',
        given: { rate: 43.48, setter: 'rating nut', lengthMm: 993.6, pitchMm: 1, tried: [] },
        finds: { perUnit: [43.48, 0.01], amount: [-1, 0.001], from: 'theory' },
      },
      {
        kind: 'practice',
        source: 'After two adjustments what the clock did counts: the nut does half of what theory says',
        given: {
          rate: 20,
          setter: 'rating nut',
          lengthMm: 248.4,
          pitchMm: 0.5,
          tried: [
            { amount: 2, before: -60, after: 27 },
            { amount: -1, before: 27, after: -17 },
          ],
          noise: 1,
        },
        finds: { perUnit: [43.5, 1], amount: [-0.46, 0.02], from: 'the clock' },
      },
    ],
  }),
  working({
    id: 'pendulum-alter',
    title: 'Change of length for a change of rate',
    subject: 'Pendulum',
    stages: ['fit', 'run'],
    version: 1,
    asks: 'By how much must the pendulum be longer or shorter?',
    alias: 'lengthen shorten suspension',
    inputs: z.object({
      rate: number('Rate now', 's/day', -7200, 7200, { digits: 1, hint: 'Gaining is positive' }),
      lengthMm: mm('Pendulum length', 20, 5000),
    }),
    example: { rate: 120, lengthMm: 248.4 },
    result: z.object({ longerMm: out('Make it longer by', 'mm', 3) }),
    compute: (i) => ({ longerMm: lengthenMm(i.lengthMm, -i.rate) }),
    says: (r) => `${Math.abs(r.longerMm).toFixed(2)} mm ${r.longerMm >= 0 ? 'longer' : 'shorter'}.`,
    formula: 'ΔL = 2 L · rate/86400',
    sources: [MECHANICS],
    checks: [
      {
        kind: 'memory',
        source: 'Seconds pendulum: 43.48 s a day for each mm',
        given: { rate: 43.48, lengthMm: 993.6 },
        finds: { longerMm: [1, 0.001] },
      },
      {
        kind: 'memory',
        source: 'Half-seconds pendulum: 173.9 s a day for each mm',
        given: { rate: -173.9, lengthMm: 248.4 },
        finds: { longerMm: [-1, 0.001] },
      },
    ],
  }),
];

function sourceWords({ from }: { from: string }) {
  if (from === 'theory') return 'theory: enter what it did';
  if (from === 'both') return 'theory and what it did';
  return 'what it did';
}

function theoryOf(i: {
  setter: Setter;
  lengthMm?: number | undefined;
  pitchMm?: number | undefined;
  actingMm?: number | undefined;
  pendulumG?: number | undefined;
  belowMm?: number | undefined;
}): number | null {
  if (i.setter === 'rating nut' && i.lengthMm !== undefined && i.pitchMm !== undefined)
    return nutEffect(i.lengthMm, i.pitchMm);
  if (i.setter === 'hairspring' && i.actingMm !== undefined) return hairspringEffect(i.actingMm);
  if (i.setter === 'bob weights' && i.pendulumG !== undefined && i.lengthMm !== undefined && i.belowMm !== undefined)
    return addedWeightEffect(i.pendulumG, i.lengthMm, i.belowMm) || null;
  return null;
}
