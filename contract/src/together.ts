import { CHECK_RESULTS } from '@eclat/core/checks';
import { STAGE_IDS } from '@eclat/core/workflow';
import { z } from 'zod';
import { done, id, moment, words } from './common.ts';
import { bench, everyone } from './people.ts';
import { route } from './route.ts';

const signed = { by: z.string(), at: moment };

/** A check of assembly, in position or at delivery. What failed says what was wrong. */
const step = z.int().min(0).max(1000);
/** What was counted on the way to the answer: dial work driven a step at a time, or the moment of each winding. */
export const checkDetail = z.union([
  z
    .object({ of: step, done: step, fouled: z.array(z.object({ step, note: words(100) })).max(100) })
    .refine((d) => d.of >= 2 && d.done <= d.of, { path: ['done'], message: 'A step of the cycle.' }),
  z.object({ windings: z.array(moment).max(200) }),
]);
export const checkFields = z
  .object({ result: z.enum(CHECK_RESULTS), note: words(300).default(''), detail: checkDetail.nullable().default(null) })
  .refine((c) => c.result !== 'failed' || c.note !== '', {
    path: ['note'],
    message: 'What was wrong? In a word or two.',
  });
export const checked = z.object({
  check: z.string(),
  result: z.enum(CHECK_RESULTS),
  note: z.string(),
  detail: checkDetail.nullable(),
  ...signed,
});
export type Checked = z.infer<typeof checked>;

/** What was heard: `h3` at three, `p3` at half past three, `q1` … `q4` at the quarters. Blows, or changes of a quarter. */
export const STRUCK_MARK = /^(?:[hp](?:[1-9]|1[0-2])|q[1-4])$/;
export const struck = z.object({ mark: z.string().regex(STRUCK_MARK), heard: z.int(), ...signed });
export type Struck = z.infer<typeof struck>;

/** At which minute of the dial it let off. `wanted`: 0 for the hour, 15, 30, 45. */
export const releaseFields = z.object({
  wanted: z.union([z.literal(0), z.literal(15), z.literal(30), z.literal(45)]),
  minute: z.number().min(0, 'From 0.').lt(60, 'Under 60.'),
});
export const releaseRead = releaseFields.extend({ id, ...signed });
export type ReleaseRead = z.infer<typeof releaseRead>;

/** What was heard of its beat. */
export const HEARD_FROM = ['microphone', 'file', 'simulated'] as const;
const figure = z.number().nullable();
export const heardFields = z.object({
  stage: z.enum(STAGE_IDS),
  from: z.enum(HEARD_FROM),
  recordingId: id.nullable().default(null),
  note: words(200).default(''),
  beatsPerHour: z.number().min(300).max(40_000),
  rateSecondsPerDay: z.number(),
  rateStandardError: z.number().min(0),
  beatErrorMs: figure,
  shortSide: z.enum(['tick to tock', 'tock to tick', 'neither']).nullable(),
  amplitudeDegrees: figure,
  beats: z.int().min(4),
  missing: z.int().min(0),
  extra: z.int().min(0),
  seconds: z.number().min(0),
  warnings: z.array(z.string().max(300)).max(20),
});
export const heardSound = heardFields.extend({ id, ...signed });
export type HeardSound = z.infer<typeof heardSound>;

export const together = {
  check: route({
    method: 'PUT',
    path: '/visits/:visitId/checks/:check',
    summary: 'Answer a check; a failure takes it apart again as a pass',
    roles: bench,
    body: checkFields,
    reply: checked,
  }),
  uncheck: route({
    method: 'DELETE',
    path: '/visits/:visitId/checks/:check',
    summary: 'It was not checked after all',
    roles: bench,
    reply: done,
  }),
  strike: route({
    method: 'PUT',
    path: '/visits/:visitId/struck/:mark',
    summary: 'What was heard at an hour, a half or a quarter; null takes it back',
    roles: everyone,
    body: z.object({ heard: z.int().min(0, 'Silence is 0.').max(60, 'At most 60.').nullable() }),
    reply: done,
  }),
  strikeAnew: route({
    method: 'DELETE',
    path: '/visits/:visitId/struck',
    summary: 'Begin the strike anew',
    roles: bench,
    reply: done,
  }),
  release: route({
    method: 'POST',
    path: '/visits/:visitId/releases',
    summary: 'The minute at which it let off',
    roles: bench,
    body: releaseFields,
    reply: releaseRead,
  }),
  unrelease: route({
    method: 'DELETE',
    path: '/visits/:visitId/releases/:releaseId',
    summary: 'Take that minute back',
    roles: bench,
    reply: done,
  }),
  hear: route({
    method: 'POST',
    path: '/visits/:visitId/heard',
    summary: 'Keep what was heard of its beat',
    roles: bench,
    body: heardFields,
    reply: heardSound,
  }),
  unhear: route({
    method: 'DELETE',
    path: '/visits/:visitId/heard/:heardId',
    summary: 'Throw that away',
    roles: bench,
    reply: done,
  }),
};
