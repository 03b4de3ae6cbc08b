import { SEVERITIES, EFFECTS, PLACE_STATES } from '@eclat/core/assess';
import { z } from 'zod';
import { requiredText, text, id, version, signed, changesTo, done, moment } from './common.ts';
import { everyone } from './people.ts';
import { read, command } from './route.ts';

export const findingFields = z.object({
  place: requiredText(80, 'The place'),
  seen: requiredText(600, 'What was seen'),
  severity: z.enum(SEVERITIES),
  effect: z.enum(EFFECTS),
  proposal: text(400).default(''),
  earlierRepair: z.boolean().default(false),
  doNotDisturb: z.boolean().default(false),
  hours: z.number().min(0).max(500, 'At most 500 hours.').nullable().default(null),
  /** The cause of the table that it bears out, as this movement can have it. */
  cause: text(60).default(''),
  /** Another finding that brought it about: it is not cured alone. */
  followsFrom: id.nullable().default(null),
});

/** `overturned`: what a later look found instead. Both stand, the later leads. */
export const finding = findingFields.extend({
  id,
  version,
  overturned: z.object({ why: z.string(), ...signed }).nullable(),
  ...signed,
});

export type Finding = z.infer<typeof finding>;

export const placeChecked = z.object({ place: z.string(), state: z.enum(PLACE_STATES), ...signed });

export const measurementFields = z.object({
  kind: requiredText(20, 'What is measured'),
  value: z.number(),
  how: requiredText(40, 'How it was measured'),
  note: text(200).default(''),
});

export const measurement = measurementFields.extend({
  id,
  ...signed,
  within: z.number(),
  says: z.string(),
  good: z.boolean().nullable(),
});

export type Measurement = z.infer<typeof measurement>;

const year = z.int().min(1200, 'A year.').max(2200, 'A year.').nullable();

export const evidenceFields = z
  .object({ notBefore: year, notAfter: year, why: requiredText(300, 'The reason') })
  .refine((e) => e.notBefore !== null || e.notAfter !== null, {
    path: ['notBefore'],
    message: 'A year not before, or not after, or both.',
  });

export const evidence = z.object({ id, notBefore: year, notAfter: year, why: z.string(), ...signed });

/** Seen on other movements of this shop of the same maker and name: the defect of a type. */
export const weakness = z.object({ place: z.string(), seen: z.array(z.string()), movements: z.int(), of: z.int() });

export const sister = z.object({ movementId: id, code: z.string(), name: z.string(), photos: z.int() });

export const assessmentRoutes = {
  addFinding: command({
    method: 'POST',
    path: '/visits/:visitId/findings',
    summary: 'Record a finding',
    roles: everyone,
    changes: ['visit', 'bench', 'causes'],
    inverse: 'assessment.removeFinding',
    visit: { put: 'findings', by: 'id', again: true },
    body: findingFields,
    reply: finding,
  }),
  changeFinding: command({
    method: 'PATCH',
    path: '/visits/:visitId/findings/:findingId',
    summary: 'Correct a finding',
    roles: everyone,
    changes: ['visit', 'bench', 'causes'],
    inverse: 'same',
    visit: { put: 'findings', by: 'id', again: true },
    body: changesTo(findingFields),
    reply: finding,
  }),
  overturnFinding: command({
    method: 'PUT',
    path: '/visits/:visitId/findings/:findingId/overturned',
    summary: 'A later look found it otherwise: both stand; empty takes that back',
    roles: everyone,
    changes: ['visit', 'bench', 'causes'],
    inverse: 'same',
    visit: { put: 'findings', by: 'id', again: true },
    body: z.object({ why: text(300) }),
    reply: finding,
  }),
  removeFinding: command({
    method: 'DELETE',
    path: '/visits/:visitId/findings/:findingId',
    summary: 'Take a finding back',
    roles: everyone,
    changes: ['visit', 'bench', 'causes'],
    inverse: 'assessment.restoreFinding',
    visit: { remove: 'findings', by: 'id', param: 'findingId', again: true },
    reply: done,
  }),
  restoreFinding: command({
    method: 'POST',
    path: '/visits/:visitId/findings/:findingId/restore',
    summary: 'It is there after all, with its points and lines',
    roles: everyone,
    changes: ['visit', 'bench', 'causes'],
    inverse: 'assessment.removeFinding',
    visit: { put: 'findings', by: 'id', again: true },
    reply: finding,
  }),
  setPlace: command({
    method: 'PUT',
    path: '/visits/:visitId/places/:place',
    summary: 'In order, finding, or not looked at; null takes it back',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ state: z.enum(PLACE_STATES).nullable() }),
    reply: done,
  }),
  addMeasurement: command({
    method: 'POST',
    path: '/visits/:visitId/measurements',
    summary: 'Enter a measurement and how it was got',
    roles: everyone,
    changes: ['visit'],
    inverse: 'assessment.removeMeasurement',
    visit: { put: 'measurements', by: 'id' },
    body: measurementFields,
    reply: measurement,
  }),
  removeMeasurement: command({
    method: 'DELETE',
    path: '/visits/:visitId/measurements/:measurementId',
    summary: 'Take a measurement back',
    roles: everyone,
    changes: ['visit'],
    inverse: 'assessment.addMeasurement',
    visit: { remove: 'measurements', by: 'id', param: 'measurementId' },
    reply: done,
  }),
  addEvidence: command({
    method: 'POST',
    path: '/movements/:movementId/dating',
    summary: 'Add evidence for when the clock was made',
    roles: everyone,
    changes: ['movements', 'visit'],
    inverse: 'assessment.removeEvidence',
    body: evidenceFields,
    reply: evidence,
  }),
  removeEvidence: command({
    method: 'DELETE',
    path: '/movements/:movementId/dating/:evidenceId',
    summary: 'Take evidence back',
    roles: everyone,
    changes: ['movements', 'visit'],
    inverse: 'assessment.addEvidence',
    reply: done,
  }),
  knownOfType: read({
    method: 'GET',
    path: '/movements/:movementId/type',
    summary: 'What this shop knows of movements of the same maker and name',
    roles: everyone,
    reads: 'movements',
    reply: z.object({ weaknesses: z.array(weakness), sisters: z.array(sister) }),
  }),
  photosOfMovement: read({
    method: 'GET',
    path: '/movements/:movementId/photos',
    summary: 'All photos of a movement, over its visits',
    roles: everyone,
    reads: 'movements',
    reply: z.array(
      z.object({ id, caption: z.string(), claim: z.string(), at: moment, width: z.int(), height: z.int() }),
    ),
  }),
};
