import { finding, type DemoClock } from '../clock.ts';

export default {
  ownStock: true,
  clock: 'Mantel clock from the fair, no back, no bob',
  movement: {
    name: 'Two trains, barrels',
    familyId: 'mantel-barrels',
    maker: '',
    marks: [{ place: 'back plate', text: '33' }],
  },
  complaint: 'Bought at the fair. Back and bob are missing.',
  picture: 'mantel',
  daysAgo: 9,
  by: 'tobiah',
  stage: 'clean',
  shape: 'partial',
  course: {
    missing: [
      { what: 'Back of the case', evidence: 'hinge holes' },
      { what: 'Pendulum bob', evidence: 'rod with a hook' },
    ],
    findings: [
      finding('case', 'Trim gone from the left side.', 'looks', 'looks'),
      finding('going train', 'Dry and dusty, nothing worn that shows.', 'harms it', 'timekeeping'),
    ],
    symptoms: { 'stops-hours': 'present' },
    cause: 'Dry',
  },
} satisfies DemoClock;
