import { z } from 'zod';
import { agreement } from './agreement.ts';
import { checked } from './assembly.ts';
import { placeChecked, measurement, finding } from './assessment.ts';
import { timeSpent } from './bench-time.ts';
import { caseTask } from './casework.ts';
import { cleaningRun } from './cleaning.ts';
import { requiredText, text, stageId, id, version, moment, signed, changesTo, done } from './common.ts';
import { observations, lookTaken } from './diagnosis.ts';
import { electricEntry } from './electric.ts';
import { bush, part } from './fitting.ts';
import { visitRules } from './house-rules.ts';
import { heardSound } from './listening.ts';
import { movement, newMovement } from './movements.ts';
import { oiled } from './oiling.ts';
import { owner, ownerFields } from './owners.ts';
import { everyone } from './people.ts';
import { photo } from './photos.ts';
import { power } from './power-down.ts';
import { complaintAnswer, receivedFields, receivedItem, wantedThing, cameAlone } from './reception.ts';
import { recording } from './recordings.ts';
import { replacement } from './replacement.ts';
import { read, command } from './route.ts';
import { struck, releaseRead } from './strike.ts';
import { stripLog } from './strip.ts';
import { hole, partCondition, platePhoto, lastSurvey } from './survey.ts';
import { testRun } from './test-run.ts';
import { keptWorking } from './workings.ts';

export const newVisit = z
  .object({
    ownerId: id.optional(),
    owner: ownerFields.optional(),
    clockId: id.optional(),
    clock: z.object({ description: requiredText(160, 'What the clock is') }).optional(),
    movementId: id.optional(),
    movement: newMovement.optional(),
    /** Said by the person who saw both: it carries a mark of a known movement and is another all the same. */
    another: z.boolean().default(false),
    complaint: requiredText(2000, 'What the owner says is wrong'),
    wanted: text(1000).default(''),
    notWanted: text(1000).default(''),
    outOfScope: text(1000).default(''),
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
  complaint: requiredText(2000, 'What the owner says is wrong'),
  wanted: text(1000),
  notWanted: text(1000),
  outOfScope: text(1000),
  promisedFor: z.iso.date().nullable(),
});

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
  stages: z.array(z.object({ stage: stageId, done: z.boolean(), ...signed })),
  photos: z.array(photo),
  recordings: z.array(recording),
  findings: z.array(finding),
  observations,
  looks: z.array(lookTaken),
  cause: z.string(),
  power: z.array(power),
  cautions: z.array(z.object({ caution: z.string(), ...signed })),
  strip: stripLog,
  baths: z.array(cleaningRun),
  holes: z.array(hole),
  partConditions: z.array(partCondition),
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
    summary: 'Mark a stage done, or take it up again',
    roles: everyone,
    changes: ['visit', 'bench', 'timers'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ done: z.boolean() }),
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
