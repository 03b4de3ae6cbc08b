import { finding, type DemoClock } from '../clock.ts';

export default {
  owner: 'Mirelle Stroud',
  phone: '0555 018 022',
  clock: 'Torsion clock under a glass dome',
  movement: {
    name: 'Torsion movement, standard plates',
    familyId: 'torsion',
    maker: 'Tessel',
    marks: [{ place: 'back plate', text: '97714' }],
  },
  complaint: 'Turns for a while and dies.',
  received: [{ what: 'Dome', condition: 'small chip at the rim' }, { what: 'Pendulum' }],
  picture: 'dome',
  daysAgo: 6,
  by: 'tobiah',
  stage: 'agree',
  course: {
    findings: [
      finding(
        'torsion strip and fork',
        'Strip kinked below the fork.',
        'stops it',
        'timekeeping',
        'Compute the strength, replace',
        { hours: 1 },
      ),
      finding('plates', 'Lacquer crazed, brown oil in the sinks.', 'keeps bad time', 'timekeeping', 'Strip and clean', {
        hours: 5,
      }),
    ],
    symptoms: { 'torsion-flutters': 'present', 'rate-wanders': 'present' },
    cause: 'Kinked strip',
    bench: [
      {
        kind: 'torsion strip',
        ...{ strip: 'as it came', thicknessMm: 0.094, widthMm: 0.48, freeMm: 97, alloy: 'not known' },
        note: 'kinked below the fork',
      },
      { kind: 'torsion heights', when: 'as it came', forkMm: 8.5, assemblyMm: 107.5 },
    ],
    points: [
      { x: 0.37, y: 0.36, finding: 0 },
      { x: 0.62, y: 0.72, finding: 1 },
    ],
    estimate: {
      routes: ['cure', 'overhaul', 'replace'],
      question: 'Would the new strip change how it looks turning?',
      lines: [
        {
          kind: 'labour',
          what: 'New strip, cut and set in beat',
          quantity: '1',
          price: '52.00',
          routes: ['cure', 'overhaul'],
          finding: 0,
        },
        { kind: 'part', what: 'Torsion strip', quantity: '1', price: '14.00', routes: ['cure', 'overhaul'] },
        {
          kind: 'labour',
          what: 'Strip, clean, oil and thirty days on test',
          quantity: '5',
          price: '52.00',
          routes: ['overhaul'],
          finding: 1,
        },
        {
          kind: 'part',
          what: 'New movement, hands and fitting kept',
          quantity: '1',
          price: '165.00',
          routes: ['replace'],
          noGuarantee: true,
        },
        {
          kind: 'outside work',
          what: 'Dome: chip at the rim ground smooth',
          quantity: '1',
          price: '45.00',
          optional: true,
        },
      ],
    },
  },
} satisfies DemoClock;
