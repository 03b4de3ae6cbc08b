import { z } from 'zod';
import { words, moment, id } from './common.ts';
import { serviceRecord } from './service-record.ts';

const MOST_ENTRIES = 200;

export const ENTRY_KINDS = ['visit', 'inscription', 'amendment', 'merger', 'donor', 'replacement'] as const;

/** One entry as it travels: who signed it, in which shop, and its seal there. */
export const travelledEntry = z.object({
  kind: z.enum(ENTRY_KINDS),
  date: words(10),
  title: words(300),
  text: words(4000),
  place: words(80),
  shop: words(80),
  signedBy: words(60),
  record: serviceRecord.nullable(),
  amends: z.int().nullable().describe('which entry of this list it amends, counted from 0'),
  hash: words(64),
  writtenAt: moment,
});

export type TravelledEntry = z.infer<typeof travelledEntry>;

/** A movement's book as a file: it goes with the clock to the next shop. No owner stands in it. docs/formats has its JSON Schema. */
export const movementBook = z.object({
  format: z.literal('eclat-movement-book'),
  version: z.literal(1),
  movement: z.object({
    id,
    code: words(20),
    name: words(120),
    familyId: words(40),
    maker: words(120),
    marks: z.array(z.object({ place: words(40), text: words(80) })).max(40),
  }),
  entries: z.array(travelledEntry).max(MOST_ENTRIES, `At most ${MOST_ENTRIES} entries.`),
});

export type MovementBook = z.infer<typeof movementBook>;
