import type { StageId } from '@eclat/core/stages';
import { defineEntity, p } from '@mikro-orm/core';
import { by, key, text, visitKey } from '../database/columns.ts';

const picture = () => p.blob().columnType('bytea').lazy();

export const Photo = defineEntity({
  name: 'Photo', tableName: 'photo',
  properties: {
    id: key(), visitId: visitKey(), caption: text(), stage: text().$type<StageId>(), width: p.integer(), height: p.integer(),
    large: picture(), medium: picture(), small: picture(), ...by,
  },
});
