import { defineEntity, type InferEntity } from '@mikro-orm/core';
import { by, key, text, visitKey } from '../platform/database/columns.ts';
import { viewSigned } from '../platform/http/context.ts';

/** A word of the owner's that means something else in the record, and why. It never leaves the shop. */
export const KeptWord = defineEntity({
  name: 'KeptWord',
  tableName: 'kept_word',
  properties: { id: key(), visitId: visitKey(), word: text(), why: text(), ...by },
});
export type KeptWord = InferEntity<typeof KeptWord>;

export const viewKeptWord = ({ id, word, why, ...k }: KeptWord) => ({ id, word, why, ...viewSigned(k) });
