import { finding, brassAndSteel, type DemoClock } from '../clock.ts';

export default {
  owner: 'Maud Ellershaw',
  phone: '0555 012 640',
  clock: 'Wall clock with two brass weights',
  movement: {
    name: 'Weight movement, rack strike',
    familyId: 'longcase',
    maker: 'Pellowe & Strand',
    marks: [{ place: 'back plate', text: '305' }],
  },
  complaint: 'Stopped when the wall was papered.',
  received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }],
  picture: 'wall',
  daysAgo: 47,
  promisedInDays: 1,
  by: 'ines',
  stage: 'deliver',
  course: {
    findings: [finding('suspension', 'Spring kinked at the top.', 'keeps bad time', 'timekeeping', 'Replace')],
    symptoms: { 'uneven-beat': 'present' },
    cause: 'Kinked suspension spring',
    baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }],
    run: { days: 9, rate: 3, endedHoursAgo: 20, place: 'Test wall, second hook' },
  },
} satisfies DemoClock;
