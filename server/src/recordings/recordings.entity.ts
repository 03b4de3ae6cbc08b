import type { Recording as Shape } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, text, visitKey } from '../platform/database/columns.ts';

export const Recording = defineEntity({
  name: 'Recording',
  tableName: 'recording',
  properties: {
    id: key(),
    visitId: visitKey(),
    stage: text().$type<Shape['stage']>(),
    kind: text().$type<Shape['kind']>(),
    caption: text(),
    seconds: float(),
    sampleRate: p.integer(),
    /** SHA-256, hex, of the sound. */
    hash: text(),
    wav: p.blob().columnType('bytea').lazy(),
    ...by,
  },
});
export type Recording = InferEntity<typeof Recording>;
