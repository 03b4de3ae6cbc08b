import { isEdtf } from '@eclat/core/history';
import { z } from 'zod';
import { text, moment, id, sha256, webAddress } from './common.ts';
import { serviceRecord } from './service-record.ts';

const MOST_ENTRIES = 200;

/** What stands where in the ZIP that a book travels in. */
export const IN_BOOK_FILE = {
  book: 'book.json',
  photo: (hash: string) => `photos/${hash}.jpg`,
  /** In the file of a clock: the books of the movements that were in it. */
  bookOf: (code: string) => `books/${code}.json`,
} as const;

/** The largest book.json that is read, in bytes: 200 entries of a full overhaul have ten million. */
export const LARGEST_BOOK = 16_000_000;
/** The largest photo, in bytes. */
export const LARGEST_PHOTO = 15 * 1024 * 1024;

/** A date as an inscription gives it. */
export const edtf = z
  .string()
  .trim()
  .refine(isEdtf, 'Write 1894-03-07, 1894-03, 1894, 189X for some year of a decade, or XXXX if it cannot be read.');

export const ENTRY_KINDS = ['visit', 'inscription', 'amendment', 'merger', 'donor', 'replacement'] as const;

/** Who took it in, when, from which file; `hash`: the one it had there, by which others may name it. */
export const cameIn = z.object({ by: z.string(), at: moment, from: z.string(), hash: z.string().optional() });

/**
 * What a signature is over: an entry as canonical JSON (RFC 8785). It travels as a compact JWS (RFC 7515) with Ed25519
 * (RFC 8037), its header carrying the public key (`jwk`) and that key's thumbprint (`kid`, RFC 7638). The hash of an
 * entry is the SHA-256 of these bytes.
 */
export const signedEntry = z.object({
  format: z.literal('eclat-entry'),
  version: z.literal(2),
  movement: z.object({ id, code: z.string(), name: z.string() }),
  kind: z.enum(ENTRY_KINDS),
  date: z.string().describe('ISO 8601-2'),
  title: z.string(),
  text: z.string(),
  place: z.string(),
  shop: z.string().describe('where the work was done'),
  signedBy: z.string().describe('who answers for the work'),
  writtenAt: moment,
  signer: z
    .object({ name: z.string(), standing: z.string(), shop: z.string(), key: z.string() })
    .describe('who signed this, in which role and shop, with which key: the thumbprint of the header'),
  amends: sha256.nullable().describe('hash of the entry that it amends'),
  parents: z.array(sha256).describe('hashes of the entries that no other had followed yet when it was written'),
  takenOver: cameIn
    .nullable()
    .describe('it came in a file, unsigned: who signed this says what the file said, not that it was so'),
  sections: z
    .record(z.string(), z.unknown())
    .describe('by name, each with a version of its own; a reader keeps those that it does not know'),
});

export type SignedEntry = z.infer<typeof signedEntry>;

/** One entry as it travels: who signed it, in which shop, its hash, and the signature where there is one. */
export const travelledEntry = z.object({
  kind: z.enum(ENTRY_KINDS),
  date: edtf,
  title: text(300),
  text: text(4000),
  place: text(80),
  shop: text(80),
  signedBy: text(60),
  record: serviceRecord.nullable(),
  amends: z.int().nullable().describe('which entry of this list it amends, counted from 0'),
  hash: text(64),
  writtenAt: moment,
  signed: z
    .string()
    .max(5_000_000)
    .regex(/^[\w-]+\.[\w-]+\.[\w-]+$/, 'A compact JWS.')
    .optional()
    .describe('compact JWS over the entry as it was signed; what stands beside it says the same'),
});

export type TravelledEntry = z.infer<typeof travelledEntry>;

/** An amendment amends an earlier entry that is none itself; nothing else amends. It would stand nowhere else. */
export const travelledEntries = z
  .array(travelledEntry)
  .max(MOST_ENTRIES, `At most ${MOST_ENTRIES} entries.`)
  .superRefine((entries, ctx) =>
    entries.forEach(({ kind, amends }, i) => {
      const of = amends === null ? undefined : entries[amends];
      const stands = amends !== null && amends < i && of !== undefined && of.kind !== 'amendment';
      if (kind === 'amendment' ? stands : amends === null) return;
      ctx.addIssue({
        code: 'custom',
        path: [i, 'amends'],
        message:
          kind === 'amendment' ? 'It amends no earlier entry of this list.' : 'Only an amendment amends another.',
      });
    }),
  );

/** As many as a log may have: a stranger’s head may say any number. */
const MOST_LOGGED = 2_000_000_000;

/** What the head of a log is signed over: how many entries its key had signed, and the root over them. */
export const logHead = z.object({
  format: z.literal('eclat-log-head'),
  version: z.literal(1),
  shop: text(80).refine((name) => !name.includes('\0'), 'A name.'),
  key: z.string().describe('thumbprint of the key that signs: each key has its log'),
  size: z.int().min(1).max(MOST_LOGGED),
  root: sha256.describe('RFC 9162, 2.1.1, over the hashes of the entries, 32 bytes each, with SHA-256'),
  at: moment,
});

export type LogHead = z.infer<typeof logHead>;

/** The thumbprint of an Ed25519 key (RFC 7638): SHA-256 in base64url. */
export const thumbprint = z.string().regex(/^[\w-]{43}$/, 'A thumbprint has 43 letters, figures, - and _.');

/** Compact JWS. */
export const jws = z
  .string()
  .max(5000)
  .regex(/^[\w-]+\.[\w-]+\.[\w-]+$/, 'A compact JWS.');

/** What is signed when a shop changes its key, by the old key and by the new one. */
export const saidOfChange = z.object({
  format: z.literal('eclat-key-change'),
  version: z.literal(1),
  shop: text(80),
  from: z.string().describe('thumbprint of the old key'),
  to: z.string().describe('thumbprint of the new key'),
  at: moment,
  last: z
    .object({ size: z.int().min(1).max(MOST_LOGGED), root: sha256 })
    .nullable()
    .describe('head of the log of the old key: it ends there'),
});

export type SaidOfChange = z.infer<typeof saidOfChange>;

/** What a shop says of itself, signed by its key: whoever has the card knows the shop by it. */
export const saidOfCard = z.object({
  format: z.literal('eclat-shop-card'),
  version: z.literal(1),
  shop: text(80).min(1),
  place: text(80),
  address: webAddress.describe('where others reach it, as https://host; empty: nowhere'),
  key: z.string().describe('thumbprint of the key that signs'),
  at: moment,
});

export type SaidOfCard = z.infer<typeof saidOfCard>;

/** That a shop signs with another key from now on: one text, signed by both. */
export const keyChange = z.object({ old: jws, new: jws });

export type KeyChange = z.infer<typeof keyChange>;

const path = z.array(sha256).max(64);

/** The log of one key, as far as this book proves it. */
export const bookLog = z.object({
  head: jws.describe('the head, signed: compact JWS'),
  changes: z
    .array(keyChange)
    .max(20)
    .optional()
    .describe('how this key came to sign for its shop: from key to key, the oldest first'),
  places: z
    .array(z.object({ hash: sha256, number: z.int().min(0).max(MOST_LOGGED), path }))
    .max(MOST_ENTRIES)
    .describe('entries of this book under the head: number from 0, and inclusion proof (RFC 9162, 2.1.3)'),
  since: z
    .array(z.object({ size: z.int().min(1).max(MOST_LOGGED), path }))
    .max(50)
    .describe('that the log begins as it stood at this older size: consistency proof (RFC 9162, 2.1.4)'),
});

export type BookLog = z.infer<typeof bookLog>;

export const bookLogs = z.array(bookLog).max(50);

/** A record of another shop, as it is brought: entries, the logs over them, and the file that they stood in. */
export const broughtRecord = z.object({
  history: travelledEntries,
  logs: bookLogs.default([]),
  historyFrom: text(200).default(''),
});

/**
 * A movement's book as a file: it goes with the clock to the next shop. No owner stands in it. docs/formats has its
 * JSON Schema.
 */
export const movementBook = z.object({
  format: z.literal('eclat-movement-book'),
  version: z.literal(1),
  movement: z.object({
    id,
    code: text(20),
    name: text(120),
    familyId: text(40),
    maker: text(120),
    marks: z.array(z.object({ place: text(40), text: text(80) })).max(40),
  }),
  entries: travelledEntries,
  logs: bookLogs.optional().describe('of the keys that signed these entries'),
});

export type MovementBook = z.infer<typeof movementBook>;
