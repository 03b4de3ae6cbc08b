import type { Visit as Shape } from '@eclat/contract';
import { poweredTrains } from '@eclat/core/movement';
import { visitFacts } from '@eclat/core/visit';
import { nextAction, STAGES } from '@eclat/core/workflow';
import { agreementAsk, showAgreement } from '../agreement/agreement.service.ts';
import { presentMeasurement } from '../assessment/assessment.service.ts';
import { ComplaintAnswer, Measurement, PlaceLook, ReceivedItem, WantedThing } from '../reception/reception.entity.ts';
import { presentReceived } from '../reception/reception.service.ts';
import { TimeSpent } from '../bench-time/bench-time.entity.ts';
import { presentTime } from '../bench-time/bench-time.service.ts';
import { CaseTask } from '../casework/casework.entity.ts';
import { presentTask } from '../casework/casework.service.ts';
import { presentBath } from '../cleaning/cleaning.service.ts';
import { BathRun } from '../cleaning/cleaning.entity.ts';
import { LookTaken, Observation } from '../diagnosis/diagnosis.entity.ts';
import { askAll, rows } from '../platform/database/rows.ts';
import { ElectricLook } from '../electric/electric.entity.ts';
import { presentElectric } from '../electric/electric.service.ts';
import { Finding } from '../assessment/findings.entity.ts';
import { presentFinding } from '../assessment/findings.service.ts';
import { Bush } from '../fitting/fitting.entity.ts';
import { partsAsk, showParts } from '../fitting/fitting.service.ts';
import { need, type Context } from '../platform/http/context.ts';
import { HistoryEntry } from '../movements/history.entity.ts';
import { movementAsk, showMovement } from '../movements/movements.service.ts';
import { Clock } from '../movements/movements.entity.ts';
import { Owner } from '../owners/owners.entity.ts';
import { present as presentOwner } from '../owners/owners.service.ts';
import { OiledPoint } from '../oiling/oiling.entity.ts';
import { photosAsk, showPhotos } from '../photos/photos.service.ts';
import { TrainPower } from '../power-down/power-down.entity.ts';
import { presentPower } from '../power-down/power-down.service.ts';
import { Recording } from '../recordings/recordings.entity.ts';
import { presentRecording } from '../recordings/recordings.service.ts';
import { replacementAsk, showReplacement } from '../replacement/replacement.view.ts';
import { rulesAsk, showRules } from '../house-rules/house-rules.service.ts';
import { showStrip, stripAsk } from '../strip/strip.service.ts';
import { PartLook, PlatePhoto, SurveyedHole } from '../survey/survey.entity.ts';
import {
  lastSurveyAsk,
  presentHole,
  presentLook,
  presentPlatePhoto,
  showLastSurvey,
} from '../survey/survey.service.ts';
import { runAsk, showRun } from '../test-run/test-run.service.ts';
import { showTogether, togetherAsk } from '../assembly/assembly.service.ts';
import { KeptWorking } from '../workings/workings.entity.ts';
import { presentKept } from '../workings/workings.service.ts';
import { CautionRead, StageEvent, Visit } from './visit.entity.ts';

/** The whole visit, as every stage of it needs it. */
export async function presentVisit(ctx: Context, visitId: string): Promise<Shape> {
  const { em } = ctx;
  const visit = await need(ctx, Visit, { id: visitId }, 'visit');
  const at = <T extends { by: string; at: Date }>(x: T) => ({ by: x.by, at: x.at.toISOString() });
  const of = 'where visit_id = ?';
  const inTime = `${of} order by at`;
  const found = await askAll(em, {
    ...movementAsk(visit.movementId),
    ...agreementAsk(ctx, visitId),
    ...rulesAsk(visitId),
    ...photosAsk(visitId),
    ...stripAsk(visitId),
    ...runAsk(visitId),
    ...lastSurveyAsk(visit),
    ...partsAsk(visitId),
    ...replacementAsk(visitId),
    ...togetherAsk(visitId),
    owners: rows(Owner, 'where id = ?', visit.ownerId),
    clocks: rows(Clock, 'where id = ?', visit.clockId),
    stageLog: rows(StageEvent, inTime, visitId),
    power: rows(TrainPower, of, visitId),
    findings: rows(Finding, inTime, visitId),
    observations: rows(Observation, of, visitId),
    looks: rows(LookTaken, inTime, visitId),
    cautions: rows(CautionRead, of, visitId),
    electric: rows(ElectricLook, inTime, visitId),
    recordings: rows(Recording, inTime, visitId),
    casework: rows(CaseTask, inTime, visitId),
    baths: rows(BathRun, `${of} order by started_at`, visitId),
    holes: rows(SurveyedHole, of, visitId),
    partLooks: rows(PartLook, of, visitId),
    platePhotos: rows(PlatePhoto, of, visitId),
    bushes: rows(Bush, inTime, visitId),
    time: rows(TimeSpent, `${of} order by started_at`, visitId),
    oiled: rows(OiledPoint, of, visitId),
    workings: rows(KeptWorking, inTime, visitId),
    received: rows(ReceivedItem, `${of} order by position`, visitId),
    entry: rows(HistoryEntry, of, visitId),
    answers: rows(ComplaintAnswer, of, visitId),
    wantedThings: rows(
      WantedThing,
      'where clock_id = ? and (visit_id = ? or ended is null) order by at',
      visit.clockId,
      visitId,
    ),
    places: rows(PlaceLook, of, visitId),
    measurements: rows(Measurement, inTime, visitId),
    before: rows(
      Visit,
      'where id <> ? and closed_at is not null and (movement_id = ? or clock_id = ?) order by closed_at desc',
      visitId,
      visit.movementId,
      visit.clockId,
    ),
    handsOff: rows(
      Finding,
      'where do_not_disturb and visit_id in (select id from visit where movement_id = ? and opened_at <= ?) order by at desc',
      visit.movementId,
      visit.openedAt,
    ),
  });
  const movement = showMovement(found);
  const trains = poweredTrains(movement.traits).map((t) => t.train);
  const earlier = found.before.map((v) => ({ visitId: v.id, claim: v.claim, closedAt: v.closedAt!.toISOString() }));

  const view: Omit<Shape, 'next'> = {
    id: visit.id,
    claim: visit.claim,
    version: visit.version,
    openedAt: visit.openedAt.toISOString(),
    closedAt: visit.closedAt?.toISOString() ?? null,
    complaint: visit.complaint,
    wanted: visit.wanted,
    notWanted: visit.notWanted,
    outOfScope: visit.outOfScope,
    promisedFor: visit.promisedFor ?? null,
    cause: visit.cause,
    owner: presentOwner(found.owners[0]!),
    clock: { id: visit.clockId, description: found.clocks[0]!.description },
    movement,
    received: found.received.map(presentReceived),
    answers: found.answers.map((a) => ({ question: a.question, answer: a.answer, ...at(a) })),
    wantedThings: found.wantedThings.map((w) => ({
      id: w.id,
      what: w.what,
      evidence: w.evidence,
      ended: w.ended ?? null,
      ...at(w),
    })),
    alone: visit.alone ?? null,
    earlier,
    callbackOf: earlier.find((e) => e.visitId === visit.callbackOf) ?? null,
    places: found.places.map((p) => ({ place: p.place, state: p.state, ...at(p) })),
    measurements: found.measurements.map((m) => presentMeasurement(movement.traits, m)),
    agreement: showAgreement(found),
    rules: showRules(found),
    handsOff: found.handsOff.map((h) => ({ place: h.place, seen: h.seen, at: h.at.toISOString() })),
    stages: STAGES.flatMap(({ id: stage }) => {
      const last = found.stageLog.findLast((e) => e.stage === stage);
      return last ? [{ stage, done: last.done, ...at(last) }] : [];
    }),
    photos: showPhotos(found),
    recordings: found.recordings.map(presentRecording),
    findings: found.findings.map(presentFinding),
    observations: Object.fromEntries(found.observations.map((o) => [o.symptom, o.state])),
    looks: found.looks.map((l) => ({ look: l.look, outcome: l.outcome, ...at(l) })),
    power: found.power.sort((a, b) => trains.indexOf(a.train) - trains.indexOf(b.train)).map(presentPower),
    cautions: found.cautions.map((c) => ({ caution: c.caution, ...at(c) })),
    strip: showStrip(found),
    baths: found.baths.map(presentBath),
    replacement: showReplacement(found),
    electric: found.electric.map(presentElectric),
    casework: found.casework.map(presentTask),
    holes: found.holes.map(presentHole),
    platePhotos: found.platePhotos.map(presentPlatePhoto),
    partLooks: found.partLooks.map(presentLook),
    lastSurvey: showLastSurvey(found),
    time: found.time.map(presentTime),
    bushes: found.bushes.map((b) => ({
      id: b.id,
      hole: b.hole,
      pivotMm: b.pivotMm,
      boreMm: b.boreMm,
      outsideMm: b.outsideMm,
      heightMm: b.heightMm,
      note: b.note,
      located: b.located ?? null,
      off: b.off,
      endShakeMm: b.endShakeMm ?? null,
      spins: b.spins ?? null,
      stockId: b.stockId ?? null,
      ...at(b),
    })),
    parts: showParts(found),
    oiled: found.oiled.map((o) => ({
      point: o.point,
      product: o.product,
      batch: o.batch,
      stockId: o.stockId ?? null,
      differs: o.differs,
      ...at(o),
    })),
    ...showTogether(found),
    testRun: showRun(found),
    workings: found.workings.map(presentKept),
    entryId: found.entry[0]?.id ?? null,
  };
  const now = ctx.now.getTime();
  return { ...view, next: nextAction(visitFacts(view, now), now) };
}
