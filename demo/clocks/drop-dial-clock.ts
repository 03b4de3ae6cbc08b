import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Merrin Oake',
  phone: '0555 019 114',
  clock: 'Drop-dial clock, rack striking',
  movement: {
    name: 'Open springs, rack',
    familyId: 'shelf-rack',
    maker: 'Hollinworth',
    marks: [],
  },
  complaint: 'Strikes on and on.',
  picture: 'shelf',
  daysAgo: 3,
  by: 'wilf',
  stage: 'assess',
} satisfies DemoClock;
