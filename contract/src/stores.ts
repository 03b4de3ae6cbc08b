import { KIND_IDS, SIZE_IDS } from '@eclat/core/stores';
import { z } from 'zod';
import { calendarDay, requiredText, text, id, moment, version, changesTo, done } from './common.ts';
import { everyone, benchRoles } from './people.ts';
import { read, command } from './route.ts';

const whole = (least: number, what: string) =>
  z
    .int(`${what}: a whole number.`)
    .min(least, least === 0 ? 'Not less than none.' : 'At least one.')
    .max(100_000, 'At most 100,000.');

/** Decimal text, or empty where nobody knows. A comma is a point. */
export const cost = z
  .string()
  .trim()
  .transform((t) => t.replace(',', '.'))
  .refine((t) => t === '' || /^\d{1,7}(\.\d{1,2})?$/.test(t), 'A price such as 12.50.');

export const kind = z.enum(KIND_IDS);

/** What is believed of each is a rule of core: the server holds it to that, field by field. */
export const sizes = z.partialRecord(z.enum(SIZE_IDS), z.number().gt(0, 'More than 0.'));

export const stockFields = z.object({
  kind,
  name: requiredText(120, 'A name'),
  sizes: sizes.default({}),
  minimum: whole(0, 'Minimum').default(0),
  price: cost.default(''),
  supplier: text(80).default(''),
  supplierNo: text(60).default(''),
  shelf: text(60).default(''),
  batch: text(40).default(''),
  note: text(200).default(''),
});

export const orderFields = z.object({
  quantity: whole(1, 'How many'),
  expectedOn: calendarDay('A day such as 2026-03-14.').nullable().default(null),
  visitId: id.nullable().default(null),
});

const order = orderFields.extend({ id, claim: z.string().nullable(), orderedAt: moment, by: z.string() });

export const stockItem = stockFields.extend({
  id,
  version,
  kept: z.boolean(),
  /** Of a donor whose movement has a book. */
  movementId: id.nullable(),
  movementCode: z.string().nullable(),
  onHand: z.int(),
  orders: z.array(order),
});

export type StockItem = z.infer<typeof stockItem>;

export const MOVE_WHYS = ['counted', 'came in', 'used'] as const;

const move = z.object({
  change: z.int(),
  why: z.enum(MOVE_WHYS),
  claim: z.string().nullable(),
  at: moment,
  by: z.string(),
});

/** As much of a donor's movement as its book begins with. */
export const donorMovement = z.object({
  name: requiredText(120, 'What the movement is called'),
  familyId: requiredText(40, 'A family'),
  maker: text(120).default(''),
});

const csv = z.object({ csv: z.string().min(1, 'The table is empty.').max(7_000_000, 'At most 7 MB at once.') });

export const importPreview = z.object({
  rows: z.array(
    z.object({
      line: z.int(),
      kind,
      name: z.string(),
      size: z.string(),
      effect: z.enum(['new', 'changed', 'same']),
      changes: z.array(z.string()),
    }),
  ),
  problems: z.array(z.object({ line: z.int(), column: z.string(), message: z.string() })),
});

export type ImportPreview = z.infer<typeof importPreview>;

const inStores = { list: '/stores', by: 'id' } as const;

export const storesRoutes = {
  list: read({
    method: 'GET',
    path: '/stores',
    summary: 'Everything that lies in the stores, and what is on its way',
    roles: everyone,
    reads: 'stores',
    reply: z.array(stockItem),
  }),
  moves: read({
    method: 'GET',
    path: '/stores/:itemId/moves',
    summary: 'What came in and what was used, the latest first',
    roles: everyone,
    reads: 'stores',
    reply: z.array(move),
  }),
  add: command({
    method: 'POST',
    path: '/stores',
    summary: 'A new thing in the stores',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'stores.keep',
    body: stockFields.extend({ onHand: whole(0, 'On hand').default(0) }),
    row: inStores,
    reply: stockItem,
  }),
  change: command({
    method: 'PATCH',
    path: '/stores/:itemId',
    summary: 'Correct its row',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'same',
    body: changesTo(stockFields),
    row: inStores,
    reply: stockItem,
  }),
  keep: command({
    method: 'PUT',
    path: '/stores/:itemId/kept',
    summary: 'It is kept no longer, or again',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'same',
    body: z.object({ kept: z.boolean() }),
    row: inStores,
    reply: stockItem,
  }),
  openBook: command({
    method: 'POST',
    path: '/stores/:itemId/book',
    summary: 'The movement of a donor has a book from now on, without a visit',
    roles: benchRoles,
    changes: ['stores', 'movements'],
    inverse: 'final',
    body: donorMovement,
    row: inStores,
    reply: stockItem,
  }),
  count: command({
    method: 'PUT',
    path: '/stores/:itemId/count',
    summary: 'So many lie there, counted',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'same',
    body: z.object({ onHand: whole(0, 'On hand') }),
    row: inStores,
    reply: stockItem,
  }),
  addOrder: command({
    method: 'POST',
    path: '/stores/:itemId/orders',
    summary: 'Ordered, and when it is expected',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'stores.removeOrder',
    body: orderFields,
    row: inStores,
    reply: stockItem,
  }),
  setArrived: command({
    method: 'PUT',
    path: '/stores/:itemId/orders/:orderId/arrived',
    summary: 'It came in, or had not after all',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'same',
    body: z.object({ arrived: z.boolean() }),
    row: inStores,
    reply: stockItem,
  }),
  removeOrder: command({
    method: 'DELETE',
    path: '/stores/:itemId/orders/:orderId',
    summary: 'It was not ordered after all',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'stores.addOrder',
    row: inStores,
    reply: stockItem,
  }),
  previewTable: read({
    method: 'POST',
    path: '/stores-table/preview',
    summary: 'What a CSV table would do, row by row; changes nothing',
    roles: benchRoles,
    reads: 'stores',
    body: csv,
    reply: importPreview,
  }),
  importTable: command({
    method: 'PUT',
    path: '/stores-table',
    summary: 'Take a CSV table in; refused whole while a row is bad',
    roles: benchRoles,
    changes: ['stores'],
    inverse: 'final',
    body: csv,
    reply: done.extend({ added: z.int(), changed: z.int() }),
  }),
};
