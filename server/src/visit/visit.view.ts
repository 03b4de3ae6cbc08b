import { surveyRows, viewSurvey } from '../survey/survey.view.ts';
import { stripRows, viewStrip } from '../strip/strip.view.ts';
import type { Visit as Shape } from '@eclat/contract';
import type { InferEntity } from '@mikro-orm/core';
import type { Traits } from '@eclat/core/movement';
import { partGone, visitFacts } from '@eclat/core/visit';
import { nextAction, stagesOf } from '@eclat/core/workflow';
import { agreementRows, viewAgreement } from '../agreement/agreement.service.ts';
import { assemblyRows, viewAssembly } from '../assembly/assembly.service.ts';
import { assessmentRows, viewAssessment } from '../assessment/assessment.service.ts';
import { TimeSpent } from '../bench-time/bench-time.entity.ts';
import { viewTime } from '../bench-time/bench-time.service.ts';
import { CaseTask } from '../casework/casework.entity.ts';
import { ConservationDecision } from '../conservation/conservation.entity.ts';
import { viewDecision } from '../conservation/conservation.service.ts';
import { viewTask } from '../casework/casework.service.ts';
import { BathRun } from '../cleaning/cleaning.entity.ts';
import { viewCleaning } from '../cleaning/cleaning.service.ts';
import { diagnosisRows, viewDiagnosis } from '../diagnosis/diagnosis.service.ts';
import { benchRows, viewBenches } from '../benches/benches.service.ts';
import { VisitNote } from '../notes/notes.entity.ts';
import { viewNote } from '../notes/notes.service.ts';
import { fittingRows, viewFitting } from '../fitting/fitting.service.ts';
import { rulesRows, viewVisitRules } from '../house-rules/house-rules.service.ts';
import { listeningRows, viewListening } from '../listening/listening.service.ts';
import { HistoryEntry } from '../movements/history.entity.ts';
import { Clock } from '../movements/movements.entity.ts';
import { movementRows, viewMovement } from '../movements/movements.service.ts';
import { oilingRows, viewOiling } from '../oiling/oiling.service.ts';
import { Owner } from '../owners/owners.entity.ts';
import { viewOwner } from '../owners/owners.service.ts';
import { photosRows, viewPhotos } from '../photos/photos.service.ts';
import { fetchAll, rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, viewSigned, type Context } from '../platform/http/context.ts';
import { PowerEvent, PowerOverride } from '../power-down/power-down.entity.ts';
import { viewOverride, viewPower } from '../power-down/power-down.service.ts';
import { receptionRows, viewReception } from '../reception/reception.service.ts';
import { Recording } from '../recordings/recordings.entity.ts';
import { viewRecording } from '../recordings/recordings.service.ts';
import { replacementRows, viewReplacement } from '../replacement/replacement.view.ts';
import { KeptWord, viewKeptWord } from '../signing/signing.entity.ts';
import { strikeRows, viewStrike } from '../strike/strike.service.ts';
import { runRows, viewRun } from '../test-run/test-run.service.ts';
import { KeptWorking } from '../workings/workings.entity.ts';
import { viewKept } from '../workings/workings.service.ts';
import { unitRows, viewUnits } from '../sub-assemblies/sub-assemblies.service.ts';
import { jobRows, viewJob } from './job.service.ts';
import { CautionRead, StageEvent, Visit } from './visit.entity.ts';

/** The whole visit, as every stage of it needs it: each feature names its rows and says how they are viewed. */
export async function viewVisit(ctx: Context, visitId: string): Promise<Shape> {
  const visit = await findOrRefuse(ctx, Visit, { id: visitId }, 'visit');
  const found = await fetchAll(ctx.em, {
    ...ofTheVisit(visit),
    ...jobRows(visitId),
    ...unitRows(visitId),
    ...receptionRows(visit),
    ...assessmentRows(visit),
    ...diagnosisRows(visitId),
    ...agreementRows(ctx, visitId),
    ...rulesRows(visitId),
    ...photosRows(visitId),
    ...movementRows(visit.movementId),
    ...stripRows(visitId),
    ...surveyRows(visit),
    ...fittingRows(visitId),
    ...replacementRows(visitId),
    ...assemblyRows(visit),
    ...strikeRows(visitId),
    ...listeningRows(visitId),
    ...oilingRows(visitId),
    ...runRows(visitId),
  });
  const movement = describedFor(visit, found);
  const job = viewJob(found);
  const strip = viewStrip(found);
  const survey = viewSurvey(found);
  const assembly = viewAssembly(found, movement.traits, strip.passes, visitId);
  const oiling = viewOiling(found, movement.traits, strip.passes);
  const { kept, gone } = partGone(
    movement.traits,
    found.descriptions.map((d) => d.traits),
    { ...survey, ...assembly, ...oiling },
    lastWords(found.power),
  );
  const view: Omit<Shape, 'next'> = {
    ...viewItself(visit, found, movement.traits),
    ...job,
    stages: viewStages(job.job, found.stageLog),
    ...viewReception(found),
    ...viewAssessment(found, movement.traits),
    ...viewDiagnosis(found),
    movement,
    units: viewUnits(found),
    agreement: viewAgreement(found),
    rules: viewVisitRules(found),
    photos: viewPhotos(found),
    strip,
    ...survey,
    ...viewFitting(found),
    replacement: viewReplacement(found),
    ...assembly,
    ...viewStrike(found),
    ...viewListening(found),
    ...oiling,
    ...kept,
    gone,
    testRun: viewRun(found),
  };
  const now = ctx.now.getTime();
  return { ...view, next: nextAction(visitFacts(view, now), now) };
}

/** As it is described today; a signed visit as it was described when it was signed. */
function describedFor(visit: Visit, found: RowsOf<ReturnType<typeof movementRows>>): Shape['movement'] {
  const movement = viewMovement(found);
  const then = visit.describedAs && found.descriptions.find((d) => d.id === visit.describedAs);
  return then ? { ...movement, traits: then.traits, familyId: then.familyId } : movement;
}

const lastWords = (events: readonly PowerEvent[]) =>
  [...new Map(events.map((e) => [e.source, e])).values()].map((e) => ({
    ...{ source: e.source, state: e.state },
    ...viewSigned(e),
  }));

function viewStages(job: Shape['job'], log: readonly InferEntity<typeof StageEvent>[]): Shape['stages'] {
  const last = new Map(log.map((e) => [e.stage, e]));
  return stagesOf(job, [...last.values()]).map((s) => ({
    ...s,
    by: last.get(s.stage)?.by ?? '',
    at: last.get(s.stage)?.at.toISOString() ?? null,
  }));
}

/** What hangs on the visit row by row, with nothing to be put together. */
const ofTheVisit = ({ id, ownerId, clockId, movementId }: Visit) => ({
  owners: rows(Owner, 'where id = ?', ownerId),
  clocks: rows(Clock, 'where id = ?', clockId),
  before: rows(
    Visit,
    'where id <> ? and closed_at is not null and (movement_id = ? or clock_id = ?) order by closed_at desc',
    id,
    movementId,
    clockId,
  ),
  entry: rows(HistoryEntry, 'where visit_id = ?', id),
  stageLog: rows(StageEvent, 'where visit_id = ? order by at', id),
  cautions: rows(CautionRead, 'where visit_id = ?', id),
  keptWords: rows(KeptWord, 'where visit_id = ? order by at', id),
  power: rows(PowerEvent, 'where visit_id = ? order by at, version', id),
  overrides: rows(PowerOverride, 'where visit_id = ? order by at', id),
  time: rows(TimeSpent, 'where visit_id = ? order by started_at', id),
  recordings: rows(Recording, 'where visit_id = ? order by at', id),
  baths: rows(BathRun, 'where visit_id = ? order by started_at', id),
  casework: rows(CaseTask, 'where visit_id = ? order by position, at', id),
  conservation: rows(ConservationDecision, 'where visit_id = ? order by about, id', id),
  ...benchRows(id, movementId),
  notes: rows(VisitNote, 'where visit_id = ? order by at', id),
  workings: rows(KeptWorking, 'where visit_id = ? order by at', id),
});

function viewItself(visit: Visit, found: RowsOf<ReturnType<typeof ofTheVisit>>, traits: Traits) {
  const earlier = found.before.map((v) => ({ visitId: v.id, claim: v.claim, closedAt: v.closedAt!.toISOString() }));
  const { id, claim, version, complaint, wanted, notWanted, outOfScope, cause } = visit;
  return {
    ...{ id, claim, version, complaint, wanted, notWanted, outOfScope, cause },
    openedAt: visit.openedAt.toISOString(),
    closedAt: visit.closedAt?.toISOString() ?? null,
    promisedFor: visit.promisedFor ?? null,
    prognosis: visit.prognosis,
    lookAgainOn: visit.lookAgainOn ?? null,
    alone: visit.alone ?? null,
    entryId: found.entry[0]?.id ?? null,
    owner: viewOwner(found.owners[0]!),
    clock: { id: visit.clockId, description: found.clocks[0]!.description },
    earlier,
    callbackOf: earlier.find((e) => e.visitId === visit.callbackOf) ?? null,
    cautions: found.cautions.map((c) => ({ caution: c.caution, ...viewSigned(c) })),
    power: viewPower(traits, found.power),
    overrides: found.overrides.map(viewOverride),
    keptWords: found.keptWords.map(viewKeptWord),
    time: found.time.map(viewTime),
    recordings: found.recordings.map(viewRecording),
    baths: found.baths.map(viewCleaning),
    casework: found.casework.map(viewTask),
    conservation: found.conservation.map(viewDecision),
    benchTests: viewBenches(found, id),
    notes: found.notes.map(viewNote),
    workings: found.workings.map(viewKept),
  };
}
