import {
  ABSENT,
  PURPOSES,
  SOURCE_KINDS,
  ARBOR_CLASSES,
  CONSTRUCTIONS,
  OSCILLATORS,
  ESCAPEMENTS,
  STRIKES,
  FITTINGS,
  LOCKS_AT,
} from '@eclat/core/movement';
import { CARRIER_NAMES, WRITTEN_HOW } from '@eclat/core/record';
import { z } from 'zod';
import { evidence } from './assessment.ts';
import { done, requiredText, text, id, version, moment, page, sha256, signed } from './common.ts';
import {
  bookLogs,
  jws,
  saidOfCard,
  thumbprint,
  cameIn,
  edtf,
  broughtRecord,
  travelledEntries,
  ENTRY_KINDS,
  movementBook,
} from './movement-book.ts';
import { everyone, benchRoles, signature } from './people.ts';
import { read, command } from './route.ts';
import { recordSections } from './sections.ts';
import { serviceRecord } from './service-record.ts';

const partId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,23}$/, 'Small letters, figures and hyphens.');

/** As the bench writes it: T3, S12. */
const arborId = z.string().regex(/^[A-Z]{1,2}\d{1,3}$/, 'A letter and a number.');

/** What the movement is, as found: everything that depends on its sort follows from this. */
export const traits = z.object({
  sources: z.array(z.object({ id: partId, kind: z.enum(SOURCE_KINDS), name: text(40).default('') })).max(8),
  trains: z
    .array(
      z.object({
        id: partId,
        purpose: z.enum(PURPOSES),
        name: text(40).default(''),
        source: partId.nullable(),
        arbors: z
          .array(z.object({ id: arborId, name: requiredText(60, 'A name'), class: z.enum(ARBOR_CLASSES) }))
          .max(24),
      }),
    )
    .min(1, 'It has at least one train.')
    .max(8),
  construction: z.enum(CONSTRUCTIONS),
  oscillator: z.enum(OSCILLATORS),
  escapement: z.enum(ESCAPEMENTS),
  strike: z.enum(STRIKES),
  fittings: z.array(z.enum(FITTINGS)).max(40),
  locksAt: z.enum(LOCKS_AT).optional(),
  windHours: z
    .number('Hours.')
    .positive('A full wind lasts longer than nothing.')
    .max(20_000, 'At most 20,000 hours.')
    .optional(),
});

export const MARK_PLACES = [
  'back plate',
  'front plate',
  'dial',
  'case',
  'balance',
  'barrel',
  'label',
  'pendulum',
] as const;

export const mark = z.object({ place: z.enum(MARK_PLACES), text: requiredText(80, 'What is marked there') });

export const newMovement = z.object({
  name: requiredText(120, 'What the movement is called'),
  familyId: requiredText(40, 'A family'),
  maker: text(120).default(''),
  marks: z.array(mark).max(20).default([]),
  /** Fittings beyond those of the family, as found on this one. */
  fittings: z.array(z.enum(FITTINGS)).max(20).default([]),
  /** As found, where it is not as the family has it; absent: as the family, with these fittings. */
  traits: traits.optional(),
  /** What was looked for and is not there. */
  absent: z.array(z.enum(ABSENT)).max(ABSENT.length).default([]),
  /** History that came with it in a record of another shop. */
  history: travelledEntries.default([]),
  /** Logs of the keys that signed it, from the same record. */
  logs: bookLogs.default([]),
  /** The file that it was read from. */
  historyFrom: text(200).default(''),
});

/** How its trains lie between the plates, as far as somebody measured. */
export const arrangement = z.object({
  sides: z.array(partId).max(8),
  centresMm: z.record(z.string().max(12), z.number()),
});

export const movement = z.object({
  id,
  code: z.string(),
  name: z.string(),
  familyId: z.string(),
  maker: z.string(),
  marks: z.array(mark),
  /** Numbers and marks that were taken out again, with who did. */
  marksTakenOut: z.array(mark.extend(signed)),
  traits,
  plates: arrangement,
  version,
  dating: z.array(evidence),
  /** What was looked for and is not there, by whom and when. */
  absent: z.array(z.object({ what: z.enum(ABSENT), by: z.string(), at: moment })),
});

export type Movement = z.infer<typeof movement>;

/** One version of what the movement was held to be. */
export const description = z.object({
  version,
  familyId: z.string(),
  traits,
  reason: z.string(),
  by: z.string(),
  at: moment,
});

export type Description = z.infer<typeof description>;

/**
 * Checked whenever it is shown. `proved`: signed, by a key known here. `unknown shop`: signed, by a key that is not.
 * `unsigned`: from before there were signatures, or from a file without. `changed`: not what was signed. `page
 * missing`: itself as signed, but an entry that it was written on is gone.
 */
export const PROOFS = ['proved', 'unknown shop', 'unsigned', 'changed', 'page missing'] as const;
export type Proof = (typeof PROOFS)[number];

export const entry = z.object({
  id,
  kind: z.enum(ENTRY_KINDS),
  /** As ISO 8601-2: 1894-03-07, 1894, 189X, XXXX. */
  date: z.string(),
  title: z.string(),
  text: z.string(),
  place: z.string(),
  shop: z.string(),
  signedBy: z.string(),
  /** What a signed visit did; null for inscriptions and amendments. */
  record: serviceRecord.nullable(),
  /** What it did in full, feature by feature, as it was signed; empty where nothing is, or where it was changed. */
  sections: recordSections,
  /** Sections of a later version: kept as they were signed, not read here. */
  unread: z.array(z.string()),
  amends: id.nullable(),
  hash: z.string(),
  proof: z.enum(PROOFS),
  /**
   * The key that signed it, by its thumbprint; whose it is known to be here, where it is not this shop’s own; and the
   * code of the movement that it was signed for.
   */
  signature: z.object({ key: z.string(), knownAs: z.string().nullable(), movement: z.string() }).nullable(),
  /** Which of how many entries it is in the log of its key, under a signed head; null: no head covers it yet. */
  log: z.object({ number: z.int(), size: z.int() }).nullable(),
  writtenAt: moment,
  /** It came in a record: nobody here saw the work. */
  takenOver: cameIn.nullable(),
  /** The entry of this book that says the same: it came unsigned, and two shops took it over. It is shown once. */
  copyOf: id.nullable(),
});

export type Entry = z.infer<typeof entry>;

/** A key of another shop, held against what that shop said of it, and believed since. */
export const knownKey = z.object({
  key: thumbprint,
  shop: z.string(),
  /** As its card says; empty where it came without one. */
  place: z.string(),
  address: z.string(),
  card: jws.nullable(),
  ...signed,
});

export type KnownKey = z.infer<typeof knownKey>;

/** The last check of every entry of every book, and what did not hold. */
export const storeCheck = z.object({
  at: moment,
  entries: z.int(),
  broken: z.array(
    z.object({ movementId: id, code: z.string(), title: z.string(), date: z.string(), proof: z.enum(PROOFS) }),
  ),
  /** What is wrong with the log of this shop, or with one that another shop showed. */
  log: z.array(z.string()),
});

export type StoreCheck = z.infer<typeof storeCheck>;

/** The public page of a book: what its address ends with, and who made it. */
const publicPage = z.object({ token: z.string(), ...signed });

const clock = z.object({ id, description: z.string() });

/**
 * `also`: movements that were found to be this one; their entries stand in the same book. `gave`: parts that
 * went into other movements.
 */
export const book = z.object({
  movement,
  also: z.array(z.object({ id, code: z.string() })),
  entries: z.array(entry),
  /** Entries that the log of this shop has in this book, and that are gone: their numbers. */
  gone: z.array(z.int()),
  /** Photos that its entries name and that are not here: another shop’s, until its book file brings them. */
  photosAway: z.array(sha256),
  /** Its page for whoever has the address, while there is one. */
  publicPage: publicPage.nullable(),
  gave: z.array(z.object({ what: z.string(), to: z.string(), movementId: id, at: moment })),
  inTheShop: z.object({ visitId: id, claim: z.string() }).nullable(),
  /** The clock that it is in, as the shop calls it; null: it was never taken in here. */
  clock: clock.nullable(),
});

export type Book = z.infer<typeof book>;

/** A movement, and from when to when a clock is known to have had it: days of entries, or of what the shop noted. */
const stay = z.object({
  movement: z.object({ id, code: z.string(), name: z.string() }),
  from: z.string(),
  /** Null: it is in it now. */
  until: z.string().nullable(),
});

/** The clock by itself: case, dial and glass, whatever movement was in it. */
export const clockBook = z.object({
  clock,
  /** The latest first. */
  stays: z.array(stay),
  /** Entries that are of this clock, with the movement in whose book each stands. */
  entries: z.array(entry.extend({ movementId: id })),
  photosAway: z.array(sha256),
  inTheShop: z.object({ visitId: id, claim: z.string() }).nullable(),
  /** Clocks that were found to be this one; what they are called here, where they are. */
  also: z.array(z.object({ id, description: z.string().nullable(), ...signed })),
  /** Clocks in which its movements were as well: mostly another case, or this one under the id of another shop. */
  others: z.array(
    z.object({
      id,
      description: z.string().nullable(),
      shops: z.array(z.string()),
      from: z.string(),
      until: z.string(),
      visits: z.int(),
    }),
  ),
});

export type ClockBook = z.infer<typeof clockBook>;

/** How the entries of a record stand, before they are taken in. */
export const recordChecked = z.object({
  proofs: z.array(z.enum(PROOFS)),
  /** Which of them stand in that book already. */
  here: z.array(z.boolean()),
  /** One of them stands in that book, or was written on one that does: it is of the same movement. */
  joins: z.boolean(),
  /** Asked of no book: the one that it is of, where there is one here. */
  book: z.object({ id, code: z.string(), name: z.string() }).nullable(),
  /** What speaks against the logs that came: one that is not what it was before. */
  log: z.array(z.string()),
  /** Photos that what was signed names, and that are not here. */
  photosAway: z.array(sha256),
});

/** Why a word of the owner stays in what is written: it stays in the shop. */
const whyKept = text(200).default('');

export const movementsRoutes = {
  search: read({
    method: 'GET',
    path: '/movements',
    summary: 'Find movements by code, name, maker or mark',
    roles: everyone,
    reads: 'movements',
    query: z.object({ q: text(80).default(''), after: text(200).optional() }),
    reply: page(
      movement
        .omit({ marksTakenOut: true, traits: true, plates: true, dating: true, absent: true })
        .extend({ entries: z.int(), lastDate: z.string().nullable() }),
    ),
  }),
  book: read({
    method: 'GET',
    path: '/movements/:movementId',
    summary: 'The movement book: its whole history, no owner’s data',
    roles: everyone,
    reads: 'movements',
    reply: book,
  }),
  clock: read({
    method: 'GET',
    path: '/clocks/:clockId',
    summary: 'The history of a clock by itself: case, dial and glass, and the movements that were in it',
    roles: everyone,
    reads: 'movements',
    reply: clockBook,
  }),
  record: read({
    method: 'GET',
    path: '/movements/:movementId/record',
    summary: 'The movement book as a file that goes with the clock',
    roles: everyone,
    reads: 'movements',
    reply: movementBook,
  }),
  keys: read({
    method: 'GET',
    path: '/signing-keys',
    summary: 'The key by which this shop signs, and the keys of other shops that it knows',
    roles: everyone,
    reads: 'movements',
    reply: z.object({
      own: z.object({ key: thumbprint, since: moment }).nullable(),
      /** Keys by which this shop signed before. */
      earlier: z.array(z.object({ key: thumbprint, since: moment })),
      known: z.array(knownKey),
    }),
  }),
  knowKey: command({
    method: 'POST',
    path: '/signing-keys',
    summary: 'This key is of that shop: held against what the shop says of it',
    roles: ['owner-of-shop'],
    changes: ['movements'],
    inverse: 'movements.forgetKey',
    body: z.object({
      key: thumbprint,
      shop: requiredText(80, 'Whose key it is'),
      /** Its card, where it came by one. */
      card: jws.optional(),
    }),
    reply: knownKey,
  }),
  card: read({
    method: 'GET',
    path: '/shop-card',
    summary: 'The card of this shop: name, place, address and key, signed; as a code too',
    roles: everyone,
    reads: 'movements',
    reply: z.object({ card: jws, said: saidOfCard, code: z.string().describe('PNG as data URL') }).nullable(),
  }),
  readCard: read({
    method: 'POST',
    path: '/shop-cards/read',
    summary: 'What the card of another shop says, before its key is known: refused where it is not as it was signed',
    roles: ['owner-of-shop'],
    reads: 'movements',
    body: z.object({ card: jws }),
    reply: saidOfCard.extend({ known: z.boolean() }),
  }),
  changeKey: command({
    method: 'POST',
    path: '/signing-keys/change',
    summary: 'Sign with a new key from now on, handed on by the old one',
    roles: ['owner-of-shop'],
    changes: ['movements'],
    inverse: 'final',
    body: z.object({ passphrase: signature }),
    reply: done,
  }),
  forgetKey: command({
    method: 'DELETE',
    path: '/signing-keys/:key',
    summary: 'This key is known no more',
    roles: ['owner-of-shop'],
    changes: ['movements'],
    inverse: 'movements.knowKey',
    reply: done,
  }),
  lastCheck: read({
    method: 'GET',
    path: '/movement-books/check',
    summary: 'When the signatures of all books were last checked, and what did not hold',
    roles: everyone,
    reads: 'movements',
    reply: storeCheck.nullable(),
  }),
  checkRecord: read({
    method: 'POST',
    path: '/movement-records/check',
    summary: 'How the entries of a file stand, before they are taken in: refused where one is not what was signed',
    roles: benchRoles,
    reads: 'movements',
    body: z.object({
      history: travelledEntries,
      logs: bookLogs.default([]),
      /** The book that it would come into; none: a new one. */
      movementId: id.optional(),
    }),
    reply: recordChecked,
  }),
  bringRecord: command({
    method: 'POST',
    path: '/movements/:movementId/record',
    summary: 'Join the record of another shop into this book: what it has and this one has not',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'final',
    body: broughtRecord,
    reply: book,
  }),
  publish: command({
    method: 'POST',
    path: '/movements/:movementId/public-page',
    summary: 'Open this book to whoever has the address',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'movements.unpublish',
    reply: publicPage,
  }),
  unpublish: command({
    method: 'DELETE',
    path: '/movements/:movementId/public-page',
    summary: 'End the public page: its address opens nothing any more',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'movements.publish',
    reply: done,
  }),
  /** The body is the picture itself, not JSON, byte for byte as it is named. */
  bringPhoto: command({
    method: 'PUT',
    path: '/movements/:movementId/photos/:hash',
    summary: 'Bring a photo that an entry of this book names by its SHA-256: JPEG up to 15 MB',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'final',
    reply: done,
  }),
  descriptions: read({
    method: 'GET',
    path: '/movements/:movementId/descriptions',
    summary: 'Every description that the movement had, the newest first',
    roles: everyone,
    reads: 'movements',
    reply: z.array(description),
  }),
  describe: command({
    method: 'POST',
    path: '/movements/:movementId/descriptions',
    summary: 'Describe the movement as found: trains, power, escapement, fittings',
    roles: benchRoles,
    changes: ['movements', 'visit', 'bench'],
    inverse: 'same',
    visit: 'again',
    body: z.object({
      traits,
      /** The template that it is nearest to. */
      familyId: requiredText(40, 'A template'),
      reason: requiredText(300, 'Why it changes'),
      version: z.int().min(1),
      visitId: id.optional(),
    }),
    reply: description,
  }),
  setAbsent: command({
    method: 'PUT',
    path: '/movements/:movementId/absent',
    summary: 'Say that something was looked for and is not there, or take it back',
    roles: everyone,
    changes: ['movements', 'visit'],
    inverse: 'same',
    visit: { put: 'movement' },
    body: z.object({ what: z.enum(ABSENT), absent: z.boolean(), visitId: id.optional() }),
    reply: movement,
  }),
  like: read({
    method: 'GET',
    path: '/movements-like',
    summary: 'Movements that carry this mark or code, with the last lines of their history',
    roles: everyone,
    reads: 'movements',
    query: z.object({ text: text(80) }),
    reply: z.array(
      z.object({
        id,
        code: z.string(),
        name: z.string(),
        maker: z.string(),
        marks: z.array(mark),
        same: z.boolean(),
        entries: z.array(z.object({ date: z.string(), title: z.string(), shop: z.string() })),
        count: z.int(),
        inTheShop: z.boolean(),
      }),
    ),
  }),
  inscribe: command({
    method: 'POST',
    path: '/movements/:movementId/inscriptions',
    summary: 'Enter an inscription found on the movement as history',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'final',
    body: z.object({
      date: edtf,
      text: requiredText(2000, 'What is written there').describe('[…] for what is lost, [so?] for what is doubtful'),
      carrier: z.enum(CARRIER_NAMES).default('something else'),
      which: text(80).default('').describe('which one, where there are several'),
      place: text(80).default('').describe('where on it'),
      how: z.enum(['', ...WRITTEN_HOW]).default(''),
      sameHandAs: sha256.nullable().default(null).describe('hash of an entry in the same hand'),
      likely: z.boolean().default(false).describe('the hand is likely the same, not sure'),
      ownHand: z.boolean().default(false).describe('written by whoever enters it'),
      photos: z.array(sha256).max(12).default([]).describe('hashes of photos that show it'),
      keep: whyKept,
    }),
    reply: entry,
  }),
  setMark: command({
    method: 'PUT',
    path: '/movements/:movementId/marks',
    summary: 'Add a number or mark by its place, or take it out',
    roles: everyone,
    changes: ['movements', 'visit'],
    inverse: 'same',
    visit: { put: 'movement' },
    body: mark.extend({ there: z.boolean(), visitId: id.nullable().default(null) }),
    reply: movement,
  }),
  arrange: command({
    method: 'PUT',
    path: '/movements/:movementId/plates',
    summary: 'How the trains lie between the plates: sides, centre distances',
    roles: benchRoles,
    changes: ['movements', 'visit'],
    inverse: 'same',
    visit: { put: 'movement' },
    body: arrangement.extend({ version, visitId: id.nullable().default(null) }),
    reply: movement,
  }),
  sameClock: command({
    method: 'PUT',
    path: '/clocks/:clockId/same/:otherId',
    summary: 'Another clock, here or of another shop, is this one: their histories stand in one book',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'movements.otherClock',
    reply: done,
  }),
  otherClock: command({
    method: 'DELETE',
    path: '/clocks/:clockId/same/:otherId',
    summary: 'They are two clocks after all',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'movements.sameClock',
    reply: done,
  }),
  merge: command({
    method: 'POST',
    path: '/movements/:movementId/merger',
    summary: 'Two were found to be one: this one keeps its code, both histories stand in its book',
    roles: benchRoles,
    changes: ['movements', 'visit', 'bench'],
    inverse: 'movements.part',
    body: z.object({ otherId: id, why: requiredText(300, 'How it was found') }),
    reply: book,
  }),
  part: command({
    method: 'POST',
    path: '/movements/:movementId/parting',
    summary: 'Two that were held to be one are two: each has its own visits, marks and entries again',
    roles: benchRoles,
    changes: ['movements', 'visit', 'bench'],
    inverse: 'movements.merge',
    body: z.object({ otherId: id, why: requiredText(300, 'How it was found') }),
    reply: book,
  }),
  amend: command({
    method: 'POST',
    path: '/history/:entryId/amendments',
    summary: 'Add a correction to a closed entry',
    roles: benchRoles,
    changes: ['movements'],
    inverse: 'final',
    body: z.object({ text: requiredText(2000, 'The correction'), keep: whyKept, passphrase: signature }),
    reply: entry,
  }),
};
