import { finding, brassAndSteel, type DemoClock } from '../clock.ts';

export default {
  owner: 'Odile Tarrowby',
  phone: '0555 010 442',
  clock: 'Longcase clock with a moon in the arch',
  movement: {
    name: 'Eight-day longcase movement, moon',
    familyId: 'longcase',
    maker: 'Pellowe & Strand',
    marks: [{ place: 'dial', text: 'Pellowe & Strand' }],
    fittings: ['moon work', 'calendar work'],
  },
  complaint: 'Strikes one more than it should, the moon has stuck.',
  received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }],
  picture: 'longcase',
  daysAgo: 35,
  promisedInDays: 2,
  by: 'tobiah',
  stage: 'assemble',
  course: {
    findings: [finding('strike work', 'Rack tail bent.', 'harms it', 'striking', 'Straighten')],
    symptoms: { 'wrong-random': 'present' },
    cause: 'Rack tail bent',
    baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }],
    worn: { 'S4.back': 0.2 },
  },
} satisfies DemoClock;
