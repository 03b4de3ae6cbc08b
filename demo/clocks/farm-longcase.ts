import { finding, measured, type DemoClock } from '../clock.ts';

export default {
  owner: 'Wilmot Hask',
  phone: '0555 017 266',
  clock: 'Thirty-hour longcase clock, one hand',
  movement: {
    name: 'Thirty-hour movement, one weight on an endless chain',
    familyId: 'longcase-30-hour',
    maker: '',
    marks: [{ place: 'dial', text: 'Jos. Hask, Aldermere' }],
    fittings: [],
    absent: ['serial number', 'date'],
  },
  complaint: 'Its chain slips, so that the weight drops by itself. It has not gone for years.',
  received: [{ what: 'Weight' }, { what: 'Small ring or weight of the chain' }, { what: 'Pendulum' }],
  picture: 'longcase',
  daysAgo: 2,
  by: 'ines',
  stage: 'assess',
  course: {
    findings: [
      finding('strike train', 'Sprocket slips on its arbor: the weight drops.', 'safety', 'striking', 'Pin it anew'),
      finding('strike work', 'Stop pin bent.', 'stops it', 'striking', 'Straighten, once the sprocket holds'),
    ],
    follows: { 1: 0 },
    bench: [
      measured('chain', {
        ...{ source: 'all', links: 412, lengthMm: 3398, pitchMm: 8.2, joint: 'soldered', click: 'loose' },
        ...{ dropMm: 1300, goingMm: 72, strikeMm: 340 },
      }),
    ],
  },
} satisfies DemoClock;
