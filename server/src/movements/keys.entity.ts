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

/** That a key was handed on, signed by the old and by the new one. */
export const KeyChange = defineEntity({
  name: 'KeyChange',
  tableName: 'key_change',
  properties: { fromKid: text().primary(), toKid: text(), oldJws: text(), newJws: text(), at: moment() },
});

/** A key of another shop that is known here. It counts by the statement that this shop has signed of it. */
export const KnownKey = defineEntity({
  name: 'KnownKey',
  tableName: 'known_key',
  properties: {
    kid: text().primary(),
    shop: text(),
    by: text(),
    at: moment(),
    jws: text(),
    /** What that shop says of itself, as it signed it. */
    card: text().nullable(),
  },
});
export type KnownKey = InferEntity<typeof KnownKey>;
