import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Benedek Harrow',
  phone: '0555 018 761',
  clock: 'Four-glass clock, mercury pendulum',
  movement: {
    name: 'Round-plate movement, visible escapement',
    familyId: 'mantel-barrels',
    maker: 'Brindle & Daughters',
    marks: [
      { place: 'back plate', text: '8812' },
      { place: 'case', text: '8821' },
    ],
    fittings: ['mercury pendulum'],
  },
  complaint: 'Beats unevenly after it was moved.',
  received: [{ what: 'Pendulum', condition: 'two vials, both sound' }, { what: 'Key' }],
  picture: 'travelling',
  daysAgo: 7,
  promisedInDays: 15,
  by: 'marit',
  stage: 'power',
  course: {
    findings: [],
    symptoms: { 'uneven-beat': 'present', 'stops-hours': 'present' },
    cause: 'Out of beat after moving',
    power: { going: 'let down', strike: 'wound' },
  },
} satisfies DemoClock;
