import type { CarriedBook } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, moment, text } from '../platform/database/columns.ts';

/** A book that another shop may ask for; without a key, every shop that is known here. */
export const SharedBook = defineEntity({
  name: 'SharedBook',
  tableName: 'shared_book',
  properties: {
    id: key(),
    movementId: p.uuid(),
    kid: text().nullable(),
    ...by,
    endedBy: text().nullable(),
    endedAt: moment().nullable(),
  },
});

/** What another shop sent, as it came: it stands in no book until somebody takes it in. */
export const OfferedBook = defineEntity({
  name: 'OfferedBook',
  tableName: 'offered_book',
  properties: {
    id: key(),
    /** The key by which the shop is known here. */
    kid: text(),
    shop: text(),
    at: moment(),
    movement: p.json<CarriedBook['movement']>().columnType('jsonb'),
    book: text(),
    entries: p.integer(),
    ids: p.array().columnType('uuid[]'),
    hashes: p.array().columnType('text[]'),
    /** As two people would read them. */
    marks: p.array().columnType('text[]'),
    settledBy: text().nullable(),
    settledAt: moment().nullable(),
    taken: p.boolean().nullable(),
  },
});
export type OfferedBook = InferEntity<typeof OfferedBook>;

/** Each request between this shop and others, whoever asked. */
export const ExchangeLog = defineEntity({
  name: 'ExchangeLog',
  tableName: 'exchange_log',
  properties: {
    id: key(),
    at: moment(),
    direction: text().$type<'in' | 'out'>(),
    kid: text(),
    shop: text(),
    want: text(),
    movementId: p.uuid().nullable(),
    outcome: text(),
    requestHash: text(),
    by: text(),
  },
});
export type ExchangeLog = InferEntity<typeof ExchangeLog>;
