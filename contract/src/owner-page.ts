import { LINE_KINDS, DECISIONS } from '@eclat/core/estimate';
import { z } from 'zod';
import { photoMark } from './photos.ts';
import { priceSeen, routeId, routeOffer, question } from './agreement.ts';
import { id, moment, requiredText, version } from './common.ts';
import { zone } from './people.ts';
import { read, command } from './route.ts';

/** What the owner's page shows, and nothing else of the shop. */
export const ownerPage = z.object({
  shop: z.string(),
  timeZone: zone,
  clock: z.string(),
  claim: z.string(),
  complaint: z.string(),
  currency: z.string(),
  taxPercent: z.string(),
  pricesIncludeTax: z.boolean(),
  prices: version,
  lines: z.array(
    z.object({
      id,
      version,
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
      marks: z.array(photoMark.omit({ id: true, findingId: true, note: true }).extend({ says: z.string() })),
    }),
  ),
  questions: z.array(question.omit({ answeredBy: true })),
  promisedFor: z.string().nullable(),
  expiresAt: moment,
});

export type OwnerPage = z.infer<typeof ownerPage>;

/** Routes without a sign-in, behind an unguessable address. A change is a PUT: sent twice it is the same change. */
export const ownerPageRoutes = {
  page: read({
    method: 'GET',
    path: '/for-owner/:token',
    summary: 'The estimate, for its owner',
    roles: 'public',
    reads: 'owner-page',
    reply: ownerPage,
  }),
  decide: command({
    method: 'PUT',
    path: '/for-owner/:token/lines/:lineId',
    summary: 'Accept or decline a line',
    roles: 'public',
    changes: ['visit', 'bench', 'owner-page'],
    inverse: 'same',
    /** The line and the shop’s prices (its tax) as they stood on the page. */
    body: z.object({ state: z.enum(DECISIONS), version, prices: version }),
    reply: ownerPage,
  }),
  choose: command({
    method: 'PUT',
    path: '/for-owner/:token/route',
    summary: 'Choose an alternative',
    roles: 'public',
    changes: ['visit', 'bench', 'owner-page'],
    inverse: 'same',
    body: z.object({ route: routeId, seen: priceSeen }),
    reply: ownerPage,
  }),
  ask: command({
    method: 'PUT',
    path: '/for-owner/:token/questions/:questionId',
    summary: 'Ask the shop',
    roles: 'public',
    changes: ['visit', 'owner-page'],
    inverse: 'final',
    body: z.object({ text: requiredText(1000, 'Your question') }),
    reply: ownerPage,
  }),
};
