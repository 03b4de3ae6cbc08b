import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Thea Mountjoy',
  phone: '0555 017 287',
  clock: 'Battery clock under a glass',
  movement: {
    name: 'Pendulum with coil and toggle',
    familyId: 'toggle',
    maker: 'Velden Electric',
    marks: [],
    fittings: [],
  },
  complaint: 'Stops when the cell is a month old.',
  received: [{ what: 'Pendulum' }],
  picture: 'mantel',
  daysAgo: 8,
  by: 'tobiah',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
