import { weighMeasurement } from '@eclat/core/assess';
import { allChecks, answersHolding } from '@eclat/core/checks';
import { begin, move, sequenceFound, stepsOf } from '@eclat/core/cleaning';
import { holesOf } from '@eclat/core/movement';
import { holeFigures, holeOfPivot, isJewel, partsToSurvey, PART_KINDS, pivotKey, unfit } from '@eclat/core/pivots';
import { trainsLeft } from '@eclat/core/strip';
import { readyFacts } from '@eclat/core/visit';
import { depthSaid, notReady, standsWound, type StageId } from '@eclat/core/workflow';
import type { Checked } from './assembly.ts';
import { ok } from './common.ts';
import { api } from './index.ts';
import { putReply } from './reply-in-visit.ts';
import type { ParamsOf, ParsedBodyOf, ParsedQueryOf, ReplyOf, Route } from './route.ts';
import type { TestRun } from './test-run.ts';
import type { Visit } from './visit.ts';

/** A change that waits on a device for its server, as it was entered there. */
export interface Waiting {
  method: string;
  /** Of the route: `/visits/:visitId/notes`. */
  path: string;
  params: Readonly<Record<string, string>>;
  query: unknown;
  body: unknown;
  /** Of the request, a UUID: what it makes is known by it until the server has given it an id. */
  key: string;
  by: string;
  at: string;
}

/** The visit as it will stand once a waiting change is made, but for what is next; and what the server will answer. */
export interface Foreseen {
  visit: Visit;
  reply: unknown;
}

interface Given<R extends Route> {
  params: ParamsOf<R>;
  body: ParsedBodyOf<R>;
  query: ParsedQueryOf<R>;
  id: string;
  signed: { by: string; at: string };
}
type Foresee = (visit: Visit, given: Waiting) => Foreseen | null;
type Rule = readonly [name: string, foresee: Foresee];

const nameOf = ({ method, path }: Pick<Waiting, 'method' | 'path'>): string => `${method} ${path}`;

/** @returns null where what was entered cannot be read: the server will say why */
function givenTo<R extends Route>(route: R, w: Waiting): Given<R> | null {
  const body = route.body.safeParse(w.body);
  const query = route.query.safeParse(w.query);
  if (!body.success || !query.success) return null;
  const signed = { by: w.by, at: w.at };
  return { params: w.params as never, body: body.data as never, query: query.data as never, id: w.key, signed };
}

/** What the server answers takes the place that its route declares. */
const answers = <R extends Route>(route: R, reply: (visit: Visit, given: Given<R>) => ReplyOf<R> | null): Rule => [
  nameOf(route),
  (visit, w) => {
    const given = givenTo(route, w);
    const said = given && reply(visit, given);
    const put = said && putReply(visit, route, w.params, said);
    return put && { visit: put, reply: said };
  },
];
const takesOut = <R extends Route>(route: R): Rule => answers(route, () => ok as ReplyOf<R>);

/** More of the visit changes than one row. */
const changes = <R extends Route>(
  route: R,
  change: (visit: Visit, given: Given<R>) => { visit: Visit; reply: ReplyOf<R> } | null,
): Rule => [
  nameOf(route),
  (visit, w) => {
    const given = givenTo(route, w);
    return given && change(visit, given);
  },
];
/** The same for routes that answer only that it is done. */
const becomes = <R extends Route>(route: R, change: (visit: Visit, given: Given<R>) => Visit): Rule =>
  changes(route, (visit, given) => ({ visit: change(visit, given), reply: ok as ReplyOf<R> }));

interface Row {
  id: string;
}
/** A row as it is after a change that names only what it changes. */
function changed<T extends Row>(rows: readonly T[], id: string, change: (row: T) => Partial<T>): T | null {
  const row = rows.find((r) => r.id === id);
  return row ? { ...row, ...change(row) } : null;
}
const inRows = <T extends Row>(rows: readonly T[], id: string, change: (row: T) => Partial<T>): T[] =>
  rows.map((r) => (r.id === id ? { ...r, ...change(r) } : r));

/** Ids of several rows that one change makes. */
const idOf = (key: string, n: number): string => `${key.slice(0, -4)}${n.toString(16).padStart(4, '0')}`;

const assessed: readonly Rule[] = [
  answers(api.notes.add, (_visit, { body, id, signed }) => ({ id, ...body, ...signed })),
  takesOut(api.notes.remove),
  answers(api.assessment.addFinding, (_visit, { body, id, signed }) => ({
    ...{ id, version: 1, overturned: null },
    ...body,
    ...signed,
  })),
  answers(api.assessment.changeFinding, ({ findings }, { params, body: { version, ...fields }, signed }) =>
    changed(findings, params.findingId, () => ({ ...said(fields), version: version + 1, ...signed })),
  ),
  answers(api.assessment.overturnFinding, ({ findings }, { params, body: { why }, signed }) =>
    changed(findings, params.findingId, (f) => ({
      overturned: why === '' ? null : { why, ...signed },
      version: f.version + 1,
    })),
  ),
  takesOut(api.assessment.removeFinding),
  becomes(api.assessment.setPlace, (visit, { params: { place }, body: { state }, signed }) => {
    const others = visit.places.filter((p) => p.place !== place);
    return { ...visit, places: state === null ? others : [...others, { place, state, ...signed }] };
  }),
  answers(api.assessment.addMeasurement, ({ movement }, { body, id, signed }) => {
    const { within, text, good } = weighMeasurement(movement.traits, body.kind, body.value, body.how);
    return { id, ...body, within, says: text, good, ...signed };
  }),
  takesOut(api.assessment.removeMeasurement),
  becomes(api.visit.readCaution, (visit, { params: { caution }, signed }) => ({
    ...visit,
    cautions: visit.cautions.some((c) => c.caution === caution)
      ? visit.cautions
      : [...visit.cautions, { caution, ...signed }],
  })),
  changes(api.visit.setStage, (visit, { params, body: { state, why }, signed }) => {
    const stage = params.stage as StageId;
    if (state === 'done' && notReady(readyFacts(visit, Date.parse(signed.at)), stage)) return null;
    const stages = visit.stages.map((s) => (s.stage === stage ? { stage, state, why, ...signed } : s));
    return { visit: { ...visit, stages }, reply: ok };
  }),
];

/** Without what was left out: it stays as it is. */
function said<T extends object>(fields: T): { [K in keyof T]?: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== undefined)) as never;
}

const surveyed: readonly Rule[] = [
  answers(api.survey.setHole, (visit, { params, body: { version, ...body }, signed }) => {
    const hole = holesOf(visit.movement.traits).find((h) => h.key === params.hole);
    if (!hole) return null;
    const figures = holeFigures(body.pivotMm, body.size, hole.arbor.class, isJewel(body.past));
    return figures && { key: hole.key, ...body, ...figures, version: version + 1, ...signed };
  }),
  takesOut(api.survey.removeHole),
  changes(api.survey.setRestSound, (visit, { body, signed }) => {
    const open = [...new Set(body.holes)].filter((key) => !visit.holes.some((h) => h.key === key));
    const turned = (key: string) => visit.partConditions.some((l) => l.key === pivotKey(key) && l.toMm !== null);
    const made = open.map((key) => ({
      ...{ key, way: body.way, note: '', past: 'original' as const, pivotMm: null, size: { kind: 'felt' as const } },
      ...{ holeLongMm: null, holeShortMm: null, computed: null, wearDeg: null, endShakeMm: null, spins: null },
      verdict: turned(key) ? unfit('original') : ('sound' as const),
      version: 1,
      ...signed,
    }));
    return { visit: { ...visit, holes: [...visit.holes, ...made] }, reply: { holes: open } };
  }),
  becomes(api.survey.clearRest, (visit, { body }) => ({
    ...visit,
    holes: visit.holes.filter(
      (h) => !(body.holes.includes(h.key) && h.version === 1 && h.verdict === 'sound' && h.pivotMm === null),
    ),
  })),
  answers(api.survey.setPart, (visit, { params: { part: key }, body: { version, ...body }, signed }) => {
    const before = visit.partConditions.find((l) => l.key === key)?.toMm ?? null;
    // What a turned pivot makes of its hole is for the server to say.
    if (holeOfPivot(key) !== null && before !== body.toMm) return null;
    return { key, ...body, version: version + 1, ...signed };
  }),
  changes(api.survey.setSound, (visit, { body, signed }) => {
    const kinds = new Map(partsToSurvey(visit.movement.traits).map((p) => [p.key, p.kind]));
    const open = [...new Set(body.parts)].filter((key) => !visit.partConditions.some((l) => l.key === key));
    if (open.some((key) => !kinds.has(key))) return null;
    const made = open.map((key) => ({
      ...{ key, state: PART_KINDS[kinds.get(key)!].states[0][0], toMm: null, note: '', version: 1 },
      ...signed,
    }));
    return { visit: { ...visit, partConditions: [...visit.partConditions, ...made] }, reply: { parts: open } };
  }),
];

const passOf = (visit: Visit): number => visit.strip.passes.at(-1)?.number ?? 1;
const apart = { fate: 'apart', fateNote: '', fateBy: '', fateAt: null } as const;
const inStrip = (visit: Visit, part: Partial<Visit['strip']>): Visit => ({
  ...visit,
  strip: { ...visit.strip, ...part },
});

const stripped: readonly Rule[] = [
  becomes(api.powerDown.beginStrip, (visit, { signed }) =>
    inStrip(visit, { begun: visit.strip.begun ?? { ...signed } }),
  ),
  answers(api.powerDown.set, (visit, { params, body: { version, ...body }, signed }) => {
    const stands = visit.power.find((p) => p.source === params.source);
    if (!stands) return null;
    return { ...stands, ...body, ...signed, version: version + 1, earlier: earlierOf(stands) };
  }),
  answers(api.powerDown.open, (_visit, { body, id, signed }) => ({ id, ...body, ...signed })),
  answers(api.strip.addStep, (visit, { body, id, signed }) => ({
    ...{ id, version: 1, pass: passOf(visit), ...apart },
    ...body,
    opens: body.opens ?? depthSaid(visit.strip.passes.slice(-1)),
    ...signed,
  })),
  changes(api.strip.addTrain, (visit, { body: { train, ...body }, id, signed }) => {
    const off = visit.strip.steps.filter((s) => s.fate === 'apart').map((s) => s.what);
    const left = trainsLeft(visit.movement.traits, visit.rules.held, off).find((t) => t.train === train);
    if (!left) return null;
    const steps = left.parts.map((what, i) => ({
      ...{ id: idOf(id, i), version: 1, pass: passOf(visit), ...apart, what, opens: 'plates' as const },
      ...{ heldBy: '', remarks: [], note: '', group: '', photoId: null, recordingId: null },
      ...body,
      ...signed,
    }));
    return {
      visit: inStrip(visit, { steps: [...visit.strip.steps, ...steps] }),
      reply: { steps: steps.map((s) => s.id) },
    };
  }),
  becomes(api.strip.removeSteps, (visit, { body }) =>
    inStrip(visit, {
      steps: visit.strip.steps.filter((s) => !(body.steps.includes(s.id) && s.version === 1 && s.fate === 'apart')),
    }),
  ),
  answers(api.strip.changeStep, ({ strip }, { params, body: { version, ...fields } }) =>
    changed(strip.steps, params.stepId, () => ({ ...said(fields), version: version + 1 })),
  ),
  becomes(api.strip.moveStep, (visit, { params, body: { position } }) => {
    const moved = visit.strip.steps.filter((s) => s.id === params.stepId);
    const rest = visit.strip.steps.filter((s) => s.id !== params.stepId);
    return inStrip(visit, { steps: rest.toSpliced(position, 0, ...moved) });
  }),
  takesOut(api.strip.removeStep),
  answers(api.strip.setFate, ({ strip }, { params, body: { fate, note }, signed }) =>
    changed(strip.steps, params.stepId, (s) => ({
      ...(fate === 'apart' ? apart : { fate, fateNote: note, fateBy: signed.by, fateAt: signed.at }),
      version: s.version + 1,
    })),
  ),
  answers(api.strip.closePass, ({ strip }, { params, body }) => {
    const pass = strip.passes.find((p) => String(p.number) === params.pass);
    return pass ? { ...pass, ...body } : null;
  }),
  answers(api.strip.addPhase, (_visit, { body, id, signed }) => ({ id, ...body, setBy: '', setAt: null, ...signed })),
  becomes(api.strip.setPhase, (visit, { params, body: { set }, signed: { by, at } }) =>
    inStrip(visit, {
      phases: inRows(visit.strip.phases, params.phaseId, () =>
        set ? { setBy: by, setAt: at } : { setBy: '', setAt: null },
      ),
    }),
  ),
  takesOut(api.strip.removePhase),
  answers(api.strip.addTemporary, (_visit, { body, id, signed }) => ({ id, ...body, ended: null, ...signed })),
  becomes(api.strip.endTemporary, (visit, { params, body }) =>
    inStrip(visit, { temporary: inRows(visit.strip.temporary, params.temporaryId, () => body) }),
  ),
  answers(api.strip.giveOut, (_visit, { body, id, signed }) => ({ id, ...body, backAt: null, state: '', ...signed })),
  becomes(api.strip.takeBack, (visit, { params, body: { back, state }, signed: { at } }) =>
    inStrip(visit, {
      custody: inRows(visit.strip.custody, params.custodyId, () =>
        back ? { backAt: at, state } : { backAt: null, state: '' },
      ),
    }),
  ),
];

const earlierOf = ({ state, turns, setUpTurns, note, by, at, earlier }: Visit['power'][number]) =>
  at === null ? earlier : [{ state, turns, setUpTurns, note, by, at }, ...earlier];

/** Its sources stand wound since then, as the server will say. */
function woundSince(visit: Visit, since: string, note: string, by: string): Visit {
  const now = new Set(standsWound(visit.power, since, visit.overrides.length > 0));
  const power = visit.power.map((p) =>
    now.has(p.source)
      ? {
          ...p,
          ...{ state: 'wound' as const, turns: null, setUpTurns: null, note, by, at: since },
          ...{ version: p.version + 1, earlier: earlierOf(p) },
        }
      : p,
  );
  return { ...visit, power };
}

/** Which answers hold, with these said in this order. */
function withAnswers(visit: Visit, answered: readonly Checked[], settings = visit.settings): Visit {
  const checks = allChecks(visit.movement.traits);
  const { holding, earlier } = answersHolding(checks, answered, visit.strip.passes, settings);
  return { ...visit, settings, checks: holding, earlierChecks: earlier };
}
const answersOf = (visit: Visit): Checked[] =>
  [...visit.earlierChecks, ...visit.checks].toSorted((a, b) => a.at.localeCompare(b.at));

const together: readonly Rule[] = [
  changes(api.assembly.setCheck, (visit, { params: { check }, body: { apart: opens, ...body }, signed }) => {
    // It comes apart again: what that opens is for the server to say.
    if (opens) return null;
    const reply = { check, ...body, ...signed };
    const all = answersOf(visit);
    const last = all.findLast((a) => a.check === check);
    const before = last?.result === 'under way' ? all.filter((a) => a !== last) : all;
    return { visit: withAnswers(visit, [...before, reply]), reply };
  }),
  becomes(api.assembly.removeCheck, (visit, { params: { check } }) => {
    const all = answersOf(visit);
    const last = all.findLast((a) => a.check === check);
    return withAnswers(
      visit,
      all.filter((a) => a !== last),
    );
  }),
  changes(api.assembly.addSetting, (visit, { params: { check }, body, id, signed }) => {
    const reply = { id, check, ...body, ...signed };
    return { visit: withAnswers(visit, answersOf(visit), [...visit.settings, reply]), reply };
  }),
  answers(api.oiling.setPoint, (_visit, { params: { point }, body, signed }) => ({
    ...(body.dry ? { ...body, product: '', batch: '', stockId: null } : body),
    point,
    ...signed,
  })),
  takesOut(api.oiling.removePoint),
];

const withRun = (visit: Visit, part: (run: TestRun) => Partial<TestRun>): Visit =>
  visit.testRun ? { ...visit, testRun: { ...visit.testRun, ...part(visit.testRun) } } : visit;

const onTest: readonly Rule[] = [
  changes(api.testRun.start, (visit, { body, id, signed: { by, at } }) => {
    if (visit.testRun) return null;
    const { startedAt = at, conditions = null, readBy, place } = body;
    const reply = { id, startedAt, readBy, place, conditions, readings: [], events: [] };
    const standRuns = visit.standRuns.map((r) =>
      r.endedAt === null ? { ...r, found: 'The test run began.', endedBy: by, endedAt: at } : r,
    );
    const going = { ...visit, testRun: reply, standRuns };
    return { visit: woundSince(going, startedAt, 'Set going on the test run.', by), reply };
  }),
  answers(api.testRun.addReading, ({ testRun }, { body, id, signed: { by } }) => testRun && { id, ...body, by }),
  takesOut(api.testRun.removeReading),
  changes(api.testRun.addEvent, (visit, { body, id, signed: { by } }) => {
    if (!visit.testRun) return null;
    const reply = { id, ...body, by };
    const later = withRun(visit, ({ events }) => ({
      events: [...events, reply].toSorted((a, b) => a.happenedAt.localeCompare(b.happenedAt)),
    }));
    const wound = body.kind === 'wound';
    return { visit: wound ? woundSince(later, body.happenedAt, 'Wound on the test run.', by) : later, reply };
  }),
  takesOut(api.testRun.removeEvent),
  becomes(api.testRun.setConditions, (visit, { body }) => withRun(visit, () => ({ conditions: body }))),
];

type Run = Visit['baths'][number];
const stateOf = ({ steps, step, stepStartedAt, endsAt, log }: Run) => ({ steps, step, stepStartedAt, endsAt, log });

const cleaned: readonly Rule[] = [
  answers(api.cleaning.start, (visit, { body, id, signed: { by, at } }) => {
    // Of a sequence that the shop made for itself the visit does not know the steps.
    const found = sequenceFound(body.sequence);
    if (!found) return null;
    const { bath, minutes, parts } = body;
    const steps = stepsOf(found.id, { bath, minutes, parts, choices: visit.rules.held });
    const run = begin(steps, new Date(at));
    return {
      ...{ id, version: 1, ...body, ...run, name: found.name, after: '', by },
      ...{ steps: [...run.steps], log: [...run.log], startedAt: at, stoppedAt: null },
    };
  }),
  answers(api.cleaning.step, ({ baths }, { params, body: { to, version }, signed: { by, at } }) => {
    const run = baths.find((b) => b.id === params.bathId);
    const moved = run && move(stateOf(run), to, new Date(at), by);
    if (!moved) return null;
    return { ...run, ...moved, steps: [...moved.steps], log: [...moved.log], version: version + 1 };
  }),
  answers(api.cleaning.stop, ({ baths }, { params, body: { after }, signed: { by, at } }) =>
    changed(baths, params.bathId, (run) => {
      const { step, stepStartedAt: startedAt, endsAt, log, stoppedAt } = run;
      const over = { stoppedAt: at, log: [...log, { step, startedAt, endsAt, endedAt: at, by }] };
      return { ...(stoppedAt ? {} : over), after: after || run.after, version: run.version + 1 };
    }),
  ),
];

/** A photo is measured and hashed by the server: until then nothing but the picture is known of it. */
const NOT_MEASURED = { width: 4, height: 3, hash: '0'.repeat(64) } as const;

const pictured: readonly Rule[] = [
  answers(api.photos.add, (_visit, { query, id, signed }) => ({
    ...{ id, ...query, ...NOT_MEASURED, beforeId: null, marks: [] },
    ...signed,
  })),
  becomes(api.photos.change, (visit, { params, body: { position, ...fields } }) => {
    const photos = inRows(visit.photos, params.photoId, () => said(fields));
    const moved = photos.filter((p) => p.id === params.photoId);
    const rest = photos.filter((p) => p.id !== params.photoId);
    return { ...visit, photos: position === undefined ? photos : rest.toSpliced(position, 0, ...moved) };
  }),
];

const RULES: ReadonlyMap<string, Foresee> = new Map(
  [assessed, surveyed, stripped, together, onTest, cleaned, pictured].flat(),
);

const ROUTES: ReadonlyMap<string, Route> = new Map(
  Object.values(api)
    .flatMap((feature) => Object.values<Route>(feature))
    .map((route) => [nameOf(route), route]),
);

/**
 * What a waiting change will make of a visit, as far as it can be said without its server.
 * @returns null where it cannot: it is kept and sent all the same, and shows when it is made
 */
export function foresee(visit: Visit, waiting: Waiting): Foreseen | null {
  try {
    return RULES.get(nameOf(waiting))?.(visit, waiting) ?? null;
  } catch (error) {
    // A figure outside what its formula is made for: the server refuses it in words.
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** The visit once a waiting change is made and answered; what its answer does not tell stays as it was foreseen. */
export function answered(visit: Visit, waiting: Waiting, reply: unknown): Visit {
  const route = ROUTES.get(nameOf(waiting));
  const put = route && putReply(visit, route, waiting.params, reply);
  return put ?? foresee(visit, waiting)?.visit ?? visit;
}

export { withNext } from './reply-in-visit.ts';

/** Whether a change of this route may have been made some time ago, and is stamped with that. */
export const isForeseen = (route: Pick<Waiting, 'method' | 'path'>): boolean => RULES.has(nameOf(route));
