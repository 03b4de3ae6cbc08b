import { REMARK_IDS, FATES } from '@eclat/core/strip';
import { DEPTHS, MENDS } from '@eclat/core/workflow';
import { z } from 'zod';
import { requiredText, text, id, version, moment, signed, changesTo, done, place } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

/** What came off, what held it, where it was put, and what is odd about it. */
export const stepFields = z.object({
  what: requiredText(120, 'What came off'),
  heldBy: text(40).default(''),
  place: text(60).default(''),
  remarks: z.array(z.enum(REMARK_IDS)).max(REMARK_IDS.length).default([]),
  note: text(300).default(''),
  group: text(60).default(''),
  photoId: id.nullable().default(null),
  /** A remark that was spoken. */
  recordingId: id.nullable().default(null),
  /** How deep it opens the clock. It must be said while a train is wound or not known. */
  opens: z.enum(DEPTHS).nullable().default(null),
  /** Why it was opened under power, where it was. */
  overrideReason: text(300).default(''),
});

export const step = stepFields.extend({
  id,
  version,
  pass: z.int(),
  fate: z.enum(FATES),
  fateNote: z.string(),
  fateBy: z.string(),
  fateAt: moment.nullable(),
  ...signed,
});

export type StripStep = z.infer<typeof step>;

/** How deep it comes apart again, and whose work that puts right. */
export const passFields = z.object({
  reason: requiredText(300, 'The reason'),
  depth: z.enum(DEPTHS).default('plates'),
  mends: z.enum(MENDS).default('our own work'),
});

/** A movement that has to come apart again: why, what cured it, and what it cost. */
export const pass = z.object({
  number: z.int(),
  reason: z.string(),
  depth: z.enum(DEPTHS),
  mends: z.enum(MENDS),
  cure: z.string(),
  hours: z.number().nullable(),
  ...signed,
});

export const PHASE_WHEN = ['before the plates close', 'outside'] as const;

const phaseFields = z.object({
  what: requiredText(120, 'Which phase or mark'),
  how: text(300).default(''),
  when: z.enum(PHASE_WHEN),
  photoId: id.nullable().default(null),
});

export const phase = phaseFields.extend({ id, setBy: z.string(), setAt: moment.nullable(), ...signed });

/** Put in for the time being; or of the clock itself, and not yet as it will stay. */
export const TEMPORARY_KINDS = ['put in', 'not final'] as const;
/** How each ends. What is not final has no other end than to be made so. */
export const TEMPORARY_ENDS = { 'put in': ['taken out', 'declared'], 'not final': ['final'] } as const;
const END = z.enum(['taken out', 'declared', 'final']);

export const temporary = z.object({
  id,
  what: z.string(),
  kind: z.enum(TEMPORARY_KINDS),
  ended: END.nullable(),
  ...signed,
});

const custodyFields = z.object({
  what: requiredText(120, 'Which part or task'),
  withWhom: requiredText(120, 'Who has it'),
  forWhat: text(200).default(''),
});

export const custody = custodyFields.extend({ id, backAt: moment.nullable(), state: z.string(), ...signed });

export const stripLog = z.object({
  steps: z.array(step),
  passes: z.array(pass),
  phases: z.array(phase),
  temporary: z.array(temporary),
  custody: z.array(custody),
  begun: z.object(signed).nullable(),
});

const someSteps = z.object({ steps: z.array(id).max(100) });

export const stripRoutes = {
  addStep: command({
    method: 'POST',
    path: '/visits/:visitId/steps',
    summary: 'Log a thing that came off',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'strip.removeStep',
    visit: { put: 'strip.steps', by: 'id' },
    body: stepFields,
    reply: step,
  }),
  addTrain: command({
    method: 'POST',
    path: '/visits/:visitId/steps/train',
    summary: 'Log what is left of a train, all of it put in one place',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'strip.removeSteps',
    visit: 'again',
    body: stepFields.pick({ place: true, overrideReason: true }).extend({ train: z.string().max(40) }),
    reply: someSteps,
  }),
  removeSteps: command({
    method: 'POST',
    path: '/visits/:visitId/steps/remove',
    summary: 'These did not come off after all; what was changed since stays',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: 'again',
    body: someSteps,
    reply: done,
  }),
  changeStep: command({
    method: 'PATCH',
    path: '/visits/:visitId/steps/:stepId',
    summary: 'Correct a step',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'strip.steps', by: 'id' },
    body: changesTo(stepFields),
    reply: step,
  }),
  moveStep: command({
    method: 'PUT',
    path: '/visits/:visitId/steps/:stepId/position',
    summary: 'Put a step elsewhere in the order',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: place,
    reply: done,
  }),
  removeStep: command({
    method: 'DELETE',
    path: '/visits/:visitId/steps/:stepId',
    summary: 'It did not come off after all',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'strip.addStep',
    visit: { remove: 'strip.steps', by: 'id', param: 'stepId' },
    reply: done,
  }),
  setFate: command({
    method: 'PUT',
    path: '/visits/:visitId/steps/:stepId/fate',
    summary: 'What became of it; a loss or damage here needs words',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'strip.steps', by: 'id' },
    body: z.object({ fate: z.enum(FATES), note: text(300).default('') }),
    reply: step,
  }),
  openPass: command({
    method: 'POST',
    path: '/visits/:visitId/passes',
    summary: 'It has to come apart again: a new pass',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: 'again',
    body: passFields,
    reply: pass,
  }),
  closePass: command({
    method: 'PUT',
    path: '/visits/:visitId/passes/:pass',
    summary: 'What cured it, and its hours',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'strip.passes', by: 'number' },
    body: z.object({ cure: text(300), hours: z.number().min(0).max(500).nullable() }),
    reply: pass,
  }),
  addPhase: command({
    method: 'POST',
    path: '/visits/:visitId/phases',
    summary: 'Note a phase or mark before parting',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'strip.removePhase',
    visit: { put: 'strip.phases', by: 'id' },
    body: phaseFields,
    reply: phase,
  }),
  setPhase: command({
    method: 'PUT',
    path: '/visits/:visitId/phases/:phaseId',
    summary: 'It is set again, or not yet',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ set: z.boolean() }),
    reply: done,
  }),
  removePhase: command({
    method: 'DELETE',
    path: '/visits/:visitId/phases/:phaseId',
    summary: 'Take a phase back',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'strip.addPhase',
    visit: { remove: 'strip.phases', by: 'id', param: 'phaseId' },
    reply: done,
  }),
  addTemporary: command({
    method: 'POST',
    path: '/visits/:visitId/temporary',
    summary: 'Something put in for the time being, or not final yet',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: { put: 'strip.temporary', by: 'id' },
    body: z.object({ what: requiredText(120, 'What it is'), kind: z.enum(TEMPORARY_KINDS).default('put in') }),
    reply: temporary,
  }),
  endTemporary: command({
    method: 'PUT',
    path: '/visits/:visitId/temporary/:temporaryId',
    summary: 'Taken out, declared to stay, or final',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ ended: END.nullable() }),
    reply: done,
  }),
  giveOut: command({
    method: 'POST',
    path: '/visits/:visitId/custody',
    summary: 'A part or task goes to another hand',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: { put: 'strip.custody', by: 'id' },
    body: custodyFields,
    reply: custody,
  }),
  takeBack: command({
    method: 'PUT',
    path: '/visits/:visitId/custody/:custodyId',
    summary: 'It is back, in such a state',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ back: z.boolean(), state: text(200).default('') }),
    reply: done,
  }),
};
