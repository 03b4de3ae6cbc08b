import { finding, type DemoClock } from '../clock.ts';

export default {
  owner: 'Dov Hartnell',
  phone: '0555 015 993',
  clock: 'Travelling clock in a gilt brass case',
  movement: {
    name: 'Movement with lever platform',
    familyId: 'lever-platform',
    maker: 'Quillfeather',
    marks: [
      { place: 'case', text: '5083' },
      { place: 'back plate', text: '5083' },
      { place: 'balance', text: '3902' },
    ],
  },
  complaint: 'Gains an hour a day since it was “oiled”.',
  received: [{ what: 'Key' }],
  picture: 'travelling',
  daysAgo: 21,
  promisedInDays: 6,
  by: 'marit',
  stage: 'oil',
  course: {
    findings: [
      finding(
        'balance and hairspring',
        'Oil between the coils of the hairspring.',
        'keeps bad time',
        'timekeeping',
        'Clean and degrease',
        { earlierRepair: true, hours: 1.5, cause: 'too-much-oil' },
      ),
    ],
    measured: [
      { kind: 'amplitude', value: 205, how: 'by sound' },
      { kind: 'regulator', value: 6, how: 'read off the index' },
      { kind: 'rate', value: 3600, how: 'against a watch for an hour' },
    ],
    symptoms: { gains: 'present', 'small-swing': 'present' },
    cause: 'Too much oil, on the hairspring',
    baths: [
      {
        bath: 'petroleum solvent',
        parts: [{ name: 'balance and hairspring', materials: ['hairspring or bimetal balance'] }],
        minutes: 2,
      },
    ],
    oilLeft: 7,
  },
} satisfies DemoClock;
