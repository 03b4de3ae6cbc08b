import type { DecidedFor, Way } from '@eclat/core/conservation';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, text, versioned, visitKey } from '../platform/database/columns.ts';

/** What of an old thing is kept or changed: the ways that were considered, and which one was chosen. */
export const ConservationDecision = defineEntity({
  name: 'ConservationDecision',
  tableName: 'conservation_decision',
  properties: {
    id: key(),
    visitId: visitKey(),
    about: text(),
    of: text().$type<DecidedFor>(),
    ways: p.json<Way[]>().columnType('jsonb'),
    agreed: p.boolean(),
    version: versioned(),
    ...by,
  },
});
export type ConservationDecision = InferEntity<typeof ConservationDecision>;
