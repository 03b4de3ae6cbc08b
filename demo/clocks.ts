import type { BodyOf, ParsedBodyOf, api } from '@eclat/contract';
import type { StageId } from '@eclat/core/stages';
import type { Course } from './workshop.ts';
import type { Picture } from './pictures.ts';

/** Owners, makers, places and clocks are all made up. */
export interface DemoClock {
  owner: string;
  phone: string;
  clock: string;
  movement: BodyOf<typeof api.visits.open>['movement'];
  /** Goes on in the book of a movement that was here before. */
  known?: 'slate' | 'brackwater' | 'wharf';
  /** It comes back because of the last work here. */
  callback?: boolean;
  complaint: string;
  wanted?: string;
  notWanted?: string;
  outOfScope?: string;
  received?: NonNullable<BodyOf<typeof api.visits.open>['received']>;
  picture: Picture;
  daysAgo: number;
  promisedInDays?: number;
  by: 'ines' | 'marit' | 'wilf' | 'tobiah';
  stage: StageId;
  course?: Course;
}

const f = (place: string, seen: string, severity: 'safety' | 'stops it' | 'harms it' | 'keeps bad time' | 'looks', effect: 'timekeeping' | 'striking' | 'safety' | 'looks' | 'value' | 'none', proposal = '', more: { earlierRepair?: boolean; doNotDisturb?: boolean; hours?: number; cause?: string } = {}) =>
  ({ place, seen, severity, effect, proposal, ...more });
const brassAndSteel = { name: 'plates and wheels', materials: ['bare brass' as const, 'plain steel' as const] };

/** A fault that the house met twice and added to its table. */
export const OWN_CAUSE: ParsedBodyOf<typeof api.knowing.add> = {
  name: 'Magnetised crutch', prior: 'rare', oscillators: ['pendulum'], fittings: ['crutch'], trains: [], shows: { 'rate-wanders': 'H', 'stops-hours': 'L' },
  look: { what: 'Hold a small compass to the crutch', minutes: 1, level: 1 }, remedy: 'Demagnetise, and find what did it',
};

export const CLOCKS: readonly DemoClock[] = [
  {
    owner: 'Hesper Lunt', phone: '0555 014 207', clock: 'Slate mantel clock with gilt columns', known: 'slate', movement: undefined,
    complaint: 'Ran well for years, now gives up on the fifth or sixth day and strikes slowly before it does.', wanted: 'Running and striking reliably through the week.', notWanted: 'Leave the chip on the left column.',
    outOfScope: 'The gilding.', received: [{ what: 'Pendulum', condition: 'bob sound, nut tight' }, { what: 'Winding key', condition: 'worn', squareMm: 3.75, fits: 'loose' }, { what: 'Case key' }], picture: 'mantel', daysAgo: 31, promisedInDays: 3, by: 'ines', stage: 'sign',
    course: {
      answers: { runs: 'for a while', 'stops-after': 'days, near the end of the wind', where: 'everywhere', moved: 'no', beat: 'evenly', 'last-right': 'Last winter.', 'last-hand': 'Nobody since it was bought.' },
      missing: [{ what: 'Trim, finial or moulding', evidence: 'a clean round patch on the left shoulder' }],
      dated: [{ notBefore: 1882, notAfter: null, why: 'style of the case handles' }, { notBefore: null, notAfter: 1899, why: 'pencilled inscription of the 1890s inside the front plate' }],
      measured: [{ kind: 'free-run', value: 132, how: 'from the stopped hands' }, { kind: 'rate', value: -40, how: 'two readings a day apart' }],
      points: [{ x: 0.53, y: 0.48, finding: 0 }, { x: 0.63, y: 0.71, finding: 1 }],
      estimate: {
        routes: ['cure', 'overhaul'], chosen: 'overhaul',
        lines: [
          { kind: 'labour', what: 'Mainspring out, cleaned and greased', quantity: '1.5', price: '52.00', finding: 2, says: 'accepted' },
          { kind: 'labour', what: 'Strip, clean, survey, oil and test, two trains', quantity: '7', price: '52.00', routes: ['overhaul'], says: 'accepted' },
          { kind: 'labour', what: 'Four bushes: 2 front, 2 back', quantity: '1.6', price: '52.00', routes: ['overhaul'], fromSurvey: true, says: 'accepted' },
          { kind: 'part', what: 'Suspension spring', quantity: '1', price: '9.50', finding: 3, says: 'accepted' },
          { kind: 'labour', what: 'Left column: chip filled and toned', quantity: '2', price: '52.00', optional: true, finding: 5, says: 'declined' },
        ],
      },
      findings: [
        f('going train, second wheel', 'Back hole oval towards the barrel, black oil in the sink.', 'stops it', 'timekeeping', 'Bush, back plate', { hours: 0.4, cause: 'worn-hole.going' }),
        f('strike train, pin wheel', 'Front hole oval, pivot lightly scored.', 'harms it', 'striking', 'Polish the pivot, bush the front plate'),
        f('going power', 'Mainspring opens in jerks when let down: old grease like varnish.', 'stops it', 'timekeeping', 'Out, clean, grease'),
        f('suspension', 'One strip kinked.', 'keeps bad time', 'timekeeping', 'Replace'),
        f('strike train, locking wheel', 'Two punch marks round the back hole.', 'harms it', 'striking', 'Bush, marks left as they are', { earlierRepair: true }),
        f('case', 'Chip at the foot of the left column.', 'looks', 'looks', 'Left as it is, as wished'),
      ],
      symptoms: { 'stops-late': 'present', 'small-swing': 'present', 'uneven-beat': 'absent', 'strikes-slow': 'present', dead: 'absent' }, looks: { 'crutch-loop': 'clear', 'gummed-mainspring.going': 'found', 'worn-hole.going': 'found', 'worn-hole.strike': 'found' }, cause: 'Gummed mainspring, with worn holes in both trains',
      baths: [
        { bath: 'petroleum solvent', parts: [{ name: 'mainsprings', materials: ['blued or polished steel'] }, { name: 'nuts, pins and screws', materials: ['blued or polished steel'] }], minutes: 20 },
        { bath: 'ammoniated water', parts: [brassAndSteel], minutes: 5, before: 'Brown all over, black in the sinks', after: 'Even and clean; old marks left' }, { bath: 'detergent', sequence: 'light', parts: [brassAndSteel], minutes: 2, after: 'No chips left in the sinks' },
      ],
      found: { pallets: { state: 'grooved', note: 'entry pallet deeper' }, 'pivot.S3.front': { state: 'worn', toMm: 1.2 } },
      worn: { 'T2.back': 0.34, 'S3.front': 0.29, 'S4.back': 0.24, 'T5.front': 0.16 },
      parts: [{ what: 'Suspension spring', stock: 'AS-S10', why: 'One strip kinked', source: 'from stock', oldPart: 'returned to the owner' }, { what: 'Taper pin', kind: 'pin', sizes: { diameter_mm: 1.5, length_mm: 18 }, quantity: 6, source: 'made here', oldPart: 'scrapped' }],
      casework: [{ place: 'dial', what: 'Dusted, nothing more', did: 1, hoursAgo: 300, ended: true }],
      workings: [
        { working: 'spring-turns', stage: 'survey', input: { barrelMm: 38.2, arborMm: 12.5, thicknessMm: 0.38, lengthMm: 1390 } },
        { working: 'beat-error', stage: 'run', input: { tickToTockMs: 398, tockToTickMs: 402, oscillator: 'pendulum', amplitudeDeg: 3.1 } },
      ],
      run: { days: 9, rate: 7, endedHoursAgo: 3, place: 'Test stand 1, level', heard: { beatsPerHour: 9000, beatErrorMs: 1.8, amplitude: null } },
    },
  },
  {
    owner: 'Jory Vantrease', phone: '0555 019 331', clock: 'Shelf clock with a painted glass', movement: { name: 'Square-plate movement, open springs', familyId: 'shelf-open-springs', maker: 'Aster Works', marks: [{ place: 'front plate', text: 'AW 118' }, { place: 'label', text: '2207' }] },
    complaint: 'Strike stopped with a bang, goes but does not strike.', received: [{ what: 'Pendulum bob' }, { what: 'Key' }], picture: 'shelf', daysAgo: 12, promisedInDays: 20, by: 'tobiah', stage: 'clean',
    course: {
      findings: [f('strike power', 'Spring broken at the hook, loose coils against the pillar.', 'safety', 'striking', 'Replace; look at the first wheel for damage'), f('glass', 'Paint of the lower glass lifting at one corner.', 'looks', 'value', '', { doNotDisturb: true })],
      symptoms: { 'no-strike': 'present' }, cause: 'Broken strike spring', power: { strike: 'wound' }, override: 'Ratchet frozen: the broken spring cannot be let down, plates opened behind a shield.',
    },
  },
  {
    owner: 'Ama Thistlewood', phone: '0555 011 876', clock: 'Thirty-hour shelf clock, two iron weights', movement: { name: 'Thirty-hour weight movement', familyId: 'weight-shelf', maker: 'Northmere Clock Works', marks: [{ place: 'label', text: 'No. 4' }] },
    complaint: 'Was in an attic. Would like it to go again.', notWanted: 'The dial is not to be touched up.', received: [{ what: 'Weights, left and right', condition: 'cords cut' }, { what: 'Pendulum' }], picture: 'shelf', daysAgo: 4, by: 'ines', stage: 'assess',
    course: { walked: 7, missing: [{ what: 'Pulley', evidence: 'cords knotted to the weights' }], answers: { runs: 'never', 'last-right': 'Before it went into the attic, forty years ago.' }, findings: [f('dial', 'Thin paint, flaking round the lower screws.', 'harms it', 'value', 'Do not tighten', { doNotDisturb: true })] },
  },
  {
    owner: 'Brannoc Fell', phone: '0555 017 450', clock: 'Longcase clock with a painted dial', known: 'brackwater', movement: undefined,
    complaint: 'Stops every few days. The mover carried it with the pendulum on.', received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }, { what: 'Case key' }], picture: 'longcase', daysAgo: 44, promisedInDays: 9, by: 'marit', stage: 'run',
    course: {
      findings: [f('suspension', 'Spring creased where the pendulum swung in transport.', 'stops it', 'timekeeping', 'Replace'), f('escapement', 'Pallets grooved by the wheel.', 'keeps bad time', 'timekeeping', 'Resurface')],
      symptoms: { 'stops-hours': 'present', 'rate-wanders': 'present' }, cause: 'Creased suspension spring', baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }],
      worn: { 'T2.front': 0.3, 'T4.back': 0.18 }, parts: [{ what: 'Suspension spring', size: '0.13 × 12 × 76 mm', source: 'new', oldPart: 'returned to the owner' }],
      workings: [
        { working: 'line-length', stage: 'fit', input: { barrelMm: 51, lineMm: 1.4, turns: 16, falls: 'on a pulley', pathMm: 420, knotsMm: 150 } },
        { working: 'set-rate', stage: 'run', input: { rate: 38, setter: 'rating nut', lengthMm: 993.6, pitchMm: 0.8, tried: [], noise: 2 } },
      ],
      run: { days: 8, rate: 5.2, endedHoursAgo: 25, start: 4, oldRate: 38, adjustedAfter: 2, misread: 4, place: 'In its own case, fixed to the test wall', heard: { beatsPerHour: 3600, beatErrorMs: 3.1, amplitude: null } },
    },
  },
  {
    owner: 'Sunniva Crake', phone: '0555 013 640', clock: 'Bracket clock chiming the quarters', movement: { name: 'Three-train chiming movement', familyId: 'quarter-chime', maker: 'Brindle & Daughters', marks: [{ place: 'back plate', text: '30516' }, { place: 'case', text: '30516' }], fittings: ['moon work'] },
    complaint: 'Quarters come out of order and the hour is sometimes missing.', received: [{ what: 'Pendulum' }, { what: 'Key' }, { what: 'Bag of loose trim', condition: 'two finials' }], picture: 'bracket', daysAgo: 18, promisedInDays: 30, by: 'ines', stage: 'survey',
    course: {
      findings: [f('chime train, warning wheel', 'Arbor leans visibly under power.', 'harms it', 'striking', 'Survey, bush', { hours: 0.8, cause: 'worn-hole.chime' })], symptoms: { 'misses-strike': 'present', 'wrong-random': 'present' }, cause: 'Worn holes in the chime train', points: [{ x: 0.55, y: 0.47, finding: 0 }],
      estimate: { lines: [{ kind: 'labour', what: 'Overhaul, three trains', quantity: '14', price: '52.00', says: 'accepted' }, { kind: 'labour', what: 'Case polished', quantity: '3', price: '52.00', optional: true, says: 'declined' }], later: [{ kind: 'part', what: 'Chime mainspring, found set while apart', quantity: '1', price: '38.00' }, { kind: 'labour', what: 'Fitting it', quantity: '1', price: '52.00' }] },
      baths: [{ bath: 'ammoniated water', parts: [brassAndSteel], minutes: 10 }], worn: { 'T2.back': 0.3, 'S4.front': 0.22, 'S5.back': 0.2, 'C2.front': 0.42, 'C5.back': 0.11 }, unmeasured: 7, found: { 'fly.chime': { state: 'slips too easily' }, 'click.strike': { state: 'worn', note: 'second tooth of the ratchet rounded' } },
      casework: [{ place: 'case', what: 'Old glue out of the joint', did: 1, hoursAgo: 52, ended: true }, { place: 'case', what: 'Glued and clamped', product: 'hide glue', waitHours: 12, did: 1, hoursAgo: 50, ended: true }, { place: 'case', what: 'Finish coat', product: 'shellac, thin', times: 3, waitHours: 24, once: true, did: 2, hoursAgo: 5 }, { place: 'case', what: 'Trim fitted', product: 'two finials', origin: 'of this clock' }, { place: 'glass', what: 'Glass cut and fitted', origin: 'new, a guess', note: 'Side light was missing: plain sheet, 2 mm' }],
    },
  },
  {
    owner: 'Mirelle Stroud', phone: '0555 018 022', clock: 'Torsion clock under a glass dome', movement: { name: 'Torsion movement, standard plates', familyId: 'torsion', maker: 'Tessel', marks: [{ place: 'back plate', text: '97714' }] },
    complaint: 'Turns for a while and dies.', received: [{ what: 'Dome', condition: 'small chip at the rim' }, { what: 'Pendulum' }], picture: 'dome', daysAgo: 6, by: 'tobiah', stage: 'agree',
    course: { findings: [f('torsion strip and fork', 'Strip kinked below the fork.', 'stops it', 'timekeeping', 'Compute the strength, replace', { hours: 1 }), f('plates', 'Lacquer crazed, brown oil in the sinks.', 'keeps bad time', 'timekeeping', 'Strip and clean', { hours: 5 })], symptoms: { 'torsion-flutters': 'present', 'rate-wanders': 'present' }, cause: 'Kinked strip', points: [{ x: 0.37, y: 0.36, finding: 0 }, { x: 0.62, y: 0.72, finding: 1 }],
      estimate: { routes: ['cure', 'overhaul', 'replace'], question: 'Would the new strip change how it looks turning?', lines: [
        { kind: 'labour', what: 'New strip, cut and set in beat', quantity: '1', price: '52.00', routes: ['cure', 'overhaul'], finding: 0 },
        { kind: 'part', what: 'Torsion strip', quantity: '1', price: '14.00', routes: ['cure', 'overhaul'] },
        { kind: 'labour', what: 'Strip, clean, oil and thirty days on test', quantity: '5', price: '52.00', routes: ['overhaul'], finding: 1 },
        { kind: 'part', what: 'New movement, hands and fitting kept', quantity: '1', price: '165.00', routes: ['replace'], noGuarantee: true },
        { kind: 'outside work', what: 'Dome: chip at the rim ground smooth', quantity: '1', price: '45.00', optional: true },
      ] } },
  },
  {
    owner: 'Dov Hartnell', phone: '0555 015 993', clock: 'Travelling clock in a gilt brass case', movement: { name: 'Movement with lever platform', familyId: 'lever-platform', maker: 'Quillfeather', marks: [{ place: 'case', text: '5083' }, { place: 'back plate', text: '5083' }, { place: 'balance', text: '3902' }] },
    complaint: 'Gains an hour a day since it was “oiled”.', received: [{ what: 'Key' }], picture: 'travelling', daysAgo: 21, promisedInDays: 6, by: 'marit', stage: 'oil',
    course: {
      findings: [f('balance and hairspring', 'Oil between the coils of the hairspring.', 'keeps bad time', 'timekeeping', 'Clean and degrease', { earlierRepair: true, hours: 1.5, cause: 'too-much-oil' })], measured: [{ kind: 'amplitude', value: 205, how: 'by sound' }, { kind: 'regulator', value: 6, how: 'read off the index' }, { kind: 'rate', value: 3600, how: 'against a watch for an hour' }], symptoms: { gains: 'present', 'small-swing': 'present' }, cause: 'Too much oil, on the hairspring',
      baths: [{ bath: 'petroleum solvent', parts: [{ name: 'balance and hairspring', materials: ['hairspring or bimetal balance'] }], minutes: 2 }], oilLeft: 7,
    },
  },
  {
    owner: 'Edda Mossop', phone: '0555 012 118', clock: 'Twin-bell alarm clock', movement: { name: 'Riveted alarm movement', familyId: 'riveted-alarm', maker: 'Aster Works', marks: [] },
    complaint: 'Runs an hour, then stops.', picture: 'alarm', daysAgo: 3, promisedInDays: 5, by: 'tobiah', stage: 'clean',
    course: { findings: [f('balance', 'Cone pivots dry and brown.', 'stops it', 'timekeeping', 'Clean whole, one tiny drop each')], symptoms: { 'stops-hours': 'present', 'small-swing': 'present' }, cause: 'Dirty pivots', baths: [{ bath: 'ammoniated water', parts: [{ name: 'whole movement, balance out', materials: ['bare brass', 'plain steel'] }], minutes: 5, running: true }] },
  },
  {
    owner: 'Old Wharf School', phone: '0555 010 700', clock: 'Round dial clock from the schoolroom', known: 'wharf', callback: true, movement: undefined,
    complaint: 'Loses and sometimes stops towards the end of the week.', received: [{ what: 'Pendulum' }, { what: 'Key' }], picture: 'wall', daysAgo: 26, promisedInDays: 12, by: 'ines', stage: 'fit',
    course: { findings: [f('going train, great wheel', 'Chain rubs the edge of the barrel.', 'harms it', 'timekeeping', 'Set true')], symptoms: { 'stops-late': 'present', loses: 'present' }, cause: 'Worn holes, tired mainspring', baths: [{ bath: 'ammoniated water', parts: [brassAndSteel], minutes: 10 }], worn: { 'T1.back': 0.62, 'T2.back': 0.33, 'T4.front': 0.19 }, bushes: 1 },
  },
  {
    owner: 'Aldermere Town Hall', phone: '0555 010 001', clock: 'Master clock of the council chamber', movement: { name: 'Electrically rewound master', familyId: 'electric-master', maker: 'Northmere Clock Works', marks: [{ place: 'label', text: '24 V, 0.22 A' }] },
    complaint: 'Dials in the offices stop, the master ticks on. Came without its case.', received: [{ what: 'Pendulum' }], picture: 'recorder', daysAgo: 9, by: 'marit', stage: 'diagnose', course: { alone: { drives: 'Eleven office dials in series', supply: '24 V, every half minute', borrowed: 'a bench supply and a stand' }, answers: { runs: 'all the time', time: 'keeps time' }, measured: [{ kind: 'coil', value: 109, how: 'meter, one end free' }], symptoms: {},
      electric: [{ kind: 'coil', what: 'Rewind coil', ohms: 109, expectedOhms: 110, atC: 19 }, ...([[9, 81, 'nothing'], [12, 109, 'moves'], [15, 137, 'lifts'], [17, 154, 'advances'], [20, 182, 'advances'], [24, 219, 'advances']] as const).map(([volts, milliamps, did]) => ({ kind: 'step' as const, volts, milliamps, did, supplyV: 24 })), { kind: 'contact', what: 'Half-minute contact', state: 'pitted', dwellMs: 420, periodS: 30, perMinute: 2, expectedPerMinute: 2, note: 'left half deeper' }] },
  },
  {
    owner: 'Philippa Yarrow', phone: '0555 016 515', clock: 'Green kitchen clock, mains', movement: { name: 'Synchronous movement, sealed rotor', familyId: 'synchronous', maker: 'Voltane', marks: [{ place: 'label', text: '50 Hz' }] },
    complaint: 'Hums but does not turn.', picture: 'kitchen', daysAgo: 1, by: 'wilf', stage: 'intake',
  },
  {
    owner: 'Pell Joinery', phone: '0555 014 880', clock: 'Time recorder of the joinery', movement: { name: 'Fusee time recorder', familyId: 'recorder', maker: 'Northmere Clock Works', marks: [{ place: 'front plate', text: 'R 771' }] },
    complaint: 'Prints late and faint.', picture: 'recorder', daysAgo: 38, promisedInDays: 8, by: 'tobiah', stage: 'run',
    course: { findings: [f('print work', 'Ribbon dry, bevels stiff.', 'harms it', 'none', 'Clean, free, re-ink')], symptoms: { 'stops-place': 'present' }, cause: 'Stiff bevels', baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }], run: { days: 1.2, rate: 41, every: 0.6, endedHoursAgo: 5, readBy: 'minute hand', place: 'Test stand 3' } },
  },
  {
    owner: 'Percival Doane', phone: '0555 013 909', clock: 'Office wall clock, two weights', movement: { name: 'Weight movement, striking', familyId: 'longcase', maker: 'Pellowe & Strand', marks: [{ place: 'dial', text: '61' }] },
    complaint: 'Due for its service.', received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }], picture: 'wall', daysAgo: 8, promisedInDays: -1, by: 'marit', stage: 'power',
    course: { findings: [f('movement outside', 'Clean, oil just turning brown.', 'looks', 'none', 'Service as due')], symptoms: { dead: 'absent' }, cause: 'Nothing wrong: service', power: { going: 'let down' } },
  },
  {
    owner: 'Ysolde Quay', phone: '0555 017 204', clock: 'Bird clock with two bellows', movement: { name: 'Chain-driven bird movement', familyId: 'weight-shelf', maker: 'Tessel', marks: [], fittings: ['bellows', 'wooden arbors'] },
    complaint: 'The bird comes out and says nothing.', received: [{ what: 'Weights, two' }, { what: 'Pendulum' }], picture: 'bird', daysAgo: 5, by: 'ines', stage: 'assess', course: {},
  },
  {
    owner: 'Lorcan Wray', phone: '0555 011 062', clock: 'Ship’s clock with luminous hands', movement: { name: 'Bulkhead movement with platform', familyId: 'lever-platform', maker: 'Quillfeather', marks: [{ place: 'dial', text: 'Q 2290' }], fittings: ['luminous paint'] },
    complaint: 'Stopped on a voyage. Hands used to glow.', received: [{ what: 'Key' }], picture: 'wall', daysAgo: 2, by: 'wilf', stage: 'assess', course: {},
  },
  {
    owner: 'Benedek Harrow', phone: '0555 018 761', clock: 'Four-glass clock, mercury pendulum', movement: { name: 'Round-plate movement, visible escapement', familyId: 'mantel-barrels', maker: 'Brindle & Daughters', marks: [{ place: 'back plate', text: '8812' }, { place: 'case', text: '8821' }], fittings: ['mercury pendulum'] },
    complaint: 'Beats unevenly after it was moved.', received: [{ what: 'Pendulum', condition: 'two vials, both sound' }, { what: 'Key' }], picture: 'travelling', daysAgo: 7, promisedInDays: 15, by: 'marit', stage: 'power',
    course: { findings: [], symptoms: { 'uneven-beat': 'present', 'stops-hours': 'present' }, cause: 'Out of beat after moving', power: { going: 'let down', strike: 'wound' } },
  },
  {
    owner: 'Odile Tarrowby', phone: '0555 010 442', clock: 'Longcase clock with a moon in the arch', movement: { name: 'Eight-day longcase movement, moon', familyId: 'longcase', maker: 'Pellowe & Strand', marks: [{ place: 'dial', text: 'Pellowe & Strand' }], fittings: ['moon work', 'calendar work'] },
    complaint: 'Strikes one more than it should, the moon has stuck.', received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }], picture: 'longcase', daysAgo: 35, promisedInDays: 2, by: 'tobiah', stage: 'assemble',
    course: { findings: [f('strike work', 'Rack tail bent.', 'harms it', 'striking', 'Straighten')], symptoms: { 'wrong-random': 'present' }, cause: 'Rack tail bent', baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }], worn: { 'S4.back': 0.2 } },
  },
  {
    owner: 'Tamsin Orrick', phone: '0555 019 555', clock: 'Marble clock with a striking movement', movement: { name: 'Round-plate movement, outside count wheel', familyId: 'mantel-barrels', maker: 'Tessel', marks: [{ place: 'back plate', text: '1140' }] },
    complaint: 'Overwound, she says: it will not start.', received: [{ what: 'Key', condition: 'fits' }, { what: 'Pendulum' }], picture: 'mantel', daysAgo: 10, promisedInDays: 18, by: 'ines', stage: 'strip',
    course: { findings: [f('going power', 'Fully wound and gummed.', 'stops it', 'timekeeping', 'Out, clean, grease')], symptoms: { dead: 'present' }, cause: 'Gummed mainspring and dry pivots' },
  },
  {
    owner: 'Casimir Pell', phone: '0555 014 881', clock: 'Small alarm clock, glowing figures', movement: { name: 'Riveted alarm movement', familyId: 'riveted-alarm', maker: 'Aster Works', marks: [], fittings: ['luminous paint'] },
    complaint: 'Alarm will not let off.', picture: 'alarm', daysAgo: 15, promisedInDays: 4, by: 'tobiah', stage: 'run',
    course: { findings: [f('dial', 'Luminous paint, flaking.', 'safety', 'safety', 'Dial off, bagged, not cleaned', { doNotDisturb: true })], symptoms: { 'rate-wanders': 'present' }, cause: 'Dirty pivots' },
  },
  {
    owner: 'Maud Ellershaw', phone: '0555 012 640', clock: 'Wall clock with two brass weights', movement: { name: 'Weight movement, rack strike', familyId: 'longcase', maker: 'Pellowe & Strand', marks: [{ place: 'back plate', text: '305' }] },
    complaint: 'Stopped when the wall was papered.', received: [{ what: 'Weights, left and right' }, { what: 'Pendulum' }], picture: 'wall', daysAgo: 47, promisedInDays: 1, by: 'ines', stage: 'deliver',
    course: { findings: [f('suspension', 'Spring kinked at the top.', 'keeps bad time', 'timekeeping', 'Replace')], symptoms: { 'uneven-beat': 'present' }, cause: 'Kinked suspension spring', baths: [{ bath: 'detergent', parts: [brassAndSteel], minutes: 10 }], run: { days: 9, rate: 3, endedHoursAgo: 20, place: 'Test wall, second hook' } },
  },
  {
    owner: 'Hesper Lunt', phone: '0555 014 207', clock: 'Bedroom clock on three feet', movement: { name: 'Small timepiece movement', familyId: 'mantel-barrels', maker: 'Quillfeather', marks: [{ place: 'back plate', text: '90' }] },
    complaint: 'Loses ten minutes a day.', picture: 'mantel', daysAgo: 0, by: 'wilf', stage: 'intake',
  },
];

/** Tanks and jars that stand filled; the last one is past its rule. */
export const BATHS_IN_USE: (Omit<BodyOf<typeof api.cleaning.fill>, 'note'> & { daysAgo: number })[] = [
  { bath: 'ammoniated water', name: 'Ultrasonic tank', litres: 3, waterParts: 7, limitLoads: 12, limitDays: 30, daysAgo: 19 },
  { bath: 'detergent', name: 'Basin', litres: 5, waterParts: 40, limitLoads: 4, limitDays: 7, daysAgo: 2 },
  { bath: 'petroleum solvent', name: 'Covered tray', litres: 2, waterParts: null, limitLoads: null, limitDays: 45, daysAgo: 61 },
];

/** On its way to the stores, by the supplier's number. */
export const ORDERED = [{ supplierNo: 'AS-S13', quantity: 6, inDays: 5 }, { supplierNo: 'QW-16', quantity: 4, inDays: 9 }] as const;
