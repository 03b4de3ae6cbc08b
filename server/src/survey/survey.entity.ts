import type { HoleVerdict } from '@eclat/core/pivots';
import { defineEntity, type InferEntity } from '@mikro-orm/core';
import { by, float, text, versioned, visitKey } from '../database/columns.ts';

export const SurveyedHole = defineEntity({
  name: 'SurveyedHole', tableName: 'surveyed_hole',
  properties: {
    visitId: visitKey().primary(), key: text().primary(), pivotMm: float(), holeLongMm: float(), holeShortMm: float(),
    verdict: text().$type<HoleVerdict>(), computed: text().$type<HoleVerdict>(), note: text(), ...by, version: versioned(),
  },
});
export type SurveyedHole = InferEntity<typeof SurveyedHole>;
