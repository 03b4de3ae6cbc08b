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
  by: 'ines',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
