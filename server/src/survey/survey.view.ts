import type { PartCondition as Look, PlatePhoto as PhotoShape, SurveyedHole as Shape, Visit } from '@eclat/contract';
import { bushedHoles } from '@eclat/core/pivots';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { Bush } from '../fitting/fitting.entity.ts';
import { PartCondition, PlatePhoto, SurveyedHole } from './survey.entity.ts';

/** How it was judged, from what is kept of it. */
function sizeOf({ play, holeLongMm, holeShortMm }: SurveyedHole): Shape['size'] {
  if (play) return play;
  return typeof holeLongMm === 'number' && typeof holeShortMm === 'number'
    ? { kind: 'measured', holeLongMm, holeShortMm }
    : { kind: 'felt' };
}

export const viewHole = (h: SurveyedHole): Shape => ({
  key: h.key,
  pivotMm: h.pivotMm ?? null,
  holeLongMm: h.holeLongMm ?? null,
  holeShortMm: h.holeShortMm ?? null,
  verdict: h.verdict,
  computed: h.computed ?? null,
  note: h.note,
  size: sizeOf(h),
  way: h.way,
  wearDeg: h.wearDeg ?? null,
  endShakeMm: h.endShakeMm ?? null,
  spins: h.spins ?? null,
  past: h.past,
  version: h.version,
  by: h.by,
  at: h.at.toISOString(),
});

export const LAST =
  'visit_id = (select b.id from visit b where b.movement_id = ? and b.id <> ? and b.closed_at is not ' +
  'null and b.opened_at < ? and exists (select 1 from surveyed_hole s where s.visit_id = b.id) order ' +
  'by b.closed_at desc limit 1)';

/** What stands behind a survey: the last signed one of the same movement. */
export const lastSurveyRows = (visit: { id: string; movementId: string; openedAt: Date }) => {
  const of = [visit.movementId, visit.id, visit.openedAt];
  return {
    lastHoles: rows(SurveyedHole, `where ${LAST}`, ...of),
    lastBushes: rows(Bush, `where ${LAST} order by at`, ...of),
  };
};

export function viewLastSurvey({
  lastHoles,
  lastBushes,
}: RowsOf<ReturnType<typeof lastSurveyRows>>): Visit['lastSurvey'] {
  const [first] = lastHoles;
  if (!first) return null;
  const bushed = bushedHoles(lastBushes);
  const bushOf = (key: string) => {
    const b = bushed.has(key) ? lastBushes.findLast((x) => x.hole === key) : undefined;
    return b ? { pivotMm: b.pivotMm, boreMm: b.boreMm } : null;
  };
  return {
    at: first.at.toISOString(),
    // Wear is reckoned from what was measured: what lean or play stood for is no figure to compare with a caliper's.
    holes: lastHoles.map((h) => {
      const measured = sizeOf(h).kind === 'measured';
      return {
        key: h.key,
        pivotMm: h.pivotMm ?? null,
        holeLongMm: measured ? (h.holeLongMm ?? null) : null,
        holeShortMm: measured ? (h.holeShortMm ?? null) : null,
        verdict: h.verdict,
        bushed: bushOf(h.key),
      };
    }),
  };
}

export const surveyRows = (visit: { id: string; movementId: string; openedAt: Date }) => ({
  ...lastSurveyRows(visit),
  holes: rows(SurveyedHole, 'where visit_id = ?', visit.id),
  partConditions: rows(PartCondition, 'where visit_id = ?', visit.id),
  platePhotos: rows(PlatePhoto, 'where visit_id = ?', visit.id),
});

export const viewSurvey = (found: RowsOf<ReturnType<typeof surveyRows>>) => ({
  holes: found.holes.map(viewHole),
  partConditions: found.partConditions.map(viewPart),
  platePhotos: found.platePhotos.map(viewPlatePhoto),
  lastSurvey: viewLastSurvey(found),
});

export const viewPart = (l: PartCondition): Look => ({
  key: l.key,
  state: l.state,
  toMm: l.toMm ?? null,
  note: l.note,
  version: l.version,
  by: l.by,
  at: l.at.toISOString(),
});

export const viewPlatePhoto = (p: PlatePhoto): PhotoShape => ({
  plate: p.plate,
  photoId: p.photoId,
  points: p.points,
  version: p.version,
  by: p.by,
  at: p.at.toISOString(),
});
