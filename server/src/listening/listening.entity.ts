import type { HeardSound } from '@eclat/contract';
import { defineEntity, p } from '@mikro-orm/core';
import { by, key, visitKey } from '../platform/database/columns.ts';

export const SoundHeard = defineEntity({
  name: 'SoundHeard',
  tableName: 'sound_heard',
  properties: { id: key(), visitId: visitKey(), report: p.json<Omit<HeardSound, 'id' | 'by' | 'at'>>(), ...by },
});
