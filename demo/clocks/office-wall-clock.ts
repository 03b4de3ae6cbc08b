import { finding, type DemoClock } from '../clock.ts';

export default {
  owner: 'Percival Doane',
  phone: '0555 013 909',
  clock: 'Office wall clock, two weights',
  movement: {
    name: 'Weight movement, striking',
    familyId: 'longcase',
    maker: 'Pellowe & Strand',
    marks: [{ place: 'dial', text: '61' }],
  },
  complaint: 'Due for its service.',
  received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }],
  picture: 'wall',
  daysAgo: 8,
  promisedInDays: -1,
  by: 'marit',
  stage: 'power',
  course: {
    findings: [finding('movement outside', 'Clean, oil just turning brown.', 'looks', 'none', 'Service as due')],
    symptoms: { dead: 'absent' },
    cause: 'Nothing wrong: service',
    power: { going: 'let down' },
  },
} satisfies DemoClock;
