import { SYMPTOM_IDS } from '@eclat/core/faults';
import { KEY_FITS } from '@eclat/core/intake';
import { FITTINGS, OSCILLATORS, TRAINS } from '@eclat/core/movement';
import { PLACE_STATES } from '@eclat/core/assess';
import { z } from 'zod';
import { changesTo, done, id, millimetres, moment, needed, version, words } from './common.ts';
import { bench, everyone } from './people.ts';
import { route } from './route.ts';

const signed = { by: z.string(), at: moment };

/** A thing that came with the clock and must go home again. */
export const receivedFields = z.object({
  what: needed(80, 'What it is'),
  count: z.int().min(1, 'At least one.').max(99, 'At most 99.').default(1),
  condition: words(120).default(''),
  /** Keys go by the square they fit: numbers stamped on them disagree between makers. */
  squareMm: millimetres.nullable().default(null),
  fits: z.enum(KEY_FITS).nullable().default(null),
  photoId: id.nullable().default(null),
});
export const receivedItem = receivedFields.extend({
  id,
  version,
  returnedBy: z.string(),
  returnedAt: moment.nullable(),
});
export type ReceivedItem = z.infer<typeof receivedItem>;

export const complaintAnswer = z.object({ question: z.string(), answer: z.string(), ...signed });

/** Missing when it came. It stays on the clock's list until it is found, fitted or given up. */
export const WANTED_ENDS = ['found', 'fitted', 'given up'] as const;
export const wantedFields = z.object({ what: needed(120, 'What is missing'), evidence: words(300).default('') });
export const wantedThing = wantedFields.extend({ id, ...signed, ended: z.enum(WANTED_ENDS).nullable() });

/** A movement that came by itself. */
export const alone = z.object({ drives: words(200), supply: words(120), borrowed: words(200) });

export const placeLook = z.object({ place: z.string(), state: z.enum(PLACE_STATES), ...signed });
export const measurementFields = z.object({
  kind: needed(20, 'What is measured'),
  value: z.number(),
  how: needed(40, 'How it was measured'),
  note: words(200).default(''),
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
  .object({ notBefore: year, notAfter: year, why: needed(300, 'The reason') })
  .refine((e) => e.notBefore !== null || e.notAfter !== null, {
    path: ['notBefore'],
    message: 'A year not before, or not after, or both.',
  });
export const evidence = z.object({ id, notBefore: year, notAfter: year, why: z.string(), ...signed });

export const photoMark = z.object({
  id,
  number: z.int(),
  x: z.number(),
  y: z.number(),
  findingId: id.nullable(),
  note: z.string(),
});
export const photoMarkFields = z.object({
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  findingId: id.nullable().default(null),
  note: words(200).default(''),
});

/** Seen on other movements of this shop of the same maker and name: the defect of a type. */
export const weakness = z.object({ place: z.string(), seen: z.array(z.string()), movements: z.int(), of: z.int() });
export const sister = z.object({ movementId: id, code: z.string(), name: z.string(), photos: z.int() });

export const counter = {
  answer: route({
    method: 'PUT',
    path: '/visits/:visitId/answers/:question',
    summary: 'What the owner answered at the counter; empty takes it back',
    roles: everyone,
    body: z.object({ answer: words(400) }),
    reply: done,
  }),
  addReceived: route({
    method: 'POST',
    path: '/visits/:visitId/received',
    summary: 'List a thing that came with it',
    roles: everyone,
    body: receivedFields,
    reply: receivedItem,
  }),
  changeReceived: route({
    method: 'PATCH',
    path: '/visits/:visitId/received/:receivedId',
    summary: 'Correct a thing that came with it',
    roles: everyone,
    body: changesTo(receivedFields),
    reply: receivedItem,
  }),
  removeReceived: route({
    method: 'DELETE',
    path: '/visits/:visitId/received/:receivedId',
    summary: 'It did not come after all',
    roles: everyone,
    reply: done,
  }),
  giveBack: route({
    method: 'PUT',
    path: '/visits/:visitId/received/:receivedId/returned',
    summary: 'Tick it as going home, or take the tick back',
    roles: everyone,
    body: z.object({ returned: z.boolean() }),
    reply: receivedItem,
  }),
  want: route({
    method: 'POST',
    path: '/visits/:visitId/wanted',
    summary: 'Put a missing thing on the clock’s list',
    roles: everyone,
    body: wantedFields,
    reply: wantedThing,
  }),
  endWant: route({
    method: 'PUT',
    path: '/visits/:visitId/wanted/:wantedId',
    summary: 'Found, fitted or given up; null puts it back on the list',
    roles: everyone,
    body: z.object({ ended: z.enum(WANTED_ENDS).nullable() }),
    reply: done,
  }),
  alone: route({
    method: 'PUT',
    path: '/visits/:visitId/alone',
    summary: 'The movement came by itself: what it drives and what is borrowed',
    roles: everyone,
    body: z.object({ alone: alone.nullable() }),
    reply: done,
  }),
  callback: route({
    method: 'PUT',
    path: '/visits/:visitId/callback',
    summary: 'Link a return of the shop’s own work to the earlier visit',
    roles: everyone,
    body: z.object({ visitId: id.nullable() }),
    reply: done,
  }),
};

export const assess = {
  look: route({
    method: 'PUT',
    path: '/visits/:visitId/places/:place',
    summary: 'In order, finding, or not looked at; null takes it back',
    roles: everyone,
    body: z.object({ state: z.enum(PLACE_STATES).nullable() }),
    reply: done,
  }),
  measure: route({
    method: 'POST',
    path: '/visits/:visitId/measurements',
    summary: 'Enter a measurement and how it was got',
    roles: everyone,
    body: measurementFields,
    reply: measurement,
  }),
  unmeasure: route({
    method: 'DELETE',
    path: '/visits/:visitId/measurements/:measurementId',
    summary: 'Take a measurement back',
    roles: everyone,
    reply: done,
  }),
  date: route({
    method: 'POST',
    path: '/movements/:movementId/dating',
    summary: 'Add evidence for when the clock was made',
    roles: everyone,
    body: evidenceFields,
    reply: evidence,
  }),
  undate: route({
    method: 'DELETE',
    path: '/movements/:movementId/dating/:evidenceId',
    summary: 'Take evidence back',
    roles: everyone,
    reply: done,
  }),
  type: route({
    method: 'GET',
    path: '/movements/:movementId/type',
    summary: 'What this shop knows of movements of the same maker and name',
    roles: everyone,
    reply: z.object({ weaknesses: z.array(weakness), sisters: z.array(sister) }),
  }),
  pictures: route({
    method: 'GET',
    path: '/movements/:movementId/photos',
    summary: 'All photos of a movement, over its visits',
    roles: everyone,
    reply: z.array(z.object({ id, caption: z.string(), claim: z.string(), at: moment })),
  }),
};

export const photos = {
  change: route({
    method: 'PATCH',
    path: '/visits/:visitId/photos/:photoId',
    summary: 'Caption a photo, or move it',
    roles: everyone,
    body: z.object({ caption: words(200), position: z.int().min(0).max(10_000) }).partial(),
    reply: done,
  }),
  mark: route({
    method: 'PUT',
    path: '/visits/:visitId/photos/:photoId/marks/:markId',
    summary: 'Place a numbered point, or move it',
    roles: everyone,
    body: photoMarkFields,
    reply: photoMark,
  }),
  unmark: route({
    method: 'DELETE',
    path: '/visits/:visitId/photos/:photoId/marks/:markId',
    summary: 'Take a point away',
    roles: everyone,
    reply: done,
  }),
};

const symptomId = z.enum(SYMPTOM_IDS);
const symptomShows = z.partialRecord(symptomId, z.enum(['H', 'M', 'L']));
export const ownCauseFields = z.object({
  name: needed(80, 'A name'),
  prior: z.enum(['common', 'usual', 'rare']),
  oscillators: z.array(z.enum(OSCILLATORS)).max(OSCILLATORS.length).default([]),
  fittings: z.array(z.enum(FITTINGS)).max(10).default([]),
  trains: z.array(z.enum(TRAINS)).max(TRAINS.length).default([]),
  shows: symptomShows.refine((s) => Object.keys(s).length > 0, 'At least one symptom that it shows.'),
  look: z.object({
    what: needed(120, 'How to look for it'),
    minutes: z.int().min(1, 'At least a minute.').max(600, 'At most ten hours.'),
    level: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  }),
  remedy: needed(200, 'The remedy'),
});
export const ownCause = ownCauseFields.extend({ id: z.string(), by: z.string(), at: moment });
const share = z.object({ times: z.int(), of: z.int() });
export const knowledge = z.object({
  causes: z.array(ownCause),
  learn: z.boolean(),
  signedVisits: z.int(),
  experience: z.record(z.string(), z.object({ found: share, shows: z.partialRecord(symptomId, share) })),
});
export const knowing = {
  get: route({
    method: 'GET',
    path: '/causes',
    summary: 'The shop’s own causes, and what its signed visits found',
    roles: everyone,
    reply: knowledge,
  }),
  add: route({
    method: 'POST',
    path: '/causes',
    summary: 'Add a cause to the table',
    roles: bench,
    body: ownCauseFields,
    reply: ownCause,
  }),
  remove: route({
    method: 'DELETE',
    path: '/causes/:cause',
    summary: 'Take a cause of the shop’s own out again',
    roles: bench,
    reply: done,
  }),
  learn: route({
    method: 'PUT',
    path: '/causes/learning',
    summary: 'Let the shop’s signed visits sharpen the numbers, or not',
    roles: ['owner-of-shop'],
    body: z.object({ learn: z.boolean() }),
    reply: done,
  }),
};
