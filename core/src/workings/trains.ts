import { z } from 'zod';
import {
  beatsPerHour,
  blowsPerTurn,
  centreDistanceMm,
  daysForTurns,
  moduleOfCentres,
  moduleOfPinion,
  moduleOfWheel,
  nearestUsual,
  pinionDiameterMm,
  ratioForBeats,
  ratioOf,
  searchMeshes,
  turnsChimed,
  turnsForDays,
  turnsStruck,
  wheelDiameterMm,
  MOST_TEETH,
} from '../train/index.ts';
import { ensure } from '../units/index.ts';
import { beats, choice, maybe, mm, number, out, rows, table, whole } from './fields.ts';
import { working } from './working.ts';

const mesh = { wheel: whole('Wheel', 6, MOST_TEETH), pinion: whole('Pinion', 4, 60) };
const BS = 'From memory, after BS 978-2: wheel over N + 2.76, pinion over n + 1.71 to 10 leaves, n + 1.61 above';
const TEXT = 'Any text on clock trains';

export const TRAINS_WORKINGS = [
  working({
    id: 'train-beats',
    title: 'Beats of a train',
    subject: 'Trains',
    stages: ['assess', 'survey', 'run'],
    version: 1,
    asks: 'How often does a clock with these wheels beat?',
    alias: 'count vibrations escape wheel bph',
    inputs: z.object({
      meshes: rows('From the hourly arbor to the escape wheel', mesh, 1, 6),
      escapeTeeth: whole('Teeth of the escape wheel', 3, 200),
    }),
    example: {
      meshes: [
        { wheel: 64, pinion: 8 },
        { wheel: 60, pinion: 8 },
      ],
      escapeTeeth: 30,
    },
    result: z.object({
      beats: out('Beats an hour', '', 2),
      beatS: out('One beat', 's', 4),
      turns: out('Turns of the escape wheel an hour', '', 2),
      usual: out('Nearest usual count', 'beats/h', 0),
      offSecondsPerDay: out('Rate if it ran at the usual count', 's/day', 0),
    }),
    compute({ meshes, escapeTeeth }) {
      const found = beatsPerHour(meshes, escapeTeeth);
      const usual = nearestUsual(found);
      return {
        beats: found,
        beatS: 3600 / found,
        turns: ratioOf(meshes),
        usual,
        offSecondsPerDay: 86400 * (usual / found - 1),
      };
    },
    says: (r) =>
      Math.abs(r.beats - r.usual) < 0.01
        ? `${r.beats.toFixed(0)} beats an hour.`
        : `${r.beats.toFixed(2)} beats an hour. The nearest usual count is ${r.usual}; if it was meant, look for a wheel that does not belong.`,
    formula: 'beats/h = 2 · E · Π wheels/Π pinions',
    sources: [TEXT],
    checks: [
      {
        kind: 'practice',
        source: 'Seconds longcase: 64/8 · 60/8 · E 30',
        given: {
          meshes: [
            { wheel: 64, pinion: 8 },
            { wheel: 60, pinion: 8 },
          ],
          escapeTeeth: 30,
        },
        finds: { beats: [3600, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'Lever platform with seconds hand: fourth wheel turns once a minute, 70/7 · E 15 beats 18,000',
        given: {
          meshes: [
            { wheel: 80, pinion: 10 },
            { wheel: 75, pinion: 10 },
            { wheel: 70, pinion: 7 },
          ],
          escapeTeeth: 15,
        },
        finds: { beats: [18000, 1e-6] },
      },
    ],
  }),
  working({
    id: 'train-missing',
    title: 'A missing wheel or pinion',
    subject: 'Trains',
    stages: ['survey', 'fit'],
    version: 1,
    heavy: true,
    asks: 'Which counts could the lost wheel and pinion have had?',
    alias: 'search lost teeth leaves',
    inputs: z.object({
      beats: beats('Beats an hour wanted'),
      escapeTeeth: whole('Teeth of the escape wheel', 3, 200),
      known: rows('Meshes that are there', mesh, 0, 5),
      unknown: choice('Meshes that are not known', ['1', '2']),
      tolerancePercent: number('Departure allowed', '%', 0, 5, { digits: 2, hint: '0 for exact counts' }),
      wheelsFrom: whole('Wheels from', 12, MOST_TEETH),
      wheelsTo: whole('Wheels to', 12, MOST_TEETH),
      pinionsFrom: whole('Pinions from', 4, 40),
      pinionsTo: whole('Pinions to', 4, 40),
      wheel: whole('Wheel, if it is there', 6, MOST_TEETH).optional(),
      pinion: whole('Pinion, if it is there', 4, 60).optional(),
      wheelMm: mm('Wheel across, if it can be measured', 2, 300).optional(),
      pinionMm: mm('Pinion across', 0.5, 60).optional(),
      centresMm: mm('Distance of the two arbors', 1, 200).optional(),
    }),
    example: {
      beats: 3600,
      escapeTeeth: 30,
      known: [{ wheel: 64, pinion: 8 }],
      unknown: '1',
      tolerancePercent: 0,
      wheelsFrom: 24,
      wheelsTo: 120,
      pinionsFrom: 6,
      pinionsTo: 16,
    },
    result: z.object({
      ratio: out('The missing part must multiply by', '', 5),
      total: out('Sets of counts that do it', '', 0),
      found: table('Counts, most usual first', {
        wheel: out('Wheel', '', 0),
        pinion: out('Pinion', '', 0),
        wheel2: maybe('2nd wheel', '', 0),
        pinion2: maybe('2nd pinion', '', 0),
        offSecondsPerDay: out('Rate', 's/day', 1),
        misfitPercent: maybe('Sizes disagree', '%', 1),
      }),
    }),
    compute(i) {
      const ratio = ratioForBeats(i.beats, i.escapeTeeth) / ratioOf(i.known);
      ensure(i.wheelsTo >= i.wheelsFrom, 'wheelsTo', 'Not fewer than it starts from.');
      ensure(i.pinionsTo >= i.pinionsFrom, 'pinionsTo', 'Not fewer than it starts from.');
      const { found, total } = searchMeshes({
        ratio,
        tolerance: i.tolerancePercent / 100,
        unknown: i.unknown === '1' ? 1 : 2,
        wheels: [i.wheelsFrom, i.wheelsTo],
        pinions: [i.pinionsFrom, i.pinionsTo],
        wheel: i.wheel,
        pinion: i.pinion,
        wheelMm: i.wheelMm,
        pinionMm: i.pinionMm,
        centresMm: i.centresMm,
      });
      return {
        ratio,
        total,
        found: found.map((f) => ({
          wheel: f.meshes[0]!.wheel,
          pinion: f.meshes[0]!.pinion,
          wheel2: f.meshes[1]?.wheel ?? null,
          pinion2: f.meshes[1]?.pinion ?? null,
          offSecondsPerDay: -86400 * (f.off / (1 + f.off)),
          misfitPercent: f.misfit === null ? null : 100 * f.misfit,
        })),
      };
    },
    says(r) {
      const best = r.found[0];
      if (!best) return 'No counts within these limits do it. Allow a departure, or more teeth.';
      const more =
        r.total > 1
          ? ` ${r.total - 1} other ${r.total === 2 ? 'set does' : 'sets do'} it too: check the diameters.`
          : '';
      return `Most usual: ${best.wheel}/${best.pinion}${best.wheel2 === null ? '' : ` and ${best.wheel2}/${best.pinion2}`}.${more}`;
    },
    formula: 'Π missing = beats/(2 · E · Π known); sizes: module = D/(N + 2.76) = d/(n + 1.71) = 2C/(N + n)',
    sources: [TEXT, BS],
    checks: [
      {
        kind: 'practice',
        source: 'Seconds longcase: beside 64/8 and E 30 stands 60/8',
        given: {
          beats: 3600,
          escapeTeeth: 30,
          known: [{ wheel: 64, pinion: 8 }],
          unknown: '1',
          tolerancePercent: 0,
          wheelsFrom: 24,
          wheelsTo: 120,
          pinionsFrom: 6,
          pinionsTo: 16,
        },
        finds: { ratio: [7.5, 1e-9], 'found.0.wheel': [60, 0], 'found.0.pinion': [8, 0] },
      },
      {
        kind: 'practice',
        source: 'The same train with both upper meshes lost: 64/8 and 60/8',
        given: {
          beats: 3600,
          escapeTeeth: 30,
          known: [],
          unknown: '2',
          tolerancePercent: 0,
          wheelsFrom: 24,
          wheelsTo: 120,
          pinionsFrom: 8,
          pinionsTo: 8,
        },
        finds: { 'found.0.wheel': [64, 0], 'found.0.wheel2': [60, 0] },
      },
    ],
  }),
  working({
    id: 'train-duration',
    title: 'Turns and days of a wind',
    subject: 'Trains',
    stages: ['assess', 'fit', 'run'],
    version: 1,
    asks: 'How many turns does it need for the days wanted, and how long does a wind last?',
    alias: 'eight day run barrel turns duration',
    inputs: z.object({
      meshes: rows('From the first wheel to the hourly arbor', mesh, 1, 5),
      days: number('Days wanted', 'days', 0.25, 500, { digits: 1 }),
      turns: number('Turns that there are', 'turns', 0.1, 100).optional(),
    }),
    example: { meshes: [{ wheel: 96, pinion: 8 }], days: 8, turns: 16 },
    result: z.object({
      hoursPerTurn: out('One turn of the first wheel', 'h', 2),
      turnsNeeded: out('Turns for the days wanted', 'turns', 2),
      days: maybe('Days from the turns there are', 'days', 2),
    }),
    compute({ meshes, days, turns }) {
      const hours = ratioOf(meshes);
      return {
        hoursPerTurn: hours,
        turnsNeeded: turnsForDays(days, hours),
        days: turns === undefined ? null : daysForTurns(turns, hours),
      };
    },
    says: (r, i) => {
      if (r.days === null) return `${r.turnsNeeded.toFixed(1)} turns for ${i.days} days.`;
      return r.days >= i.days
        ? `It runs ${r.days.toFixed(1)} days: enough for ${i.days}.`
        : `It runs only ${r.days.toFixed(1)} days: ${(r.turnsNeeded - i.turns!).toFixed(1)} turns short of ${i.days} days.`;
    },
    formula: 'hours of a turn = Π wheels/Π pinions; turns = 24 · days/hours',
    sources: [TEXT],
    checks: [
      {
        kind: 'practice',
        source: 'Longcase barrel: one turn in 12 h, 16 turns for 8 days',
        given: { meshes: [{ wheel: 96, pinion: 8 }], days: 8, turns: 16 },
        finds: { hoursPerTurn: [12, 1e-9], turnsNeeded: [16, 1e-9], days: [8, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'Thirty-hour clock: great wheel turns once an hour',
        given: { meshes: [{ wheel: 60, pinion: 60 }], days: 1.25 },
        finds: { turnsNeeded: [30, 1e-9] },
      },
    ],
  }),
  working({
    id: 'gear-size',
    title: 'Module and sizes of a mesh',
    subject: 'Trains',
    stages: ['survey', 'fit'],
    version: 1,
    asks: 'How large are wheel and pinion, and how far apart?',
    alias: 'depthing module diameter centre distance',
    inputs: z.object({
      wheel: mesh.wheel,
      pinion: mesh.pinion,
      measured: choice('What was measured', ['wheel across', 'pinion across', 'distance of arbors', 'module']),
      sizeMm: mm('Its size', 0.05, 300, { digits: 3 }),
    }),
    example: { wheel: 60, pinion: 8, measured: 'wheel across', sizeMm: 31.38 },
    result: z.object({
      moduleMm: out('Module', 'mm', 3),
      wheelMm: out('Wheel across', 'mm', 2),
      pinionMm: out('Pinion across', 'mm', 2),
      centresMm: out('Distance of arbors', 'mm', 2),
    }),
    compute({ wheel, pinion, measured, sizeMm }) {
      const m = moduleFrom(measured, sizeMm, wheel, pinion);
      return {
        moduleMm: m,
        wheelMm: wheelDiameterMm(m, wheel),
        pinionMm: pinionDiameterMm(m, pinion),
        centresMm: centreDistanceMm(m, wheel, pinion),
      };
    },
    says: (r) =>
      `Module ${r.moduleMm.toFixed(3)}: wheel ${r.wheelMm.toFixed(2)} mm, pinion ${r.pinionMm.toFixed(2)} mm, arbors ${r.centresMm.toFixed(2)} mm apart. Makers rounded: measure a second part before cutting.`,
    formula: 'm = D/(N + 2.76) = d/(n + 1.71 or 1.61) = 2C/(N + n)',
    sources: [BS],
    checks: [
      {
        kind: 'memory',
        source: BS,
        given: { wheel: 60, pinion: 8, measured: 'module', sizeMm: 0.5 },
        finds: { wheelMm: [31.38, 1e-9], pinionMm: [4.855, 1e-9] },
      },
      {
        kind: 'published',
        source: 'Pitch circles touch: centre distance is half the sum of the pitch diameters, any text on gears',
        given: { wheel: 72, pinion: 12, measured: 'module', sizeMm: 1 },
        finds: { centresMm: [42, 1e-9], pinionMm: [13.61, 1e-9] },
      },
    ],
  }),
  working({
    id: 'strike-train',
    title: 'Turns of a strike or chime train',
    subject: 'Trains',
    stages: ['assess', 'fit'],
    version: 1,
    asks: 'Does the strike or chime last as long as the going?',
    alias: 'blows great wheel pins chime drum duration',
    inputs: z.object({
      train: choice('Train', ['strike', 'chime']),
      meshes: rows('From the great wheel to the pin wheel or drum', mesh, 0, 5, {
        hint: 'None when the great wheel carries the pins',
      }),
      pins: whole('Lifting pins', 1, 60, { when: { train: ['strike'] } }).optional(),
      struck: choice('It strikes', ['hours', 'hours and halves']),
      days: number('Days wanted', 'days', 0.25, 60, { digits: 1 }),
      turns: number('Turns that there are', 'turns', 0.1, 100).optional(),
    }),
    example: { train: 'strike', meshes: [{ wheel: 78, pinion: 8 }], pins: 8, struck: 'hours', days: 8, turns: 16 },
    result: z.object({
      perTurn: out('Blows, or turns of the drum, for one turn', '', 2),
      turnsNeeded: out('Turns for the days wanted', 'turns', 2),
      days: maybe('Days from the turns there are', 'days', 2),
    }),
    compute(i) {
      if (i.train === 'strike') ensure(i.pins !== undefined, 'pins', 'How many lifting pins are there?');
      const perTurn = i.train === 'strike' ? blowsPerTurn(i.meshes, i.pins!) : ratioOf(i.meshes);
      const turnsNeeded = i.train === 'strike' ? turnsStruck(i.days, perTurn, i.struck) : turnsChimed(i.days, i.meshes);
      return { perTurn, turnsNeeded, days: i.turns === undefined ? null : (i.days * i.turns) / turnsNeeded };
    },
    says: (r, i) =>
      r.days === null
        ? `${r.turnsNeeded.toFixed(1)} turns for ${i.days} days.`
        : `${r.days.toFixed(1)} days from ${i.turns} turns: ${r.days >= i.days ? 'enough' : `too short for ${i.days} days`}.`,
    formula:
      'blows a turn = pins · Π wheels/Π pinions; 156 blows a day on the hours, 180 with halves; the drum turns 48 times a day',
    sources: [TEXT, '1 + 2 + … + 12 = 78 blows in twelve hours'],
    checks: [
      {
        kind: 'practice',
        source:
          'Eight-day longcase strike: great wheel 78, pin-wheel pinion 8, 8 pins: two turns of the great wheel a day',
        given: { train: 'strike', meshes: [{ wheel: 78, pinion: 8 }], pins: 8, struck: 'hours', days: 8 },
        finds: { perTurn: [78, 1e-9], turnsNeeded: [16, 1e-9] },
      },
      {
        kind: 'published',
        source: 'Cambridge Quarters, tune of 1793: 40 notes an hour, 20 to a turn of the drum',
        given: { train: 'chime', meshes: [{ wheel: 96, pinion: 8 }], struck: 'hours', days: 8 },
        finds: { turnsNeeded: [32, 1e-9] },
      },
    ],
  }),
];

function moduleFrom(
  measured: 'wheel across' | 'pinion across' | 'distance of arbors' | 'module',
  sizeMm: number,
  wheel: number,
  pinion: number,
) {
  if (measured === 'wheel across') return moduleOfWheel(sizeMm, wheel);
  if (measured === 'pinion across') return moduleOfPinion(sizeMm, pinion);
  if (measured === 'distance of arbors') return moduleOfCentres(sizeMm, wheel, pinion);
  return sizeMm;
}
