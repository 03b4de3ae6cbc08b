import type { PlaceState } from '@eclat/core/assess';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, key, text, visitKey } from '../platform/database/columns.ts';

export const PlaceChecked = defineEntity({
  name: 'PlaceLook',
  tableName: 'place_look',
  properties: { visitId: visitKey().primary(), place: text().primary(), state: text().$type<PlaceState>(), ...by },
});

export const Measurement = defineEntity({
  name: 'Measurement',
  tableName: 'measurement',
  properties: { id: key(), visitId: visitKey(), kind: text(), value: float(), how: text(), note: text(), ...by },
});

export type Measurement = InferEntity<typeof Measurement>;

export const DatingEvidence = defineEntity({
  name: 'DatingEvidence',
  tableName: 'dating_evidence',
  properties: {
    id: key(),
    movementId: p.uuid(),
    notBefore: p.integer().nullable(),
    notAfter: p.integer().nullable(),
    why: text(),
    ...by,
  },
});
