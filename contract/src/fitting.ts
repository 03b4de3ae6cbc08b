import { LOCATED } from '@eclat/core/pivots';
import { z } from 'zod';
import { requiredText, millimetres, text, id, signed, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';
import { kind, sizes, cost } from './stores.ts';

export const newBush = z.object({
  hole: requiredText(20, 'The hole'),
  pivotMm: millimetres,
  boreMm: millimetres,
  outsideMm: millimetres,
  heightMm: millimetres,
  note: text(200).default(''),
  located: z.enum(LOCATED).nullable().default(null),
  /** It went off centre: plugged, to be done again. */
  off: z.boolean().default(false),
  endShakeMm: z.number().min(0, 'Not less than none.').max(10, 'At most 10 mm.').nullable().default(null),
  spins: z.boolean().nullable().default(null),
  /** Taken out of the stores. */
  stockId: id.nullable().default(null),
});

/** What may have been entered wrong of a bush; its hole and where it was taken from stay. */
export const bushCorrection = newBush.omit({ hole: true, stockId: true, off: true });

export const bush = newBush.extend({ id, ...signed });

export const PART_SOURCES = ['from stock', 'new', 'donor movement', 'made here', 'reconditioned'] as const;

export const OLD_PART_FATES = [
  'returned to the owner',
  'kept with the movement',
  'reconditioned into stock',
  'scrapped',
  'lost',
] as const;

const partFields = {
  what: requiredText(120, 'What was fitted'),
  kind: kind.default('other'),
  sizes: sizes.default({}),
  size: text(120).default(''),
  why: text(200).default(''),
  oldPart: z.enum(OLD_PART_FATES),
  quantity: z.int('A whole number.').min(1, 'At least one.').max(1000, 'At most 1000.').default(1),
  cost: cost.default(''),
};

const NO_DIMENSIONS = {
  code: 'custom' as const,
  path: ['size'],
  message: 'What was made here carries its dimensions, so that the next shop can make it again.',
};
const isMeasured = (p: { size: string; sizes: object }): boolean => p.size !== '' || Object.keys(p.sizes).length > 0;

/** Where a part came from decides what else is said of it: its place in the stores, its donor, or its dimensions. */
export const newPart = z.discriminatedUnion('source', [
  z.object({ ...partFields, source: z.literal('from stock'), stockId: z.uuid('Which one of the stores?') }),
  z.object({ ...partFields, source: z.literal('donor movement'), donorId: z.uuid('Which movement gave it?') }),
  z.object({ ...partFields, source: z.literal('made here') }).superRefine((p, ctx) => {
    if (!isMeasured(p)) ctx.addIssue(NO_DIMENSIONS);
  }),
  z.object({ ...partFields, source: z.enum(PART_SOURCES).exclude(['from stock', 'donor movement', 'made here']) }),
]);

const { kind: _kind, quantity: _quantity, ...correctable } = partFields;
/** What may have been entered wrong of a part; its kind, how many, and where it came from stay. */
export const partCorrection = z.object({ ...correctable, source: z.enum(PART_SOURCES) }).superRefine((p, ctx) => {
  if (p.source === 'made here' && !isMeasured(p)) ctx.addIssue(NO_DIMENSIONS);
});

export const part = z.object({
  ...partFields,
  source: z.enum(PART_SOURCES),
  /** Taken out of the stores. */
  stockId: id.nullable(),
  /** The movement that gave it. */
  donorId: id.nullable(),
  donorCode: z.string().nullable(),
  id,
  ...signed,
});

export type Part = z.infer<typeof part>;

/** Work on a part that stays in the movement: eased, trued, straightened, cleaned where it sits. */
export const newWork = z.object({
  part: requiredText(120, 'The part'),
  did: requiredText(200, 'What was done'),
  before: text(160).default(''),
  after: text(160).default(''),
  reversible: z.boolean().default(true),
  /** With the owner; null: not said. */
  agreed: z.boolean().nullable().default(null),
  /** The hole that was eased, where it was one. */
  hole: z.string().max(20).nullable().default(null),
});
export const partWork = newWork.extend({ id, ...signed });
export type PartWork = z.infer<typeof partWork>;

export const fittingRoutes = {
  addWork: command({
    method: 'POST',
    path: '/visits/:visitId/work',
    summary: 'Record work on a part that stays',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'fitting.removeWork',
    visit: { put: 'work', by: 'id' },
    body: newWork,
    reply: partWork,
  }),
  removeWork: command({
    method: 'DELETE',
    path: '/visits/:visitId/work/:workId',
    summary: 'This was not done after all',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'fitting.addWork',
    visit: { remove: 'work', by: 'id', param: 'workId' },
    reply: done,
  }),
  addBush: command({
    method: 'POST',
    path: '/visits/:visitId/bushes',
    summary: 'Record a bush fitted',
    roles: benchRoles,
    changes: ['visit', 'bench', 'stores'],
    inverse: 'fitting.removeBush',
    visit: { put: 'bushes', by: 'id' },
    body: newBush,
    reply: bush,
  }),
  setBush: command({
    method: 'PUT',
    path: '/visits/:visitId/bushes/:bushId',
    summary: 'Correct what was entered of a bush',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'bushes', by: 'id' },
    body: bushCorrection,
    reply: bush,
  }),
  removeBush: command({
    method: 'DELETE',
    path: '/visits/:visitId/bushes/:bushId',
    summary: 'This bush was not fitted after all',
    roles: benchRoles,
    changes: ['visit', 'bench', 'stores'],
    inverse: 'fitting.addBush',
    visit: { remove: 'bushes', by: 'id', param: 'bushId' },
    reply: done,
  }),
  addPart: command({
    method: 'POST',
    path: '/visits/:visitId/parts',
    summary: 'Record a part fitted and what became of the old one',
    roles: benchRoles,
    changes: ['visit', 'bench', 'stores'],
    inverse: 'fitting.removePart',
    visit: { put: 'parts', by: 'id' },
    body: newPart,
    reply: part,
  }),
  setPart: command({
    method: 'PUT',
    path: '/visits/:visitId/parts/:partId',
    summary: 'Correct what was entered of a part',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'parts', by: 'id' },
    body: partCorrection,
    reply: part,
  }),
  removePart: command({
    method: 'DELETE',
    path: '/visits/:visitId/parts/:partId',
    summary: 'This part was not fitted after all',
    roles: benchRoles,
    changes: ['visit', 'bench', 'stores'],
    inverse: 'fitting.addPart',
    visit: { remove: 'parts', by: 'id', param: 'partId' },
    reply: done,
  }),
};
