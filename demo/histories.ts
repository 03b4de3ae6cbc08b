import type { api, BodyOf } from '@eclat/contract';
import type { Course } from './course.ts';
import type { Elsewhere } from './elsewhere.ts';
import type { Picture } from './pictures.ts';

/** What stands on a clock; entries of one `hand` are in the same. */
export interface Read extends Pick<
  BodyOf<typeof api.movements.inscribe>,
  'date' | 'text' | 'carrier' | 'which' | 'place' | 'how'
> {
  hand?: string;
  likely?: boolean;
  shownBy?: { picture: Picture; caption: string };
}

/** Movements that were here before: what old repairers wrote on them, and visits of earlier owners. */
export interface History {
  id: 'slate' | 'brackwater' | 'wharf' | 'torsion';
  movement: {
    name: string;
    familyId: string;
    maker: string;
    marks: { place: 'back plate' | 'front plate' | 'dial' | 'case' | 'label' | 'barrel'; text: string }[];
  };
  inscriptions: Read[];
  /** Served in other shops between the visits here: brought with its record before the last visit. */
  elsewhere?: Elsewhere[];
  /** What another house has written since, in a file to be brought. */
  brings?: Elsewhere;
  visits: {
    yearsAgo: number;
    owner: string;
    phone: string;
    clock: string;
    complaint: string;
    picture: Picture;
    note: string;
    course: Course;
    amendment?: string;
  }[];
}

const stripOf = (inches: number, strip: 'as it came' | 'fitted') =>
  ({
    kind: 'torsion strip',
    ...{ strip, thicknessMm: Number((inches * 25.4).toFixed(4)), widthMm: 0.5, freeMm: 98 },
    alloy: strip === 'fitted' ? 'compensated' : 'not known',
    note: '',
  }) as const;

/** As other shops say it. */
const CLEANED = { cleaned: [{ bath: 'ammoniated water', parts: ['plates', 'wheels'], minutes: 12 }] };

const bath = {
  bath: 'ammoniated water' as const,
  parts: [{ name: 'plates and wheels', materials: ['bare brass' as const, 'plain steel' as const] }],
  minutes: 10,
};

/** The old board below a longcase movement: whoever worked on it signed there. */
const BOARD = {
  carrier: 'seat board',
  which: 'underside, oak',
  how: 'pencil',
  shownBy: { picture: 'board', caption: 'Underside of the seat board' },
} as const;
const PLATE = { picture: 'plate', caption: 'Inside of the front plate' } as const;

export const HISTORIES: readonly History[] = [
  {
    id: 'torsion',
    movement: {
      name: 'Torsion movement, standard plates',
      familyId: 'torsion',
      maker: 'Tessel',
      marks: [{ place: 'back plate', text: '88120' }],
    },
    inscriptions: [],
    visits: [
      {
        yearsAgo: 2,
        owner: 'Lorna Vane-Harrow',
        phone: '0555 017 208',
        clock: 'Torsion clock with four balls',
        complaint: 'Loses half an hour a day.',
        picture: 'dome',
        note: 'Strip, fork and heights as set are in the book.',
        course: {
          findings: [
            {
              place: 'torsion strip and fork',
              seen: 'Strip of an odd make, too thin.',
              severity: 'keeps bad time',
              effect: 'timekeeping',
              proposal: 'Replace',
            },
          ],
          symptoms: { loses: 'present' },
          cause: 'Strip of the wrong strength',
          baths: [{ ...bath, parts: [{ name: 'going wheels', materials: ['bare brass', 'plain steel'] }] }],
          bench: [
            stripOf(0.0037, 'as it came'),
            { kind: 'torsion beats', beats: 40, seconds: 306.6, wanted: 8 },
            { kind: 'torsion heights', when: 'as it came', forkMm: 7.5, assemblyMm: 108 },
            stripOf(0.0038, 'fitted'),
            { kind: 'torsion beats', beats: 40, seconds: 300.4, wanted: 8 },
            { kind: 'torsion heights', when: 'set', forkMm: 7.5, assemblyMm: 108 },
            { kind: 'torsion escapement', lockPercent: 10, clockwise: 18, anticlockwise: 18, pin: 'free' },
          ],
          run: { days: 30, rate: 12, place: 'Shelf by the wall' },
        },
      },
    ],
  },
  {
    id: 'slate',
    movement: {
      name: 'Round-plate movement, rack striking',
      familyId: 'mantel-barrels',
      maker: 'Brindle & Daughters',
      marks: [
        { place: 'back plate', text: '6438' },
        { place: 'barrel', text: '6438' },
        { place: 'case', text: '6438' },
      ],
    },
    inscriptions: [
      {
        ...{ date: '189X', text: 'Cleaned, J. Ockham\nAldermere, 189[…]', carrier: 'front plate' },
        ...{ place: 'inside', how: 'scratched', hand: 'Ockham', shownBy: PLATE },
      },
      {
        ...{ date: '1912-03', text: 'new suspn. March 1912 R.[T?]', carrier: 'back plate' },
        ...{ place: 'below the crutch', how: 'scratched' },
      },
      {
        ...{ date: '1938-11-07', text: 'Both springs renewed 7.11.38, Saltmarsh', carrier: 'barrel or spring' },
        ...{ which: 'going barrel', place: 'inside of the cap', how: 'scratched', hand: 'Saltmarsh' },
      },
      {
        ...{ date: '1961', text: 'Clnd & bushed 1961', carrier: 'front plate' },
        ...{ place: 'by the strike barrel', how: 'pencil', hand: 'Saltmarsh', likely: true, shownBy: PLATE },
      },
    ],
    elsewhere: [
      {
        ...{ shop: 'Lantern Yard Workshop', by: 'Hedda Quillan', yearsAgo: 10, known: true },
        title: 'Cured in place: 1 bush fitted',
        text: 'Stopped after a move. The case was out of level too.',
        ofCase: 'Back foot of the case short: it stood out of level.',
        record: {
          condition: [
            {
              ...{ place: 'going train, second wheel', seen: 'Back hole worn towards the barrel.' },
              ...{ severity: 'stops it', earlierRepair: false, proposal: 'Bush' },
            },
          ],
          ...CLEANED,
          causes: ['Worn hole'],
          bushes: [{ hole: 'T2 second wheel, back plate', pivotMm: 1.65, boreMm: 1.67, outsideMm: 3, heightMm: 2.2 }],
          note: 'Third wheel looked at and left: the bush of four years ago is sound.',
        },
        holes: [
          {
            ...{ hole: 'T2 second wheel, back plate', key: 'T2.back', verdict: 'bush', judged: 'by caliper' },
            ...{ pivotMm: 1.65, holeLongMm: 1.82, holeShortMm: 1.69, wearDeg: 200, past: 'original' },
          },
          { hole: 'T4 third wheel, front plate', key: 'T4.front', verdict: 'sound', judged: 'by feel' },
        ],
        photos: [
          { picture: 'wear', caption: 'Back hole of the second wheel, before' },
          { picture: 'plates', caption: 'As the plates came apart' },
        ],
      },
      {
        ...{ shop: 'Harbour Row Clocks', by: 'Teodor Brask', yearsAgo: 8, known: false },
        title: 'Overhauled: cleaned, oiled',
        text: 'For a sale.',
        record: { ...CLEANED, condition: [], causes: [], bushes: [], note: '' },
        holes: [{ hole: 'S2 second wheel, front plate', key: 'S2.front', verdict: 'marginal', judged: 'by feel' }],
        photos: [{ picture: 'mantel', caption: 'For the sale' }],
      },
    ],
    brings: {
      ...{ shop: 'Aldermere Town Museum', by: 'Oda Lindqvist', yearsAgo: 0.2, known: false },
      title: 'Looked at for a loan: nothing done',
      text: 'Sound enough to be shown running for a season.',
      record: {
        condition: [
          {
            ...{ place: 'dial, four o’clock', seen: 'Hair crack, old and still.', severity: 'looks' },
            ...{ earlierRepair: false, proposal: 'Leave' },
          },
        ],
        causes: [],
        cleaned: [],
        bushes: [],
        note: 'Shown at 17 °C and 48 % humidity.',
      },
      holes: [{ hole: 'S2 second wheel, front plate', key: 'S2.front', verdict: 'marginal', judged: 'by feel' }],
      photos: [
        { picture: 'mantel', caption: 'On loan' },
        { picture: 'plates', caption: 'Before the strip, as it was found' },
      ],
    },
    visits: [
      {
        yearsAgo: 14,
        owner: 'Cornelia Wace',
        phone: '0555 012 344',
        clock: 'Slate mantel clock with gilt columns',
        complaint: 'Stopped.',
        picture: 'mantel',
        note: 'Strike holes will want bushes next time.',
        course: {
          findings: [
            {
              place: 'going train, third wheel',
              seen: 'Front hole oval.',
              severity: 'stops it',
              effect: 'timekeeping',
              proposal: 'Bush',
            },
            {
              place: 'case',
              seen: 'Left gilt column loose, one screw not of this clock.',
              severity: 'looks',
              effect: 'looks',
              proposal: 'Fasten',
            },
          ],
          symptoms: { 'stops-hours': 'present' },
          looks: { 'worn-hole.going': 'found' },
          cause: 'Worn hole',
          baths: [bath],
          worn: { 'T4.front': 0.22 },
          casework: [{ place: 'case', what: 'Column fastened, screw left as found', did: 1, ended: true }],
          mended: 'Third wheel, front hole',
          conservation: [
            {
              about: 'Gilding of the columns, rubbed through',
              ways: [
                { way: 'Leave it as it is', undone: 'yes', chosen: true, why: 'The wear is even, and is its age' },
                { way: 'Tone the bare places', undone: 'yes', why: 'It would be seen in a strong light' },
                { way: 'Gild the columns anew', undone: 'no', why: 'The old leaf would go' },
              ],
            },
          ],
          run: { days: 8, rate: -6, place: 'Test stand' },
        },
        amendment: 'The going mainspring was measured too: 19.1 mm wide, 0.38 mm, entered late.',
      },
      {
        yearsAgo: 6,
        owner: 'Ferris Aldous',
        phone: '0555 012 790',
        clock: 'Black clock from the dining room',
        complaint: 'Goes, but the strike is weak.',
        picture: 'mantel',
        note: 'Hammer leather renewed, tone left as it was.',
        course: {
          findings: [
            {
              place: 'hammer and bell or gong',
              seen: 'Hammer leather hard.',
              severity: 'looks',
              effect: 'striking',
              proposal: 'New leather',
            },
          ],
          symptoms: { 'misses-strike': 'present' },
          looks: { 'dirty-pivots.strike': 'found' },
          cause: 'Dirty pivots in the strike',
          worn: { 'T4.front': 0.03, 'T2.back': 0.03 },
          baths: [bath],
          parts: [{ what: 'Hammer leather', source: 'made here', size: '6 × 9 mm', oldPart: 'kept with the movement' }],
          run: { days: 8, rate: 11, place: 'Test stand' },
        },
      },
    ],
  },
  {
    id: 'brackwater',
    movement: {
      name: 'Eight-day longcase movement, rack striking',
      familyId: 'longcase',
      maker: 'Eben Strake, Brackwater',
      marks: [
        { place: 'dial', text: 'Eben Strake, Brackwater' },
        { place: 'front plate', text: 'W.M. 3' },
      ],
    },
    inscriptions: [
      {
        ...{ date: 'XXXX', text: '[…] Lowe […] cleand', carrier: 'back plate', place: 'rubbed', how: 'scratched' },
      },
      {
        ...{ date: '179X', text: 'Repaird 179[…]', carrier: 'front plate', place: 'inside', how: 'scratched' },
      },
      {
        ...{ date: '1826-05', text: 'Wm Marl May 1826', carrier: 'back plate', place: 'edge', how: 'scratched' },
        hand: 'Marl',
      },
      {
        ...{ date: '1871', text: '1871 new pallats', carrier: 'cock or bridge', which: 'back cock', how: 'scratched' },
      },
      {
        ...{ date: '1840', text: 'W. Marl\n1840', ...BOARD, place: 'top left', hand: 'Marl', likely: true },
      },
      {
        ...{ date: '1903-09-14', text: 'H. Dunmoor 14/9/03', carrier: 'back of the dial', how: 'pencil' },
        hand: 'Dunmoor',
      },
      {
        ...{ date: '1912', text: 'H. Dunmoor\ncleand & new lines 1912', ...BOARD, place: 'middle', hand: 'Dunmoor' },
      },
      {
        ...{ date: '1949', text: 'cables renewed 1949, Dunmoor & Son', ...BOARD, place: 'middle, below the last' },
      },
      {
        ...{ date: '197X', text: '[Qui?]llan 7[…] oiled', ...BOARD, place: 'right edge' },
      },
    ],
    visits: [
      {
        yearsAgo: 9,
        owner: 'Estate of Gideon Fell',
        phone: '0555 017 451',
        clock: 'Longcase clock with a painted dial',
        complaint: 'To be put in order before it is moved.',
        picture: 'longcase',
        note: 'Pallets will want resurfacing within ten years.',
        course: {
          findings: [
            {
              place: 'case back and door',
              seen: 'Door drops: upper hinge screw holes worn.',
              severity: 'looks',
              effect: 'looks',
              proposal: 'Plug the holes',
            },
            {
              place: 'dial',
              seen: 'Paint lifting at the eight.',
              severity: 'looks',
              effect: 'value',
              proposal: 'Leave',
              doNotDisturb: true,
            },
          ],
          casework: [
            { place: 'case', what: 'Screw holes plugged', product: 'oak, hide glue', did: 1, ended: true },
            { place: 'dial', what: 'Dusted, nothing more', did: 1, ended: true },
          ],
          symptoms: { 'small-swing': 'present' },
          looks: { 'dirty-pivots.going': 'found' },
          cause: 'Dirty pivots',
          baths: [bath],
          worn: { 'T3.back': 0.2 },
          run: { days: 8, rate: 2.1, place: 'Own case' },
        },
      },
    ],
  },
  {
    id: 'wharf',
    movement: {
      name: 'Fusee timepiece, round dial',
      familyId: 'fusee',
      maker: 'Pellowe & Strand',
      marks: [
        { place: 'front plate', text: '655' },
        { place: 'dial', text: 'Old Wharf School' },
      ],
    },
    inscriptions: [
      {
        ...{ date: '187X', text: 'E.P. 187[…]', carrier: 'front plate', place: 'behind the dial', how: 'scratched' },
      },
      {
        ...{ date: '1911-01-20', text: 'chain repaired 20 Jan 1911 Ockham Jr', carrier: 'back plate', how: 'pencil' },
      },
      {
        ...{ date: '1954', text: '54 clnd', carrier: 'barrel or spring', which: 'barrel', how: 'scratched' },
      },
    ],
    visits: [
      {
        yearsAgo: 1,
        owner: 'Old Wharf School',
        phone: '0555 010 700',
        clock: 'Round dial clock from the schoolroom',
        complaint: 'Stops.',
        picture: 'wall',
        note: 'Set-up: one and a half turns.',
        course: {
          symptoms: { 'stops-hours': 'present' },
          looks: { 'dirty-pivots.going': 'found' },
          cause: 'Dirty pivots',
          baths: [bath],
          worn: { 'T3.front': 0.21 },
          run: { days: 8, rate: -14, place: 'Test stand' },
        },
      },
    ],
  },
];
