import { z } from 'zod';
import {
  barrelTurns,
  bestSetUp,
  chainLengthMm,
  chooseKey,
  dropMm,
  HOUSE_FACTOR,
  judgeKey,
  landing,
  lineOnBarrelMm,
  lineToCutMm,
  powerMicrowatts,
  pullKg,
  torqueOverWind,
  TURNS_THAT_STAY,
  unevenness,
  type Falls,
} from '../weight/index.ts';
import { choice, fact, maybe, mm, number, numbers, out, table, words } from './fields.ts';
import { working } from './working.ts';

const line = {
  barrelMm: mm('Barrel across', 5, 200),
  lineMm: mm('Line or cable across', 0.3, 8),
  turns: number('Turns of a full wind', 'turns', 0.5, 60),
};
const falls = choice('The weight hangs', ['straight on the line', 'on a pulley'], {
  hint: 'A pulley halves the fall and the pull',
});
const count = (how: 'straight on the line' | 'on a pulley'): Falls => (how === 'on a pulley' ? 2 : 1);
const CIRCLE = 'Circumference at the middle of the line; a movable pulley halves the fall';
const caution =
  'A weight that falls breaks feet, floors and cases. Weights off before the movement or the seatboard is touched.';

export const WEIGHTS = [
  working({
    id: 'line-length',
    title: 'Line to cut',
    subject: 'Weights and fusee',
    stages: ['fit'],
    version: 1,
    figure: 'line',
    caution,
    asks: 'How long must the new line be, and how far does the weight fall?',
    alias: 'gut cable cord rope',
    inputs: z.object({
      ...line,
      falls,
      pathMm: mm('Path from barrel to the wound-up weight, and back to its hook', 0, 5000, { digits: 0 }),
      knotsMm: mm('For knots', 0, 1000, { digits: 0 }),
    }),
    example: { barrelMm: 50, lineMm: 1.5, turns: 16, falls: 'on a pulley', pathMm: 450, knotsMm: 150 },
    result: z.object({
      onBarrelMm: out('On the barrel when wound', 'mm', 0),
      dropMm: out('The weight falls', 'mm', 0),
      cutMm: out('Cut', 'mm', 0),
    }),
    compute: (i) => ({
      onBarrelMm: lineOnBarrelMm(i),
      dropMm: dropMm(i, count(i.falls)),
      cutMm: lineToCutMm(i, i.pathMm, i.knotsMm),
    }),
    says: (r) => `Cut ${(r.cutMm / 1000).toFixed(2)} m; ${TURNS_THAT_STAY} turns of it stay on the barrel for good.`,
    formula: 'on the barrel n π (d_b + d_l); cut = path + (n + 2.5) π (d_b + d_l) + knots',
    sources: [CIRCLE],
    checks: [
      {
        kind: 'published',
        source: 'π = 3.14159: ten turns of 100 mm are 3.1416 m',
        given: { barrelMm: 99, lineMm: 1, turns: 10, falls: 'on a pulley', pathMm: 0, knotsMm: 0 },
        finds: { onBarrelMm: [3141.59, 0.01], dropMm: [1570.8, 0.01] },
      },
      {
        kind: 'practice',
        source: 'Two to three turns stay on the barrel',
        given: { barrelMm: 99, lineMm: 1, turns: 10, falls: 'straight on the line', pathMm: 500, knotsMm: 100 },
        finds: { cutMm: [3141.59 + 2.5 * 314.159 + 600, 0.5] },
      },
    ],
  }),
  working({
    id: 'weight-landing',
    title: 'Does the weight land in time',
    subject: 'Weights and fusee',
    stages: ['fit', 'run'],
    version: 1,
    figure: 'line',
    caution,
    asks: 'Does the weight reach the floor before the barrel is empty, and how many days does it run?',
    alias: 'fall case floor days',
    inputs: z.object({
      ...line,
      falls,
      fallMm: mm('From the wound-up weight to the floor', 100, 5000, { digits: 0 }),
      hoursPerTurn: number('Hours of one barrel turn', 'h', 0.2, 200),
      days: number('Days wanted', 'days', 0.5, 60, { digits: 1 }),
    }),
    example: { barrelMm: 50, lineMm: 1.5, turns: 16, falls: 'on a pulley', fallMm: 1250, hoursPerTurn: 12, days: 8 },
    result: z.object({
      lineDropMm: out('Line for a fall of', 'mm', 0),
      days: out('Runs', 'days', 1),
      landsFirst: fact('Lands before the barrel is empty'),
    }),
    compute: (i) => landing(i, count(i.falls), i.fallMm, i.hoursPerTurn),
    says(r, i) {
      const lands = r.landsFirst
        ? 'The weight lands first, as it should.'
        : 'The barrel empties with the weight still hanging: the line is too short, or the path wrong.';
      return `${lands} ${r.days >= i.days ? `It runs ${r.days.toFixed(1)} days.` : `But it runs only ${r.days.toFixed(1)} of ${i.days} days: more fall, or a pulley.`}`;
    },
    formula: 'fall a day = (24/h) π (d_b + d_l)/falls; the fall of the case must be under that of the line',
    sources: [CIRCLE],
    checks: [
      {
        kind: 'practice',
        source: 'Eight days of a longcase: 16 turns of a 2 in barrel on a pulley, about 1.3 m',
        given: {
          barrelMm: 50.8,
          lineMm: 1.2,
          turns: 16,
          falls: 'on a pulley',
          fallMm: 1280,
          hoursPerTurn: 12,
          days: 7,
        },
        finds: { lineDropMm: [1307, 2], landsFirst: true },
      },
      {
        kind: 'practice',
        source: 'A line that gives less fall than the case leaves the weight hanging',
        given: { barrelMm: 40, lineMm: 1, turns: 16, falls: 'on a pulley', fallMm: 1280, hoursPerTurn: 12, days: 8 },
        finds: { landsFirst: false, days: [8, 1e-9] },
      },
    ],
  }),
  working({
    id: 'line-strength',
    title: 'Is the line strong enough',
    subject: 'Weights and fusee',
    stages: ['fit'],
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
        : `Only ${r.times.toFixed(1)} times its pull; the house wants ${i.factor}. Take a line of ${(i.factor * r.pullKg).toFixed(0)} kg.`,
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
  }),
  working({
    id: 'weight-power',
    title: 'Power of a falling weight',
    subject: 'Weights and fusee',
    stages: ['run'],
    version: 1,
    asks: 'How much power does the weight give?',
    alias: 'microwatt energy',
    inputs: z.object({
      massKg: number('Weight', 'kg', 0.05, 500),
      fallM: number('Falls', 'm', 0.05, 50),
      days: number('In', 'days', 0.1, 400, { digits: 1 }),
    }),
    example: { massKg: 3.63, fallM: 1, days: 8 },
    result: z.object({ microwatts: out('Power', 'µW', 1) }),
    compute: (i) => ({ microwatts: powerMicrowatts(i.massKg, i.fallM, i.days) }),
    says: (r) => `${r.microwatts.toFixed(1)} µW for everything: any friction shows.`,
    formula: 'm g h/t',
    sources: ['Any text on mechanics'],
    checks: [
      {
        kind: 'published',
        source: 'm g h/t by hand: 3.63 kg over 1 m in 8 days',
        given: { massKg: 3.63, fallM: 1, days: 8 },
        finds: { microwatts: [51.5, 0.05] },
      },
      {
        kind: 'published',
        source: 'Standard gravity: 1 kg over 1 m is 9.80665 J; in a day 113.5 µW',
        given: { massKg: 1, fallM: 1, days: 1 },
        finds: { microwatts: [113.503, 0.001] },
      },
    ],
  }),
  working({
    id: 'fusee',
    title: 'Fusee, chain and set-up',
    subject: 'Weights and fusee',
    stages: ['fit', 'run'],
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
        : `Set up ${r.bestSetUp} turns instead of ${i.setUpTurns}: the pull would vary by ${r.bestUnevenPercent.toFixed(0)} % instead of ${r.unevenPercent.toFixed(0)}. What was counted out goes before theory.`,
    formula:
      'chain = π n (mean groove + chain) + half a barrel turn + span; pull = (spring turns from free + set-up + barrel turns left) · radius',
    sources: [
      'Spring pull taken as proportional to its turns from free, and the taper as straight: real fusees differ',
    ],
    checks: [
      {
        kind: 'published',
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
  }),
  working({
    id: 'key-square',
    title: 'Key for a winding square',
    subject: 'Weights and fusee',
    stages: ['intake', 'fit'],
    version: 1,
    asks: 'Does this key really fit, and which one would?',
    alias: 'winding key size arbor square',
    inputs: z.object({
      arborMm: mm('Square of the arbor, across flats', 1, 10),
      keyMm: mm('Key in hand, across flats', 1, 12).optional(),
      stockMm: numbers('Keys in the drawer', 'mm', [1, 12], 0, 60),
    }),
    example: { arborMm: 4.3, keyMm: 4.75, stockMm: [3.5, 4, 4.25, 4.5, 4.75, 5] },
    result: z.object({ fit: words('Key in hand'), playMm: maybe('Play', 'mm', 2), takeMm: maybe('Take', 'mm', 2) }),
    compute(i) {
      const judged = i.keyMm === undefined ? null : judgeKey(i.keyMm, i.arborMm);
      return { fit: judged?.fit ?? 'none', playMm: judged?.playMm ?? null, takeMm: chooseKey(i.arborMm, i.stockMm) };
    },
    says: (r) =>
      r.fit === 'fits'
        ? 'It fits.'
        : `${r.fit === 'none' ? '' : `The key in hand ${r.fit === 'does not go on' ? 'does not go on' : `is ${r.fit} by ${r.playMm!.toFixed(2)} mm: it rounds the corners`}. `}${r.takeMm === null ? 'None in the drawer goes on.' : `Take the ${r.takeMm} mm one.`}`,
    formula: 'play = key − square, across the flats',
    sources: ['Numbers stamped on keys disagree between makers: only millimetres count (practice)'],
    checks: [
      {
        kind: 'practice',
        source: 'A key must be larger than its square',
        given: { arborMm: 4.3, keyMm: 4.25, stockMm: [4.25, 4.5] },
        finds: { fit: 'does not go on', takeMm: [4.5, 0] },
      },
      {
        kind: 'practice',
        source: 'Nearly half a millimetre is a sloppy key',
        given: { arborMm: 4.3, keyMm: 4.75, stockMm: [] },
        finds: { fit: 'sloppy', takeMm: null },
      },
    ],
  }),
];
