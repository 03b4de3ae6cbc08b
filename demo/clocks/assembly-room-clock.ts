import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Aldermere Assembly Rooms',
  phone: '0555 017 286',
  clock: 'Musical bracket clock',
  movement: { name: 'Three-train musical movement', familyId: 'musical', maker: 'Jos. Hask', marks: [], fittings: [] },
  complaint: 'Plays its tune too slowly.',
  received: [{ what: 'Key' }, { what: 'Pendulum' }],
  picture: 'mantel',
  daysAgo: 15,
  by: 'ines',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
