import type { ReleaseRead } from '@eclat/contract';
import { defineEntity, p } from '@mikro-orm/core';
import { by, float, key, text, visitKey } from '../platform/database/columns.ts';

export const StrikeHeard = defineEntity({
  name: 'StrikeHeard',
  tableName: 'strike_heard',
  properties: {
    visitId: visitKey().primary(),
    mark: text().primary(),
    /** When this hearing ended, ISO 8601; empty while it is the present one. */
    ended: text().primary(),
    heard: p.integer(),
    ...by,
  },
});

export const ReleaseMinute = defineEntity({
  name: 'ReleaseMinute',
  tableName: 'release_minute',
  properties: {
    id: key(),
    visitId: visitKey(),
    wanted: p.integer().$type<ReleaseRead['wanted']>(),
    minute: float(),
    ...by,
  },
});
