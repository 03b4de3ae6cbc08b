import type { Visit as Shape } from '@eclat/contract';
import type { WantedStep as WantedStepName } from '@eclat/core/stores';
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
    would: text().default(''),
    ended: text().$type<NonNullable<Shape['wantedThings'][number]['ended']>>().nullable(),
    ...by,
  },
});

/** A thread: what was done about it. The last step that ends it is its end. */
export const WantedStep = defineEntity({
  name: 'WantedStep',
  tableName: 'wanted_step',
  properties: {
    id: key(),
    wantedId: p.uuid(),
    step: text().$type<WantedStepName>(),
    note: text(),
    from: text(),
    price: text(),
    expectedOn: p.string().columnType('date').nullable(),
    ...by,
  },
});
export type WantedStep = InferEntity<typeof WantedStep>;
export type WantedThing = InferEntity<typeof WantedThing>;
