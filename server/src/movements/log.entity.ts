import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { moment, text } from '../platform/database/columns.ts';

/** What a key of this shop signed, in its order. It remembers what is gone. */
export const LogEntry = defineEntity({
  name: 'LogEntry',
  tableName: 'log_entry',
  properties: {
    kid: text().primary(),
    /** From 0, without gaps. */
    number: p.integer().primary(),
    hash: text(),
    movementId: p.uuid(),
  },
});

/** The signed head of this shop’s log at one size. */
export const LogHead = defineEntity({
  name: 'LogHead',
  tableName: 'log_head',
  properties: {
    kid: text().primary(),
    size: p.integer().primary(),
    root: text(),
    peaks: p.json<string[]>().columnType('jsonb'),
    jws: text(),
    at: moment(),
    /** It left the shop in a file or on a slip: somebody may hold us to it. */
    givenAt: moment().nullable(),
  },
});
export type LogHead = InferEntity<typeof LogHead>;

/** A head that came in a file: of another shop, or of this one, seen elsewhere. */
export const SeenHead = defineEntity({
  name: 'SeenHead',
  tableName: 'seen_head',
  properties: {
    kid: text().primary(),
    size: p.integer().primary(),
    root: text().primary(),
    shop: text(),
    jws: text(),
    at: moment(),
    cameIn: text(),
  },
});
export type SeenHead = InferEntity<typeof SeenHead>;

/** Where an entry of another shop stands under a head that was seen. */
export const LogPlace = defineEntity({
  name: 'LogPlace',
  tableName: 'log_place',
  properties: {
    hash: text().primary(),
    kid: text(),
    size: p.integer(),
    root: text(),
    number: p.integer(),
    path: p.json<string[]>().columnType('jsonb'),
  },
});
export type LogPlace = InferEntity<typeof LogPlace>;
