import type { Entry } from '@eclat/contract';
import type { ServiceRecord } from '@eclat/core/history';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { key, moment, text } from '../platform/database/columns.ts';

export const HistoryEntry = defineEntity({
  name: 'HistoryEntry',
  tableName: 'history_entry',
  properties: {
    id: key(),
    movementId: p.uuid(),
    visitId: p.uuid().nullable(),
    /** The clock that it is of too, as it was signed; of visits signed before that was, the visit says it. */
    clockId: p.uuid().nullable(),
    kind: text().$type<Entry['kind']>(),
    date: text(),
    title: text(),
    text: text(),
    place: text(),
    shop: text(),
    signedBy: text(),
    record: p.json<ServiceRecord>().columnType('jsonb').nullable(),
    amends: p.uuid().nullable(),
    previousHash: text().nullable(),
    hash: text(),
    /** As it was signed; what stands in the columns beside it is an index. None before there were signatures. */
    jws: text().nullable(),
    writtenAt: moment(),
    /** Of an entry that came in a record. */
    takenOver: p.json<NonNullable<Entry['takenOver']>>().columnType('jsonb').nullable(),
  },
});
export type HistoryEntry = InferEntity<typeof HistoryEntry>;
