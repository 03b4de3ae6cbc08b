import type { Decision, LineKind, RouteId, WAYS_GIVEN } from '@eclat/core/estimate';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, text, versioned, visitKey } from '../platform/database/columns.ts';

type Way = (typeof WAYS_GIVEN)[number];

export const EstimateLine = defineEntity({
  name: 'EstimateLine',
  tableName: 'estimate_line',
  properties: {
    id: key(),
    visitId: visitKey(),
    kind: text().$type<LineKind>(),
    what: text(),
    quantity: text(),
    price: text(),
    routes: p.json<RouteId[]>().columnType('jsonb'),
    optional: p.boolean(),
    noGuarantee: p.boolean(),
    findingId: p.uuid().nullable(),
    fromSurvey: p.boolean(),
    addition: p.boolean(),
    ...by,
    version: versioned(),
  },
});
export type EstimateLine = InferEntity<typeof EstimateLine>;

/** A log: every word the owner gave on a line; the last one holds. */
export const LineDecision = defineEntity({
  name: 'LineDecision',
  tableName: 'line_decision',
  properties: {
    id: key(),
    lineId: p.uuid(),
    state: text().$type<Decision>(),
    how: text().$type<Way>(),
    who: text(),
    note: text(),
    ...by,
  },
});
export type LineDecision = InferEntity<typeof LineDecision>;

export const EstimateRoute = defineEntity({
  name: 'EstimateRoute',
  tableName: 'estimate_route',
  properties: {
    visitId: visitKey().primary(),
    route: text().$type<RouteId>().primary(),
    originality: text(),
    guarantee: text(),
  },
});

/** A log as well: which alternative was chosen; the last one holds, null is none. */
export const RouteChoice = defineEntity({
  name: 'RouteChoice',
  tableName: 'route_choice',
  properties: {
    id: key(),
    visitId: visitKey(),
    route: text().$type<RouteId>().nullable(),
    how: text().$type<Way>(),
    who: text(),
    note: text(),
    ...by,
  },
});
