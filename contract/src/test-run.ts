import { MOST_ERROR_S, ROOM_CELSIUS } from '@eclat/core/rate';
import { SETTERS, type Setter } from '@eclat/core/pendulum';
import { z } from 'zod';
import { benchEntry } from './benches.ts';
import { moment, id, text, requiredText, done } from './common.ts';
import { heardSound } from './listening.ts';
import { movement } from './movements.ts';
import { everyone, benchRoles } from './people.ts';
import { read, command } from './route.ts';

const celsius = z
  .number()
  .min(ROOM_CELSIUS[0], `At least ${ROOM_CELSIUS[0]}.`)
  .max(ROOM_CELSIUS[1], `At most ${ROOM_CELSIUS[1]}.`)
  .nullable()
  .default(null);

export const readingFields = z.object({
  readAt: moment,
  errorS: z.number().min(-MOST_ERROR_S).max(MOST_ERROR_S),
  celsius,
});

export const reading = readingFields.extend({ id, by: z.string() });

export const RUN_EVENTS = ['wound', 'adjusted', 'set', 'stopped', 'moved'] as const;

/** What the shop itself writes: the clock was opened again. */
const WRITTEN = [...RUN_EVENTS, 'opened'] as const;

const setter = z.enum(Object.keys(SETTERS) as [Setter, ...Setter[]]);

export const runDetail = z.object({
  /** What sets its rate, and how far it was set: in its own unit, positive makes it gain. */
  setter: setter.optional(),
  amount: z.number().min(-1000).max(1000).optional(),
  /** Where it stopped, and what the hands showed. */
  where: text(120).optional(),
  shown: text(20).optional(),
});

export const eventFields = z.object({
  kind: z.enum(RUN_EVENTS),
  happenedAt: moment,
  note: text(200).default(''),
  detail: runDetail.nullable().default(null),
});

export const runEvent = eventFields.extend({ kind: z.enum(WRITTEN), id, by: z.string() });
export type RunEventKind = (typeof WRITTEN)[number];

export const RUN_STANDS = ['on a stand', 'in its case'] as const;

/** How it stands on test, and what sets it. */
export const runConditions = z.object({
  stands: z.enum(RUN_STANDS).default('on a stand'),
  level: z.boolean().default(false),
  setter: setter.nullable().default(null),
  /**
   * Of a pendulum: effective length and the pitch of its nut; of a hairspring: its acting length. From these a first
   * turn is reckoned.
   */
  lengthMm: z.number().gt(0, 'More than 0.').max(5000).nullable().default(null),
  pitchMm: z.number().gt(0, 'More than 0.').max(5).nullable().default(null),
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

/** A clock on test, with all that its judgement needs. */
export const testRow = z.object({
  visitId: id,
  claim: z.string(),
  clock: z.string(),
  traits: movement.shape.traits,
  held: z.record(z.string(), z.string()),
  run: testRun,
  failed: z.int(),
  /** Swings that were read, also at earlier visits of its movement, and what was heard. */
  benchTests: z.array(benchEntry),
  heard: z.array(heardSound),
});

export type TestRow = z.infer<typeof testRow>;

export const testRunRoutes = {
  onTest: read({
    method: 'GET',
    path: '/on-test',
    summary: 'Every clock on test, with its run',
    roles: everyone,
    reads: 'bench',
    reply: z.array(testRow),
  }),
  start: command({
    method: 'POST',
    path: '/visits/:visitId/testrun',
    summary: 'Start the test run',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: { put: 'testRun', again: true },
    body: z.object({
      readBy: z.enum(['seconds hand', 'minute hand']),
      place: requiredText(120, 'Where it runs'),
      startedAt: moment.optional(),
      conditions: runConditions.optional(),
    }),
    reply: testRun,
  }),
  addReading: command({
    method: 'POST',
    path: '/visits/:visitId/testrun/readings',
    summary: 'Enter a reading',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'testRun.removeReading',
    visit: { put: 'testRun.readings', by: 'id', sort: 'readAt' },
    body: readingFields,
    reply: reading,
  }),
  removeReading: command({
    method: 'DELETE',
    path: '/visits/:visitId/testrun/readings/:readingId',
    summary: 'Take a reading back',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'testRun.addReading',
    visit: { remove: 'testRun.readings', by: 'id', param: 'readingId' },
    reply: done,
  }),
  addEvent: command({
    method: 'POST',
    path: '/visits/:visitId/testrun/events',
    summary: 'Log what happened to it',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'testRun.removeEvent',
    visit: { put: 'testRun.events', by: 'id', sort: 'happenedAt', again: true },
    body: eventFields,
    reply: runEvent,
  }),
  removeEvent: command({
    method: 'DELETE',
    path: '/visits/:visitId/testrun/events/:eventId',
    summary: 'That did not happen',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'testRun.addEvent',
    visit: { remove: 'testRun.events', by: 'id', param: 'eventId' },
    reply: done,
  }),
  setConditions: command({
    method: 'PUT',
    path: '/visits/:visitId/testrun/conditions',
    summary: 'How it stands, and what sets it',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: 'again',
    body: runConditions,
    reply: done,
  }),
};
