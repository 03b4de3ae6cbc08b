import { finding, type DemoClock } from '../clock.ts';

export default {
  owner: 'Edda Mossop',
  phone: '0555 012 118',
  clock: 'Twin-bell alarm clock',
  movement: { name: 'Riveted alarm movement', familyId: 'riveted-alarm', maker: 'Aster Works', marks: [] },
  complaint: 'Runs an hour, then stops.',
  picture: 'alarm',
  daysAgo: 3,
  promisedInDays: 5,
  by: 'tobiah',
  stage: 'clean',
  course: {
    findings: [
      finding('balance', 'Cone pivots dry and brown.', 'stops it', 'timekeeping', 'Clean whole, one tiny drop each'),
    ],
    symptoms: { 'stops-hours': 'present', 'small-swing': 'present' },
    cause: 'Dirty pivots',
    baths: [
      {
        bath: 'ammoniated water',
        parts: [{ name: 'whole movement, balance out', materials: ['bare brass', 'plain steel'] }],
        minutes: 5,
        running: true,
      },
    ],
  },
} satisfies DemoClock;
