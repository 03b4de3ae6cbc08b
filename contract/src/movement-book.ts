import { isEdtf } from '@eclat/core/history';
import { z } from 'zod';
import { text, moment, id } from './common.ts';
import { serviceRecord } from './service-record.ts';

const MOST_ENTRIES = 200;

/** A date as an inscription gives it. */
export const edtf = z
  .string()
  .trim()
  .refine(isEdtf, 'Write 1894-03-07, 1894-03, 1894, 189X for some year of a decade, or XXXX if it cannot be read.');

export const ENTRY_KINDS = ['visit', 'inscription', 'amendment', 'merger', 'donor', 'replacement'] as const;

/** One entry as it travels: who signed it, in which shop, and its seal there. */
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
});

export type MovementBook = z.infer<typeof movementBook>;
