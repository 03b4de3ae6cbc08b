import type { StageId } from '@eclat/core/workflow';
import { defineEntity, p } from '@mikro-orm/core';
import { by, key, text, visitKey } from '../platform/database/columns.ts';

const values = () => p.json<Record<string, unknown>>().columnType('jsonb');

export const KeptWorking = defineEntity({
  name: 'KeptWorking',
  tableName: 'kept_working',
  properties: {
    id: key(),
    visitId: visitKey(),
    working: text(),
    version: p.integer(),
    stage: text().$type<StageId>(),
    input: values(),
    result: values(),
    says: text(),
    ...by,
  },
});
