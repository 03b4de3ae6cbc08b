import { finding, measured, type DemoClock } from '../clock.ts';

export default {
  owner: 'Aldermere Town Hall',
  phone: '0555 010 001',
  clock: 'Master clock of the council chamber',
  movement: {
    name: 'Electrically rewound master',
    familyId: 'electric-master',
    maker: 'Northmere Clock Works',
    marks: [{ place: 'label', text: '24 V, 0.22 A' }],
  },
  complaint: 'Dials in the offices stop, the master ticks on. Came without its case.',
  received: [{ what: 'Pendulum' }],
  picture: 'recorder',
  daysAgo: 9,
  by: 'marit',
  stage: 'diagnose',
  course: {
    alone: {
      drives: 'Eleven office dials in series',
      supply: '24 V, every half minute',
      borrowed: 'a bench supply and a stand',
    },
    answers: { runs: 'all the time', time: 'keeps time' },
    measured: [{ kind: 'coil', value: 109, how: 'meter, one end free' }],
    findings: [
      finding(
        'contacts',
        'Contact of the half minute looks dead: burnt over half its face.',
        'stops it',
        'timekeeping',
      ),
    ],
    overturned: { 0: 'In place, under its own pressure, it makes every time.' },
    symptoms: {},
    bench: [
      measured('return path', { pole: 'the frame', frameOhms: 0.4, volts: 24, limit: 300 }),
      measured('output', {
        ...{
          terminal: '3',
          feeds: 'eight dials',
          contact: 'half-minute contact',
          from: 350,
          to: 10,
          turn: 30,
          dwell: 1.7,
        },
        ...{ does: 'makes', draws: 180, carries: 300, with: null },
      }),
      measured('output', {
        ...{
          terminal: '5',
          feeds: 'bell of the yard',
          contact: 'programme pin',
          from: 200,
          to: 240,
          turn: 30,
          dwell: 3.2,
        },
        ...{ does: 'makes', draws: 90, carries: 300, with: null },
      }),
      measured('output', {
        ...{ terminal: '6', feeds: 'bell of the hall', contact: 'programme pin', from: null, to: null, turn: null },
        ...{ dwell: null, does: 'broken', draws: 90, carries: null, with: '5' },
      }),
      measured('contact verdict', { terminal: '3', where: 'on the bench', is: 'bad', note: 'left half pitted' }),
      measured('contact verdict', { terminal: '3', where: 'in place', is: 'sound', note: 'a whole week' }),
      measured('jumper', { from: '5', to: '7', is: 'in', counted: 4, belong: 2 }),
      measured('jumper', { from: '5', to: '7', is: 'out again', counted: 4, belong: 2 }),
      measured('contact chosen', { terminal: '6', is: 'fed by another', why: 'outside what was agreed' }),
      measured('unlike a sister', { terminal: '5', does: 'closes twice in a turn', is: 'not known', note: null }),
      measured('series loop', { dials: 8, ohms: 5.5, line: 3.4, wants: 220, volts: 12 }),
      { kind: 'coil', what: 'Rewind coil', ohms: 109, expectedOhms: 110, atC: 19 },
      ...(
        [
          [9, 81, 'nothing'],
          [12, 109, 'moves'],
          [15, 137, 'lifts'],
          [17, 154, 'advances'],
          [20, 182, 'advances'],
          [24, 219, 'advances'],
        ] as const
      ).map(([volts, milliamps, did]) => ({ kind: 'step' as const, volts, milliamps, did, supplyV: 24 })),
      {
        kind: 'contact',
        what: 'Half-minute contact',
        state: 'pitted',
        dwellMs: 420,
        periodS: 30,
        perMinute: 2,
        expectedPerMinute: 2,
        note: 'left half deeper',
      },
    ],
  },
} satisfies DemoClock;
