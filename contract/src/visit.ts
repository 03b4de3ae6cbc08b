import { SHAPE_IDS, STAGE_STATES, TERMS_IDS } from '@eclat/core/workflow';
import { z } from 'zod';
import { agreement } from './agreement.ts';
import { checkSetting, checked, closingNote, dryFit, dryTry, secondLook, standRun } from './assembly.ts';
import { placeChecked, measurement, finding } from './assessment.ts';
import { timeSpent } from './bench-time.ts';
import { caseTask } from './casework.ts';
import { conservationDecision } from './conservation.ts';
import { cleaningRun } from './cleaning.ts';
import { calendarDay, requiredText, text, stageId, id, version, moment, signed, changesTo, done } from './common.ts';
import { earlierWord, observations, lookTaken } from './diagnosis.ts';
import { benchEntry } from './benches.ts';
import { bush, part, partWork } from './fitting.ts';
import { visitRules } from './house-rules.ts';
import { heardSound } from './listening.ts';
import { unit } from './sub-assemblies.ts';
import { broughtRecord } from './movement-book.ts';
import { movement, newMovement } from './movements.ts';
import { note } from './notes.ts';
import { oiled } from './oiling.ts';
import { owner, ownerFields } from './owners.ts';
import { everyone } from './people.ts';
import { photo } from './photos.ts';
import { power, powerOverride } from './power-down.ts';
import { keptWord } from './signing.ts';
import { complaintAnswer, receivedFields, receivedItem, wantedThing, cameAlone } from './reception.ts';
import { recording } from './recordings.ts';
import { replacement } from './replacement.ts';
import { read, command } from './route.ts';
import { struck, struckBefore, releaseRead } from './strike.ts';
import { stripLog } from './strip.ts';
import { hole, partCondition, platePhoto, lastSurvey } from './survey.ts';
import { testRun } from './test-run.ts';
import { keptWorking } from './workings.ts';

export const trial = z.object({
  expected: requiredText(400, 'What is expected'),
  reviewOn: calendarDay('The date on which it is looked at again is needed.'),
  outcome: text(400).default(''),
  offer: text(400).default(''),
});

const agreed = { shape: z.enum(SHAPE_IDS), terms: z.enum(TERMS_IDS), trial: trial.nullable() };
/** A trial says what it is for; other terms have none. */
const trialFits = ({ terms, trial }: { terms: string; trial: unknown }) => (terms === 'trial') === (trial !== null);
const TRIAL_WANTED = { path: ['trial', 'expected'], message: 'What is expected, and when is it looked at again?' };

/** A new word on what was agreed. Whose it is changes where the shop buys it, or sells it. */
export const jobChange = z
  .object({
    ...agreed,
    reason: requiredText(400, 'A reason'),
    whose: z
      .discriminatedUnion('is', [
        z.object({ is: z.literal('the same') }),
        z.object({ is: z.literal('the shop') }),
        z.object({ is: z.literal('known'), ownerId: id }),
        z.object({ is: z.literal('new'), owner: ownerFields }),
      ])
      .default({ is: 'the same' }),
  })
  .refine(trialFits, TRIAL_WANTED);

export const job = z.object({
  ...agreed,
  ownStock: z.boolean(),
  /** Every word on it, the latest last. */
  log: z.array(z.object({ ...agreed, reason: z.string(), owner: z.string(), ...signed })),
});
export type JobView = z.infer<typeof job>;

/** What a person says of a stage: left and not in this job are said with why. */
export const stageWord = z
  .object({ state: z.enum(STAGE_STATES), why: text(400).default('') })
  .refine((w) => w.state === 'open' || w.state === 'done' || w.why !== '', { path: ['why'], message: 'Say why.' });

/** An owner says what is wrong; of the shop's own clock nobody may know it yet. */
export const COMPLAINT_WANTED = { path: ['complaint'], message: 'What the owner says is wrong is needed.' };

export const newVisit = z
  .object({
    /** The shop's own clock: no owner is asked for. */
    ownStock: z.boolean().default(false),
    shape: z.enum(SHAPE_IDS).default('overhaul'),
    terms: z.enum(TERMS_IDS).default('guaranteed'),
    trial: trial.nullable().default(null),
    ownerId: id.optional(),
    owner: ownerFields.optional(),
    clockId: id.optional(),
    clock: z
      .object({
        description: requiredText(160, 'What the clock is'),
        /** It is the clock that the known movement was in, under whatever owner: its history goes on. */
        id: id.optional(),
      })
      .optional(),
    movementId: id.optional(),
    movement: newMovement.optional(),
    /** What came with a movement that is known: it is joined into its book. */
    record: broughtRecord.optional(),
    /** Said by the person who saw both: it carries a mark of a known movement and is another all the same. */
    another: z.boolean().default(false),
    complaint: text(2000).default(''),
    wanted: text(1000).default(''),
    notWanted: text(1000).default(''),
    outOfScope: text(1000).default(''),
    received: z.array(receivedFields).max(60).default([]),
    promisedFor: calendarDay().nullable().default(null),
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
    if (!trialFits(v)) ctx.addIssue({ code: 'custom', ...TRIAL_WANTED });
    if (!v.ownStock && v.complaint === '') ctx.addIssue({ code: 'custom', ...COMPLAINT_WANTED });
    if (!v.ownStock) one(v.ownerId, v.owner, 'owner', 'owner');
    one(v.clockId, v.clock, 'clock', 'clock');
    if (v.clock) one(v.movementId, v.movement, 'movement', 'movement');
    if (v.record && v.movement)
      ctx.addIssue({ code: 'custom', path: ['record'], message: 'Of a new movement its history goes with it.' });
  });

/** What the owner said, and what was promised. */
export const scopeFields = z.object({
  complaint: text(2000),
  wanted: text(1000),
  notWanted: text(1000),
  outOfScope: text(1000),
  promisedFor: calendarDay().nullable(),
});
export const visitFields = scopeFields.extend({ prognosis: text(400), lookAgainOn: calendarDay().nullable() });

export const nextAction = z.object({
  stage: stageId,
  text: z.string(),
  urgency: z.enum(['danger', 'due', 'next', 'wait']),
  /** It lies beside the stages: on case, dial or glass. */ beside: z.boolean(),
});

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
  alone: cameAlone.nullable(),
  callbackOf: z.object({ visitId: id, claim: z.string(), closedAt: moment }).nullable(),
  earlier: z.array(z.object({ visitId: id, claim: z.string(), closedAt: moment })),
  places: z.array(placeChecked),
  measurements: z.array(measurement),
  agreement,
  rules: visitRules,
  /** "Do not disturb", from this visit and from every earlier one of this movement. */
  handsOff: z.array(z.object({ place: z.string(), seen: z.string(), at: moment })),
  job,
  /** Where every stage stands, in their order; who said so last, where somebody did. */
  stages: z.array(
    z.object({
      stage: stageId,
      state: z.enum(STAGE_STATES),
      why: z.string(),
      by: z.string(),
      at: moment.nullable(),
    }),
  ),
  photos: z.array(photo),
  recordings: z.array(recording),
  findings: z.array(finding),
  observations,
  looks: z.array(lookTaken),
  cause: z.string(),
  /** What was held of cause and looks before, the oldest first. */
  earlierWords: z.array(earlierWord),
  /** What is to be expected of what was done, and when it is looked at again. */
  prognosis: z.string(),
  lookAgainOn: z.string().nullable(),
  power: z.array(power),
  /** What was opened under power, with its reason, the oldest first. */
  overrides: z.array(powerOverride),
  cautions: z.array(z.object({ caution: z.string(), ...signed })),
  strip: stripLog,
  baths: z.array(cleaningRun),
  holes: z.array(hole),
  /** What was recorded on things that the description has no more. */
  gone: z.array(z.object({ stage: stageId, what: z.string(), said: z.string(), ...signed })),
  partConditions: z.array(partCondition),
  platePhotos: z.array(platePhoto),
  lastSurvey: lastSurvey.nullable(),
  time: z.array(timeSpent),
  work: z.array(partWork),
  bushes: z.array(bush),
  parts: z.array(part),
  casework: z.array(caseTask),
  conservation: z.array(conservationDecision),
  /** Of this visit, of earlier ones of the movement, and of others of its type; the oldest first. */
  benchTests: z.array(benchEntry),
  /** Beside the record, for the shop alone. */
  notes: z.array(note),
  replacement,
  oiled: z.array(oiled),
  /** Oiled before it was opened again. */
  earlierOiled: z.array(oiled),
  /** One answer for each check, where it holds; and those that do not hold any more, or were taken over. */
  checks: z.array(checked),
  earlierChecks: z.array(checked),
  settings: z.array(checkSetting),
  standRuns: z.array(standRun),
  dryFits: z.array(dryFit),
  dryTries: z.array(dryTry),
  secondLooks: z.array(secondLook),
  /** Of the movement, this visit’s and earlier ones, the latest last. */
  closings: z.array(closingNote),
  /** Parts of the clock that go at their own pace. */
  units: z.array(unit),
  struck: z.array(struck),
  struckBefore: z.array(struckBefore),
  releases: z.array(releaseRead),
  heard: z.array(heardSound),
  testRun: testRun.nullable(),
  workings: z.array(keptWorking),
  next: nextAction,
  entryId: id.nullable(),
  /** Words of the owner that mean something else in the record. */
  keptWords: z.array(keptWord),
});

export type Visit = z.infer<typeof visit>;

export const visitRoutes = {
  open: command({
    method: 'POST',
    path: '/visits',
    summary: 'Take a clock in',
    roles: everyone,
    changes: ['bench', 'visit', 'owners', 'movements', 'aftercare'],
    inverse: 'final',
    body: newVisit,
    reply: visit,
  }),
  get: read({
    method: 'GET',
    path: '/visits/:visitId',
    summary: 'A visit with all that was recorded',
    roles: everyone,
    reads: 'visit',
    reply: visit,
  }),
  change: command({
    method: 'PATCH',
    path: '/visits/:visitId',
    summary: 'Correct complaint, scope or promise',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: '' },
    body: changesTo(visitFields),
    reply: visit,
  }),
  setStage: command({
    method: 'PUT',
    path: '/visits/:visitId/stages/:stage',
    summary: 'Mark a stage done, left or not in this job, or take it up again',
    roles: everyone,
    changes: ['visit', 'bench', 'timers'],
    inverse: 'same',
    visit: 'again',
    body: stageWord,
    reply: done,
  }),
  setJob: command({
    method: 'POST',
    path: '/visits/:visitId/job',
    summary: 'Change what was agreed: shape, terms, whose',
    roles: everyone,
    changes: ['visit', 'bench', 'owners', 'calendar'],
    inverse: 'same',
    visit: 'again',
    body: jobChange,
    reply: done,
  }),
  readCaution: command({
    method: 'PUT',
    path: '/visits/:visitId/cautions/:caution',
    summary: 'Acknowledge a caution by name and time',
    roles: everyone,
    changes: ['visit'],
    inverse: 'final',
    visit: 'again',
    reply: done,
  }),
};
