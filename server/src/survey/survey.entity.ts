import type { HoleVerdict, Past, Seen, Way } from '@eclat/core/pivots';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, float, text, versioned, visitKey } from '../database/columns.ts';

export const SurveyedHole = defineEntity({
  name: 'SurveyedHole', tableName: 'surveyed_hole',
  properties: {
    visitId: visitKey().primary(), key: text().primary(), pivotMm: float(), holeLongMm: float(), holeShortMm: float(),
    seen: p.json<Seen>().columnType('jsonb').nullable(), way: text().$type<Way>().default('one-wheel'), wearDeg: float().nullable(), endShakeMm: float().nullable(), spins: p.boolean().nullable(), polished: p.boolean().default(false), past: text().$type<Past>().default('original'),
    verdict: text().$type<HoleVerdict>(), computed: text().$type<HoleVerdict>(), note: text(), ...by, version: versioned(),
  },
});
export type SurveyedHole = InferEntity<typeof SurveyedHole>;
