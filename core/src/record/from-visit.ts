import { isOfTheCase } from '../assess/index.ts';
import { CAUTIONS, cautionsFor } from '../cautions/index.ts';
import { allChecks } from '../checks/index.ts';
import { asksOwner, wayStands } from '../conservation/index.ts';
import { routeName } from '../estimate/index.ts';
import { instancesFor, SYMPTOMS } from '../faults/index.ts';
import {
  familyById,
  holeName,
  holesOf,
  replacementChecks,
  trainName,
  trainsOf,
  type Traits,
} from '../movement/index.ts';
import { oilChart } from '../oiling/index.ts';
import { partsToSurvey } from '../pivots/index.ts';
import { RULES } from '../rules/index.ts';
import { remarkName } from '../strip/index.ts';
import { shapeById, STAGE_IDS, stageName, termsName } from '../workflow/index.ts';
import { workingById } from '../workings/index.ts';
import { keepRows, type KeptRow, type RowOf, type Table } from './columns.ts';
import { contributors } from './contributors.ts';
import { SECTION_NAMES, SECTIONS, type SectionName } from './sections.data.ts';
import type { CheckAnswered, OiledPoint, RecordSource, Rows } from './source.ts';

/** A section as it is signed: its version, and its lists by name. */
export type KeptSection = { version: number } & Readonly<Record<string, number | readonly KeptRow[]>>;
export type KeptSections = Partial<Record<SectionName, KeptSection>>;

const nameIn = (names: ReadonlyMap<string, string>, id: string): string => names.get(id) ?? id;
const holeNames = (traits: Traits) => new Map<string, string>(holesOf(traits).map((h) => [h.key, holeName(h)]));

function movementSaid({ movement }: RecordSource): Rows<'movement'> {
  const { traits, name, maker, familyId, plates } = movement;
  const { construction, oscillator, escapement, strike, fittings, windHours, trains } = traits;
  return {
    described: [
      {
        ...{ name, maker, construction, oscillator, escapement, strike, fittings },
        template: familyById(familyId).name,
        windHours: windHours ?? null,
        trains: trains.map((t) => `${trainName(t)} (${t.arbors.map((a) => `${a.id} ${a.name}`).join(', ')})`),
        sources: traits.sources.map((s) => `${s.kind}: ${trainsOf(traits, s).map(trainName).join(', ')}`),
      },
    ],
    marks: movement.marks,
    marksTakenOut: movement.marksTakenOut,
    dating: movement.dating,
    absent: movement.absent,
    centres: Object.entries(plates.centresMm).map(([between, mm]) => ({ between, mm })),
  };
}

const receptionSaid = (v: RecordSource): Rows<'reception'> => ({
  received: v.received,
  wanted: v.wantedThings.map((w) => ({
    ...w,
    steps: w.steps.map((s) => [s.at.slice(0, 10), s.step, s.note].filter(Boolean).join(' ')),
  })),
  alone: v.alone ? [v.alone] : [],
});

const jobSaid = (v: RecordSource): Rows<'job'> => ({
  words: v.job.log.map(({ shape, terms, reason, trial, by, at }) => ({
    ...{ shape: shapeById(shape).name, terms: termsName(terms), reason, by, at },
    ...(trial ?? { expected: '', outcome: '', offer: '' }),
  })),
  stages: v.stages.filter((s) => s.state !== 'open').map((s) => ({ ...s, stage: stageName(s.stage) })),
});

function assessmentSaid(v: RecordSource): Rows<'assessment'> {
  const causes = causeNames(v.movement.traits);
  return {
    findings: v.findings.map((f) => ({
      ...f,
      cause: f.cause && nameIn(causes, f.cause),
      follows: v.findings.find((of) => of.id === f.followsFrom)?.seen ?? '',
      overturned: f.overturned?.why ?? '',
      overturnedBy: f.overturned?.by ?? null,
    })),
    places: v.places,
    measurements: v.measurements,
  };
}

/** Causes of the table; of the shop’s own, which another shop does not have, the id stays. */
const causeNames = (traits: Traits) => new Map(instancesFor(traits).map((c) => [c.id, c.name]));

function diagnosisSaid(v: RecordSource): Rows<'diagnosis'> {
  const { cause, prognosis, lookAgainOn } = v;
  const causes = causeNames(v.movement.traits);
  const symptoms = new Map<string, string>(Object.entries(SYMPTOMS));
  return {
    cause: cause || prognosis || lookAgainOn ? [{ cause, prognosis, lookAgainOn }] : [],
    observations: Object.entries(v.observations).map(([id, state]) => ({
      symptom: nameIn(symptoms, id),
      state: state ?? null,
    })),
    looks: v.looks.map((l) => ({ ...l, look: nameIn(causes, l.look) })),
    earlier: v.earlierWords.map((e) => ({ ...e, of: nameIn(causes, e.of) })),
  };
}

const agreementSaid = ({ agreement: { routes, chosen, lines } }: RecordSource): Rows<'agreement'> => ({
  routes: routes.map(({ route, originality, guarantee }) => ({
    ...{ route: routeName(route), originality, guarantee },
    chosen: chosen && chosen.route === route,
  })),
  lines,
});

const houseRulesSaid = ({ rules }: RecordSource): Rows<'houseRules'> => ({
  differs: rules.differs.map(({ question, school, reason, by, at }) => {
    const rule = RULES.find((r) => r.id === question);
    const named = rule?.schools.find((s) => s.id === school);
    return { rule: rule?.asks ?? question, school: named?.name ?? school, reason, by, at };
  }),
});

/** What stays dangerous in it, whoever opens it next. */
const TRAVEL = new Set(['luminous', 'mercury', 'mains', 'coil', 'fusee', 'ties']);

function cautionsSaid({ movement, cautions, handsOff }: RecordSource): Rows<'cautions'> {
  const words = new Map(CAUTIONS.map((c) => [c.id, c.text]));
  const its = new Set(STAGE_IDS.flatMap((s) => cautionsFor(movement.traits, s)).map((c) => c.id));
  return {
    travel: CAUTIONS.filter((c) => TRAVEL.has(c.id) && its.has(c.id)).map((c) => ({ caution: c.text })),
    handsOff,
    read: cautions.map((c) => ({ ...c, caution: nameIn(words, c.caution) })),
  };
}

const powerSaid = (v: RecordSource): Rows<'power'> => ({
  said: v.power.flatMap(({ name, earlier, ...last }) =>
    [...[...earlier].reverse(), last].filter((e) => e.by !== '').map((e) => ({ ...e, source: name })),
  ),
  overrides: v.overrides,
});

/** Photos and sounds are named by the hash of what is kept of them. */
function kept(v: RecordSource) {
  const hashes = new Map([...v.photos, ...v.recordings].map((p) => [p.id, p.hash]));
  return (id: string | null): string | null => (id === null ? null : (hashes.get(id) ?? null));
}

function stripSaid(v: RecordSource): Rows<'strip'> {
  const hash = kept(v);
  const { steps, passes, phases, temporary, custody } = v.strip;
  return {
    ...{ passes, temporary, custody },
    steps: steps.map((s) => ({
      ...s,
      remarks: s.remarks.map(remarkName),
      photo: hash(s.photoId),
      recording: hash(s.recordingId),
    })),
    phases: phases.map((p) => ({ ...p, photo: hash(p.photoId) })),
  };
}

const cleaningSaid = (v: RecordSource): Rows<'cleaning'> => ({
  runs: v.baths.map((b) => ({ ...b, parts: b.parts.map((p) => p.name) })),
  steps: v.baths.flatMap((b) => b.log.map((l) => ({ ...l, run: b.name, what: b.steps[l.step]?.what ?? '' }))),
});

const JUDGED: Readonly<Record<string, string>> = {
  felt: 'by feel',
  measured: 'by caliper',
  lean: 'by its lean',
  play: 'by its play between the plates',
};

const WAYS = new Map<string, string>(
  RULES.flatMap((r) => (r.id === 'survey-method' ? r.schools.map((s): [string, string] => [s.id, s.name]) : [])),
);

function surveySaid(v: RecordSource): Rows<'survey'> {
  const holes = holeNames(v.movement.traits);
  const parts = new Map(partsToSurvey(v.movement.traits).map((p) => [p.key, p.name]));
  const hash = kept(v);
  return {
    holes: v.holes.map((h) => {
      const { kind, ...seen } = h.size;
      return {
        ...h,
        hole: nameIn(holes, h.key),
        judged: JUDGED[kind] ?? kind,
        // Of the caliper the figures stand in columns of their own.
        seen: kind === 'measured' ? {} : seen,
        way: nameIn(WAYS, h.way ?? ''),
        computed: h.computed === h.verdict ? null : h.computed,
      };
    }),
    parts: v.partConditions.map((p) => ({ ...p, part: nameIn(parts, p.key) })),
    platePhotos: v.platePhotos.map((p) => ({ ...p, photo: hash(p.photoId) })),
  };
}

function fittingSaid(v: RecordSource): Rows<'fitting'> {
  const holes = holeNames(v.movement.traits);
  return {
    bushes: v.bushes.map((b) => ({ ...b, hole: nameIn(holes, b.hole), off: b.off || null })),
    parts: v.parts,
    work: v.work.map((w) => ({ ...w, hole: w.hole && nameIn(holes, w.hole) })),
  };
}

const caseworkSaid = (v: RecordSource): Rows<'casework'> => ({
  tasks: v.casework.map((t) => ({
    ...t,
    once: t.once || null,
    times: t.log.map((l) => `${l.at.slice(0, 10)} ${l.by}`),
  })),
});

const conservationSaid = (v: RecordSource): Rows<'conservation'> => ({
  ways: v.conservation.flatMap(({ about, of, ways, agreed, by, at }) =>
    ways.map((w) => ({
      ...{ about, of, way: w.way, undone: w.undone, why: w.why, by, at },
      stands: wayStands(w, ways),
      // To what can be undone nobody was asked.
      owner: (w.chosen && asksOwner(ways) && agreed) || null,
    })),
  ),
});

const pairsSaid = (v: RecordSource): Rows<'pairs'> => ({
  pairs: v.photos.flatMap((after) => {
    const before = v.photos.find((p) => p.id === after.beforeId);
    return before ? [{ shows: after.caption || before.caption, before: before.hash, after: after.hash }] : [];
  }),
});

const benchesSaid = (v: RecordSource): Rows<'benches'> => ({
  tests: v.benchTests
    .filter((t) => t.of === 'visit')
    .map(({ test: { kind, ...said }, by, at }) => ({
      ...{ kind, by, at },
      values: 'values' in said ? (said.values as Record<string, unknown>) : { ...said },
    })),
});

function oilingSaid(v: RecordSource): Rows<'oiling'> {
  const points = new Map(oilChart(v.movement.traits, v.rules.held).map((p) => [p.id, p]));
  const said = (o: OiledPoint) => ({ ...o, dry: o.dry || null, where: points.get(o.point)?.where ?? o.point });
  return {
    points: v.oiled.map((o) => ({ ...said(o), grade: points.get(o.point)?.grade ?? null })),
    before: v.earlierOiled.map(said),
  };
}

function assemblySaid(v: RecordSource): Rows<'assembly'> {
  const checks = new Map(allChecks(v.movement.traits).map((c) => [c.id, c.what]));
  const holes = holeNames(v.movement.traits);
  const said = (c: CheckAnswered) => ({ ...c, what: nameIn(checks, c.check), detail: { ...c.detail } });
  const { dryFits, standRuns, secondLooks } = v;
  return {
    ...{ dryFits, standRuns, secondLooks },
    checks: v.checks.map(said),
    before: v.earlierChecks.map(said),
    settings: v.settings.map((s) => ({ ...s, check: nameIn(checks, s.check) })),
    dryTries: v.dryTries.map((t) => ({ ...t, hole: nameIn(holes, t.hole) })),
    closings: v.closings.filter((c) => c.own),
  };
}

const strikeSaid = (v: RecordSource): Rows<'strike'> => ({
  struck: v.struck,
  before: v.struckBefore.flatMap(({ endedAt, struck }) => struck.map((s) => ({ ...s, endedAt }))),
  releases: v.releases,
});

function listeningSaid(v: RecordSource): Rows<'listening'> {
  const hash = kept(v);
  return { heard: v.heard.map((h) => ({ ...h, recording: hash(h.recordingId) })) };
}

const NO_CONDITIONS = { stands: null, level: null, setter: null, lengthMm: null, pitchMm: null };

function testRunSaid({ testRun: run }: RecordSource): Rows<'testRun'> {
  if (!run) return { run: [], readings: [], events: [] };
  const { place, readBy, startedAt, conditions } = run;
  return {
    run: [{ place, readBy, startedAt, ...(conditions ?? NO_CONDITIONS) }],
    readings: run.readings,
    events: run.events.map((e) => ({ ...e, detail: { ...e.detail } })),
  };
}

const subAssembliesSaid = (v: RecordSource): Rows<'subAssemblies'> => ({
  stages: v.units.flatMap((u) =>
    u.stages.filter((s) => s.state !== 'open').map((s) => ({ ...s, unit: u.name, stage: stageName(s.stage) })),
  ),
  runs: v.units.flatMap((u) => u.runs.map((r) => ({ ...r, unit: u.name }))),
});

function replacementSaid(v: RecordSource): Rows<'replacement'> {
  const points = new Map(replacementChecks(v.movement.traits, '').map((c) => [c.id, c.asks]));
  const { out, checks } = v.replacement;
  return {
    out: out ? [out] : [],
    checks: Object.entries(checks).map(([id, c]) => ({ ...c, what: nameIn(points, id) })),
  };
}

const workingsSaid = (v: RecordSource): Rows<'workings'> => ({
  kept: v.workings.map((w) => ({ ...w, title: workingById(w.working)?.title ?? w.working })),
});

/** Of what was found, only what is of case, dial, glass and hands is the clock’s. */
const clockSaid = ({ clock, findings, movement: { traits } }: RecordSource): Rows<'clock'> => {
  const places = findings.map((f) => f.place).filter((place) => isOfTheCase(place, traits));
  return { in: [{ clock: clock.id, places: [...new Set(places)] }] };
};

const photosSaid = (v: RecordSource): Rows<'photos'> => ({
  photos: v.photos.map((p) => ({ ...p, stage: stageName(p.stage) })),
  points: v.photos.flatMap((p) =>
    p.marks.map((m) => ({
      ...m,
      photo: p.hash,
      finding: v.findings.find((f) => f.id === m.findingId)?.seen ?? '',
    })),
  ),
});

/** Beside its point, what an arrow points at and how far an outline goes. */
const drawnSaid = (v: RecordSource): Rows<'drawn'> => ({
  drawn: v.photos.flatMap((p) =>
    p.marks.flatMap(({ number, shape, to }) => (to ? [{ number, shape, ...to, photo: p.hash }] : [])),
  ),
});

const SAID: { [S in SectionName]: (visit: RecordSource) => Rows<S> } = {
  movement: movementSaid,
  reception: receptionSaid,
  job: jobSaid,
  assessment: assessmentSaid,
  diagnosis: diagnosisSaid,
  agreement: agreementSaid,
  houseRules: houseRulesSaid,
  cautions: cautionsSaid,
  power: powerSaid,
  strip: stripSaid,
  cleaning: cleaningSaid,
  survey: surveySaid,
  fitting: fittingSaid,
  casework: caseworkSaid,
  conservation: conservationSaid,
  pairs: pairsSaid,
  drawn: drawnSaid,
  benches: benchesSaid,
  oiling: oilingSaid,
  assembly: assemblySaid,
  strike: strikeSaid,
  listening: listeningSaid,
  testRun: testRunSaid,
  subAssemblies: subAssembliesSaid,
  replacement: replacementSaid,
  workings: workingsSaid,
  clock: clockSaid,
  // Each is an entry of its own, signed when it is read.
  inscription: () => ({ read: [] }),
  same: () => ({ linked: [], parted: [] }),
  photos: photosSaid,
  recordings: (v) => ({ recordings: v.recordings }),
  people: (v) => ({ people: contributors(v) }),
};

/** Lists in which something was said; null where none has anything. */
export function keepSection(
  name: SectionName,
  rows: Readonly<Record<string, readonly RowOf<Table>[]>>,
): KeptSection | null {
  const { tables, version } = SECTIONS[name] as { tables: Readonly<Record<string, Table>>; version: number };
  const lists = Object.entries(tables).flatMap(([t, table]) => {
    const said = keepRows(table, rows[t] ?? []);
    return said.length > 0 ? [[t, said] as const] : [];
  });
  return lists.length > 0 ? { version, ...Object.fromEntries(lists) } : null;
}

/**
 * What of a visit its movement keeps, feature by feature. A feature with nothing to say has no section.
 * @param visit as it stands when it is signed
 */
export function sectionsOf(visit: RecordSource): KeptSections {
  const sections: KeptSections = {};
  for (const name of SECTION_NAMES) {
    const said = keepSection(name, SAID[name](visit));
    if (said) sections[name] = said;
  }
  return sections;
}
