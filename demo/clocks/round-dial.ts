import { finding, brassAndSteel, type DemoClock } from '../clock.ts';

export default {
  owner: 'Old Wharf School',
  phone: '0555 010 700',
  clock: 'Round dial clock from the schoolroom',
  known: 'wharf',
  callback: true,
  movement: undefined,
  complaint: 'Loses and sometimes stops towards the end of the week.',
  received: [{ what: 'Pendulum' }, { what: 'Key' }],
  picture: 'wall',
  daysAgo: 26,
  promisedInDays: 12,
  by: 'ines',
  stage: 'fit',
  course: {
    findings: [
      finding('going train, great wheel', 'Chain rubs the edge of the barrel.', 'harms it', 'timekeeping', 'Set true'),
    ],
    symptoms: { 'stops-late': 'present', loses: 'present' },
    cause: 'Worn holes, tired mainspring',
    baths: [{ bath: 'ammoniated water', parts: [brassAndSteel], minutes: 10 }],
    worn: { 'T1.back': 0.62, 'T2.back': 0.33, 'T4.front': 0.19 },
    bushes: 1,
    dry: [{ word: 'drags', cure: 'driven out a hair' }, { word: 'free' }],
  },
} satisfies DemoClock;
