import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import type { JWK } from 'jose';
import { moment, text } from '../platform/database/columns.ts';

/** A key by which this shop signs. */
export const ShopKey = defineEntity({
  name: 'ShopKey',
  tableName: 'shop_key',
  properties: {
    /** Its thumbprint (RFC 7638). */
    kid: text().primary(),
    publicJwk: p.json<JWK>().columnType('jsonb'),
    /** The private half, as JWE under the key-encryption key. */
    sealed: text(),
    madeAt: moment(),
  },
});
export type ShopKey = InferEntity<typeof ShopKey>;
