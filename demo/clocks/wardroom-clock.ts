import { finding, measured, type DemoClock } from '../clock.ts';

export default {
  owner: 'Isolde Carrick',
  phone: '0555 017 318',
  clock: 'Wardroom clock in a brass case',
  movement: {
    name: 'Lever movement with bells, behind a porthole dial',
    familyId: 'ships-bells',
    maker: 'Brackwater & Son',
    marks: [
      { place: 'back plate', text: '5172' },
      { place: 'balance', text: '5190' },
    ],
  },
  complaint: 'Will not be regulated. “Serviced” last year.',
  wanted: 'To know what is wrong before anything is taken apart',
  notWanted: 'No new platform',
  picture: 'wall',
  daysAgo: 6,
  by: 'ines',
  stage: 'run',
  shape: 'in place',
  terms: 'no guarantee',
  course: {
    findings: [
      finding('platform', 'Regulator stands at its stop.', 'keeps bad time', 'timekeeping'),
      finding('platform', 'Oil everywhere; two coils of the hairspring cling.', 'keeps bad time', 'timekeeping', '', {
        earlierRepair: true,
      }),
      finding('platform', 'Cracked collet that holds.', 'harms it', 'value', '', { doNotDisturb: true }),
    ],
    symptoms: { gains: 'present', 'small-swing': 'present' },
    cause: 'Oil on the hairspring',
    work: [
      {
        part: 'Balance and hairspring',
        did: 'cleaned, spring still on its cock',
        before: 'amplitude about 120°, coils cling',
        after: 'amplitude 280°, coils free',
      },
      { part: 'Lever', did: 'oil blotted', before: 'wet', after: 'dry' },
    ],
    bench: [
      measured('position', { when: 'before', in: '12 up', amplitude: 120, rate: 210, beatMs: 3 }),
      measured('position', { when: 'before', in: 'dial up', amplitude: 135, rate: 190 }),
      measured('position', { when: 'after', in: '12 up', amplitude: 264, rate: 14, beatMs: 0.8 }),
      measured('position', { when: 'after', in: 'dial up', amplitude: 280, rate: 9 }),
      measured('warmth', { celsius: 12, rate: 41 }),
      measured('warmth', { celsius: 24, rate: -19 }),
    ],
    prognosis: { text: 'What oil is left may creep back onto the coils.', inDays: 90 },
    run: { days: 3, rate: 14, place: 'bench shelf' },
  },
} satisfies DemoClock;
