import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Old Wharf School',
  phone: '0555 010 700',
  clock: 'Slave dial of the corridor',
  movement: {
    name: 'Half-minute dial movement',
    familyId: 'slave-dial',
    maker: 'Velden Electric',
    marks: [],
    fittings: [],
  },
  complaint: 'Falls behind by minutes.',
  received: [],
  picture: 'wall',
  daysAgo: 8,
  by: 'tobiah',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
