import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Hesper Lunt',
  phone: '0555 014 207',
  clock: 'Bedroom clock on three feet',
  movement: {
    name: 'Small timepiece movement',
    familyId: 'mantel-barrels',
    maker: 'Quillfeather',
    marks: [{ place: 'back plate', text: '90' }],
  },
  complaint: 'Loses ten minutes a day.',
  picture: 'mantel',
  daysAgo: 0,
  by: 'wilf',
  stage: 'intake',
} satisfies DemoClock;
