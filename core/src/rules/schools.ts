import type { StageId } from '../workflow/index.ts';

/** One way of doing it, with the reason its people give. */
export interface School {
  id: string;
  name: string;
  reason: string;
}
/** Where good repairers disagree: the shop picks its school once, and a visit may differ with a reason. */
export interface RuleQuestion {
  id: RuleId;
  asks: string;
  stages: readonly StageId[];
  schools: readonly School[];
  /** The school that ships. */
  ours: string;
}

type Row<Id extends string = string> = readonly [
  id: Id,
  asks: string,
  stages: readonly StageId[],
  ours: string,
  schools: readonly (readonly [id: string, name: string, reason: string])[],
];

/** Practice throughout; the reasons are those that each side gives. Ids are stable: choices are stored by them. */
const TABLE = [
  [
    'strip',
    'How far is it taken down for cleaning?',
    ['power', 'clean'],
    'full',
    [
      ['full', 'full strip', 'Cleaner left in barrels and pinions gums and corrodes, and the springs are reached.'],
      [
        'whole',
        'the whole movement in the bath',
        'The only way for riveted plates; tolerable without barrels and with a thorough rinse.',
      ],
      ['dip', 'dip and run', 'Quick and cheap. The strike often fails within days and the wear goes on.'],
    ],
  ],
  [
    'bath',
    'Which bath?',
    ['clean'],
    'ammoniated',
    [
      ['ammoniated', 'ammoniated water, ultrasonic', 'Brightens brass; attacks it if left, clouds lacquer.'],
      ['detergent', 'detergent and water', 'Gentle on most things; cuts grease only.'],
      ['solvent', 'petroleum solvent by hand', 'Spares lacquer and steel; burns and fumes.'],
    ],
  ],
  [
    'bath-time',
    'How long in the bath?',
    ['clean'],
    'short',
    [
      ['short', '5 minutes, look, again', 'Pitting and stress cracking of brass begin before they are seen.'],
      ['medium', '10 to 20 minutes', 'One run, less handling.'],
      ['long', '45 minutes in a parts washer', 'No dirt left behind.'],
    ],
  ],
  [
    'steel',
    'Steel in the water bath?',
    ['clean'],
    'out',
    [
      ['out', 'leave it out', 'It rusts in minutes.'],
      ['in', 'everything in, dry at once', 'One basket, one run.'],
    ],
  ],
  [
    'drying',
    'How is it dried?',
    ['clean'],
    'displace',
    [
      [
        'displace',
        'hot rinse, displacement, warm air',
        'The water is driven out before it can rust; warm air only after the vapour has gone.',
      ],
      ['air', 'hot rinse and warm air', 'No solvent in the room.'],
      ['towel', 'towel and warm air', 'Nothing to buy; water stays in the corners.'],
    ],
  ],
  [
    'mainspring',
    'A mainspring in a closed barrel?',
    ['clean', 'fit'],
    'out',
    [
      ['out', 'always out, cleaned, inspected, greased', 'Old grease is the commonest cause of stopping.'],
      [
        'leave',
        'leave a sound one alone',
        'Taking a big spring out is the most dangerous thing on the bench, and a contained one harms ' +
          'nothing if it breaks.',
      ],
    ],
  ],
  [
    'spring-grease',
    'What goes on a mainspring?',
    ['oil'],
    'grease',
    [
      ['grease', 'grease', 'It stays where it is put.'],
      ['oil', 'heavy oil', 'Easy to put on; creeps and collects dust.'],
      ['flood', 'flood an open spring with thin oil and exercise it', 'All that can be done in place.'],
    ],
  ],
  [
    'how-far',
    'How far to go?',
    ['agree'],
    'ask',
    [
      ['ask', 'ask the owner, with what each way means', 'It is the owner’s money against what will fail next.'],
      ['cure', 'cure the cause in place', 'Nothing else was asked for.'],
      ['partial', 'partial service, without guarantee', 'Helps today at little cost.'],
      ['overhaul', 'full overhaul', 'A movement that was opened anyway deserves the rest.'],
    ],
  ],
  [
    'hold-springs',
    'How are open springs held while it is apart?',
    ['power'],
    'clamp',
    [
      ['clamp', 'let down into a clamp', 'A clamp is made for it.'],
      ['let-down', 'let down fully in place', 'No force left; slow in a small frame.'],
      ['ties', 'ties', 'At hand everywhere; a makeshift that can burst.'],
    ],
  ],
  [
    'teeth',
    'Teeth and pinions?',
    ['oil'],
    'dry',
    [
      ['dry', 'dry', 'Oil holds grit and laps the leaves.'],
      ['oiled', 'a trace of oil', 'Some motor trains were made to run wet.'],
      ['greased', 'greased, slow worm and bevel work', 'Slow and loaded, it wears dry.'],
    ],
  ],
  [
    'which-holes',
    'Which holes are bushed?',
    ['survey', 'fit'],
    'failed-marginal',
    [
      ['failed', 'those that failed', 'Every bush is an intervention in original metal.'],
      ['failed-marginal', 'those and the marginal ones', 'It will only get worse, and the strip is paid for.'],
      ['every', 'every hole', 'Once, and never again.'],
    ],
  ],
  [
    'close-hole',
    'How is a worn hole closed?',
    ['fit'],
    'rebush',
    [
      ['rebush', 'a new bush', 'Lasts, and keeps the centre.'],
      [
        'punch',
        'the hole closed with a punch',
        'The everyday method once; bruises the plate, lasts little, lowers its value.',
      ],
    ],
  ],
  [
    'open-plate',
    'How is the plate opened for a bush?',
    ['fit'],
    'reamer',
    [
      ['reamer', 'reamer or broach by hand, centre transferred', 'Cuts to size and does not wander.'],
      ['machine', 'bushing machine', 'Square and quick, once set up.'],
      ['drill', 'drill press', 'At hand; grabs and wanders.'],
    ],
  ],
  [
    'survey-method',
    'How is play surveyed?',
    ['survey'],
    'one-wheel',
    [
      ['one-wheel', 'one wheel between the plates', 'No neighbour hides its play.'],
      ['train', 'the whole train together', 'Quick; neighbours hide play.'],
      ['one-plate', 'one plate, the other end free', 'Shows lean best.'],
      ['in-place', 'in place, power off', 'Nothing is taken apart.'],
    ],
  ],
  [
    'pivot-finish',
    'How are pivots finished?',
    ['survey', 'fit'],
    'burnish-worn',
    [
      ['burnish-worn', 'burnish the worn, polish the rest lightly', 'Burnishing hardens; each turn makes it thinner.'],
      ['abrasive', 'abrasive stick and polish on all', 'Quick and bright; grit stays in the metal.'],
      ['turn-worn', 'only worn ones turned', 'What is sound is left alone.'],
    ],
  ],
  [
    'plates',
    'Plates?',
    ['clean'],
    'cleaned',
    [
      ['cleaned', 'only cleaned', 'Lacquer, gilding and witness marks stay.'],
      ['bright', 'brightened', 'Bright pleases.'],
    ],
  ],
  [
    'final-clean',
    'When does the final clean come?',
    ['clean', 'fit'],
    'both',
    [
      ['both', 'before and after fitting', 'Chips and compound are gone before it runs.'],
      ['before', 'before fitting', 'Clean metal to measure.'],
      ['after', 'after fitting', 'One clean only.'],
    ],
  ],
  [
    'worn-pins',
    'Half-worn pins and trundles?',
    ['survey', 'fit'],
    'third',
    [
      ['third', 'replaced when worn by a third', 'One that snaps later wrecks a train.'],
      ['leave', 'left', 'Original metal.'],
    ],
  ],
  [
    'makers-error',
    'A maker’s own error?',
    ['agree', 'fit'],
    'reversible',
    [
      [
        'reversible',
        'corrected only if reversible or agreed',
        'The owner hears it every hour, and it is part of the object.',
      ],
      ['correct', 'corrected', 'It never was right.'],
      ['leave', 'left as history', 'It is how it was made.'],
    ],
  ],
  [
    'trim',
    'Missing trim?',
    ['agree', 'fit'],
    'donor',
    [
      ['donor', 'a donor of the period, or left', 'What is put on is of its time.'],
      ['leave', 'left until documented', 'Guesses become history.'],
      ['new', 'something that looks right', 'It looks whole; recorded as a guess.'],
    ],
  ],
  [
    'rotor',
    'A sealed rotor?',
    ['fit'],
    'renew',
    [
      ['renew', 'prove the fault with a good one, then renew', 'The original is saved where it can be.'],
      ['replace', 'replaced by a good one', 'It turns for certain.'],
    ],
  ],
  [
    'oil',
    'Which oil?',
    ['oil'],
    'synthetic',
    [
      ['synthetic', 'synthetic clock oil', 'Stays and does not gum for years.'],
      ['natural', 'natural clock oil', 'Known for generations.'],
      ['general', 'general lubricant', 'At hand; creeps or gums within a year.'],
    ],
  ],
  [
    'sign-work',
    'How is the work signed?',
    ['sign'],
    'slip',
    [
      ['slip', 'a printed slip and the shared record', 'The next repairer knows, and no metal is marked.'],
      ['pencil', 'pencil inside', 'It stays with the clock.'],
      ['scratch', 'scratched on the plate', 'It cannot be lost; it cannot be undone either.'],
    ],
  ],
  [
    'rack',
    'Rack, snail, lifting pieces?',
    ['oil'],
    'dry',
    [
      ['dry', 'dry', 'Oil there gums, the rack no longer falls and the count comes short.'],
      ['trace', 'a trace of oil', 'Steel on steel.'],
    ],
  ],
  [
    'chains',
    'Chains?',
    ['oil'],
    'fusee-oiled',
    [
      [
        'fusee-oiled',
        'a fusee chain oiled and wiped, a drive chain dry',
        'Inside the movement a break is costly; outside, oil gathers grit.',
      ],
      ['dry', 'all dry', 'Oil gathers grit.'],
    ],
  ],
  [
    'new-movement',
    'A new replacement movement?',
    ['oil', 'fit'],
    'oil',
    [
      ['oil', 'oiled before fitting', 'Some come dry, or with the wrong oil.'],
      ['trust', 'as it comes', 'The factory knows.'],
    ],
  ],
  [
    'cord',
    'Cord and line?',
    ['fit'],
    'synthetic',
    [
      ['synthetic', 'synthetic, sealed at the end; the original kept', 'It holds a weight over people’s feet.'],
      ['original', 'like the original, cotton or gut', 'As it was made.'],
    ],
  ],
  [
    'fragile',
    'A broken fragile original part?',
    ['agree', 'fit'],
    'repair-once',
    [
      ['repair-once', 'repaired once, then replaced and handed back', 'It broke twice already.'],
      ['repair', 'repaired again', 'It is original.'],
      ['sturdier', 'replaced sturdier, the original handed back', 'It will not come back for that.'],
    ],
  ],
  [
    'dial-case',
    'Dial and case?',
    ['agree', 'fit'],
    'conserve',
    [
      ['conserve', 'conserved', 'The wear is the history.'],
      ['restore', 'restored', 'As it was, as far as it is known.'],
      ['refinish', 'refinished', 'Bright and new; hides the history.'],
    ],
  ],
  [
    'glue',
    'Glue on old joints?',
    ['fit'],
    'hide',
    [
      ['hide', 'hide glue where a joint must open again', 'The next repairer has to open it.'],
      ['modern', 'modern wood glue', 'Strong, and quick to hand.'],
    ],
  ],
  [
    'beat',
    'How is the beat set?',
    ['run'],
    'level-crutch',
    [
      ['level-crutch', 'level first, then the crutch', 'Level comes first in every case.'],
      ['friction', 'the friction-set crutch moved', 'Made for it, where there is one.'],
      ['pack', 'the case packed', 'At once; hides the cause.'],
    ],
  ],
  [
    'run-length',
    'How long is the test run?',
    ['run'],
    'family',
    [
      ['family', 'by family: a full wind and a day for most', 'Stoppages come late in the wind.'],
      ['week', 'a week', 'Long enough for most, and the shelf is free again.'],
      ['weeks', 'two to three weeks, read daily', 'What comes once a fortnight is seen.'],
    ],
  ],
  [
    'reference',
    'What is it read against?',
    ['run'],
    'synchronised',
    [
      ['synchronised', 'a time-synchronised computer', 'No other clock’s error enters.'],
      ['clock', 'another clock', 'Always there.'],
      ['sound', 'by sound', 'At once; only for the first setting.'],
    ],
  ],
  [
    'contact',
    'A doubtful contact on a master?',
    ['fit', 'run'],
    'original',
    [
      ['original', 'the original, if it proves itself over the test run', 'Original, and a jumper loads one contact.'],
      ['jumper', 'a jumper to a good one', 'It works today; it may wind twice.'],
    ],
  ],
] as const satisfies readonly Row[];

type Entry = (typeof TABLE)[number];
/** The questions, and the schools of each: a misspelt one does not compile. */
export type RuleId = Entry[0];
export type SchoolId<Q extends RuleId> = Extract<Entry, readonly [Q, ...unknown[]]>[4][number][0];

export const RULES: readonly RuleQuestion[] = TABLE.map(([id, asks, stages, ours, schools]: Row<RuleId>) => ({
  id,
  asks,
  stages,
  ours,
  schools: schools.map(([sid, name, reason]) => ({ id: sid, name, reason })),
}));
