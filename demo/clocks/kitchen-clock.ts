import { finding, measured, type DemoClock } from '../clock.ts';

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
  by: 'ines',
  stage: 'assess',
  course: {
    findings: [finding('cord and plug', 'Rubber of the cord crumbles.', 'safety', 'none', 'Renew, by a licensed hand')],
    bench: [
      measured('mains cord', { state: 'perished', relief: 'yes', note: 'rubber crumbles at the bush' }),
      { kind: 'coil', what: 'Motor coil', ohms: 9400, expectedOhms: 9600, atC: 20 },
      measured('rotor trial', { pair: 'its rotor in a known coil', did: 'hums' }),
    ],
  },
} satisfies DemoClock;
