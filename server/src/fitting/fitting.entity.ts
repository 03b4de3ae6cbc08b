import type { OLD_PART_FATES, PART_SOURCES } from '@eclat/contract';
import type { Located } from '@eclat/core/pivots';
import type { KindId, Sizes } from '@eclat/core/stores';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, text, visitKey } from '../platform/database/columns.ts';

export const Bush = defineEntity({
  name: 'Bush',
  tableName: 'bush',
  properties: {
    id: key(),
    visitId: visitKey(),
    hole: text(),
    pivotMm: float(),
    boreMm: float(),
    outsideMm: float(),
    heightMm: float(),
    note: text(),
    located: text().$type<Located>().nullable(),
    off: p.boolean().default(false),
    endShakeMm: float().nullable(),
    spins: p.boolean().nullable(),
    stockId: p.uuid().nullable(),
    ...by,
  },
});

export type Bush = InferEntity<typeof Bush>;

export const PartWork = defineEntity({
  name: 'PartWork',
  tableName: 'part_work',
  properties: {
    id: key(),
    visitId: visitKey(),
    part: text(),
    did: text(),
    before: text(),
    after: text(),
    reversible: p.boolean(),
    agreed: p.boolean().nullable(),
    hole: text().nullable(),
    ...by,
  },
});
export type PartWork = InferEntity<typeof PartWork>;

export const PartFitted = defineEntity({
  name: 'PartFitted',
  tableName: 'part_fitted',
  properties: {
    id: key(),
    visitId: visitKey(),
    what: text(),
    why: text(),
    source: text().$type<(typeof PART_SOURCES)[number]>(),
    size: text(),
    oldPart: text().$type<(typeof OLD_PART_FATES)[number]>(),
    kind: text().$type<KindId>(),
    sizes: p.json<Sizes>().columnType('jsonb'),
    quantity: p.integer(),
    cost: text(),
    stockId: p.uuid().nullable(),
    donorId: p.uuid().nullable(),
    ...by,
  },
});
export type PartFitted = InferEntity<typeof PartFitted>;
