import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Ysolde Quay',
  phone: '0555 017 204',
  clock: 'Bird clock with two bellows',
  movement: {
    name: 'Chain-driven bird movement',
    familyId: 'bird',
    maker: 'Tessel',
    marks: [],
    fittings: ['wooden arbors'],
  },
  complaint: 'The bird comes out and says nothing.',
  received: [{ what: 'Weights, two' }, { what: 'Pendulum' }],
  picture: 'bird',
  daysAgo: 5,
  by: 'ines',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
