import { finding, measured, type DemoClock } from '../clock.ts';

export default {
  owner: 'Gideon Marsh',
  phone: '0555 018 730',
  clock: 'Wall clock from the Three Tuns',
  movement: {
    name: 'Two trains, open springs',
    familyId: 'shelf-open-springs',
    maker: 'Hollinworth',
    marks: [{ place: 'front plate', text: '812' }],
  },
  complaint: 'Strikes for three days, then stays silent.',
  wanted: 'As little as possible',
  picture: 'wall',
  daysAgo: 16,
  by: 'wilf',
  stage: 'sign',
  shape: 'in place',
  terms: 'trial',
  trial: { expected: 'strikes a whole week', reviewInDays: -1 },
  course: {
    findings: [
      finding('strike train', 'Sticky film on every pivot: it was dipped.', 'stops it', 'striking', '', {
        earlierRepair: true,
      }),
      finding('going train', 'Two holes tight with old oil.', 'harms it', 'timekeeping'),
    ],
    symptoms: { 'misses-strike': 'present' },
    cause: 'Residue of a dip',
    work: [{ part: 'Both trains', did: 'wiped, blown out, a little oil', before: 'sticky', after: 'runs free' }],
    bench: [
      measured('at lock', { count: 'on the rim', cam: 'in its notch', pin: 'on its stop', bent: null }),
      measured('at lock', { count: 'in its slot', cam: 'in its notch', pin: 'on its stop', bent: null }),
      measured('tripped', { how: 'by finger', times: 12, went: 'right each time', note: null }),
      measured('tripped', { how: 'by the hands', times: 12, went: 'right each time', note: null }),
      measured('hammer', { hammer: 'gong', travel: 14, gap: 0, tone: 'dull' }),
      measured('hammer', { hammer: 'gong', travel: 14, gap: 1, tone: 'clear' }),
    ],
    run: { days: 12, rate: 9, place: 'wall 2' },
  },
} satisfies DemoClock;
