import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Corin Ashby',
  phone: '0555 019 337',
  clock: 'Tall clock with three weights and a moon',
  movement: {
    name: 'Quarter movement on three weights',
    familyId: 'three-weights',
    maker: 'Brackwater & Son',
    fittings: ['moon work'],
    marks: [],
  },
  complaint: 'Quarters come late.',
  picture: 'longcase',
  daysAgo: 7,
  by: 'ines',
  stage: 'assess',
} satisfies DemoClock;
