import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Isolde Carrick',
  phone: '0555 017 318',
  clock: 'Table clock with a verge',
  movement: {
    name: 'Verge movement, two fusees',
    familyId: 'verge',
    maker: 'Hollinworth',
    marks: [],
  },
  complaint: 'Runs only when tilted.',
  picture: 'bracket',
  daysAgo: 1,
  by: 'marit',
  stage: 'intake',
} satisfies DemoClock;
