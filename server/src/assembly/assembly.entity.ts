import type { Checked } from '@eclat/contract';
import { defineEntity, p } from '@mikro-orm/core';
import { by, text, visitKey } from '../platform/database/columns.ts';

export const CheckAnswer = defineEntity({
  name: 'CheckAnswer',
  tableName: 'check_answer',
  properties: {
    visitId: visitKey().primary(),
    check: text().primary(),
    result: text().$type<Checked['result']>(),
    note: text(),
    detail: p.json<Checked['detail']>().nullable(),
    ...by,
  },
});
