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
      { what: 'Back of the case', evidence: 'hinge holes', would: 'case back, 210 mm' },
      {
        what: 'Glass ring',
        evidence: 'a rebate with putty in it',
        steps: [
          { step: 'ordered', from: 'Quill & Pane', price: '18.50' },
          { step: 'arrived faulty', note: 'Cracked at the rim.' },
        ],
      },
      {
        what: 'Trim of the left side',
        evidence: 'pin holes, and the trim of the right side',
        steps: [{ step: 'looked for', note: 'Three sale catalogues: no picture of the model.' }],
      },
      { what: 'Pendulum bob', evidence: 'rod with a hook' },
    ],
    findings: [
      finding('case', 'Trim gone from the left side.', 'looks', 'looks'),
      finding('going train', 'Dry and dusty, nothing worn that shows.', 'harms it', 'timekeeping'),
    ],
    baths: [
      {
        ...{ sequence: 'whole', bath: 'detergent', minutes: 8, before: 'dust in old oil', after: 'even' },
        parts: [{ name: 'whole movement, first half', materials: ['bare brass', 'plain steel'] }],
      },
    ],
    symptoms: { 'stops-hours': 'present' },
    cause: 'Dry',
  },
} satisfies DemoClock;
