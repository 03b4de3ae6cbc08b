import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, moment, text, visitKey } from '../platform/database/columns.ts';

/** The owner's page is known by the hash of its address: what leaks from the table opens nothing. */
export const OwnerLink = defineEntity({
  name: 'OwnerLink',
  tableName: 'owner_link',
  properties: {
    id: key(),
    visitId: visitKey(),
    tokenHash: text(),
    expiresAt: moment(),
    revokedAt: moment().nullable(),
    ...by,
  },
});

export type OwnerLink = InferEntity<typeof OwnerLink>;

export const OwnerLinkUse = defineEntity({
  name: 'OwnerLinkUse',
  tableName: 'owner_link_use',
  properties: { id: key(), linkId: p.uuid(), what: text(), at: moment() },
});

export const OwnerQuestion = defineEntity({
  name: 'OwnerQuestion',
  tableName: 'owner_question',
  properties: {
    id: key(),
    visitId: visitKey(),
    text: text(),
    at: moment(),
    answer: text().default(''),
    answeredBy: text().default(''),
  },
});
