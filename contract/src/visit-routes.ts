import { OUTCOMES, SYMPTOM_IDS } from '@eclat/core/faults';
import { z } from 'zod';
import { changesTo, done, moment, needed, words } from './common.ts';
import { bench, everyone } from './people.ts';
import { route } from './route.ts';
import {
  benchRow,
  bush,
  finding,
  findingFields,
  hole,
  holeFields,
  newBush,
  newPart,
  newVisit,
  observations,
  oiled,
  part,
  partLook,
  platePhoto,
  platePhotoFields,
  partLookFields,
  photo,
  power,
  powerFields,
  reading,
  readingFields,
  eventFields,
  oilFields,
  runConditions,
  runEvent,
  seen,
  stageId,
  testRow,
  testRun,
  timer,
  visit,
  visitFields,
} from './visits.ts';
import { entry } from './movements.ts';

export const benchRoutes = {
  list: route({
    method: 'GET',
    path: '/bench',
    summary: 'Every clock in the shop and its next action',
    roles: everyone,
    reply: z.array(benchRow),
  }),
  onTest: route({
    method: 'GET',
    path: '/on-test',
    summary: 'Every clock on test, with its run',
    roles: everyone,
    reply: z.array(testRow),
  }),
  timers: route({ method: 'GET', path: '/timers', summary: 'Running timers', roles: everyone, reply: z.array(timer) }),
};

export const visits = {
  open: route({
    method: 'POST',
    path: '/visits',
    summary: 'Take a clock in',
    roles: everyone,
    body: newVisit,
    reply: visit,
  }),
  get: route({
    method: 'GET',
    path: '/visits/:visitId',
    summary: 'A visit with all that was recorded',
    roles: everyone,
    reply: visit,
  }),
  change: route({
    method: 'PATCH',
    path: '/visits/:visitId',
    summary: 'Correct complaint, scope or promise',
    roles: everyone,
    body: changesTo(visitFields),
    reply: visit,
  }),
  stage: route({
    method: 'PUT',
    path: '/visits/:visitId/stages/:stage',
    summary: 'Mark a stage done, or take it up again',
    roles: everyone,
    body: z.object({ done: z.boolean() }),
    reply: done,
  }),
  caution: route({
    method: 'PUT',
    path: '/visits/:visitId/cautions/:caution',
    summary: 'Acknowledge a caution by name and time',
    roles: everyone,
    reply: done,
  }),
  /** The body is the picture itself (image/jpeg, image/png or image/webp), not JSON. */
  addPhoto: route({
    method: 'POST',
    path: '/visits/:visitId/photos',
    summary: 'Add a photo: JPEG, PNG or WebP up to 15 MB',
    roles: everyone,
    query: z.object({ caption: words(200).default(''), stage: stageId }),
    reply: photo,
  }),
  sign: route({
    method: 'POST',
    path: '/visits/:visitId/signature',
    summary: 'Sign and close: makes the history entry',
    roles: bench,
    body: z.object({ note: words(2000).default(''), waiver: words(400).default('') }),
    reply: entry,
  }),
};

export const findings = {
  add: route({
    method: 'POST',
    path: '/visits/:visitId/findings',
    summary: 'Record a finding',
    roles: everyone,
    body: findingFields,
    reply: finding,
  }),
  change: route({
    method: 'PATCH',
    path: '/visits/:visitId/findings/:findingId',
    summary: 'Correct a finding',
    roles: everyone,
    body: changesTo(findingFields),
    reply: finding,
  }),
  remove: route({
    method: 'DELETE',
    path: '/visits/:visitId/findings/:findingId',
    summary: 'Take a finding back',
    roles: everyone,
    reply: done,
  }),
};

export const diagnosis = {
  observe: route({
    method: 'PUT',
    path: '/visits/:visitId/observations/:symptom',
    summary: 'Say whether a symptom is there',
    roles: everyone,
    body: z.object({ state: z.enum(['present', 'absent']).nullable() }),
    reply: observations,
  }),
  look: route({
    method: 'PUT',
    path: '/visits/:visitId/looks/:look',
    summary: 'Say what a look found, that it cannot be taken here, or take that back',
    roles: everyone,
    body: z.object({ outcome: z.enum(OUTCOMES).nullable() }),
    reply: done,
  }),
  settle: route({
    method: 'PUT',
    path: '/visits/:visitId/cause',
    summary: 'Name the cause, in the words of the record',
    roles: bench,
    body: z.object({ cause: words(300) }),
    reply: done,
  }),
};
export const symptomId = z.enum(SYMPTOM_IDS);

export const powerDown = {
  set: route({
    method: 'PUT',
    path: '/visits/:visitId/power/:train',
    summary: 'Set the power state of a train',
    roles: bench,
    body: powerFields.extend(seen),
    reply: power,
  }),
  strip: route({
    method: 'POST',
    path: '/visits/:visitId/strip',
    summary: 'Begin the strip',
    roles: bench,
    body: z.object({ overrideReason: words(300).default('') }),
    reply: done,
  }),
};

export const survey = {
  set: route({
    method: 'PUT',
    path: '/visits/:visitId/holes/:hole',
    summary: 'Measure a hole',
    roles: bench,
    body: holeFields.extend(seen),
    reply: hole,
  }),
  look: route({
    method: 'PUT',
    path: '/visits/:visitId/parts-looked/:part',
    summary: 'How a pivot, click, pallet … was found; a pivot turned down forces its bush',
    roles: bench,
    body: partLookFields.extend(seen),
    reply: partLook,
  }),
  layPhoto: route({
    method: 'PUT',
    path: '/visits/:visitId/plate-photos/:plate',
    summary: 'A photo under the drawn plate, its holes placed',
    roles: bench,
    body: platePhotoFields.extend(seen),
    reply: platePhoto,
  }),
  liftPhoto: route({
    method: 'DELETE',
    path: '/visits/:visitId/plate-photos/:plate',
    summary: 'The plate as drawn again',
    roles: bench,
    reply: done,
  }),
  unlook: route({
    method: 'DELETE',
    path: '/visits/:visitId/parts-looked/:part',
    summary: 'It was not looked at after all',
    roles: bench,
    reply: done,
  }),
  sound: route({
    method: 'PUT',
    path: '/visits/:visitId/parts-looked',
    summary: 'All that was not looked at by name is sound',
    roles: bench,
    body: z.object({ parts: z.array(z.string()).min(1).max(200) }),
    reply: done,
  }),
};

export const fitting = {
  addBush: route({
    method: 'POST',
    path: '/visits/:visitId/bushes',
    summary: 'Record a bush fitted',
    roles: bench,
    body: newBush,
    reply: bush,
  }),
  removeBush: route({
    method: 'DELETE',
    path: '/visits/:visitId/bushes/:bushId',
    summary: 'This bush was not fitted after all',
    roles: bench,
    reply: done,
  }),
  removePart: route({
    method: 'DELETE',
    path: '/visits/:visitId/parts/:partId',
    summary: 'This part was not fitted after all',
    roles: bench,
    reply: done,
  }),
  addPart: route({
    method: 'POST',
    path: '/visits/:visitId/parts',
    summary: 'Record a part fitted and what became of the old one',
    roles: bench,
    body: newPart,
    reply: part,
  }),
};

export const oiling = {
  tick: route({
    method: 'PUT',
    path: '/visits/:visitId/oil/:point',
    summary: 'Tick a point: oiled, or left dry',
    roles: bench,
    body: oilFields,
    reply: oiled,
  }),
  untick: route({
    method: 'DELETE',
    path: '/visits/:visitId/oil/:point',
    summary: 'Take the tick back',
    roles: bench,
    reply: done,
  }),
};

export const testRuns = {
  start: route({
    method: 'POST',
    path: '/visits/:visitId/testrun',
    summary: 'Start the test run',
    roles: bench,
    body: z.object({
      readBy: z.enum(['seconds hand', 'minute hand']),
      place: needed(120, 'Where it runs'),
      startedAt: moment.optional(),
      conditions: runConditions.optional(),
    }),
    reply: testRun,
  }),
  read: route({
    method: 'POST',
    path: '/visits/:visitId/testrun/readings',
    summary: 'Enter a reading',
    roles: everyone,
    body: readingFields,
    reply: reading,
  }),
  event: route({
    method: 'POST',
    path: '/visits/:visitId/testrun/events',
    summary: 'Log what happened to it',
    roles: everyone,
    body: eventFields,
    reply: runEvent,
  }),
  stand: route({
    method: 'PUT',
    path: '/visits/:visitId/testrun/conditions',
    summary: 'How it stands, and what sets it',
    roles: bench,
    body: runConditions,
    reply: done,
  }),
  forgetEvent: route({
    method: 'DELETE',
    path: '/visits/:visitId/testrun/events/:eventId',
    summary: 'That did not happen',
    roles: bench,
    reply: done,
  }),
  forget: route({
    method: 'DELETE',
    path: '/visits/:visitId/testrun/readings/:readingId',
    summary: 'Take a reading back',
    roles: everyone,
    reply: done,
  }),
};
