import type { Visit as Shape } from '@eclat/contract';
import { poweredTrains } from '@eclat/core/movement';
import { nextAction, STAGES } from '@eclat/core/stages';
import { FACTS_SQL, factsOf, type FactRow } from '../bench/facts.ts';
import { presentAgreement } from '../agreement/agreement.service.ts';
import { presentMeasurement } from '../counter/assess.service.ts';
import { ComplaintAnswer, Measurement, PlaceLook, ReceivedItem, WantedThing } from '../counter/counter.entity.ts';
import { presentReceived } from '../counter/counter.service.ts';
import { presentBath } from '../cleaning/cleaning.service.ts';
import { BathRun } from '../cleaning/cleaning.entity.ts';
import { LookTaken, Observation } from '../diagnosis/diagnosis.entity.ts';
import { Finding } from '../findings/findings.entity.ts';
import { presentFinding } from '../findings/findings.service.ts';
import { Bush, PartFitted } from '../fitting/fitting.entity.ts';
import { need, type Context } from '../http/context.ts';
import { sql } from '../http/house.ts';
import { HistoryEntry } from '../history/history.entity.ts';
import { presentMovement } from '../movements/movements.service.ts';
import { Clock, Movement } from '../movements/movements.entity.ts';
import { Owner } from '../owners/owners.entity.ts';
import { present as presentOwner } from '../owners/owners.service.ts';
import { OiledPoint } from '../oiling/oiling.entity.ts';
import { presentPhotos } from '../photos/photos.service.ts';
import { TrainPower } from '../power/power.entity.ts';
import { presentPower } from '../power/power.service.ts';
import { presentRules } from '../rules/rules.service.ts';
import { presentStrip } from '../strip/strip.service.ts';
import { SurveyedHole } from '../survey/survey.entity.ts';
import { presentHole } from '../survey/survey.service.ts';
import { presentRun } from '../testruns/testruns.service.ts';
import { KeptWorking } from '../workings/workings.entity.ts';
import { presentKept } from '../workings/workings.service.ts';
import { CautionRead, StageEvent, Visit } from './visits.entity.ts';

/** The whole visit, as every stage of it needs it. */
export async function presentVisit(ctx: Context, visitId: string): Promise<Shape> {
  const { em } = ctx;
  const visit = await need(ctx, Visit, { id: visitId }, 'visit');
  const of = { visitId };
  const inTime = { orderBy: { at: 'asc' } } as const;
  const owner = await need(ctx, Owner, { id: visit.ownerId }, 'owner');
  const clock = await need(ctx, Clock, { id: visit.clockId }, 'clock');
  const movement = await need(ctx, Movement, { id: visit.movementId }, 'movement');
  const [row] = await sql<FactRow>(em, `${FACTS_SQL} where v.id = ?`, [visitId]);
  const at = <T extends { by: string; at: Date }>(x: T) => ({ by: x.by, at: x.at.toISOString() });

  const stageLog = await em.find(StageEvent, of, inTime);
  const power = await em.find(TrainPower, of);
  const trains = poweredTrains(movement.traits).map((t) => t.train);
  const findings = await em.find(Finding, of, inTime);
  const observations = await em.find(Observation, of);
  const looks = await em.find(LookTaken, of, inTime);
  const cautions = await em.find(CautionRead, of);
  const baths = await em.find(BathRun, of, { orderBy: { startedAt: 'asc' } });
  const holes = await em.find(SurveyedHole, of);
  const bushes = await em.find(Bush, of, inTime);
  const parts = await em.find(PartFitted, of, inTime);
  const oiled = await em.find(OiledPoint, of);
  const workings = await em.find(KeptWorking, of, inTime);
  const received = await em.find(ReceivedItem, of, { orderBy: { position: 'asc' } });
  const entry = await em.findOne(HistoryEntry, of);
  const answers = await em.find(ComplaintAnswer, of);
  const wantedThings = await em.find(WantedThing, { clockId: clock.id, $or: [{ visitId }, { ended: null }] }, inTime);
  const places = await em.find(PlaceLook, of);
  const measurements = await em.find(Measurement, of, inTime);
  const earlier = (await em.find(Visit, { id: { $ne: visitId }, closedAt: { $ne: null }, $or: [{ movementId: movement.id }, { clockId: clock.id }] }, { orderBy: { closedAt: 'desc' } }))
    .map((v) => ({ visitId: v.id, claim: v.claim, closedAt: v.closedAt!.toISOString() }));
  const handsOff = await sql<{ place: string; seen: string; at: string }>(em, `
    select f.place, f.seen, f.at from finding f join visit v on v.id = f.visit_id where v.movement_id = ? and f.do_not_disturb and v.opened_at <= ? order by f.at desc`, [movement.id, visit.openedAt]);

  return {
    id: visit.id, claim: visit.claim, version: visit.version, openedAt: visit.openedAt.toISOString(), closedAt: visit.closedAt?.toISOString() ?? null,
    complaint: visit.complaint, wanted: visit.wanted, notWanted: visit.notWanted, outOfScope: visit.outOfScope, promisedFor: visit.promisedFor ?? null, cause: visit.cause,
    owner: presentOwner(owner), clock: { id: clock.id, description: clock.description }, movement: await presentMovement(ctx, movement),
    received: received.map(presentReceived),
    answers: answers.map((a) => ({ question: a.question, answer: a.answer, ...at(a) })),
    wantedThings: wantedThings.map((w) => ({ id: w.id, what: w.what, evidence: w.evidence, ended: w.ended ?? null, ...at(w) })),
    alone: visit.alone ?? null, earlier, callbackOf: earlier.find((e) => e.visitId === visit.callbackOf) ?? null,
    places: places.map((p) => ({ place: p.place, state: p.state, ...at(p) })),
    measurements: measurements.map((m) => presentMeasurement(movement.traits, m)),
    agreement: await presentAgreement(ctx, visitId), rules: await presentRules(ctx, visitId),
    handsOff: handsOff.map((h) => ({ ...h, at: new Date(h.at).toISOString() })),
    stages: STAGES.flatMap(({ id: stage }) => {
      const last = stageLog.findLast((e) => e.stage === stage);
      return last ? [{ stage, done: last.done, ...at(last) }] : [];
    }),
    photos: await presentPhotos(ctx, visitId),
    findings: findings.map(presentFinding),
    observations: Object.fromEntries(observations.map((o) => [o.symptom, o.state])),
    looks: looks.map((l) => ({ look: l.look, outcome: l.outcome, ...at(l) })),
    power: power.sort((a, b) => trains.indexOf(a.train) - trains.indexOf(b.train)).map(presentPower),
    cautions: cautions.map((c) => ({ caution: c.caution, ...at(c) })),
    strip: await presentStrip(ctx, visitId),
    baths: baths.map(presentBath),
    holes: holes.map(presentHole),
    bushes: bushes.map((b) => ({ id: b.id, hole: b.hole, pivotMm: b.pivotMm, boreMm: b.boreMm, outsideMm: b.outsideMm, heightMm: b.heightMm, note: b.note, ...at(b) })),
    parts: parts.map((q) => ({ id: q.id, what: q.what, why: q.why, source: q.source, size: q.size, oldPart: q.oldPart, ...at(q) })),
    oiled: oiled.map((o) => ({ point: o.point, product: o.product, ...at(o) })),
    testRun: await presentRun(ctx, visitId),
    workings: workings.map(presentKept),
    next: nextAction(factsOf(row!), ctx.now.getTime()),
    entryId: entry?.id ?? null,
  };
}
