import { finding, brassAndSteel, measured, type DemoClock } from '../clock.ts';

export default {
  owner: 'Pell Joinery',
  phone: '0555 014 880',
  clock: 'Time recorder of the joinery',
  movement: {
    name: 'Fusee time recorder',
    familyId: 'recorder',
    maker: 'Northmere Clock Works',
    marks: [{ place: 'front plate', text: 'R 771' }],
  },
  complaint: 'Prints late and faint.',
  picture: 'recorder',
  daysAgo: 38,
  promisedInDays: 8,
  by: 'tobiah',
  stage: 'run',
  course: {
    findings: [finding('print work', 'Ribbon dry, bevels stiff.', 'harms it', 'none', 'Clean, free, re-ink')],
    units: [{ name: 'print work', done: ['power', 'strip'] }],
    symptoms: { 'stops-place': 'present' },
    cause: 'Stiff bevels',
    baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }],
    bench: [
      measured('print', { column: 'morning in', minutes: 3, strike: 'faint', ribbon: 'stands still' }),
      measured('print', { column: 'evening out', minutes: 0, strike: 'faint', stop: 'on it' }),
      measured('day change', { at: 'at noon', late: 2, whole: 'yes', fly: 'with a blow', times: 3 }),
    ],
    run: { days: 1.2, rate: 41, every: 0.6, endedHoursAgo: 5, readBy: 'minute hand', place: 'Test stand 3' },
  },
} satisfies DemoClock;
