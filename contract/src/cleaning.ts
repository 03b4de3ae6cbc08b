import { MATERIALS, BATHS, OWN_BATHS, ownProblem } from '@eclat/core/cleaning';
import { z } from 'zod';
import { requiredText, text, id, moment, version, basedOn, changesTo, signed } from './common.ts';
import { benchRoles, everyone } from './people.ts';
import { read, command } from './route.ts';

export const basketPart = z.object({
  name: requiredText(60, 'The part'),
  materials: z.array(z.enum(MATERIALS)).min(1, 'What is it made of?').max(6),
});

export const newRun = z.object({
  /** One of the table, or the id of one of the shop's own. */
  sequence: z.string().max(40),
  /** What the basket goes into first; null where nothing is dipped. */
  bath: z.enum(BATHS).nullable(),
  parts: z.array(basketPart).max(60),
  /** In the main bath. */
  minutes: z
    .int()
    .min(1, 'At least one minute.')
    .max(24 * 60, 'At most a day.'),
  overrideReason: text(300).default(''),
  fillId: id.nullable().default(null),
  before: text(300).default(''),
});

const runStep = z.object({
  what: z.string(),
  minutes: z.int().nullable(),
  bath: z.enum(BATHS).nullable(),
  caution: z.string(),
});

const stepDone = z.object({
  step: z.int(),
  startedAt: moment,
  endsAt: moment.nullable(),
  endedAt: moment,
  by: z.string(),
});

export const cleaningRun = newRun.extend({
  id,
  /** What its sequence was called when it began. */
  name: z.string(),
  version,
  steps: z.array(runStep),
  step: z.int(),
  stepStartedAt: moment,
  endsAt: moment.nullable(),
  log: z.array(stepDone),
  startedAt: moment,
  stoppedAt: moment.nullable(),
  after: z.string(),
  by: z.string(),
});

export type CleaningRun = z.infer<typeof cleaningRun>;

const limit = (most: number) => z.int().min(1, 'At least one.').max(most, `At most ${most}.`).nullable();

/** A tank or jar of one bath, from filling to changing. */
export const fillFields = z.object({
  bath: z.enum(BATHS),
  name: requiredText(60, 'Which tank or jar'),
  litres: z.number().gt(0, 'More than 0.').max(1000, 'At most 1000 litres.'),
  /** Parts of water to one of concentrate; null: as it came. */
  waterParts: z.number().gt(0, 'More than 0.').max(1000, 'At most 1000.').nullable(),
  limitLoads: limit(1000),
  limitDays: limit(3650),
  note: text(300).default(''),
});

export const fill = fillFields.extend({
  id,
  version,
  filledAt: moment,
  by: z.string(),
  changedAt: moment.nullable(),
  changedBy: z.string(),
  loads: z.int(),
  minutes: z.int(),
  clocks: z.int(),
});

export type Fill = z.infer<typeof fill>;

const ownStep = z.object({
  what: requiredText(80, 'What is done'),
  minutes: z.int('A whole number.').min(1, 'At least one minute.').max(4320, 'At most three days.').nullable(),
  bath: z.enum(OWN_BATHS).nullable(),
  celsius: z.number('A number.').min(5, 'At least 5 °C.').max(120, 'At most 120 °C.').nullable(),
  times: z.int('A whole number.').min(1, 'At least once.').max(9, 'At most nine times.'),
});

/** A sequence that the shop made for itself. */
export const ownFields = z.object({
  name: requiredText(60, 'What it is called'),
  steps: z
    .array(ownStep)
    .min(1, 'At least one step.')
    .max(20, 'At most 20 steps.')
    .superRefine((steps, ctx) => {
      const wrong = ownProblem(steps);
      if (wrong) ctx.addIssue({ code: 'custom', path: [wrong.step, wrong.field], message: wrong.message });
    }),
});

export const ownSequence = ownFields.extend({ id, version, retired: z.boolean(), ...signed });
export type OwnSequence = z.infer<typeof ownSequence>;

export const cleaningRoutes = {
  ownSequences: read({
    method: 'GET',
    path: '/sequences',
    summary: 'The shop’s own sequences',
    roles: everyone,
    reads: 'baths',
    reply: z.array(ownSequence),
  }),
  addOwn: command({
    method: 'POST',
    path: '/sequences',
    summary: 'The shop has a sequence of its own',
    roles: benchRoles,
    changes: ['baths'],
    inverse: 'cleaning.retireOwn',
    body: ownFields,
    reply: ownSequence,
  }),
  changeOwn: command({
    method: 'PUT',
    path: '/sequences/:sequenceId',
    summary: 'Change one; runs that were begun with it stay as they were',
    roles: benchRoles,
    changes: ['baths'],
    inverse: 'same',
    body: ownFields.extend(basedOn),
    reply: ownSequence,
  }),
  retireOwn: command({
    method: 'PUT',
    path: '/sequences/:sequenceId/retired',
    summary: 'It is offered no longer, or again',
    roles: benchRoles,
    changes: ['baths'],
    inverse: 'same',
    body: z.object({ retired: z.boolean() }),
    reply: ownSequence,
  }),
  start: command({
    method: 'POST',
    path: '/visits/:visitId/baths',
    summary: 'Start a cleaning run',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers', 'baths'],
    inverse: 'final',
    visit: { put: 'baths', by: 'id' },
    body: newRun,
    reply: cleaningRun,
  }),
  setBasket: command({
    method: 'PUT',
    path: '/visits/:visitId/baths/:bathId/basket',
    summary: 'What goes in, once the bath that was begun without it is warm',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'baths', by: 'id' },
    body: newRun.pick({ parts: true, overrideReason: true }).extend(basedOn),
    reply: cleaningRun,
  }),
  step: command({
    method: 'PUT',
    path: '/visits/:visitId/baths/:bathId/step',
    summary: 'On to the next step, the same once more, or back',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers'],
    inverse: 'same',
    visit: { put: 'baths', by: 'id' },
    body: z.object({
      to: z.enum(['next', 'again', 'back']),
      /** Why once more, where its strictest part stands no more. */
      reason: text(300).default(''),
      ...basedOn,
    }),
    reply: cleaningRun,
  }),
  stop: command({
    method: 'PUT',
    path: '/visits/:visitId/baths/:bathId/stopped',
    summary: 'The run is over, and what came out',
    roles: benchRoles,
    changes: ['visit', 'bench', 'timers', 'baths'],
    inverse: 'final',
    visit: { put: 'baths', by: 'id' },
    body: z.object({ after: text(300).default('') }),
    reply: cleaningRun,
  }),
  bathBook: read({
    method: 'GET',
    path: '/baths',
    summary: 'The bath book: every tank and jar, filled and changed',
    roles: everyone,
    reads: 'baths',
    reply: z.array(fill),
  }),
  addFill: command({
    method: 'POST',
    path: '/baths',
    summary: 'A tank or jar is filled',
    roles: benchRoles,
    changes: ['baths'],
    inverse: 'cleaning.setChanged',
    body: fillFields,
    reply: fill,
  }),
  changeFill: command({
    method: 'PATCH',
    path: '/baths/:fillId',
    summary: 'Correct the entry of a bath',
    roles: benchRoles,
    changes: ['baths'],
    inverse: 'same',
    body: changesTo(fillFields),
    reply: fill,
  }),
  setChanged: command({
    method: 'PUT',
    path: '/baths/:fillId/changed',
    summary: 'It is poured away, or was not after all',
    roles: benchRoles,
    changes: ['baths'],
    inverse: 'same',
    body: z.object({ changed: z.boolean() }),
    reply: fill,
  }),
};
