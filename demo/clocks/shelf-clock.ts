import { finding, type DemoClock } from '../clock.ts';

export default {
  owner: 'Jory Vantrease',
  phone: '0555 019 331',
  clock: 'Shelf clock with a painted glass',
  movement: {
    name: 'Square-plate movement, open springs',
    familyId: 'shelf-open-springs',
    maker: 'Aster Works',
    marks: [
      { place: 'front plate', text: 'AW 118' },
      { place: 'label', text: '2207' },
    ],
  },
  complaint: 'Strike stopped with a bang, goes but does not strike.',
  received: [{ what: 'Pendulum bob' }, { what: 'Key' }],
  picture: 'shelf',
  daysAgo: 12,
  promisedInDays: 20,
  by: 'tobiah',
  stage: 'clean',
  course: {
    findings: [
      finding(
        'strike power',
        'Spring broken at the hook, loose coils against the pillar.',
        'safety',
        'striking',
        'Replace; look at the first wheel for damage',
      ),
      finding('glass', 'Paint of the lower glass lifting at one corner.', 'looks', 'value', '', { doNotDisturb: true }),
    ],
    symptoms: { 'no-strike': 'present' },
    cause: 'Broken strike spring',
    power: { strike: 'wound' },
    override: 'Ratchet frozen: the broken spring cannot be let down, plates opened behind a shield.',
  },
} satisfies DemoClock;
