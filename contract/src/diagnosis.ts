import { SYMPTOM_IDS, OUTCOMES } from '@eclat/core/faults';
import { OSCILLATORS, FITTINGS, PURPOSES } from '@eclat/core/movement';
import { z } from 'zod';
import { signed, requiredText, moment, done, text } from './common.ts';
import { everyone, benchRoles } from './people.ts';
import { read, command } from './route.ts';

export const observations = z.partialRecord(z.enum(SYMPTOM_IDS), z.enum(['present', 'absent']));

/** A look at one cause, taken or found impossible here. */
export const lookTaken = z.object({ look: z.string(), outcome: z.enum(OUTCOMES), ...signed });

/** What was said before of the cause, or of a look (`of`: its id), and why it is held otherwise now. */
export const earlierWord = z.object({ of: z.string(), said: z.string(), why: z.string(), ...signed });
export type EarlierWord = z.infer<typeof earlierWord>;

const symptomId = z.enum(SYMPTOM_IDS);

const symptomShows = z.partialRecord(symptomId, z.enum(['H', 'M', 'L']));

export const ownCauseFields = z.object({
  name: requiredText(80, 'A name'),
  prior: z.enum(['common', 'usual', 'rare']),
  oscillators: z.array(z.enum(OSCILLATORS)).max(OSCILLATORS.length).default([]),
  fittings: z.array(z.enum(FITTINGS)).max(10).default([]),
  trains: z.array(z.enum(PURPOSES)).max(PURPOSES.length).default([]),
  shows: symptomShows.refine((s) => Object.keys(s).length > 0, 'At least one symptom that it shows.'),
  look: z.object({
    what: requiredText(120, 'How to look for it'),
    minutes: z.int().min(1, 'At least a minute.').max(600, 'At most ten hours.'),
    level: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  }),
  remedy: requiredText(200, 'The remedy'),
});

export const ownCause = ownCauseFields.extend({ id: z.string(), by: z.string(), at: moment });

const share = z.object({ times: z.int(), of: z.int() });

export const knowledge = z.object({
  causes: z.array(ownCause),
  learn: z.boolean(),
  signedVisits: z.int(),
  experience: z.record(
    z.string(),
    z.object({
      found: share,
      /** Found, or not ruled out: not a whole number. */
      expected: z.object({ times: z.number(), of: z.int() }),
      shows: z.partialRecord(symptomId, share.extend({ blamed: z.number() })),
    }),
  ),
});

export const diagnosisRoutes = {
  observe: command({
    method: 'PUT',
    path: '/visits/:visitId/observations/:symptom',
    summary: 'Say whether a symptom is there',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'observations' },
    body: z.object({ state: z.enum(['present', 'absent']).nullable() }),
    reply: observations,
  }),
  recordLook: command({
    method: 'PUT',
    path: '/visits/:visitId/looks/:look',
    summary: 'Say what a look found, that it cannot be taken here, or take that back',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ outcome: z.enum(OUTCOMES).nullable() }),
    reply: done,
  }),
  nameCause: command({
    method: 'PUT',
    path: '/visits/:visitId/cause',
    summary: 'Name the cause, in the words of the record',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({
      cause: text(300),
      /** Why it is another one than was named before. */
      why: text(200).default(''),
    }),
    reply: done,
  }),
  knowledge: read({
    method: 'GET',
    path: '/causes',
    summary: 'The shop’s own causes, and what its signed visits found',
    roles: everyone,
    reads: 'causes',
    reply: knowledge,
  }),
  addCause: command({
    method: 'POST',
    path: '/causes',
    summary: 'Add a cause to the table',
    roles: benchRoles,
    changes: ['causes'],
    inverse: 'diagnosis.removeCause',
    body: ownCauseFields,
    reply: ownCause,
  }),
  removeCause: command({
    method: 'DELETE',
    path: '/causes/:cause',
    summary: 'Take a cause of the shop’s own out again',
    roles: benchRoles,
    changes: ['causes'],
    inverse: 'diagnosis.addCause',
    reply: done,
  }),
  setLearning: command({
    method: 'PUT',
    path: '/causes/learning',
    summary: 'Let the shop’s signed visits sharpen the numbers, or not',
    roles: ['owner-of-shop'],
    changes: ['causes'],
    inverse: 'same',
    body: z.object({ learn: z.boolean() }),
    reply: done,
  }),
};
