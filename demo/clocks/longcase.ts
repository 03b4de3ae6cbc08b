import { finding, brassAndSteel, type DemoClock } from '../clock.ts';

export default {
  owner: 'Brannoc Fell',
  phone: '0555 017 450',
  clock: 'Longcase clock with a painted dial',
  known: 'brackwater',
  movement: undefined,
  complaint: 'Stops every few days. The mover carried it with the pendulum on.',
  received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }, { what: 'Case key' }],
  picture: 'longcase',
  daysAgo: 44,
  promisedInDays: 9,
  by: 'marit',
  stage: 'run',
  course: {
    findings: [
      finding(
        'suspension',
        'Spring creased where the pendulum swung in transport.',
        'stops it',
        'timekeeping',
        'Replace',
      ),
      finding('escapement', 'Pallets grooved by the wheel.', 'keeps bad time', 'timekeeping', 'Resurface'),
    ],
    symptoms: { 'stops-hours': 'present', 'rate-wanders': 'present' },
    cause: 'Creased suspension spring',
    baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }],
    worn: { 'T2.front': 0.3, 'T4.back': 0.18 },
    parts: [{ what: 'Suspension spring', size: '0.13 × 12 × 76 mm', source: 'new', oldPart: 'returned to the owner' }],
    workings: [
      {
        working: 'line-length',
        stage: 'fit',
        input: { barrelMm: 51, lineMm: 1.4, turns: 16, falls: 'on a pulley', pathMm: 420, knotsMm: 150 },
      },
      {
        working: 'set-rate',
        stage: 'run',
        input: { rate: 38, setter: 'rating nut', lengthMm: 993.6, pitchMm: 0.8, tried: [], noise: 2 },
      },
    ],
    run: {
      days: 8,
      rate: 5.2,
      endedHoursAgo: 25,
      start: 4,
      oldRate: 38,
      adjustedAfter: 2,
      misread: 4,
      swing: { deg: 2.5, perDay: 0, drops: 1.9 },
      place: 'In its own case, fixed to the test wall',
      heard: { beatsPerHour: 3600, beatErrorMs: 3.1, amplitude: null },
    },
  },
} satisfies DemoClock;
