import { finding, measured, type DemoClock } from '../clock.ts';

export default {
  owner: 'Ama Thistlewood',
  phone: '0555 011 876',
  clock: 'Thirty-hour shelf clock, two iron weights',
  movement: {
    name: 'Thirty-hour weight movement',
    familyId: 'weight-shelf',
    maker: 'Northmere Clock Works',
    marks: [{ place: 'label', text: 'No. 4' }],
  },
  complaint: 'Was in an attic. Would like it to go again.',
  notWanted: 'The dial is not to be touched up.',
  received: [{ what: 'Weights, left and right', condition: 'cords cut' }, { what: 'Pendulum' }],
  picture: 'shelf',
  daysAgo: 4,
  by: 'ines',
  stage: 'assess',
  course: {
    walked: 7,
    bench: [
      measured('weight', { source: 'going', hangs: 'left', grams: 1880, belongs: 1500, from: 'a sister clock' }),
      measured('weight', { source: 'strike', hangs: 'right', grams: 1490, belongs: 1900, from: 'a sister clock' }),
    ],
    missing: [{ what: 'Pulley', evidence: 'cords knotted to the weights' }],
    answers: { runs: 'never', 'last-right': 'Before it went into the attic, forty years ago.' },
    findings: [
      finding('dial', 'Thin paint, flaking round the lower screws.', 'harms it', 'value', 'Do not tighten', {
        doNotDisturb: true,
      }),
    ],
  },
} satisfies DemoClock;
