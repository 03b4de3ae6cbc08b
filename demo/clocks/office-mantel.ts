import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Ambrose Lyle',
  phone: '0555 017 285',
  clock: 'Mantel clock with a swinging balance below its movement',
  movement: {
    name: 'Two-train movement, floating balance',
    familyId: 'floating-balance',
    maker: 'Coldwater',
    marks: [],
    fittings: [],
  },
  complaint: 'Will not start.',
  received: [{ what: 'Key' }],
  picture: 'mantel',
  daysAgo: 6,
  by: 'ines',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
