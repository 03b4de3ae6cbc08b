import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Una Vesper',
  phone: '0555 019 559',
  clock: 'Travelling clock with repeat and alarm',
  movement: {
    name: 'Travelling movement, repeat and alarm',
    familyId: 'travelling-strike',
    maker: 'Brackwater & Son',
    marks: [],
  },
  complaint: 'The repeat is faint at the quarters.',
  picture: 'travelling',
  daysAgo: 2,
  by: 'tobiah',
  stage: 'intake',
} satisfies DemoClock;
