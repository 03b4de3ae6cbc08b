import type { Visit as Shape } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, moment, text, versioned, visitKey } from '../platform/database/columns.ts';

type Received = Shape['received'][number];

/** A thing that came with the clock: it must go home again. */
export const ReceivedItem = defineEntity({
  name: 'ReceivedItem',
  tableName: 'received_item',
  properties: {
    id: key(),
    visitId: visitKey(),
    position: p.integer(),
    what: text(),
    count: p.integer(),
    condition: text(),
    squareMm: float().nullable(),
    fits: text().$type<NonNullable<Received['fits']>>().nullable(),
    photoId: p.uuid().nullable(),
    returnedBy: text().default(''),
    returnedAt: moment().nullable(),
    version: versioned(),
  },
});
export type ReceivedItem = InferEntity<typeof ReceivedItem>;

export const ComplaintAnswer = defineEntity({
  name: 'ComplaintAnswer',
  tableName: 'complaint_answer',
  properties: { visitId: visitKey().primary(), question: text().primary(), answer: text(), ...by },
});

/** Missing when it came; it stays on the clock's list beyond the visit. */
export const WantedThing = defineEntity({
  name: 'WantedThing',
  tableName: 'wanted_thing',
  properties: {
    id: key(),
    visitId: visitKey(),
    clockId: p.uuid(),
    what: text(),
    evidence: text(),
    ended: text().$type<NonNullable<Shape['wantedThings'][number]['ended']>>().nullable(),
    ...by,
  },
});
