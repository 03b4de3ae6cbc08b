import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Ottoline Crewe',
  phone: '0555 017 283',
  clock: 'Slate clock, escapement on its dial',
  movement: {
    name: 'Round movement, escapement in front',
    familyId: 'visible-escapement',
    maker: 'Brackwater & Son',
    marks: [],
    fittings: [],
  },
  complaint: 'Loses since it was cleaned elsewhere.',
  received: [{ what: 'Pendulum' }],
  picture: 'mantel',
  daysAgo: 4,
  by: 'ines',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
