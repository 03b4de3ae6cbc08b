import { EFFECTS, SEVERITIES } from '@eclat/core/assess';
import { OUTCOMES, SYMPTOM_IDS } from '@eclat/core/faults';
import { PLATES, TRAINS } from '@eclat/core/movement';
import { HOLE_VERDICTS, LOCATED, PASTS, WAYS } from '@eclat/core/pivots';
import { POWER_STATES, STAGE_IDS } from '@eclat/core/workflow';
import { z } from 'zod';
import { SETTERS, type Setter } from '@eclat/core/pendulum';
import { id, millimetres, moment, needed, seen, values, version, words } from './common.ts';
import { agreement } from './agreement.ts';
import { timeSpent } from './bench-time.ts';
import { caseTask } from './casework.ts';
import { electricEntry } from './electric.ts';
import { cleaningRun } from './cleaning.ts';
import {
  alone,
  complaintAnswer,
  measurement,
  photoMark,
  placeLook,
  receivedFields,
  receivedItem,
  wantedThing,
} from './counter.ts';
import { mark, movement, newMovement } from './movements.ts';
import { recording } from './recordings.ts';
import { replacement } from './replacement.ts';
import { visitRules } from './rules.ts';
import { cost, kind, sizes } from './stores.ts';
import { stripLog } from './strip.ts';
import { checked, heardSound, releaseRead, struck } from './together.ts';
import { owner, ownerFields } from './owners.ts';

/** Who did it and when: on everything that is written at the bench. */
const by = { by: z.string(), at: moment };
export const stageId = z.enum(STAGE_IDS);
export const train = z.enum(TRAINS);

export const newVisit = z
  .object({
    ownerId: id.optional(),
    owner: ownerFields.optional(),
    clockId: id.optional(),
    clock: z.object({ description: needed(160, 'What the clock is') }).optional(),
    movementId: id.optional(),
    movement: newMovement.optional(),
    /** Said by the person who saw both: it carries a mark of a known movement and is another all the same. */
    another: z.boolean().default(false),
    complaint: needed(2000, 'What the owner says is wrong'),
    wanted: words(1000).default(''),
    notWanted: words(1000).default(''),
    outOfScope: words(1000).default(''),
    received: z.array(receivedFields).max(60).default([]),
    promisedFor: z.iso.date().nullable().default(null),
  })
  .superRefine((v, ctx) => {
    const one = (a: unknown, b: unknown, path: string, what: string) => {
      if ((a === undefined) === (b === undefined))
        ctx.addIssue({
          code: 'custom',
          path: [path],
          message: `Either a known ${what} or a new one, not both and not neither.`,
        });
    };
    one(v.ownerId, v.owner, 'owner', 'owner');
    one(v.clockId, v.clock, 'clock', 'clock');
    if (v.clock) one(v.movementId, v.movement, 'movement', 'movement');
  });

export const visitFields = z.object({
  complaint: needed(2000, 'What the owner says is wrong'),
  wanted: words(1000),
  notWanted: words(1000),
  outOfScope: words(1000),
  promisedFor: z.iso.date().nullable(),
});

export { EFFECTS, SEVERITIES };
export const findingFields = z.object({
  place: needed(80, 'The place'),
  seen: needed(600, 'What was seen'),
  severity: z.enum(SEVERITIES),
  effect: z.enum(EFFECTS),
  proposal: words(400).default(''),
  earlierRepair: z.boolean().default(false),
  doNotDisturb: z.boolean().default(false),
  hours: z.number().min(0).max(500, 'At most 500 hours.').nullable().default(null),
  /** The cause of the table that it bears out, as this movement can have it. */
  cause: words(60).default(''),
});
export const finding = findingFields.extend({ id, version, ...by });
export type Finding = z.infer<typeof finding>;

export const photo = z.object({
  id,
  caption: z.string(),
  stage: stageId,
  width: z.int(),
  height: z.int(),
  marks: z.array(photoMark),
  ...by,
});
export type Photo = z.infer<typeof photo>;

export const powerFields = z.object({
  state: z.enum(POWER_STATES),
  turns: z.number().min(0).max(60).nullable().default(null),
  /** Turns of set-up on a fusee or preloaded barrel, which must go back in. */
  setUpTurns: z.number().min(0).max(60).nullable().default(null),
  note: words(300).default(''),
});
export const power = powerFields.extend({ train, version, by: z.string(), at: moment.nullable() });
export type Power = z.infer<typeof power>;

const seenPlay = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('lean'), leanDeg: z.number().min(0).max(30), plateMm: millimetres }),
  z.object({
    kind: z.literal('play'),
    playMm: z.number().min(0).max(10),
    atMm: z.number().gt(0).max(500),
    gapMm: z.number().gt(0).max(500),
  }),
]);
export const holeFields = z.object({
  pivotMm: millimetres,
  /** Where play was seen instead, both are reckoned from it, whatever is sent here. */
  holeLongMm: millimetres,
  holeShortMm: millimetres,
  seen: seenPlay.nullable().default(null),
  way: z.enum(WAYS).default('one-wheel'),
  /** Towards where the pivot wandered, degrees clockwise from up on the face looked at; null: round, or not said. */
  wearDeg: z.number().min(0).max(359).nullable().default(null),
  endShakeMm: z.number().min(0, 'Not less than none.').max(10, 'At most 10 mm.').nullable().default(null),
  spins: z.boolean().nullable().default(null),
  polished: z.boolean().default(false),
  past: z.enum(PASTS).default('original'),
  /** The person's own verdict; the computed one stands beside it. */
  verdict: z.enum(HOLE_VERDICTS),
  note: words(200).default(''),
});
export const hole = holeFields.extend({ key: z.string(), version, computed: z.enum(HOLE_VERDICTS), ...by });
export type SurveyedHole = z.infer<typeof hole>;
/** A photo of the real plate with each hole placed once: shares of its width and height. */
export const platePhotoFields = z.object({
  photoId: id,
  points: z.record(z.string().max(12), z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) })),
});
export const platePhoto = platePhotoFields.extend({ plate: z.enum(PLATES), version, ...by });
export type PlatePhoto = z.infer<typeof platePhoto>;
/** Looked at beside the holes: a pivot, a click, the pallets. A turned-down pivot carries its new size. */
export const partLookFields = z.object({
  state: z.string().max(40),
  toMm: millimetres.nullable().default(null),
  note: words(200).default(''),
});
export const partLook = partLookFields.extend({ key: z.string(), version, ...by });
export type PartLook = z.infer<typeof partLook>;
/** The same movement's survey before this one, and the bush that was fitted then. */
const lastSurvey = z.object({
  at: moment,
  holes: z.array(
    z.object({
      key: z.string(),
      pivotMm: z.number(),
      holeLongMm: z.number(),
      holeShortMm: z.number(),
      verdict: z.enum(HOLE_VERDICTS),
      bushed: z.object({ pivotMm: z.number(), boreMm: z.number() }).nullable(),
    }),
  ),
});

export const newBush = z.object({
  hole: needed(20, 'The hole'),
  pivotMm: millimetres,
  boreMm: millimetres,
  outsideMm: millimetres,
  heightMm: millimetres,
  note: words(200).default(''),
  located: z.enum(LOCATED).nullable().default(null),
  /** It went off centre: plugged, to be done again. */
  off: z.boolean().default(false),
  endShakeMm: z.number().min(0, 'Not less than none.').max(10, 'At most 10 mm.').nullable().default(null),
  spins: z.boolean().nullable().default(null),
  /** Taken out of the stores. */
  stockId: id.nullable().default(null),
});
export const bush = newBush.extend({ id, ...by });

export const PART_SOURCES = ['from stock', 'new', 'donor movement', 'made here', 'reconditioned'] as const;
export const OLD_PART_FATES = [
  'returned to the owner',
  'kept with the movement',
  'reconditioned into stock',
  'scrapped',
  'lost',
] as const;
export const newPart = z
  .object({
    what: needed(120, 'What was fitted'),
    kind: kind.default('other'),
    sizes: sizes.default({}),
    size: words(120).default(''),
    why: words(200).default(''),
    source: z.enum(PART_SOURCES),
    oldPart: z.enum(OLD_PART_FATES),
    quantity: z.int('A whole number.').min(1, 'At least one.').max(1000, 'At most 1000.').default(1),
    cost: cost.default(''),
    /** Taken out of the stores. */
    stockId: id.nullable().default(null),
    /** The movement that gave it. */
    donorId: id.nullable().default(null),
  })
  .superRefine((p, ctx) => {
    const lacks = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    if (p.source === 'from stock' && !p.stockId) lacks('stockId', 'Which one of the stores?');
    if (p.source === 'donor movement' && !p.donorId) lacks('donorId', 'Which movement gave it?');
    if (p.source === 'made here' && p.size === '' && Object.keys(p.sizes).length === 0)
      lacks('size', 'What was made here carries its dimensions, so that the next shop can make it again.');
  });
export const part = z.object({ ...newPart.shape, donorCode: z.string().nullable(), id, ...by });
export type Part = z.infer<typeof part>;

export const oilFields = z.object({
  product: words(80).default(''),
  batch: words(40).default(''),
  /** Out of the stores. */
  stockId: id.nullable().default(null),
  /** Why it differs from the house rule's grade or amount. */
  differs: words(200).default(''),
});
export const oiled = oilFields.extend({ point: z.string(), ...by });

const celsius = z.number().min(-30, 'At least −30.').max(60, 'At most 60.').nullable().default(null);
export const readingFields = z.object({ readAt: moment, errorS: z.number().min(-21_600).max(21_600), celsius });
export const reading = readingFields.extend({ id, by: z.string() });
export const RUN_EVENTS = ['wound', 'adjusted', 'set', 'stopped', 'moved'] as const;
const setter = z.enum(Object.keys(SETTERS) as [Setter, ...Setter[]]);
export const runDetail = z.object({
  /** What sets its rate, and how far it was set: in its own unit, positive makes it gain. */
  setter: setter.optional(),
  amount: z.number().min(-1000).max(1000).optional(),
  /** Where it stopped, and what the hands showed. */
  where: words(120).optional(),
  shown: words(20).optional(),
});
export const eventFields = z.object({
  kind: z.enum(RUN_EVENTS),
  happenedAt: moment,
  note: words(200).default(''),
  detail: runDetail.nullable().default(null),
});
export const runEvent = eventFields.extend({ id, by: z.string() });
export const RUN_STANDS = ['on a stand', 'in its case'] as const;
/** How it stands on test, and what sets it. */
export const runConditions = z.object({
  stands: z.enum(RUN_STANDS).default('on a stand'),
  level: z.boolean().default(false),
  setter: setter.nullable().default(null),
  /** Of a pendulum: effective length and the pitch of its nut; of a hairspring: its acting length. From these a first turn is reckoned. */
  lengthMm: z.number().gt(0, 'More than nothing.').max(5000).nullable().default(null),
  pitchMm: z.number().gt(0, 'More than nothing.').max(5).nullable().default(null),
});
export const testRun = z.object({
  id,
  startedAt: moment,
  readBy: z.enum(['seconds hand', 'minute hand']),
  place: z.string(),
  conditions: runConditions.nullable(),
  readings: z.array(reading),
  events: z.array(runEvent),
});
export type TestRun = z.infer<typeof testRun>;

export const nextAction = z.object({
  stage: stageId,
  text: z.string(),
  urgency: z.enum(['danger', 'due', 'next', 'wait']),
  /** It lies beside the stages: on case, dial or glass. */ beside: z.boolean(),
});

export const observations = z.partialRecord(z.enum(SYMPTOM_IDS), z.enum(['present', 'absent']));

/** A look at one cause, taken or found impossible here. */
export const lookTaken = z.object({ look: z.string(), outcome: z.enum(OUTCOMES), ...by });

/** A working done for a visit: reckoned anew by the server, and kept as it was on that day. */
export const keptWorking = z.object({
  id,
  working: z.string(),
  version: z.int(),
  stage: stageId,
  input: values,
  result: values,
  says: z.string(),
  ...by,
});
export type KeptWorking = z.infer<typeof keptWorking>;

export const visit = z.object({
  id,
  claim: z.string(),
  version,
  openedAt: moment,
  closedAt: moment.nullable(),
  complaint: z.string(),
  wanted: z.string(),
  notWanted: z.string(),
  outOfScope: z.string(),
  answers: z.array(complaintAnswer),
  promisedFor: z.string().nullable(),
  owner,
  clock: z.object({ id, description: z.string() }),
  movement,
  received: z.array(receivedItem),
  wantedThings: z.array(wantedThing),
  alone: alone.nullable(),
  callbackOf: z.object({ visitId: id, claim: z.string(), closedAt: moment }).nullable(),
  earlier: z.array(z.object({ visitId: id, claim: z.string(), closedAt: moment })),
  places: z.array(placeLook),
  measurements: z.array(measurement),
  agreement,
  rules: visitRules,
  /** "Do not disturb", from this visit and from every earlier one of this movement. */
  handsOff: z.array(z.object({ place: z.string(), seen: z.string(), at: moment })),
  stages: z.array(z.object({ stage: stageId, done: z.boolean(), ...by })),
  photos: z.array(photo),
  recordings: z.array(recording),
  findings: z.array(finding),
  observations,
  looks: z.array(lookTaken),
  cause: z.string(),
  power: z.array(power),
  cautions: z.array(z.object({ caution: z.string(), ...by })),
  strip: stripLog,
  baths: z.array(cleaningRun),
  holes: z.array(hole),
  partLooks: z.array(partLook),
  platePhotos: z.array(platePhoto),
  lastSurvey: lastSurvey.nullable(),
  time: z.array(timeSpent),
  bushes: z.array(bush),
  parts: z.array(part),
  casework: z.array(caseTask),
  electric: z.array(electricEntry),
  replacement,
  oiled: z.array(oiled),
  checks: z.array(checked),
  struck: z.array(struck),
  releases: z.array(releaseRead),
  heard: z.array(heardSound),
  testRun: testRun.nullable(),
  workings: z.array(keptWorking),
  next: nextAction,
  entryId: id.nullable(),
});
export type Visit = z.infer<typeof visit>;

export const benchRow = z.object({
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  owner: z.string(),
  movementCode: z.string(),
  familyId: z.string(),
  done: z.array(stageId),
  power: z.array(z.object({ train, state: z.enum(POWER_STATES) })),
  next: nextAction,
  bathEndsAt: moment.nullable(),
  promisedFor: z.string().nullable(),
  openedAt: moment,
  photoId: id.nullable(),
  cautions: z.array(z.string()),
  /** Additions that wait for the owner while the rest goes on. */
  asked: z.int(),
});
export type BenchRow = z.infer<typeof benchRow>;

/** A clock on test, with all that its judgement needs. */
export const testRow = z.object({
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  traits: movement.shape.traits,
  held: z.record(z.string(), z.string()),
  run: testRun,
  failed: z.int(),
});
export type TestRow = z.infer<typeof testRow>;

/** `beside`: on case, dial or glass; a bath otherwise. */
export const timer = z.object({
  id,
  beside: z.boolean(),
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  what: z.string(),
  startedAt: moment,
  endsAt: moment,
});
export type Timer = z.infer<typeof timer>;
export { mark, seen };
