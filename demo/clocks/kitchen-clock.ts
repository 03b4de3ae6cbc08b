import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Philippa Yarrow',
  phone: '0555 016 515',
  clock: 'Green kitchen clock, mains',
  movement: {
    name: 'Synchronous movement, sealed rotor',
    familyId: 'synchronous',
    maker: 'Voltane',
    marks: [{ place: 'label', text: '50 Hz' }],
  },
  complaint: 'Hums but does not turn.',
  picture: 'kitchen',
  daysAgo: 1,
  by: 'wilf',
  stage: 'intake',
} satisfies DemoClock;
