import { measured } from './clock.ts';
import { DAY, type Course, type Run } from './course.ts';
import { driedIn, expected, findingsAgain } from './later.ts';
import { randomUUID } from 'node:crypto';
import type { BodyOf, Person, Visit } from '@eclat/contract';
import { wantedStepFields } from '@eclat/contract/reception';
import { api } from '@eclat/contract';
import { walkOf } from '@eclat/core/assess';
import { ROUTES, priceOfRoute } from '@eclat/core/estimate';
import { cautionsFor } from '@eclat/core/cautions';
import type { Bath } from '@eclat/core/cleaning';
import { addUnit, setUnitStage } from '@eclat/server/sub-assemblies/sub-assemblies.service';
import { has, holesOf, trainName, type Traits } from '@eclat/core/movement';
import { checksFor } from '@eclat/core/checks';
import { setCheck } from '@eclat/server/assembly/assembly.service';
import { addHeard } from '@eclat/server/listening/listening.service';
import { oilChart } from '@eclat/core/oiling';
import { bushChoices, partsToSurvey, polishKey, freshClearanceMm, judgeHole } from '@eclat/core/pivots';
import { bushesIn } from '@eclat/core/stores';
import { STAGE_IDS, stagesIn, type StageId } from '@eclat/core/workflow';
import { addLine, chooseRoute, decide, loadAgreement, offerRoute } from '@eclat/server/agreement/agreement.service';
import { askByLink, guestOf, makeLink } from '@eclat/server/owner-page/owner-page.service';
import { putTime } from '@eclat/server/bench-time/bench-time.service';
import { addTask, didTask, setTaskDone } from '@eclat/server/casework/casework.service';
import { addDecision } from '@eclat/server/conservation/conservation.service';
import { startBath, stepBath, stopBath } from '@eclat/server/cleaning/cleaning.service';
import { addEvidence, setPlace, addMeasurement } from '@eclat/server/assessment/assessment.service';
import { answerQuestion, linkCallback, cameAlone, returnReceived } from '@eclat/server/reception/reception.service';
import { addWanted, addWantedStep } from '@eclat/server/reception/wanted.service';
import type { EntityManager } from '@eclat/server/platform/database/orm';
import { addBenchTest } from '@eclat/server/benches/benches.service';
import { observe, settleCause, recordLook } from '@eclat/server/diagnosis/diagnosis.service';
import { addFinding } from '@eclat/server/assessment/findings.service';
import { addBush, addWork, addPart } from '@eclat/server/fitting/fitting.service';
import type { Context } from '@eclat/server/platform/http/context';
import { inscribe } from '@eclat/server/movements/inscriptions.service';
import { addNote } from '@eclat/server/notes/notes.service';
import { setPoint } from '@eclat/server/oiling/oiling.service';
import { addPhoto, changePhoto, setMark } from '@eclat/server/photos/photos.service';
import { beginStrip, setPower } from '@eclat/server/power-down/power-down.service';
import { comesOff, staysWhole } from '@eclat/core/strip';
import { decodePhoto } from '@eclat/server/photos/decode';
import { addPhase, addStep, setFate } from '@eclat/server/strip/strip.service';
import { listStores } from '@eclat/server/stores/stores.service';
import { setPart, measureHole, soundParts } from '@eclat/server/survey/survey.service';
import { addEvent, addReading, startRun } from '@eclat/server/test-run/test-run.service';
import { takeIn } from '@eclat/server/reception/intake.service';
import { viewVisit } from '@eclat/server/visit/visit.view';
import { signVisit } from '@eclat/server/signing/signing.service';
import { changeVisit, markStage, readCaution } from '@eclat/server/visit/visit.service';
import { keepWorking } from '@eclat/server/workings/workings.service';
import { photograph, type Picture } from './pictures.ts';

/** Plays a visit through the same services as real use, at given moments, in one transaction. */
export class Workshop {
  private readonly touched = new Set<string>();
  constructor(
    private readonly em: EntityManager,
    private person: Person,
    private now: Date,
    private readonly today: Date,
    private readonly random: () => number,
    private readonly fills: readonly { id: string; bath: Bath; at: Date }[],
  ) {}

  get time(): Date {
    return this.now;
  }

  private get ctx(): Context {
    return { em: this.em, person: this.person, now: this.now, touched: this.touched };
  }
  /** Somebody else goes on with it. */
  handTo(person: Person): void {
    this.person = person;
  }
  async note(visitId: string, text: string): Promise<void> {
    await this.did(addNote(this.ctx, visitId, { text }));
  }
  pass(minutes: number): void {
    this.now = new Date(this.now.getTime() + minutes * 60_000);
  }
  private async did<T>(work: Promise<T>, minutes = 2): Promise<T> {
    const result = await work;
    await this.em.flush();
    this.em.clear(); // or every flush compares all that was made before it, photos too
    this.pass(minutes);
    return result;
  }

  takeIn = (given: BodyOf<typeof api.visit.open>): Promise<Visit> =>
    this.did(takeIn(this.ctx, api.visit.open.body.parse(given)), 6);
  photo = async (visitId: string, picture: Picture, caption: string, stage: StageId = 'intake') =>
    this.did(
      addPhoto(this.ctx, visitId, await decodePhoto(await photograph(picture, this.random())), { caption, stage }),
    );
  /** The worn hole as it was, and bushed. Lit as it was: nothing else of the demo changes by it. */
  private async mended(visitId: string, caption: string): Promise<void> {
    const shot = async (picture: Picture, said: string, stage: StageId) =>
      this.did(
        addPhoto(this.ctx, visitId, await decodePhoto(await photograph(picture, 0.5)), { caption: said, stage }),
        0,
      );
    const before = await shot('wear', `${caption}, worn`, 'survey');
    const after = await shot('bush', caption, 'fit');
    await this.did(changePhoto(this.ctx, visitId, after.id, { beforeId: before.id }), 0);
  }
  inscribe = (movementId: string, said: BodyOf<typeof api.movements.inscribe>) =>
    this.did(inscribe(this.ctx, movementId, api.movements.inscribe.body.parse(said)));
  promise = async (visit: Visit, date: string) =>
    this.did(changeVisit(this.ctx, visit.id, { promisedFor: date, version: visit.version }));
  sign = (visitId: string, note: string, waiver = '') => this.did(signVisit(this.ctx, visitId, { note, waiver }));

  /** Carries the visit up to, but not through, a stage. */
  async carry(visit: Visit, to: StageId, course: Course): Promise<void> {
    const outside = stagesIn(visit.stages, 'not in this job');
    for (const stage of STAGE_IDS.slice(0, STAGE_IDS.indexOf(to)).filter((s) => !outside.includes(s))) {
      await this.work(visit, stage, course);
      await this.reckon(visit, stage, course);
      await this.timed(visit, stage);
      await this.did(markStage(this.ctx, visit.id, stage, { state: 'done', why: '' }), 20);
    }
    await this.work(visit, to, course, true);
    await this.beside(visit.id, course.casework);
    for (const d of course.conservation ?? [])
      await this.did(addDecision(this.ctx, visit.id, api.conservation.add.body.parse(d)), 0);
    if (course.mended) await this.mended(visit.id, course.mended);
    for (const test of course.bench ?? []) await this.did(addBenchTest(this.ctx, visit.id, { test }), 3);
    await expected(this.ctx, (w, m) => this.did(w, m), await viewVisit(this.ctx, visit.id), course, this.today);
    await this.later(visit.id, course.estimate?.later);
    await this.reckon(visit, to, course);
  }

  /** What the stages usually take here, minutes of bench time for each train. */
  private async timed(visit: Visit, stage: StageId): Promise<void> {
    const minutes = { strip: 28, clean: 22, survey: 25, fit: 50, assemble: 35, oil: 10 }[stage as string];
    if (!minutes) return;
    this.pass(Math.round(minutes * visit.movement.traits.trains.length * (0.8 + 0.5 * this.random())));
    const startedAt = new Date(this.now.getTime() - minutes * visit.movement.traits.trains.length * 60_000);
    await this.did(
      putTime(this.ctx, visit.id, randomUUID(), {
        stage,
        startedAt: startedAt.toISOString(),
        endedAt: this.now.toISOString(),
      }),
      0,
    );
  }

  private async reckon(visit: Visit, stage: StageId, course: Course): Promise<void> {
    for (const w of course.workings?.filter((x) => x.stage === stage) ?? [])
      await this.did(keepWorking(this.ctx, visit.id, w), 4);
  }

  private async work(visit: Visit, stage: StageId, course: Course, last = false): Promise<void> {
    switch (stage) {
      case 'intake':
        return this.counter(visit, course, last);
      case 'assess':
        await this.cautions(visit, stage, last);
        return this.assess(visit, course);
      case 'diagnose':
        return this.diagnose(visit, course, last);
      case 'agree':
        return this.agree(visit, course, last);
      case 'power':
        return this.powerDown(visit, course, last);
      case 'strip':
        return this.strip(visit, last);
      case 'clean':
        return this.clean(visit, course);
      case 'survey':
        return this.survey(visit, course);
      case 'fit':
        for (const w of course.work ?? [])
          await this.did(addWork(this.ctx, visit.id, api.fitting.addWork.body.parse(w)), 15);
        await this.fit(visit, course);
        return driedIn(this.ctx, (w, m) => this.did(w, m), await viewVisit(this.ctx, visit.id), course);
      case 'assemble':
        return this.assemble(visit, last);
      case 'oil':
        return this.oil(visit, course, last);
      case 'run':
        if (course.run) await this.testRun(visit, course.run);
        return this.checked(visit, 'run', last ? 0 : undefined);
      case 'deliver':
        return this.checked(visit, 'deliver', last ? 3 : 0, 2);
      case 'sign':
        return;
    }
  }

  /** The checks of a stage passed, all of them or the first few. */
  private async checked(visit: Visit, stage: 'assemble' | 'run' | 'deliver', first?: number, minutes = 1) {
    for (const c of checksFor(visit.movement.traits, stage).slice(0, first))
      await this.did(
        setCheck(this.ctx, visit.id, c.id, { result: 'passed', note: '', detail: null, apart: null }),
        minutes,
      );
  }

  private async cautions({ id, movement }: Visit, stage: 'intake' | 'assess', last: boolean): Promise<void> {
    for (const c of cautionsFor(movement.traits, stage))
      if (c.acknowledge && !last) await this.did(readCaution(this.ctx, id, c.id));
  }

  private async counter(visit: Visit, course: Course, last: boolean): Promise<void> {
    const { id } = visit;
    await this.cautions(visit, 'intake', last);
    for (const [question, answer] of Object.entries(course.answers ?? {}))
      await this.did(answerQuestion(this.ctx, id, question, answer), 1);
    for (const { what, evidence, would = '', steps = [] } of course.missing ?? []) {
      const thing = await this.did(addWanted(this.ctx, id, { what, evidence, would }), 1);
      for (const step of steps)
        await this.did(addWantedStep(this.ctx, id, thing.id, wantedStepFields.parse(step)), 60 * 8);
    }
    if (course.alone) await this.did(cameAlone(this.ctx, id, course.alone), 1);
  }

  private async diagnose({ id }: Visit, course: Course, last: boolean): Promise<void> {
    for (const [symptom, state] of Object.entries(course.symptoms ?? {}))
      await this.did(observe(this.ctx, id, symptom, state));
    for (const [look, outcome] of Object.entries(course.looks ?? {}))
      await this.did(recordLook(this.ctx, id, look, outcome), 4);
    if (last) return;
    if (course.causeBefore) await this.did(settleCause(this.ctx, id, course.causeBefore.said, ''), 60);
    if (course.cause) await this.did(settleCause(this.ctx, id, course.cause, course.causeBefore?.why ?? ''));
  }

  private async clean(visit: Visit, course: Course): Promise<void> {
    const { id } = visit;
    const { traits } = visit.movement;
    for (const b of course.baths ?? []) {
      // what is going on now was begun a few minutes ago
      if (b.running) this.now = new Date(this.today.getTime() - 4 * 60_000);
      const sequence = b.sequence ?? sequenceFor(b.bath, traits);
      const fill = this.fills.find((f) => f.bath === b.bath && f.at < this.now);
      let run = await this.did(
        startBath(this.ctx, id, {
          sequence,
          bath: b.bath,
          parts: b.parts,
          minutes: b.minutes,
          overrideReason: '',
          fillId: fill?.id ?? null,
          before: b.before ?? '',
        }),
        0,
      );
      this.pass(run.steps[0]!.minutes ?? 3);
      for (const { minutes } of b.running ? run.steps.slice(1, 2) : run.steps.slice(1))
        run = await this.did(
          stepBath(this.ctx, id, run.id, { to: 'next', reason: '', version: run.version }),
          b.running ? 0 : (minutes ?? 3),
        );
      if (!b.running) await this.did(stopBath(this.ctx, id, run.id, b.after ?? ''));
    }
  }

  private async assemble(visit: Visit, last: boolean): Promise<void> {
    const { id } = visit;
    await this.checked(visit, 'assemble', last ? 4 : undefined);
    if (last && has(visit.movement.traits, 'moon work'))
      await this.did(
        setCheck(this.ctx, id, 'moon', {
          result: 'under way',
          note: '',
          detail: { of: 118, done: 44, fouled: [{ step: 41, note: 'tip of the hour hand' }] },
          apart: null,
        }),
        3,
      );
    for (const s of (await viewVisit(this.ctx, id)).strip.steps.toReversed().slice(0, last ? 9 : undefined))
      await this.did(setFate(this.ctx, id, s.id, { fate: 'on again', note: '' }), 2);
  }

  private async oil(visit: Visit, course: Course, last: boolean): Promise<void> {
    const points = oilChart(visit.movement.traits);
    const oils = (await listStores(this.ctx)).filter((i) => i.kind === 'product');
    const oilFor = (grade: string) =>
      oils.find((o) => o.name.toLowerCase().includes(grade === 'grease' ? 'grease' : 'oil'))!;
    for (const p of points.slice(0, points.length - (last ? (course.oilLeft ?? points.length) : 0)))
      await this.did(
        setPoint(this.ctx, visit.id, p.id, {
          dry: false,
          differs: '',
          ...(p.grade === 'none'
            ? { product: '', batch: '', stockId: null }
            : {
                product: oilFor(p.grade).name,
                batch: p.grade === 'grease' ? '21-11' : '22-07',
                stockId: oilFor(p.grade).id,
              }),
        }),
        1,
      );
  }

  private async assess(visit: Visit, course: Course): Promise<void> {
    const { id, movement } = visit;
    for (const f of course.findings ?? [])
      await this.did(addFinding(this.ctx, id, api.assessment.addFinding.body.parse(f)));
    const { findings, photos } = await viewVisit(this.ctx, id);
    await findingsAgain(this.ctx, (w, m) => this.did(w, m), await viewVisit(this.ctx, id), course);
    const found = new Set(findings.map((f) => f.place));
    for (const { place } of walkOf(movement.traits).slice(0, course.walked))
      await this.did(setPlace(this.ctx, id, place, found.has(place) ? 'finding' : 'in order'), 0);
    for (const m of course.measured ?? [])
      await this.did(addMeasurement(this.ctx, id, api.assessment.addMeasurement.body.parse(m)), 1);
    for (const { name, done } of course.units ?? []) {
      const unit = await addUnit(this.ctx, id, { name });
      for (const stage of done) await this.did(setUnitStage(this.ctx, id, unit.id, stage, { state: 'done', why: '' }));
    }
    for (const e of course.dated ?? []) await this.did(addEvidence(this.ctx, movement.id, e), 1);
    const photo = photos.at(-1);
    if (photo)
      for (const k of course.points ?? [])
        await this.did(
          setMark(this.ctx, id, photo.id, randomUUID(), {
            x: k.x,
            y: k.y,
            shape: k.shape ?? 'point',
            to: k.to ?? null,
            findingId: findings.find((f) => f.seen === course.findings?.[k.finding]?.seen)?.id ?? null,
            note: '',
          }),
          1,
        );
  }

  /** What was said of each line; a visit that has gone on was agreed in one line if nothing else is told. */
  private async agree(visit: Visit, course: Course, last: boolean): Promise<void> {
    const { findings } = await viewVisit(this.ctx, visit.id);
    const plain = {
      kind: 'labour' as const,
      what: 'Service: strip, clean, survey, oil, test',
      quantity: String(4 * visit.movement.traits.trains.length),
      price: '52.00',
      says: 'accepted' as const,
    };
    const {
      routes = [],
      chosen,
      lines,
      question,
    }: NonNullable<Course['estimate']> = course.estimate ?? { lines: last ? [] : [plain] };
    const given = { how: 'phone' as const, who: visit.owner.name, note: '' };
    for (const r of routes) {
      const { originality, guarantee } = ROUTES.find((x) => x.id === r)!;
      await this.did(offerRoute(this.ctx, visit.id, r, { originality, guarantee }), 1);
    }
    for (const { finding, says, ...l } of lines) {
      const line = await this.did(
        addLine(
          this.ctx,
          visit.id,
          api.agreement.addLine.body.parse({
            ...l,
            findingId:
              findings.find((f) => finding !== undefined && f.seen === course.findings?.[finding]?.seen)?.id ?? null,
          }),
        ),
        2,
      );
      if (says)
        await this.did(decide(this.ctx, visit.id, line.id, { state: says, version: line.version, ...given }), 1);
    }
    if (chosen) {
      const { lines, prices } = await loadAgreement(this.ctx, visit.id);
      const seen = priceOfRoute(lines, chosen, prices).without.gross;
      await this.did(chooseRoute(this.ctx, visit.id, { route: chosen, seen, ...given }), 1);
    }
    if (question) {
      const { token } = await this.did(makeLink(this.ctx, visit.id, 60), 60);
      const guest = await guestOf(this.ctx, token);
      await this.did(askByLink(this.ctx, guest, randomUUID(), question), 10);
    }
  }

  /** Found while it was apart: lines that the owner has not answered yet. */
  later = async (visitId: string, lines: NonNullable<Course['estimate']>['later']) => {
    for (const l of lines ?? []) await this.did(addLine(this.ctx, visitId, api.agreement.addLine.body.parse(l)));
  };
  private async beside(visitId: string, tasks: Course['casework']): Promise<void> {
    const here = this.now;
    for (const { did = 0, hoursAgo = 0, ended = false, ...given } of tasks ?? []) {
      let task = await this.did(addTask(this.ctx, visitId, api.casework.add.body.parse(given)), 1);
      for (let i = 0; i < did; i++) {
        const upTo = hoursAgo > 0 ? this.today : here;
        this.now = new Date(upTo.getTime() - (hoursAgo + (did - 1 - i) * task.waitHours) * 3_600_000);
        task = await this.did(didTask(this.ctx, visitId, task.id, { did: true, version: task.version }), 0);
      }
      if (ended) await this.did(setTaskDone(this.ctx, visitId, task.id, true), 0);
    }
    this.now = here;
  }
  comesBack = (visit: Visit) => this.did(linkCallback(this.ctx, visit.id, visit.earlier[0]!.visitId));
  giveBack = async (visit: Visit) => {
    for (const r of visit.received) await this.did(returnReceived(this.ctx, visit.id, r.id, true), 1);
  };

  private async powerDown(visit: Visit, course: Course, last: boolean): Promise<void> {
    for (const c of cautionsFor(visit.movement.traits, 'power'))
      if (c.acknowledge) await this.did(readCaution(this.ctx, visit.id, c.id));
    for (const p of visit.power) {
      const state = course.power?.[p.source] ?? (last ? 'unknown' : 'let down');
      if (state !== 'unknown')
        await this.did(
          setPower(this.ctx, visit.id, p.source, {
            state,
            turns: state === 'let down' ? 4.5 : null,
            setUpTurns: null,
            note: '',
            version: p.version,
          }),
        );
    }
    if (stagesIn(visit.stages, 'not in this job').includes('strip')) return;
    if (!last || course.override) await this.did(beginStrip(this.ctx, visit.id, course.override ?? ''));
  }

  /** From outside to the trains, each to its place; on the last stage it is half way. */
  private async strip(visit: Visit, last: boolean): Promise<void> {
    const { traits } = visit.movement;
    const all = comesOff(traits);
    const rackOf = (what: string) => traits.trains.map(trainName).find((t) => what.startsWith(t));
    const odd: Record<string, Partial<BodyOf<typeof api.strip.addStep>>> = {
      hands: { heldBy: 'taper pin', remarks: ['washer'] },
      'back cock and pallets': { heldBy: 'screw', remarks: ['longer'], note: 'the lower one' },
      'rack, snail and levers': { heldBy: 'screw', remarks: ['under-lever'], group: 'strike levers' },
      'count wheel and levers': { heldBy: 'screw', remarks: ['under-lever'], group: 'strike levers' },
    };
    if (traits.strike !== 'none')
      await this.did(
        addPhase(this.ctx, visit.id, {
          what: 'Warning wheel',
          how: 'Pin half a turn from the lever at lock.',
          when: 'before the plates close',
          photoId: null,
        }),
      );
    if (has(traits, 'fusee chain'))
      await this.did(
        addPhase(this.ctx, visit.id, {
          what: 'Set-up',
          how: 'One and a half turns on the ratchet.',
          when: 'outside',
          photoId: null,
        }),
      );
    for (const what of all.slice(0, last ? 8 : undefined))
      await this.did(
        addStep(
          this.ctx,
          visit.id,
          api.strip.addStep.body.parse({
            what,
            heldBy: 'lies loose',
            place: rackOf(what) ? `${rackOf(what)} rack` : 'tub 1',
            ...odd[what],
          }),
        ),
        4,
      );
  }

  private async survey(visit: Visit, course: Course): Promise<void> {
    const all = holesOf(visit.movement.traits);
    const sizes = {
      barrel: 3.1,
      train: 1.6,
      'late train': 1.1,
      escape: 0.82,
      pallet: 0.95,
      fly: 0.8,
      lever: 0.5,
      balance: 0.3,
    } as const;
    const measured = all.slice(0, all.length - (course.unmeasured ?? 0));
    // Polished before they are measured.
    const polished = measured.map((h) => polishKey(h.key));
    if (polished.length > 0) await this.did(soundParts(this.ctx, visit.id, polished), 1);
    for (const hole of measured) {
      const hundredth = (x: number) => Number(x.toFixed(2));
      // one movement's pivots are the same at every visit
      const own = [...hole.key].reduce((n, c) => n + c.charCodeAt(0), 0) % 8;
      const pivotMm = hundredth(sizes[hole.arbor.class] + own / 100);
      const holeShortMm = hundredth(pivotMm + 0.03);
      const holeLongMm = hundredth(holeShortMm + (course.worn?.[hole.key] ?? 0));
      const { verdict } = judgeHole({ pivotMm, holeLongMm, holeShortMm }, hole.arbor.class);
      await this.did(
        measureHole(this.ctx, visit.id, hole.key, {
          pivotMm,
          size: { kind: 'measured', holeLongMm, holeShortMm },
          verdict,
          note: '',
          version: 0,
          way: 'one-wheel',
          wearDeg: course.worn?.[hole.key] ? own * 45 : null,
          endShakeMm: hole.arbor.class === 'balance' || hole.arbor.class === 'lever' ? 0.05 : 0.2,
          spins: true,
          past: own === 3 ? 'factory bush' : 'original',
        }),
        1,
      );
    }
    for (const [key, { state, toMm = null, note = '' }] of Object.entries(course.found ?? {}))
      await this.did(setPart(this.ctx, visit.id, key, { state, toMm, note, version: 0 }), 2);
    if (course.found)
      await this.did(
        soundParts(
          this.ctx,
          visit.id,
          partsToSurvey(visit.movement.traits)
            .filter((p) => p.kind !== 'depth' && p.kind !== 'shake' && p.kind !== 'polish')
            .map((p) => p.key),
        ),
        2,
      );
  }

  private async fit(visit: Visit, course: Course): Promise<void> {
    const { holes } = await viewVisit(this.ctx, visit.id);
    for (const { pivotMm, holeLongMm, holeShortMm, ...h } of holes
      .filter((x) => x.verdict === 'bush')
      .slice(0, course.bushes)) {
      if (pivotMm === null || holeLongMm === null || holeShortMm === null) continue;
      const [bush] = bushChoices(
        {
          finishedPivotMm: pivotMm,
          clearanceMm: freshClearanceMm(pivotMm),
          holeLongMm,
          holeShortMm,
          plateMm: 2,
        },
        bushesIn(await listStores(this.ctx)),
      );
      if (bush)
        await this.did(
          addBush(this.ctx, visit.id, {
            hole: h.key,
            pivotMm,
            boreMm: Number(bush.finishedBoreMm.toFixed(3)),
            outsideMm: bush.outsideMm,
            heightMm: bush.heightMm,
            note: '',
            located: 'from the unworn side',
            off: false,
            endShakeMm: 0.2,
            spins: true,
            stockId: bush.stockId,
          }),
          25,
        );
    }
    for (const p of course.parts ?? []) {
      const stock = 'stock' in p ? p.stock : null;
      const item = stock ? (await listStores(this.ctx)).find((i) => i.supplierNo === stock)! : null;
      await this.did(
        addPart(
          this.ctx,
          visit.id,
          api.fitting.addPart.body.parse({
            ...p,
            ...(item && { kind: item.kind, sizes: item.sizes, cost: item.price, stockId: item.id }),
          }),
        ),
        15,
      );
    }
  }

  private async testRun(visit: Visit, run: Run): Promise<void> {
    if (run.endedHoursAgo !== undefined)
      this.now = new Date(this.today.getTime() - run.endedHoursAgo * 3_600_000 - run.days * DAY);
    for (const p of (await viewVisit(this.ctx, visit.id)).power)
      await this.did(
        setPower(this.ctx, visit.id, p.source, {
          state: 'wound',
          turns: null,
          setUpTurns: p.setUpTurns,
          note: 'for the test run',
          version: p.version,
        }),
      );
    await this.did(
      startRun(this.ctx, visit.id, {
        readBy: run.readBy ?? 'seconds hand',
        place: run.place,
        conditions: {
          stands: /case/.test(run.place) ? 'in its case' : 'on a stand',
          level: true,
          setter: visit.movement.traits.oscillator === 'pendulum' ? 'rating nut' : 'regulator',
          lengthMm: null,
          pitchMm: null,
        },
      }),
    );
    await this.did(
      addEvent(this.ctx, visit.id, { kind: 'wound', happenedAt: this.now.toISOString(), note: 'fully', detail: null }),
      3,
    );
    await this.readings(visit.id, run);
    if (run.heard) await this.hear(visit.id, run, run.heard);
  }

  private noiseOf(run: Run): number {
    return (this.random() + this.random() + this.random() - 1.5) * (run.readBy === 'minute hand' ? 8 : 0.9);
  }

  private async readings(visitId: string, run: Run): Promise<void> {
    const noise = () => this.noiseOf(run);
    let error = run.start ?? 2;
    const every = run.every ?? 1;
    for (let d = 0; d <= run.days + 1e-9; d += every) {
      const shown = error + noise() + (run.misread === d ? 60 : 0);
      await this.did(
        addReading(this.ctx, visitId, {
          readAt: this.now.toISOString(),
          errorS: Number(shown.toFixed(1)),
          celsius: Number((18 + 3 * this.random()).toFixed(0)),
        }),
        0,
      );
      if (run.swing) await this.swing(visitId, run.swing, d);
      const before = run.adjustedAfter !== undefined && d < run.adjustedAfter;
      if (run.adjustedAfter === d) {
        this.pass(2);
        await this.did(
          addEvent(this.ctx, visitId, {
            kind: 'adjusted',
            happenedAt: this.now.toISOString(),
            note: 'hands set right',
            detail: { setter: 'rating nut', amount: -1 },
          }),
          3,
        );
        error = 0;
        await this.did(
          addReading(this.ctx, visitId, {
            readAt: this.now.toISOString(),
            errorS: Number(noise().toFixed(1)),
            celsius: null,
          }),
          0,
        );
      }
      if (d + every > run.days + 1e-9) break;
      error += (before ? (run.oldRate ?? run.rate) : run.rate) * every;
      this.pass(every * 24 * 60);
    }
  }

  private async swing(visitId: string, { deg, perDay, drops }: NonNullable<Run['swing']>, day: number): Promise<void> {
    const read = deg + perDay * day + (this.random() - 0.5) * 0.15;
    const values = { deg: Number(read.toFixed(1)), drops: day === 0 ? drops : null, stopped: null };
    await this.did(addBenchTest(this.ctx, visitId, { test: measured('swing', values) }), 0);
  }

  private async hear(visitId: string, run: Run, sound: NonNullable<Run['heard']>): Promise<void> {
    const { amplitude, ...heard } = sound;
    await this.did(
      addHeard(this.ctx, visitId, {
        ...heard,
        amplitudeDegrees: amplitude,
        stage: 'run',
        from: 'microphone',
        recordingId: null,
        note: '',
        rateSecondsPerDay: Number((run.rate + this.noiseOf(run)).toFixed(1)),
        rateStandardError: 0.4,
        shortSide: 'tick to tock',
        beats: Math.round(heard.beatsPerHour / 60),
        missing: 0,
        extra: 0,
        seconds: 60,
        warnings: [],
      }),
      2,
    );
  }
}

function sequenceFor(bath: string, traits: Traits) {
  if (bath === 'petroleum solvent') return 'solvent';
  if (staysWhole(traits)) return 'whole';
  if (bath === 'ammoniated water') return 'ultrasonic';
  return 'soapy';
}
export { DAY };
