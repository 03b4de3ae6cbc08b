import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Nerys Tallow',
  phone: '0555 017 281',
  clock: 'Shelf clock with an alarm disc',
  movement: {
    name: 'Three-spring movement, open springs',
    familyId: 'shelf-alarm',
    maker: 'Coldwater',
    marks: [],
    fittings: [],
  },
  complaint: 'Its alarm does not go off.',
  received: [{ what: 'Key' }],
  picture: 'shelf',
  daysAgo: 9,
  by: 'tobiah',
  stage: 'assess',
  course: {
    missing: [{ what: 'Hammer of the alarm', evidence: 'an empty arbor', would: 'alarm mechanism, alarm work' }],
  },
} satisfies DemoClock;
