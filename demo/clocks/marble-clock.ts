import { finding, type DemoClock } from '../clock.ts';

export default {
  owner: 'Tamsin Orrick',
  phone: '0555 019 555',
  clock: 'Marble clock with a striking movement',
  movement: {
    name: 'Round-plate movement, outside count wheel',
    familyId: 'mantel-barrels',
    maker: 'Tessel',
    marks: [{ place: 'back plate', text: '1140' }],
  },
  complaint: 'Overwound, she says: it will not start.',
  received: [{ what: 'Key', condition: 'fits' }, { what: 'Pendulum' }],
  picture: 'mantel',
  daysAgo: 10,
  promisedInDays: 18,
  by: 'ines',
  stage: 'strip',
  course: {
    findings: [finding('going power', 'Fully wound and gummed.', 'stops it', 'timekeeping', 'Out, clean, grease')],
    symptoms: { dead: 'present' },
    cause: 'Gummed mainspring and dry pivots',
  },
} satisfies DemoClock;
