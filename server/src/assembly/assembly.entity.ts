import type { Checked, HeardSound, ReleaseRead } from '@eclat/contract';
import { defineEntity, p } from '@mikro-orm/core';
import { by, float, key, text, visitKey } from '../platform/database/columns.ts';

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

export const StrikeHeard = defineEntity({
  name: 'StrikeHeard',
  tableName: 'strike_heard',
  properties: { visitId: visitKey().primary(), mark: text().primary(), heard: p.integer(), ...by },
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

export const SoundHeard = defineEntity({
  name: 'SoundHeard',
  tableName: 'sound_heard',
  properties: { id: key(), visitId: visitKey(), report: p.json<Omit<HeardSound, 'id' | 'by' | 'at'>>(), ...by },
});
