import { finding, type DemoClock } from '../clock.ts';

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
