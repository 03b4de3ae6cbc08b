import { decimal, ROUTE_IDS, LINE_KINDS, WAYS_GIVEN, DECISIONS } from '@eclat/core/estimate';
import { z } from 'zod';
import { calendarDay, basedOn, text, requiredText, id, signed, version, moment, changesTo, done } from './common.ts';
import { everyone } from './people.ts';
import { read, command } from './route.ts';

/** Decimal text: a comma is a point, at most two places. */
const sum = (what: string) =>
  z
    .string()
    .trim()
    .transform((t) => t.replace(',', '.'))
    .refine((t) => /^\d{1,7}(\.\d{1,2})?$/.test(t) && decimal(t, 'sum').gte(0), `${what} such as 12.50.`);

const percent = z
  .string()
  .trim()
  .transform((t) => t.replace(',', '.'))
  .refine((t) => /^\d{1,2}(\.\d{1,2})?$/.test(t), 'Per cent, 0 to 99.');

export const routeId = z.enum(ROUTE_IDS);

/** What an hour costs here, and how a price is said: the shop's own. */
export const prices = z.object({
  hourlyRate: sum('A price'),
  taxPercent: percent,
  pricesIncludeTax: z.boolean(),
  currency: text(8),
  hoursPerWeek: z.number().min(1, 'At least an hour.').max(400, 'At most 400 hours.'),
  version,
});

export type Prices = z.output<typeof prices>;

export const lineFields = z.object({
  kind: z.enum(LINE_KINDS),
  what: requiredText(200, 'What is done'),
  quantity: sum('A quantity'),
  price: sum('A price'),
  routes: z.array(routeId).max(ROUTE_IDS.length).default([]),
  optional: z.boolean().default(false),
  noGuarantee: z.boolean().default(false),
  findingId: id.nullable().default(null),
  fromSurvey: z.boolean().default(false),
});

/** What an alternative came to without options, tax included, on the screen where it was chosen; '' for none. */
export const priceSeen = text(40);

const given = { how: z.enum(WAYS_GIVEN), who: requiredText(120, 'Who said so'), note: text(300).default('') };

export const decision = z.object({ state: z.enum(DECISIONS), ...given, ...signed });

export const line = lineFields.extend({
  id,
  version,
  ...signed,
  /** Written after the work was agreed: found during it. */
  addition: z.boolean(),
  /** Every word the owner gave on it, oldest first; the last one holds. */
  decisions: z.array(decision),
  state: z.enum(DECISIONS).nullable(),
});

export type Line = z.infer<typeof line>;

export const routeOffer = z.object({ route: routeId, originality: text(300), guarantee: text(300) });

export const question = z.object({ id, text: z.string(), at: moment, answer: z.string(), answeredBy: z.string() });

export const ownerLink = z.object({
  expiresAt: moment,
  ...signed,
  uses: z.array(z.object({ what: z.string(), at: moment })),
});

export const agreement = z.object({
  lines: z.array(line),
  routes: z.array(routeOffer),
  chosen: z.object({ route: routeId, how: z.enum(WAYS_GIVEN), who: z.string(), ...signed }).nullable(),
  link: ownerLink.nullable(),
  questions: z.array(question),
  prices,
});

export const promise = z.object({
  half: calendarDay(),
  nineInTen: calendarDay(),
  odds: z.number().nullable(),
  reasons: z.array(z.string()),
});

export const agreementRoutes = {
  addLine: command({
    method: 'POST',
    path: '/visits/:visitId/lines',
    summary: 'Write a line of the estimate',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'agreement.removeLine',
    visit: { put: 'agreement.lines', by: 'id' },
    body: lineFields,
    reply: line,
  }),
  changeLine: command({
    method: 'PATCH',
    path: '/visits/:visitId/lines/:lineId',
    summary: 'Correct a line that nobody has answered',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'same',
    visit: { put: 'agreement.lines', by: 'id' },
    body: changesTo(lineFields),
    reply: line,
  }),
  removeLine: command({
    method: 'DELETE',
    path: '/visits/:visitId/lines/:lineId',
    summary: 'Take back a line that nobody has answered',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'agreement.addLine',
    visit: { remove: 'agreement.lines', by: 'id', param: 'lineId' },
    reply: done,
  }),
  decide: command({
    method: 'PUT',
    path: '/visits/:visitId/lines/:lineId/decision',
    summary: 'Record the owner’s word on a line',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: { put: 'agreement.lines', by: 'id' },
    /** The line as it was when the word was given: nobody agrees to a price they did not see. */
    body: z.object({ state: z.enum(DECISIONS), ...basedOn, ...given }),
    reply: line,
  }),
  offerRoute: command({
    method: 'PUT',
    path: '/visits/:visitId/routes/:route',
    summary: 'Offer an alternative, with what it means',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'agreement.removeRoute',
    visit: 'again',
    body: routeOffer.omit({ route: true }),
    reply: done,
  }),
  removeRoute: command({
    method: 'DELETE',
    path: '/visits/:visitId/routes/:route',
    summary: 'Offer it no longer',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'agreement.offerRoute',
    visit: 'again',
    reply: done,
  }),
  chooseRoute: command({
    method: 'PUT',
    path: '/visits/:visitId/route',
    summary: 'Record which alternative the owner chose',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'final',
    visit: 'again',
    body: z.object({ route: routeId.nullable(), seen: priceSeen, ...given }),
    reply: done,
  }),
  makeLink: command({
    method: 'PUT',
    path: '/visits/:visitId/link',
    summary: 'Make the owner’s page: a new address, and the old one ends',
    roles: everyone,
    changes: ['visit'],
    inverse: 'final',
    visit: 'again',
    body: z.object({ days: z.int().min(1, 'At least a day.').max(90, 'At most 90 days.') }),
    reply: z.object({ token: z.string(), expiresAt: moment }),
  }),
  removeLink: command({
    method: 'DELETE',
    path: '/visits/:visitId/link',
    summary: 'End the owner’s page',
    roles: everyone,
    changes: ['visit'],
    inverse: 'final',
    visit: 'again',
    reply: done,
  }),
  answer: command({
    method: 'PUT',
    path: '/visits/:visitId/questions/:questionId',
    summary: 'Answer the owner’s question',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ answer: requiredText(2000, 'An answer') }),
    reply: done,
  }),
  promise: read({
    method: 'GET',
    path: '/visits/:visitId/promise',
    summary: 'By when it will be done, with reasons, and the odds of the date promised',
    roles: everyone,
    reads: 'visit',
    reply: promise,
  }),
  prices: read({
    method: 'GET',
    path: '/prices',
    summary: 'The shop’s prices',
    roles: everyone,
    reads: 'prices',
    reply: prices,
  }),
  setPrices: command({
    method: 'PUT',
    path: '/prices',
    summary: 'Set the shop’s prices',
    roles: ['owner-of-shop'],
    changes: ['prices', 'visit'],
    inverse: 'same',
    body: prices,
    reply: prices,
  }),
};
