import { byCount } from '@eclat/core/units';
import { api } from './index.ts';
import { nothing, type InVisit, type Route } from './route.ts';
import type { Visit } from './visit.ts';

type Params = Readonly<Record<string, string>>;
type Fields = Readonly<Record<string, unknown>>;

/** A change that was made: its route, what was sent, and what the server answered. */
export interface Change {
  method: string;
  /** Of the route: `/visits/:visitId/notes`. */
  path: string;
  params: Params;
  body: unknown;
  reply: unknown;
}

/** How one change is taken back: a command, and how its thing stood once the change was made. */
export interface WayBack {
  /** `survey.removeHole` */
  route: string;
  params: Params;
  body?: Fields;
  /** Where the thing is read, and how it stood; null: it was not there. */
  of: { route: string; params: Params };
  left: Fields | null;
  /** What follows on the row that was put back: the parameter that names it. */
  then?: readonly { route: string; param: string; body: Fields }[];
  /** What it is called: “hands”, “T1 front”; empty where it has no name. */
  name: string;
}

const ROUTES: ReadonlyMap<string, Route> = new Map(
  Object.entries(api).flatMap(([feature, routes]) =>
    Object.entries(routes).map(([name, route]) => [`${feature}.${name}`, route as unknown as Route] as const),
  ),
);
const BY_PATH = new Map([...ROUTES].map(([name, r]) => [`${r.method} ${r.path}`, name]));

const lastParam = (path: string): string => [...path.matchAll(/:(\w+)/g)].at(-1)?.[1] ?? '';

/** The row of a visit at a declared place. */
function rowAt(visit: Visit, place: Exclude<InVisit, 'again'>, value: string | undefined): Fields | null {
  const path = ('put' in place ? place.put : place.remove).split('.').filter(Boolean);
  const part = path.reduce<unknown>((at, name) => (at as Fields | null)?.[name], visit);
  if (place.by === undefined) return (part ?? null) as Fields | null;
  const { by } = place;
  return ((part ?? []) as Fields[]).find((row) => String(row[by]) === value) ?? null;
}

type Read = (visit: Visit, params: Params) => object | null | undefined;
/** The parameter that names the row: an added one is named where it would be taken out. */
function idParam({ path, inverse, visit }: Route): string {
  const out = [visit, ROUTES.get(inverse ?? '')?.visit].find((v) => typeof v === 'object' && 'remove' in v);
  return typeof out === 'object' && 'remove' in out ? out.param : lastParam(path);
}
const row = (visit: Visit, name: string, params: Params): Fields | null => {
  const route = ROUTES.get(name)!;
  const { visit: place } = route;
  return place === undefined || place === 'again' ? null : rowAt(visit, place, params[idParam(route)]);
};
const finding = (v: Visit, { findingId }: Params) => v.findings.find((f) => f.id === findingId);
const task = (v: Visit, { taskId }: Params) => v.casework.find((t) => t.id === taskId);
const photo = (v: Visit, { photoId }: Params) => v.photos.find((p) => p.id === photoId);
const differs = (v: Visit, { question }: Params) => v.rules.differs.find((d) => d.question === question);

/** What a command sets, read from the visit as one would send it; where its row does not say it in the same words. */
const READS: Readonly<Record<string, Read>> = {
  'reception.answer': (v, p) => ({ answer: v.answers.find((a) => a.question === p['question'])?.answer ?? '' }),
  'reception.returnReceived': (v, p) => {
    const thing = v.received.find((r) => r.id === p['receivedId']);
    return thing && { returned: thing.returnedAt !== null };
  },
  'reception.cameAlone': ({ alone }) => ({ alone }),
  'reception.linkCallback': (v) => ({ visitId: v.callbackOf?.visitId ?? null }),
  'assessment.overturnFinding': (v, p) => ({ why: finding(v, p)?.overturned?.why ?? '' }),
  'assessment.restoreFinding': finding,
  'assessment.setPlace': (v, p) => ({ state: v.places.find((x) => x.place === p['place'])?.state ?? null }),
  'diagnosis.observe': (v, p) => ({ state: (v.observations as Fields)[p['symptom']!] ?? null }),
  'diagnosis.recordLook': (v, p) => ({ outcome: v.looks.find((l) => l.look === p['look'])?.outcome ?? null }),
  'diagnosis.nameCause': ({ cause }) => ({ cause }),
  'agreement.offerRoute': (v, p) => v.agreement.routes.find((r) => r.route === p['route']),
  'agreement.answer': (v, p) => v.agreement.questions.find((q) => q.id === p['questionId']),
  'strip.moveStep': (v, p) => ({ position: v.strip.steps.findIndex((s) => s.id === p['stepId']) }),
  'strip.setFate': (v, p) => {
    const step = v.strip.steps.find((s) => s.id === p['stepId']);
    return step && { fate: step.fate, note: step.fateNote };
  },
  'strip.setPhase': (v, p) => ({ set: v.strip.phases.some((x) => x.id === p['phaseId'] && x.setAt !== null) }),
  'strip.endTemporary': (v, p) => v.strip.temporary.find((t) => t.id === p['temporaryId']),
  'strip.takeBack': (v, p) => {
    const part = v.strip.custody.find((c) => c.id === p['custodyId']);
    return part && { back: part.backAt !== null, state: part.state };
  },
  'assembly.addSetting': (v, p) => v.settings.find((s) => s.id === p['settingId']),
  'strike.setHeard': (v, p) => ({ heard: v.struck.find((s) => s.mark === p['mark'])?.heard ?? null }),
  'testRun.setConditions': (v) => v.testRun?.conditions,
  'replacement.setCheck': (v, p) => v.replacement.checks[p['check']!] ?? { answer: null },
  'casework.move': (v, p) => ({ position: v.casework.findIndex((t) => t.id === p['taskId']) }),
  'casework.setDone': (v, p) => ({ done: (task(v, p)?.doneAt ?? null) !== null }),
  'subAssemblies.setStage': (v, p) =>
    v.units.find((u) => u.id === p['unitId'])?.stages.find((s) => s.stage === p['stage']),
  'houseRules.differ': differs,
  'photos.change': (v, p) => {
    const it = photo(v, p);
    return it && { ...it, position: v.photos.indexOf(it) };
  },
  'photos.setMark': (v, p) => photo(v, p)?.marks.find((m) => m.id === p['markId']),
  'reception.addWantedStep': (v, p) =>
    v.wantedThings.find((w) => w.id === p['wantedId'])?.steps.find((s) => s.id === p['stepId']),
  'visit.setStage': (v, p) => v.stages.find((s) => s.stage === p['stage']),
  'visit.setJob': ({ job: { shape, terms, trial } }) => ({ shape, terms, trial }),
};
/** What is said along with it when it is taken back, where something has to be. */
const SAID: Readonly<Record<string, Fields>> = {
  'diagnosis.nameCause': { why: 'Undone.' },
  'visit.setJob': { reason: 'Undone.', whose: { is: 'the same' } },
};

/** What stands of it in the visit, as its command takes it, but for its version. */
function stands(visit: Visit, { route, params }: WayBack['of']): Fields | null {
  const found = READS[route] ? READS[route](visit, params) : row(visit, route, params);
  return found ? asSent(route, found as Fields) : null;
}

/** What a command takes of a row; null where the row cannot be sent so. */
function asSent(route: string, fields: Fields): Fields | null {
  const { body } = ROUTES.get(route)!;
  // What takes no words: the thing itself counts.
  if (body === nothing) return {};
  const read = body.safeParse({ version: 0, ...SAID[route], ...fields });
  if (!read.success) return null;
  const { version: _version, ...sent } = (read.data ?? {}) as Fields;
  return sent;
}

const NAMED = [
  'what',
  'name',
  'seen',
  'part',
  'caption',
  'hole',
  'about',
  'word',
  'place',
  'text',
  'key',
  'check',
  'point',
];
const SHORT = 40;
const nameOf = (fields: unknown): string => {
  const at = (fields ?? {}) as Fields;
  const said = NAMED.map((n) => at[n]).find((n) => typeof n === 'string' && n !== '') as string | undefined;
  // “T1.back” is a key: it is said “T1 back”.
  const named = said?.replace(/^(\w+)\.(\w+)$/, '$1 $2').replace(/[.!?]$/, '');
  return named === undefined || named.length <= SHORT ? (named ?? '') : `${named.slice(0, SHORT)} …`;
};

/** A row that carries more than its command can bring back. */
const CARRIES: readonly string[] = ['log', 'steps', 'runs', 'decisions'];
const carriesMore = (fields: Fields): boolean =>
  Boolean(fields['returnedAt']) ||
  CARRIES.some((name) => Array.isArray(fields[name]) && (fields[name] as unknown[]).length > 0);

type Way = (before: Visit, change: Change & { sent: Fields }) => Omit<WayBack, 'name'> | null;
const own = (route: string, params: Params, body: Fields, left: Fields): Omit<WayBack, 'name'> => ({
  ...{ route, params, body, left },
  of: { route, params },
});
const allAtOnce =
  (route: string): Way =>
  (_, { params, reply }) => ({ route, params, body: reply as Fields, of: { route, params }, left: null });

/** One step of many: on the version that it left, so that whoever went on from there is asked. */
const stepBack = (route: string, params: Params, body: Fields, reply: unknown): Omit<WayBack, 'name'> => ({
  ...{ route, params, of: { route, params }, left: null },
  body: { ...body, version: (reply as Fields)['version'] },
});

/** Those that are taken back in another way than their declarations say by themselves. */
const OWN_WAYS: Readonly<Record<string, Way>> = {
  'strip.addTrain': allAtOnce('strip.removeSteps'),
  'survey.setRestSound': allAtOnce('survey.clearRest'),
  'survey.setSound': allAtOnce('survey.clearSound'),
  // One time of many: it is taken back as it was written. A time that was taken out began at its own moment.
  'casework.setTime': (_, { params, sent, reply }) =>
    sent['did'] === true ? stepBack('casework.setTime', params, { did: false }, reply) : null,
  'cleaning.step': (_, { params, sent, reply }) =>
    sent['to'] === 'again'
      ? null
      : stepBack('cleaning.step', params, { to: sent['to'] === 'next' ? 'back' : 'next' }, reply),
  'assembly.addSetting': (_, { params, reply, sent }) => {
    const all = { ...params, settingId: (reply as { id: string }).id };
    return {
      route: 'assembly.removeSetting',
      params: all,
      of: { route: 'assembly.addSetting', params: all },
      left: sent,
    };
  },
  'reception.addWantedStep': (_, { params, reply, sent }) => {
    const all = { ...params, stepId: (reply as { steps: { id: string }[] }).steps.at(-1)!.id };
    const of = { route: 'reception.addWantedStep', params: all };
    return { route: 'reception.removeWantedStep', params: all, of, left: sent };
  },
  // It goes back to its place, and is again what had become of it.
  'strip.removeStep': (before, change) => {
    const way = declared(before, change);
    const at = before.strip.steps.findIndex((s) => s.id === change.params['stepId']);
    const step = before.strip.steps[at];
    if (!way || !step) return null;
    const moved = { route: 'strip.moveStep', param: 'stepId', body: { position: at } };
    const fate = { route: 'strip.setFate', param: 'stepId', body: { fate: step.fate, note: step.fateNote } };
    const isLast = at === before.strip.steps.length - 1;
    return { ...way, then: [...(isLast ? [] : [moved]), ...(step.fate === 'apart' ? [] : [fate])] };
  },
  // It came apart again: that is a pass, and stays.
  'assembly.setCheck': (before, change) => (change.sent['apart'] ? null : declared(before, change)),
  // Whose it is went to another book.
  'visit.setJob': (before, change) =>
    (change.sent['whose'] as { is: string }).is === 'the same' ? declared(before, change) : null,
};

/** As its declaration says: the same with what stood before; what came is taken out; what went is put back. */
const declared: Way = (before, { params, sent, reply, ...change }) => {
  const route = BY_PATH.get(`${change.method} ${change.path}`)!;
  const { inverse, visit: place, method } = ROUTES.get(route)!;
  const of = { route, params };
  const isRow = typeof place === 'object' && 'put' in place && !READS[route];
  const said = isRow ? asSent(route, reply as Fields) : null;
  if (inverse === 'same') {
    const stood = stands(before, of);
    if (!stood) return null;
    const changed = Object.keys(sent);
    const body = method === 'PATCH' ? Object.fromEntries(changed.map((name) => [name, stood[name]])) : stood;
    return { route, params, body, of, left: method === 'PATCH' ? sent : (said ?? { ...stood, ...sent }) };
  }
  const back = ROUTES.get(inverse!)!;
  const goes = method === 'DELETE';
  if (goes) {
    const gone = READS[inverse!] ? READS[inverse!]!(before, params) : row(before, route, params);
    const body = gone && !carriesMore(gone as Fields) ? asSent(inverse!, gone as Fields) : null;
    return body && { route: inverse!, params, body, of: { route: inverse!, params }, left: null };
  }
  const stood = method === 'PUT' ? stands(before, of) : null;
  if (stood) return own(route, params, stood, said ?? { ...stood, ...sent });
  const by = typeof place === 'object' && place.by;
  const all = { ...params, ...(by ? { [lastParam(back.path)]: String((reply as Fields)[by]) } : {}) };
  return { route: inverse!, params: all, of: { route, params: all }, left: said ?? sent };
};

/**
 * How a change at a visit is taken back.
 * @param before the visit as it stood when the change was made
 * @returns null where it is final, or cannot be brought back as it was
 */
export function wayBack(before: Visit, change: Change): WayBack | null {
  const route = BY_PATH.get(`${change.method} ${change.path}`);
  const { inverse, body } = (route !== undefined && ROUTES.get(route)) || {};
  if (route === undefined || inverse === undefined || inverse === 'final' || !body) return null;
  const read = body.safeParse(change.body);
  const { version: _version, ...sent } = ((read.success && read.data) || {}) as Fields;
  const given = { ...change, sent };
  const way = (OWN_WAYS[route] ?? declared)(before, given);
  const thing = nameOf(change.reply) || nameOf(sent) || nameOf(row(before, route, change.params));
  return way && { ...way, name: thing };
}

/** The command of a way back, with the version that stands now. */
export function toSend(visit: Visit, way: WayBack): { route: string; params: Params; body?: Fields } {
  const { route, params } = way;
  const { body } = ROUTES.get(route)!;
  if (body === nothing) return { route, params };
  const takes = 'shape' in body && 'version' in (body.shape as object);
  const version = (row(visit, route, params) as { version?: number } | null)?.version ?? 0;
  return { route, params, ...(way.body ? { body: { ...(takes ? { version } : {}), ...way.body } } : {}) };
}

/** What else speaks of a thing that is taken out, by which field: it would speak of nothing. */
const SPEAKS_OF: Readonly<Record<string, readonly string[]>> = {
  'assessment.removeFinding': ['findingId', 'followsFrom'],
  'survey.removeHole': ['hole'],
  'recordings.remove': ['recordingId'],
};

/** The things of a visit that speak of one thing. */
function speakingOf(part: unknown, by: readonly string[], id: string): string[] {
  if (typeof part !== 'object' || part === null) return [];
  const speaks = Object.entries(part).some(([name, value]) => by.includes(name) && value === id);
  const within = Object.values(part).flatMap((inner) => speakingOf(inner, by, id));
  return speaks ? [nameOf(part) || 'something else', ...within] : within;
}

/** Why it is not taken back: somebody changed it since, or something else depends on it. Null where it is. */
export function inTheWayOf(visit: Visit, way: WayBack): string | null {
  const { left, of, route } = way;
  if (left === null) return null;
  const now = stands(visit, of);
  if (!now) return 'it is not there any more.';
  const same = Object.entries(left).every(
    ([name, value]) =>
      !(name in now) || name in (SAID[of.route] ?? {}) || JSON.stringify(now[name]) === JSON.stringify(value),
  );
  if (!same) return 'it was changed since.';
  const by = SPEAKS_OF[route] ?? [];
  const others = [...new Set(speakingOf(visit, by, way.params[lastParam(ROUTES.get(route)!.path)]!))];
  return others.length > 0
    ? `${others.map((o) => `“${o}”`).join(', ')} ${byCount(others.length, 'depends', 'depend')} on it.`
    : null;
}

/** It was put back under another id, or sent and given one: what waits to be taken back speaks of that one. */
export const renamedIn = (way: WayBack, from: string, to: string): WayBack =>
  JSON.parse(JSON.stringify(way).replaceAll(from, to)) as WayBack;
