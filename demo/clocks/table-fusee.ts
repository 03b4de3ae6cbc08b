import { finding, measured, type DemoClock } from '../clock.ts';

export default {
  owner: 'Hob Carlyon',
  phone: '0555 019 660',
  clock: 'Fusee table clock with alarm and repeat',
  movement: {
    name: 'Fusee movement with balance',
    familyId: 'fusee-balance',
    maker: 'Quillfeather',
    marks: [],
  },
  complaint: 'Stops now and then, whatever the hour.',
  picture: 'bracket',
  daysAgo: 5,
  by: 'ines',
  stage: 'assess',
  course: {
    findings: [
      finding('repeat work', 'The next hour comes in the last quarter.', 'keeps bad time', 'striking', 'Re-join'),
    ],
    bench: [
      measured('alarm release', { set: 3, late: 18, feel: 'free' }),
      measured('alarm release', { set: 7, late: 20, feel: 'free' }),
      measured('alarm release', { set: 11, late: 19, feel: 'free' }),
      measured('repeat', { hour: 4, quarter: 1, hours: 4, quarters: 1 }),
      measured('repeat', { hour: 4, quarter: 3, hours: 5, quarters: 3 }),
      measured('repeat', { hour: 5, quarter: 0, hours: 5, quarters: 0 }),
    ],
  },
} satisfies DemoClock;
