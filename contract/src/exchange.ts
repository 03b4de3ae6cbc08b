import { z } from 'zod';
import { done, id, moment, sha256, text, webAddress } from './common.ts';
import { bookLogs, jws, movementBook, thumbprint, travelledEntry } from './movement-book.ts';
import { recordChecked } from './movements.ts';
import { ANSWERS, benchRoles, everyone } from './people.ts';
import { command, read } from './route.ts';

/** What one shop may want of another. Each is a POST to /api/exchange/… of that shop. */
export const WANTS = ['ask', 'which', 'send', 'photo', 'bring'] as const;
export type Want = (typeof WANTS)[number];

/**
 * What a request is signed over. It travels as a compact JWS in the header `Authorization: Eclat-Shop …`, so that it is
 * read before the body is. Each is good once, for one shop, for a quarter of an hour.
 */
export const exchangeRequest = z.object({
  format: z.literal('eclat-exchange-request'),
  version: z.literal(1),
  want: z.enum(WANTS),
  from: thumbprint.describe('key of the shop that asks: it signs this'),
  to: thumbprint.describe('key of the shop that is asked'),
  at: moment,
  nonce: z.string().min(16).max(64),
  body: sha256.describe('of the bytes of the body'),
  book: id.nullable().describe('bring: the movement, by the id that the other shop gave it'),
  photo: sha256.nullable().describe('bring: of which photo the body is'),
});
export type ExchangeRequest = z.infer<typeof exchangeRequest>;

/** What a reply is signed over: the header `Eclat-Signature`. A photo has none, for it is known by its hash. */
export const exchangeReply = z.object({
  format: z.literal('eclat-exchange-reply'),
  version: z.literal(1),
  from: thumbprint,
  request: sha256.describe('of what the request was signed over'),
  body: sha256.describe('of the bytes of the body'),
  at: moment,
});
export type ExchangeReply = z.infer<typeof exchangeReply>;

/** An entry names the one that it amends by its hash: that one may be there already. */
const carriedEntry = travelledEntry.extend({ amends: text(64).nullable() });
/** As many as go at once; what is over comes when it is asked for again. */
export const MOST_CARRIED = 100;

export const carriedBook = z.object({
  movement: movementBook.shape.movement,
  entries: z.array(carriedEntry).max(MOST_CARRIED),
  logs: bookLogs,
  more: z.int().min(0).describe('entries that did not go at once'),
});
export type CarriedBook = z.infer<typeof carriedBook>;

const hashes = z.array(sha256).max(5000);

/** By which a book is known: entries of it, and ids that its movement has anywhere. */
const known = { ids: z.array(id).max(100), have: hashes.describe('entries that the shop that asks has') };

/** Marks as keyed hashes: what the other shop has not, it does not learn. Short numbers can be guessed all the same. */
export const hiddenMarks = z.object({
  key: sha256.describe('32 random bytes, made for this request'),
  marks: z
    .array(sha256)
    .max(40)
    .describe('HMAC-SHA-256 over each mark in small letters, without spaces, points and “No.”, at least 3 signs'),
});

export const askBody = z.object({ ...known, marks: hiddenMarks.nullable() });
export type AskBody = z.infer<typeof askBody>;
export const whichBody = z.object({ ids: known.ids, all: hashes.describe('entries of which it asks') });
export const photoBodyOf = z.object({ ...known, photo: sha256 });

const like = z.object({ id, code: text(20), name: text(120), maker: text(120), marks: z.array(text(80)).max(40) });

export const askReply = z.discriminatedUnion('found', [
  z.object({ found: z.literal('book'), book: carriedBook }),
  z.object({ found: z.literal('like'), like: z.array(like).max(5) }),
  z.object({ found: z.literal('none') }),
]);
export type AskReply = z.infer<typeof askReply>;

/** `null`: no book of it that is shared. */
export const whichReply = z
  .object({
    movement: id,
    lacks: hashes.describe('entries that are not there'),
    photos: hashes.describe('photos that its entries name and that are not there'),
  })
  .nullable();
export const sendReply = z.object({ received: z.literal(true) });

const offered = z.object({
  id,
  shop: z.string(),
  at: moment,
  movement: z.object({ code: z.string(), name: z.string() }),
  entries: z.int(),
  /** The book here that it is of, as far as entries, ids or marks say. */
  movementId: id.nullable(),
});
export type Offered = z.infer<typeof offered>;

const contact = z.object({
  at: moment,
  direction: z.enum(['in', 'out']),
  /** Empty: its key is not known here. */
  shop: z.string(),
  key: z.string(),
  want: z.string(),
  movement: z.object({ id, code: z.string() }).nullable(),
  outcome: z.string(),
  /** Who asked, of this shop. */
  by: z.string(),
  /** Alike in one hour. */
  times: z.int(),
});
export type Contact = z.infer<typeof contact>;

const shopOf = z.object({
  key: thumbprint,
  shop: z.string(),
  place: z.string(),
  /** Empty: its card names none, or it came without one. */
  address: z.string(),
  /** It may ask for this book. */
  shared: z.boolean(),
  last: contact.nullable(),
});

const taken = { movementId: id.nullable(), book: movementBook, checked: recordChecked, more: z.int() };

export const exchangeRoutes = {
  shops: read({
    method: 'GET',
    path: '/movements/:movementId/shops',
    summary: 'Other shops that are known here: whether they may ask for this book, and what they sent of it',
    roles: everyone,
    reads: 'movements',
    reply: z.object({
      answers: z.enum(ANSWERS),
      /** Every shop that is known here may ask for it. */
      everyShop: z.boolean(),
      shops: z.array(shopOf),
      offered: z.array(offered),
    }),
  }),
  share: command({
    method: 'PUT',
    path: '/movements/:movementId/shares',
    summary: 'Let another shop, or every known one, ask for this book; or no longer',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'same',
    body: z.object({ key: thumbprint.nullable().describe('null: every shop known here'), shared: z.boolean() }),
    reply: done,
  }),
  ask: read({
    method: 'POST',
    path: '/movements/:movementId/shops/:key/ask',
    summary: 'Ask another shop for what it has of this movement; nothing is written but that it was asked',
    roles: benchRoles,
    reads: 'movements',
    body: z.object({ as: id.nullable().default(null).describe('a movement there that it was found to be') }),
    reply: z.discriminatedUnion('found', [
      z.object({ found: z.literal('book'), ...taken }),
      z.object({ found: z.literal('like'), like: z.array(like) }),
      z.object({ found: z.literal('none') }),
      z.object({ found: z.literal('failed'), why: z.string() }),
    ]),
  }),
  send: command({
    method: 'POST',
    path: '/movements/:movementId/shops/:key/send',
    summary: 'Send another shop what it lacks of this book; from then on it may ask for it',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'final',
    reply: z.object({
      /** Empty: it went through. */
      failed: z.string(),
      entries: z.int(),
      /** They go when those before them stand there. */
      more: z.int(),
      /** Photos that it wants and that are here, with the id that the movement has there. */
      photos: z.array(sha256),
      there: id.nullable(),
    }),
  }),
  fetchPhoto: command({
    method: 'PUT',
    path: '/movements/:movementId/shops/:key/photos/:hash',
    summary: 'Fetch a photo that this book names from another shop',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'final',
    reply: done,
  }),
  sendPhoto: command({
    method: 'PUT',
    path: '/movements/:movementId/shops/:key/sent-photos/:hash',
    summary: 'Send a photo of this book to a shop that wants it',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'final',
    body: z.object({ there: id }),
    reply: done,
  }),
  cardAt: read({
    method: 'POST',
    path: '/shop-cards/at',
    summary: 'Fetch the card of a shop from its web address: it is known when its key was compared',
    roles: ['owner-of-shop'],
    reads: 'movements',
    body: z.object({ address: webAddress.pipe(z.string().min(1, 'Its web address is needed.')) }),
    reply: z.discriminatedUnion('found', [
      z.object({ found: z.literal('card'), card: jws }),
      z.object({ found: z.literal('none'), why: z.string() }),
    ]),
  }),
  offers: read({
    method: 'GET',
    path: '/offers',
    summary: 'What other shops sent, and nobody has looked at yet',
    roles: everyone,
    reads: 'movements',
    reply: z.array(offered),
  }),
  offer: read({
    method: 'GET',
    path: '/offers/:offerId',
    summary: 'What a shop sent, and how it would stand in a book here',
    roles: everyone,
    reads: 'movements',
    query: z.object({ movementId: id.optional() }),
    reply: z.object({ ...taken, shop: z.string(), key: thumbprint }),
  }),
  settle: command({
    method: 'PUT',
    path: '/offers/:offerId',
    summary: 'It was taken in, or is put aside; or waits again',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'same',
    body: z.object({ taken: z.boolean().nullable().describe('null: it waits again') }),
    reply: done,
  }),
  contacts: read({
    method: 'GET',
    path: '/exchange-log',
    summary: 'Who asked whom for what, and what came of it: the latest first',
    roles: everyone,
    reads: 'movements',
    reply: z.array(contact),
  }),
};
