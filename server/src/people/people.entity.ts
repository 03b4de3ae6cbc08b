import type { Role, ShopSettings } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { float, key, moment, text, versioned } from '../platform/database/columns.ts';

export const Person = defineEntity({
  name: 'Person',
  tableName: 'person',
  properties: {
    id: key(),
    name: text(),
    role: text().$type<Role>(),
    passphraseHash: text(),
    active: p.boolean().default(true),
  },
});
export type Person = InferEntity<typeof Person>;

/** A session is known by the hash of its token: what leaks from the table opens nothing. */
export const Session = defineEntity({
  name: 'Session',
  tableName: 'session',
  properties: { tokenHash: text().primary(), personId: p.uuid(), createdAt: moment(), seenAt: moment() },
});

export const SignInFailure = defineEntity({
  name: 'SignInFailure',
  tableName: 'sign_in_failure',
  properties: {
    id: p.bigint('number').primary().autoincrement(),
    name: text(),
    address: text(),
    /** Hash of the token of a device that this person had signed in at before. */
    device: text().nullable(),
    at: moment(),
  },
});

/** A device at which this person signed in: strangers' guesses do not delay it. */
export const Device = defineEntity({
  name: 'Device',
  tableName: 'device',
  properties: { tokenHash: text().primary(), personId: p.uuid().primary(), seenAt: moment() },
});

/** What the start window tells, once, to whoever may open the shop. */
export const OpeningCode = defineEntity({
  name: 'OpeningCode',
  tableName: 'opening_code',
  properties: { codeHash: text().primary(), at: moment() },
});

export const Shop = defineEntity({
  name: 'Shop',
  tableName: 'shop',
  properties: {
    one: p.boolean().primary().default(true),
    name: text(),
    createdAt: moment(),
    hourlyRate: text().default('0'),
    taxPercent: text().default('0'),
    pricesIncludeTax: p.boolean().default(true),
    currency: text().default(''),
    hoursPerWeek: float().default(30),
    learn: p.boolean().default(true),
    timeZone: text(),
    place: text().default(''),
    webAddress: text().default(''),
    answers: text().$type<ShopSettings['answers']>().default('nothing'),
    version: versioned(),
  },
});
export type Shop = InferEntity<typeof Shop>;
