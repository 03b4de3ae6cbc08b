import { DECISIONS, decimal, LINE_KINDS, ROUTE_IDS, WAYS_GIVEN } from '@eclat/core/estimate';
import { z } from 'zod';
import { changesTo, done, id, moment, needed, version, words } from './common.ts';
import { everyone } from './people.ts';
import { route } from './route.ts';

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
const signed = { by: z.string(), at: moment };
export const routeId = z.enum(ROUTE_IDS);

/** What an hour costs here, and how a price is said: the shop's own. */
export const prices = z.object({
  hourlyRate: sum('A price'),
  taxPercent: percent,
  pricesIncludeTax: z.boolean(),
  currency: words(8),
  hoursPerWeek: z.number().min(1, 'At least an hour.').max(400, 'At most 400 hours.'),
});
export type Prices = z.output<typeof prices>;

export const lineFields = z.object({
  kind: z.enum(LINE_KINDS),
  what: needed(200, 'What is done'),
  quantity: sum('A quantity'),
  price: sum('A price'),
  routes: z.array(routeId).max(ROUTE_IDS.length).default([]),
  optional: z.boolean().default(false),
  noGuarantee: z.boolean().default(false),
  findingId: id.nullable().default(null),
  fromSurvey: z.boolean().default(false),
});
const given = { how: z.enum(WAYS_GIVEN), who: needed(120, 'Who said so'), note: words(300).default('') };
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
export const routeOffer = z.object({ route: routeId, originality: words(300), guarantee: words(300) });
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
  half: z.iso.date(),
  nineInTen: z.iso.date(),
  odds: z.number().nullable(),
  reasons: z.array(z.string()),
});

/** What the owner's page shows, and nothing else of the shop. */
export const forOwner = z.object({
  shop: z.string(),
  clock: z.string(),
  claim: z.string(),
  complaint: z.string(),
  currency: z.string(),
  taxPercent: z.string(),
  pricesIncludeTax: z.boolean(),
  lines: z.array(
    z.object({
      id,
      kind: z.enum(LINE_KINDS),
      what: z.string(),
      amount: z.string(),
      routes: z.array(routeId),
      optional: z.boolean(),
      noGuarantee: z.boolean(),
      addition: z.boolean(),
      state: z.enum(DECISIONS).nullable(),
      seen: z.string(),
    }),
  ),
  routes: z.array(routeOffer.extend({ without: z.string(), withOptions: z.string() })),
  chosen: routeId.nullable(),
  agreed: z.string(),
  photos: z.array(
    z.object({
      id,
      caption: z.string(),
      width: z.int(),
      height: z.int(),
      marks: z.array(z.object({ number: z.int(), x: z.number(), y: z.number(), says: z.string() })),
    }),
  ),
  questions: z.array(question.omit({ answeredBy: true })),
  promisedFor: z.string().nullable(),
  expiresAt: moment,
});
export type ForOwner = z.infer<typeof forOwner>;

export const agree = {
  addLine: route({
    method: 'POST',
    path: '/visits/:visitId/lines',
    summary: 'Write a line of the estimate',
    roles: everyone,
    body: lineFields,
    reply: line,
  }),
  changeLine: route({
    method: 'PATCH',
    path: '/visits/:visitId/lines/:lineId',
    summary: 'Correct a line that nobody has answered',
    roles: everyone,
    body: changesTo(lineFields),
    reply: line,
  }),
  removeLine: route({
    method: 'DELETE',
    path: '/visits/:visitId/lines/:lineId',
    summary: 'Take back a line that nobody has answered',
    roles: everyone,
    reply: done,
  }),
  decide: route({
    method: 'PUT',
    path: '/visits/:visitId/lines/:lineId/decision',
    summary: 'Record the owner’s word on a line',
    roles: everyone,
    body: z.object({ state: z.enum(DECISIONS), ...given }),
    reply: line,
  }),
  offerRoute: route({
    method: 'PUT',
    path: '/visits/:visitId/routes/:route',
    summary: 'Offer an alternative, with what it means',
    roles: everyone,
    body: routeOffer.omit({ route: true }),
    reply: done,
  }),
  dropRoute: route({
    method: 'DELETE',
    path: '/visits/:visitId/routes/:route',
    summary: 'Offer it no longer',
    roles: everyone,
    reply: done,
  }),
  chooseRoute: route({
    method: 'PUT',
    path: '/visits/:visitId/route',
    summary: 'Record which alternative the owner chose',
    roles: everyone,
    body: z.object({ route: routeId.nullable(), ...given }),
    reply: done,
  }),
  link: route({
    method: 'PUT',
    path: '/visits/:visitId/link',
    summary: 'Make the owner’s page: a new address, and the old one ends',
    roles: everyone,
    body: z.object({ days: z.int().min(1, 'At least a day.').max(90, 'At most 90 days.') }),
    reply: z.object({ token: z.string(), expiresAt: moment }),
  }),
  unlink: route({
    method: 'DELETE',
    path: '/visits/:visitId/link',
    summary: 'End the owner’s page',
    roles: everyone,
    reply: done,
  }),
  answer: route({
    method: 'PUT',
    path: '/visits/:visitId/questions/:questionId',
    summary: 'Answer the owner’s question',
    roles: everyone,
    body: z.object({ answer: needed(2000, 'An answer') }),
    reply: done,
  }),
  promise: route({
    method: 'GET',
    path: '/visits/:visitId/promise',
    summary: 'By when it will be done, with reasons, and the odds of the date promised',
    roles: everyone,
    reply: promise,
  }),
  prices: route({ method: 'GET', path: '/prices', summary: 'The shop’s prices', roles: everyone, reply: prices }),
  setPrices: route({
    method: 'PUT',
    path: '/prices',
    summary: 'Set the shop’s prices',
    roles: ['owner-of-shop'],
    body: prices,
    reply: prices,
  }),
};

/** Doors without a sign-in, behind an unguessable address. A change is a PUT: sent twice it is the same change. */
export const owner = {
  page: route({
    method: 'GET',
    path: '/for-owner/:token',
    summary: 'The estimate, for its owner',
    roles: 'public',
    reply: forOwner,
  }),
  decide: route({
    method: 'PUT',
    path: '/for-owner/:token/lines/:lineId',
    summary: 'Accept or decline a line',
    roles: 'public',
    body: z.object({ state: z.enum(DECISIONS) }),
    reply: forOwner,
  }),
  choose: route({
    method: 'PUT',
    path: '/for-owner/:token/route',
    summary: 'Choose an alternative',
    roles: 'public',
    body: z.object({ route: routeId }),
    reply: forOwner,
  }),
  ask: route({
    method: 'PUT',
    path: '/for-owner/:token/questions/:questionId',
    summary: 'Ask the shop',
    roles: 'public',
    body: z.object({ text: needed(1000, 'Your question') }),
    reply: forOwner,
  }),
};
export const PAPERS = ['receipt', 'label', 'estimate', 'condition', 'bench', 'return', 'slip'] as const;
export type Paper = (typeof PAPERS)[number];
