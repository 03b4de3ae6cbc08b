import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Leith Pargeter',
  phone: '0555 019 448',
  clock: 'Regulator from a counting house',
  movement: {
    name: 'Dead-beat timepiece',
    familyId: 'regulator',
    maker: 'Quillfeather',
    marks: [],
  },
  complaint: 'Gains two seconds a day since it was moved.',
  picture: 'longcase',
  daysAgo: 8,
  by: 'ines',
  stage: 'diagnose',
} satisfies DemoClock;
