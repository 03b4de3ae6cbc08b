import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Aldermere Infants’ School',
  phone: '0555 017 282',
  clock: 'Wall clock wound every fortnight',
  movement: { name: 'Fourteen-day movement', familyId: 'fortnight-wall', maker: 'Tessel', marks: [], fittings: [] },
  complaint: 'Stops after nine days.',
  received: [{ what: 'Key' }, { what: 'Pendulum' }],
  picture: 'wall',
  daysAgo: 12,
  promisedInDays: 18,
  by: 'ines',
  stage: 'run',
  course: {
    symptoms: { 'stops-late': 'present', 'small-swing': 'present' },
    cause: 'Worn holes, tired mainspring',
    run: {
      days: 6,
      rate: 12,
      endedHoursAgo: 20,
      place: 'Test wall, third hook',
      swing: { deg: 4.6, perDay: -0.28, drops: 2.4 },
    },
  },
} satisfies DemoClock;
