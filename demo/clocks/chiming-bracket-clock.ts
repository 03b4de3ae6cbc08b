import { finding, brassAndSteel, type DemoClock } from '../clock.ts';

export default {
  owner: 'Sunniva Crake',
  phone: '0555 013 640',
  clock: 'Bracket clock chiming the quarters',
  notes: ['The key to its back door hangs in locker 3.', 'Ring on a weekday after six; the gong is to stay as it is.'],
  movement: {
    name: 'Three-train chiming movement',
    familyId: 'quarter-chime',
    maker: 'Brindle & Daughters',
    marks: [
      { place: 'back plate', text: '30516' },
      { place: 'case', text: '30516' },
    ],
    fittings: ['moon work'],
  },
  complaint: 'Quarters come out of order and the hour is sometimes missing.',
  received: [{ what: 'Pendulum' }, { what: 'Key' }, { what: 'Bag of loose trim', condition: 'two finials' }],
  picture: 'bracket',
  daysAgo: 18,
  promisedInDays: 30,
  by: 'ines',
  stage: 'survey',
  course: {
    findings: [
      finding(
        'chime train, warning wheel',
        'Arbor leans visibly under power.',
        'harms it',
        'striking',
        'Survey, bush',
        {
          hours: 0.8,
          cause: 'worn-hole.chime',
        },
      ),
    ],
    symptoms: { 'misses-strike': 'present', 'wrong-random': 'present' },
    cause: 'Worn holes in the chime train',
    points: [{ x: 0.55, y: 0.47, finding: 0 }],
    estimate: {
      lines: [
        { kind: 'labour', what: 'Overhaul, three trains', quantity: '14', price: '52.00', says: 'accepted' },
        { kind: 'labour', what: 'Case polished', quantity: '3', price: '52.00', optional: true, says: 'declined' },
      ],
      later: [
        { kind: 'part', what: 'Chime mainspring, found set while apart', quantity: '1', price: '38.00' },
        { kind: 'labour', what: 'Fitting it', quantity: '1', price: '52.00' },
      ],
    },
    baths: [{ bath: 'ammoniated water', parts: [brassAndSteel], minutes: 10 }],
    worn: { 'T2.back': 0.3, 'S4.front': 0.22, 'S5.back': 0.2, 'C2.front': 0.42, 'C5.back': 0.11 },
    unmeasured: 7,
    found: {
      'fly.chime': { state: 'slips too easily' },
      'click.strike': { state: 'worn', note: 'second tooth of the ratchet rounded' },
    },
    casework: [
      { place: 'case', what: 'Old glue out of the joint', did: 1, hoursAgo: 52, ended: true },
      {
        place: 'case',
        what: 'Glued and clamped',
        product: 'hide glue',
        waitHours: 12,
        did: 1,
        hoursAgo: 50,
        ended: true,
      },
      {
        place: 'case',
        what: 'Finish coat',
        product: 'shellac, thin',
        times: 3,
        waitHours: 24,
        once: true,
        did: 2,
        hoursAgo: 5,
      },
      { place: 'case', what: 'Door lock eased' },
      { place: 'case', what: 'Trim fitted', product: 'two finials', origin: 'of this clock' },
      {
        place: 'glass',
        what: 'Glass cut and fitted',
        origin: 'new, a guess',
        note: 'Side light was missing: plain sheet, 2 mm',
      },
    ],
  },
} satisfies DemoClock;
