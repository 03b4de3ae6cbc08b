import { finding, type DemoClock } from '../clock.ts';

export default {
  owner: 'Casimir Pell',
  phone: '0555 014 881',
  clock: 'Small alarm clock, glowing figures',
  movement: {
    name: 'Riveted alarm movement',
    familyId: 'riveted-alarm',
    maker: 'Aster Works',
    marks: [],
    fittings: ['luminous paint'],
  },
  complaint: 'Alarm will not let off.',
  picture: 'alarm',
  daysAgo: 15,
  promisedInDays: 4,
  by: 'tobiah',
  stage: 'run',
  course: {
    findings: [
      finding('dial', 'Luminous paint, flaking.', 'safety', 'safety', 'Dial off, bagged, not cleaned', {
        doNotDisturb: true,
      }),
    ],
    symptoms: { 'rate-wanders': 'present' },
    cause: 'Dirty pivots',
  },
} satisfies DemoClock;
