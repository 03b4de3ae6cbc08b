import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Tamsin Roke',
  phone: '0555 019 226',
  clock: 'Wall clock that goes a month',
  movement: {
    name: 'Month movement, count wheel',
    familyId: 'month-wall',
    maker: 'Tessel',
    marks: [],
  },
  complaint: 'Stops in the last week of its month.',
  picture: 'wall',
  daysAgo: 4,
  by: 'marit',
  stage: 'intake',
} satisfies DemoClock;
