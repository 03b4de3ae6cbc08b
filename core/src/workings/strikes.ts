import { z } from 'zod';
import {
  arborsThatFit,
  CAMBRIDGE_QUARTERS,
  clicksForAge,
  hourBlows,
  inPairs,
  judgeQuarters,
  judgeRelease,
  judgeSpacing,
  judgeStrike,
  LUNATION_DAYS,
  moonAgeDays,
  motionWork,
  quarterNotes,
  spacingOfStops,
  watchBells,
  yearsToADayWrong,
} from '../strike/index.ts';
import { ensure } from '../units/index.ts';
import { choice, day, fact, maybe, number, numbers, out, rows, table, text, whole, words, yes } from './fields.ts';
import { working } from './working.ts';

const ARITHMETIC = '1 + 2 + … + 12 = 78';
const QUARTERS = 'Cambridge Quarters, tune of 1793: five changes, used 1 | 2 3 | 4 5 1 | 2 3 4 5';
const ALMANAC = 'Mean synodic month 29.530588853 days, Astronomical Almanac';

export const STRIKES = [
  working({
    id: 'count-wheel',
    title: 'Blows round the dial',
    subject: 'Strike and chime',
    stages: ['oil', 'run'],
    version: 1,
    asks: 'What should it strike, in order?',
    alias: 'count wheel rack sequence halves',
    inputs: z.object({ halves: yes('A single blow at each half') }),
    example: { halves: true },
    result: z.object({
      sequence: words('In order from one'),
      in12Hours: out('Blows in 12 hours', '', 0),
      aDay: out('Blows a day', '', 0),
    }),
    compute({ halves }) {
      const blows = hourBlows(halves);
      const sum = blows.reduce((a, b) => a + b, 0);
      return { sequence: blows.join(' '), in12Hours: sum, aDay: 2 * sum };
    },
    says: (r) => `${r.in12Hours} blows in twelve hours.`,
    formula: '1 … 12, and 1 between',
    sources: [ARITHMETIC],
    checks: [
      {
        kind: 'published',
        source: ARITHMETIC,
        given: { halves: false },
        finds: { in12Hours: [78, 0], aDay: [156, 0] },
      },
      {
        kind: 'published',
        source: 'With twelve halves: 90 and 180',
        given: { halves: true },
        finds: { in12Hours: [90, 0], aDay: [180, 0] },
      },
    ],
  }),
  working({
    id: 'quarters',
    title: 'Cambridge Quarters',
    subject: 'Strike and chime',
    stages: ['oil', 'run'],
    version: 1,
    asks: 'Which changes sound at each quarter, and is the drum in step?',
    alias: 'chime drum out of phase notes four bells',
    inputs: z.object({
      heard: numbers('Changes heard at ¼, ½, ¾ and the hour', '', [1, 4], 0, 4, {
        digits: 0,
        hint: 'Four numbers, or none',
      }),
    }),
    example: { heard: [2, 3, 4, 1] },
    result: z.object({
      plan: table('As it should be', {
        quarter: words('Quarter'),
        changes: words('Changes'),
        notes: out('Notes', '', 0),
      }),
      anHour: out('Notes an hour', '', 0),
      right: fact('Right'),
      outBy: maybe('Drum ahead by', 'quarters', 0),
    }),
    compute({ heard }) {
      ensure(heard.length === 0 || heard.length === 4, 'heard', 'Four numbers, or none.');
      const judged = heard.length === 4 ? judgeQuarters(heard) : { right: true, outOfPhaseBy: null };
      const quarters = [1, 2, 3, 4] as const;
      return {
        plan: quarters.map((q) => ({
          quarter: ['quarter', 'half', 'three quarters', 'hour'][q - 1]!,
          changes: CAMBRIDGE_QUARTERS[q].join(' '),
          notes: quarterNotes(q),
        })),
        anHour: quarters.reduce((n, q) => n + quarterNotes(q), 0),
        right: judged.right,
        outBy: judged.outOfPhaseBy,
      };
    },
    says: (r) => {
      if (r.outBy !== null)
        return `In order, but ${r.outBy} ${r.outBy === 1 ? 'quarter' : 'quarters'} ahead of the hand: re-phase the drum against its release, look whether the self-correction works, and hear all four again.`;
      return r.right ? 'In step.' : 'Not a matter of phase: the locking or the self-correction is at fault.';
    },
    formula: '4, 8, 12, 16 notes; 40 an hour; the drum turns twice',
    sources: [QUARTERS],
    checks: [
      {
        kind: 'published',
        source: QUARTERS,
        given: { heard: [] },
        finds: { anHour: [40, 0], 'plan.2.changes': '4 5 1', 'plan.3.notes': [16, 0] },
      },
      {
        kind: 'practice',
        source: 'Half at the quarter, three quarters at the half …: one quarter ahead',
        given: { heard: [2, 3, 4, 1] },
        finds: { outBy: [1, 0], right: false },
      },
    ],
  }),
  working({
    id: 'watch-bells',
    title: 'Bells of the watch',
    subject: 'Strike and chime',
    stages: ['run'],
    version: 1,
    asks: 'How many bells at this time?',
    alias: 'ship bells pairs',
    inputs: z.object({ hour: whole('Hour', 0, 23), half: yes('Half past') }),
    example: { hour: 6, half: true },
    result: z.object({ bells: out('Bells', '', 0), pairs: words('Struck') }),
    compute({ hour, half }) {
      const bells = watchBells(2 * hour + (half ? 1 : 0));
      return { bells, pairs: inPairs(bells) };
    },
    says: (r) => `${r.bells}: ${r.pairs.replaceAll('2', 'two').replaceAll('1', 'one').replaceAll(' ', ', ')}.`,
    formula: 'half-hours of a four-hour watch, 1 to 8',
    sources: ['Custom of the sea'],
    checks: [
      {
        kind: 'practice',
        source: 'Half past six in the morning: five bells',
        given: { hour: 6, half: true },
        finds: { bells: [5, 0], pairs: '2 2 1' },
      },
      { kind: 'practice', source: 'Noon: eight bells', given: { hour: 12, half: false }, finds: { bells: [8, 0] } },
    ],
  }),
  working({
    id: 'strike-heard',
    title: 'What was heard',
    subject: 'Strike and chime',
    stages: ['diagnose', 'run'],
    version: 1,
    asks: 'It strikes wrong: what does the list of hours and blows say?',
    alias: 'judge miscount offset random run-on',
    inputs: z.object({
      control: choice('Counted by', ['count wheel', 'rack']),
      heard: rows('Heard', { hand: whole('Hand at', 1, 12), heard: whole('Blows', 0, 60) }, 3, 48),
    }),
    example: {
      control: 'count wheel',
      heard: [
        { hand: 1, heard: 4 },
        { hand: 2, heard: 5 },
        { hand: 3, heard: 6 },
        { hand: 4, heard: 7 },
      ],
    },
    result: z.object({ kind: words('It is'), by: maybe('Off by', 'blows', 0), words: words('What follows') }),
    compute(i) {
      const v = judgeStrike(i.heard, i.control);
      return { kind: v.kind, by: v.kind === 'offset' ? v.by : null, words: v.words };
    },
    says: (r) => r.words,
    formula: 'offsets round a dial of twelve: all alike, none alike, or a limit',
    sources: ['Practice'],
    checks: [
      {
        kind: 'practice',
        source: 'Count wheel: always the same too many is out of step, cured by tripping it or moving the hour hand',
        given: {
          control: 'count wheel',
          heard: [
            { hand: 11, heard: 12 },
            { hand: 12, heard: 1 },
            { hand: 1, heard: 2 },
          ],
        },
        finds: { kind: 'offset', by: [1, 0] },
      },
      {
        kind: 'practice',
        source: 'Rack: always one or two, the rack does not fall',
        given: {
          control: 'rack',
          heard: [
            { hand: 4, heard: 1 },
            { hand: 5, heard: 1 },
            { hand: 6, heard: 2 },
          ],
        },
        finds: { kind: 'always few' },
      },
      {
        kind: 'practice',
        source: 'More than twelve is a run-on',
        given: {
          control: 'rack',
          heard: [
            { hand: 4, heard: 4 },
            { hand: 5, heard: 19 },
            { hand: 6, heard: 6 },
          ],
        },
        finds: { kind: 'run-on' },
      },
    ],
  }),
  working({
    id: 'blow-spacing',
    title: 'Seconds between blows',
    subject: 'Strike and chime',
    stages: ['run'],
    version: 1,
    asks: 'Are the blows even, and does it slow down?',
    alias: 'fly evenness hammer',
    inputs: z.object({ timesS: numbers('When each blow was heard', 's', [0, 600], 3, 60) }),
    example: { timesS: [0, 1.4, 2.8, 4.25, 5.8, 7.5] },
    result: z.object({
      meanS: out('Between blows', 's', 2),
      unevenPercent: out('Uneven by', '%', 0),
      slowingPercent: out('Slower at the end by', '%', 0),
      words: words('What follows'),
    }),
    compute({ timesS }) {
      const s = judgeSpacing(timesS);
      return { meanS: s.meanS, unevenPercent: 100 * s.unevenness, slowingPercent: 100 * s.slowing, words: s.words };
    },
    says: (r) => r.words,
    formula: 'mean and scatter of the gaps; last third against the first',
    sources: ['Practice: within a tenth is even, a quarter slower is tiring'],
    checks: [
      {
        kind: 'practice',
        source: 'Alike to a hundredth: the fly holds',
        given: { timesS: [0, 1.5, 3, 4.5, 6] },
        finds: { meanS: [1.5, 1e-9], words: 'Even blows: the fly holds.' },
      },
      {
        kind: 'practice',
        source: 'Each gap a fifth longer: power runs short',
        given: { timesS: [0, 1, 2.2, 3.64, 5.37] },
        finds: { slowingPercent: [73, 1] },
      },
    ],
  }),
  working({
    id: 'release-minute',
    title: 'Minute of release',
    subject: 'Strike and chime',
    stages: ['oil', 'run'],
    version: 1,
    asks: 'It strikes before or after the hour: how is the hand set?',
    alias: 'minute hand collet square late early',
    inputs: z.object({
      minutes: numbers('Minute on the dial at each release', 'min', [0, 59.99], 1, 24, { digits: 1 }),
      wanted: number('It should be at', 'min', 0, 59.99, { digits: 0 }),
    }),
    example: { minutes: [17, 17.5, 16.8], wanted: 0 },
    result: z.object({
      lateMinutes: out('Late by', 'min', 2),
      scatterMinutes: out('Scatter', 'min', 2),
      squares: out('Squares forward', '', 0),
      colletDeg: out('Collet forward', '°', 0),
      words: words('What to do'),
    }),
    compute: ({ minutes, wanted }) => judgeRelease(minutes, wanted),
    says: (r) => r.words,
    formula: 'a square is 15 minutes, a degree of the collet a sixth of a minute',
    sources: ['A minute hand makes 6° a minute; a square has four seats'],
    checks: [
      {
        kind: 'practice',
        source: 'Releases at quarter past: one square back',
        given: { minutes: [15, 15, 15], wanted: 0 },
        finds: { squares: [-1, 0], colletDeg: [0, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'Two minutes early: twelve degrees forward',
        given: { minutes: [58, 58, 58], wanted: 0 },
        finds: { lateMinutes: [-2, 1e-9], colletDeg: [12, 1e-9], squares: [0, 0] },
      },
    ],
  }),
  working({
    id: 'moon',
    title: 'Moon disc',
    subject: 'Strike and chime',
    stages: ['oil', 'run'],
    version: 1,
    asks: 'How many clicks from new moon on this day?',
    alias: 'moon age phase disc 118 59',
    inputs: z.object({ date: day('Day'), clicksForTwo: whole('Clicks of the disc, two moons', 20, 400) }),
    example: { date: '2026-11-23', clicksForTwo: 118 },
    result: z.object({
      ageDays: out('Age of the moon at noon', 'days', 1),
      clicks: out('Clicks from new moon', '', 0),
      fullIn: out('Full moon in', 'days', 1),
      yearsToADay: out('A day wrong after', 'years', 2),
    }),
    compute({ date, clicksForTwo }) {
      const ageDays = moonAgeDays(Date.parse(`${date}T12:00:00Z`));
      return {
        ageDays,
        clicks: clicksForAge(ageDays, clicksForTwo),
        fullIn: (LUNATION_DAYS * 1.5 - ageDays) % LUNATION_DAYS,
        yearsToADay: yearsToADayWrong(clicksForTwo / 4),
      };
    },
    says: (r) =>
      `${r.clicks} ${r.clicks === 1 ? 'click' : 'clicks'} on from new moon (the moon is ${r.ageDays.toFixed(1)} days old, give or take half a day).`,
    formula:
      'age = (day − mean new moon of 6 January 2000, 14:20) mod 29.530588853; clicks = age/29.53 · half the disc',
    sources: [ALMANAC],
    checks: [
      {
        kind: 'published',
        source: 'Total eclipse of the sun, so new moon, 8 April 2024, 18:21 UTC',
        given: { date: '2024-04-09', clicksForTwo: 118 },
        finds: { ageDays: [0.74, 0.59] },
      },
      {
        kind: 'published',
        source: 'Eclipse of the moon, so full moon, 7 September 2025, 18:09 UTC',
        given: { date: '2025-09-07', clicksForTwo: 118 },
        finds: { ageDays: [14.5, 0.7] },
      },
      {
        kind: 'published',
        source: ALMANAC + ': 29.5 days is a day wrong in 2.64 years',
        given: { date: '2026-11-23', clicksForTwo: 118 },
        finds: { yearsToADay: [2.64, 0.01] },
      },
    ],
  }),
  working({
    id: 'motion-work',
    title: 'Motion work',
    subject: 'Strike and chime',
    stages: ['survey', 'oil'],
    version: 1,
    asks: 'Does the hour hand keep step with the minute hand?',
    alias: 'cannon pipe hour wheel twelve to one',
    inputs: z.object({
      cannon: whole('Cannon pinion', 6, 120),
      minuteWheel: whole('Minute wheel', 6, 200),
      pinion: whole('Its pinion', 4, 60),
      hourWheel: whole('Hour wheel', 12, 240),
    }),
    example: { cannon: 36, minuteWheel: 36, pinion: 6, hourWheel: 72 },
    result: z.object({ turns: out('Turns of the minute hand for one of the hour hand', '', 4) }),
    compute: (i) => ({ turns: motionWork(i.minuteWheel, i.cannon, i.hourWheel, i.pinion) }),
    says: (r) => {
      if (Math.abs(r.turns - 12) < 1e-9) return 'Twelve: right.';
      return Math.abs(r.turns - 24) < 1e-9
        ? 'Twenty-four: a 24-hour dial.'
        : `${r.turns.toFixed(3)}, not 12: a wheel does not belong.`;
    },
    formula: '(minute wheel/cannon) · (hour wheel/its pinion) = 12',
    sources: ['A dial of twelve hours'],
    checks: [
      {
        kind: 'practice',
        source: '36/36 · 72/6',
        given: { cannon: 36, minuteWheel: 36, pinion: 6, hourWheel: 72 },
        finds: { turns: [12, 1e-9] },
      },
      {
        kind: 'practice',
        source: 'Another usual set: 30/10 · 32/8',
        given: { cannon: 10, minuteWheel: 30, pinion: 8, hourWheel: 32 },
        finds: { turns: [12, 1e-9] },
      },
    ],
  }),
  working({
    id: 'same-place',
    title: 'It stops at the same place',
    subject: 'Strike and chime',
    stages: ['diagnose'],
    version: 1,
    asks: 'Which arbor turns as often as it stops?',
    alias: 'stoppage period wheel',
    inputs: z.object({
      stopMinutes: numbers('Stops, minutes from the first start', 'min', [0, 100000], 2, 50, { digits: 0 }),
      arbors: rows('Arbors', { name: text('Name', 40), minutes: number('One turn', 'min', 0.01, 20000) }, 1, 20),
    }),
    example: {
      stopMinutes: [12, 73, 131, 192],
      arbors: [
        { name: 'great wheel', minutes: 720 },
        { name: 'centre wheel', minutes: 60 },
        { name: 'third wheel', minutes: 7.5 },
        { name: 'escape wheel', minutes: 1 },
      ],
    },
    result: z.object({
      spacing: out('Between stops', 'min', 1),
      scatter: out('Scatter', 'min', 1),
      fits: table('Arbors that fit', {
        name: words('Arbor'),
        minutes: out('One turn', 'min', 2),
        turns: out('Turns between stops', '', 0),
      }),
    }),
    compute(i) {
      const { minutes, scatter } = spacingOfStops(i.stopMinutes);
      return { spacing: minutes, scatter, fits: arborsThatFit(minutes, i.arbors) };
    },
    says: (r) =>
      r.fits[0]
        ? `Look at the ${r.fits.map((f) => f.name).join(' or the ')}: a bent tooth, a bent arbor, dirt in one leaf.`
        : 'No arbor fits: it does not stop by the train. Look at the case, the strike, and the weather.',
    formula: 'spacing = whole turns of an arbor within 3 %',
    sources: ['Practice'],
    checks: [
      {
        kind: 'practice',
        source: 'Every hour: the centre wheel',
        given: {
          stopMinutes: [10, 70, 130, 190],
          arbors: [
            { name: 'great wheel', minutes: 720 },
            { name: 'centre wheel', minutes: 60 },
            { name: 'escape wheel', minutes: 1 },
          ],
        },
        finds: { 'fits.0.name': 'centre wheel', 'fits.1': null },
      },
      {
        kind: 'practice',
        source: 'Twelve hours apart: the great wheel of a longcase, or the hour work',
        given: {
          stopMinutes: [100, 820, 1540],
          arbors: [
            { name: 'great wheel', minutes: 720 },
            { name: 'centre wheel', minutes: 60 },
          ],
        },
        finds: { 'fits.0.name': 'great wheel' },
      },
    ],
  }),
];
