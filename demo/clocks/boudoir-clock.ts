import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Selwyn Baird',
  phone: '0555 017 284',
  clock: 'Small clock in a leather case',
  movement: {
    name: 'Movement with cylinder platform',
    familyId: 'cylinder-platform',
    maker: '',
    marks: [],
    fittings: [],
  },
  complaint: 'Runs an hour, then stops.',
  received: [{ what: 'Key' }],
  picture: 'travelling',
  daysAgo: 3,
  by: 'tobiah',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
