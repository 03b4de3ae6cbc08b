import { findingWords, type SaidFinding } from '../assess/index.ts';
import { counted, sentence } from '../units/index.ts';
import { inRoute, type AgreedLine, type RouteId } from '../estimate/index.ts';
import { minutesIn, type RunState } from '../cleaning/index.ts';
import { holeName, holesOf, type Traits } from '../movement/index.ts';
import { partAsks, partsToSurvey } from '../pivots/index.ts';
import { benchWords, isElectricTest, isOf, type BenchTest, type ENTRY_OF } from '../benches/index.ts';
import { oilChart } from '../oiling/index.ts';
import type { Choices } from '../rules/index.ts';
import { judgeRun, type RunLog } from '../rate/index.ts';
import type { CheckResult } from '../checks/index.ts';
import { notDone, shapeById, stageName, stagesOf, termsName, type Job } from '../workflow/index.ts';
import type { PowerState, StageState, UnitWord } from '../workflow/index.ts';
import type { Fate } from '../strip/index.ts';
import type { CasePlace, Origin } from '../casework/index.ts';
import { sizeWords, type KindId, type Sizes } from '../stores/index.ts';
import { dateInWords } from './edtf.ts';
import { RECORD_VERSION, type PrivateWords, type ServiceRecord } from './record.ts';

/** As much of a visit as its record and its signature depend on. */
export interface VisitSource {
  movement: { traits: Traits };
  owner: PrivateWords;
  job: Job;
  stages: readonly StageState[];
  units: readonly {
    name: string;
    stages: readonly UnitWord[];
    runs: readonly { driven: string; found: string; at: string; endedAt: string | null }[];
  }[];
  standRuns: readonly { off: string; watched: string; found: string; at: string; endedAt: string | null }[];
  power: readonly { state: PowerState }[];
  findings: readonly (ServiceRecord['condition'][number] & SaidFinding)[];
  prognosis: string;
  lookAgainOn: string | null;
  cause: string;
  baths: readonly (RunState & {
    /** What its sequence is called. */
    name: string;
    bath: string | null;
    parts: readonly { name: string }[];
    stoppedAt: string | null;
  })[];
  holes: readonly { key: string; verdict: string }[];
  benchTests: readonly { test: BenchTest; of: (typeof ENTRY_OF)[number] }[];
  partConditions: readonly { key: string; state: string; toMm: number | null; note: string }[];
  work: readonly { part: string; did: string; before: string; after: string; reversible: boolean }[];
  bushes: readonly (ServiceRecord['bushes'][number] & { off: boolean })[];
  parts: readonly (ServiceRecord['parts'][number] & {
    kind: KindId;
    sizes: Sizes;
    quantity: number;
    donorCode: string | null;
  })[];
  casework: readonly {
    place: CasePlace;
    what: string;
    product: string;
    origin: Origin | null;
    donorName: string;
    log: readonly unknown[];
    doneAt: string | null;
  }[];
  oiled: readonly { point: string; product: string; batch: string; dry: boolean; differs: string }[];
  testRun: RunLog | null;
  checks: readonly { check: string; result: CheckResult; note: string }[];
  rules: { held: Choices };
  strip: {
    steps: readonly { fate: Fate }[];
    temporary: readonly { kind: 'put in' | 'not final'; ended: unknown }[];
    custody: readonly { backAt: string | null }[];
  };
  received: readonly { returnedAt: string | null }[];
  agreement: { lines: readonly AgreedLine[]; chosen: { route: RouteId } | null };
}

const runOf = (visit: VisitSource, now: Date) =>
  visit.testRun && judgeRun(visit.movement.traits, visit.testRun, now.getTime(), visit.rules.held);

/** Pivots, clicks, pallets: what was not sound, and how many were. */
function lookedOf(visit: VisitSource): Pick<ServiceRecord, 'looked'> {
  const parts = new Map(partsToSurvey(visit.movement.traits).map((p) => [p.key, p]));
  // That a pivot was polished says nothing of how it was found.
  const looked = visit.partConditions.filter((l) => parts.get(l.key)?.kind !== 'polish');
  if (looked.length === 0) return {};
  const worn = looked.flatMap((l) => {
    const p = parts.get(l.key);
    return p && partAsks(p.kind, l.state) ? [{ what: p.name, state: l.state, toMm: l.toMm, note: l.note }] : [];
  });
  return { looked: { sound: looked.length - worn.length, worn } };
}

/** A part as it is said in words: how many, what, how large, whose. */
export const recordedPart = (p: VisitSource['parts'][number]): ServiceRecord['parts'][number] => ({
  what: p.quantity > 1 ? `${p.quantity} × ${p.what}` : p.what,
  source: p.donorCode ? `${p.source} ${p.donorCode}` : p.source,
  size: [sizeWords(p.kind, p.sizes), p.size].filter(Boolean).join(', '),
  oldPart: p.oldPart,
});

/** A point as it was left: dry where it was left dry, whatever the chart asks. */
const oiledAt = (
  p: { where: string; grade: string },
  { product, batch, dry, differs }: VisitSource['oiled'][number],
): ServiceRecord['oiled'][number] => ({
  where: p.where,
  grade: dry ? 'none' : p.grade,
  ...(product && { product }),
  ...(batch && { batch }),
  ...(differs && { otherwise: differs }),
});

/** What was agreed, and what was left out of it. */
function jobOf(visit: VisitSource): Pick<ServiceRecord, 'job' | 'notDone'> {
  const { job, stages, units } = visit;
  const left = [
    ...notDone(stagesOf(job, stages)),
    ...units.flatMap((u) => notDone(u.stages).map((words) => `${sentence(u.name)}: ${words}`)),
  ];
  const t = job.trial;
  return {
    job: {
      shape: shapeById(job.shape).name,
      terms: termsName(job.terms),
      trial: t ? [`Expected: ${t.expected}`, t.outcome, t.offer].filter(Boolean).join('; ') : expectedWords(visit),
    },
    ...(left.length > 0 && { notDone: left }),
  };
}

/** What is to be expected of a cure, and when somebody looks again. Empty: nothing was said. */
const expectedWords = ({ prognosis, lookAgainOn }: Pick<VisitSource, 'prognosis' | 'lookAgainOn'>): string =>
  [prognosis && `Expected: ${prognosis.replace(/\.$/, '')}`, lookAgainOn && `look again ${dateInWords(lookAgainOn)}`]
    .filter(Boolean)
    .join('; ');

const hours = (from: string, to: string) => Number(((Date.parse(to) - Date.parse(from)) / 3_600_000).toFixed(1));

/** Runs with parts off, and what went at its own pace. What still runs is not told: it has shown nothing yet. */
function besideOf({ standRuns, units }: VisitSource): Pick<ServiceRecord, 'standRuns' | 'units'> {
  const ended = standRuns.flatMap(({ off, watched, found, at, endedAt }) =>
    endedAt === null ? [] : [{ off, watched, found, hours: hours(at, endedAt) }],
  );
  const own = units.map(({ name, stages, runs }) => ({
    name,
    done: stages.filter((s) => s.state === 'done').map((s) => stageName(s.stage)),
    runs: runs.flatMap(({ driven, found, at, endedAt }) =>
      endedAt === null ? [] : [{ driven, found, hours: hours(at, endedAt) }],
    ),
  }));
  return { ...(ended.length > 0 && { standRuns: ended }), ...(own.length > 0 && { units: own }) };
}

/** What was measured and tried at a bench of its own, on this visit. */
function benchesOf({
  benchTests,
  movement,
}: Pick<VisitSource, 'benchTests' | 'movement'>): Pick<ServiceRecord, 'electric' | 'setUp'> {
  const own = benchTests.filter((e) => e.of === 'visit').map((e) => e.test);
  const words = (t: BenchTest) => benchWords(t, movement.traits);
  const electric = own.filter(isElectricTest).map(words);
  const swings = own.filter(isOf('swing'));
  const setUp = [
    ...own.filter((t) => !isElectricTest(t) && !isOf('swing')(t)).map(words),
    // Read day by day: the book has how it began, how it ended, and where it stops.
    ...[...new Set([swings[0], swings.at(-1), ...swings.filter((t) => t.values['stopped'] === 'yes')])].flatMap((t) =>
      t ? [words(t)] : [],
    ),
  ];
  return { ...(electric.length > 0 && { electric }), ...(setUp.length > 0 && { setUp }) };
}

/** What the page of the book is called: "Cured in place: 1 part fitted, tested". */
export function recordTitle(job: Pick<Job, 'shape'>, record: ServiceRecord): string {
  const did = [
    record.cleaned.length > 0 && 'cleaned',
    record.work && `work on ${counted(record.work.length, 'part')}`,
    record.bushes.length > 0 && `${counted(record.bushes.length, 'bush', 'bushes')} fitted`,
    record.parts.length > 0 && `${counted(record.parts.length, 'part')} fitted`,
    record.oiled.some((o) => o.grade !== 'none') && 'oiled',
    record.test.readings > 0 && 'tested',
  ].filter((x): x is string => typeof x === 'string');
  const { done } = shapeById(job.shape);
  return did.length > 0 ? `${done}: ${did.join(', ')}` : done;
}

/** What of this visit belongs to the movement for ever. */
export function serviceRecord(visit: VisitSource, now: Date, waiver?: string, note = ''): ServiceRecord {
  const run = runOf(visit, now);
  const holes = new Map<string, string>(holesOf(visit.movement.traits).map((h) => [h.key, holeName(h)]));
  const points = new Map(oilChart(visit.movement.traits, visit.rules.held).map((p) => [p.id, p]));
  return {
    format: 'eclat-service-record',
    version: RECORD_VERSION,
    ...jobOf(visit),
    ...besideOf(visit),
    condition: visit.findings.map((f) => {
      const { place, severity, earlierRepair, proposal } = f;
      return { place, seen: findingWords(f, visit.findings), severity, earlierRepair, proposal };
    }),
    causes: visit.cause ? [visit.cause] : [],
    cleaned: visit.baths.map((b) => ({
      bath: b.bath ?? b.name.toLowerCase(),
      parts: b.parts.map((p) => p.name),
      minutes: minutesIn(b, b.stoppedAt === null ? now.toISOString() : null),
    })),
    ...(visit.work.length > 0 && {
      work: visit.work.map(({ part, did, before, after, reversible }) => ({ part, did, before, after, reversible })),
    }),
    ...lookedOf(visit),
    ...benchesOf(visit),
    bushes: visit.bushes
      .filter((b) => !b.off)
      .map(({ hole, pivotMm, boreMm, outsideMm, heightMm }) => ({
        hole: holes.get(hole) ?? hole,
        pivotMm,
        boreMm,
        outsideMm,
        heightMm,
      })),
    parts: visit.parts.map(recordedPart),
    oiled: visit.oiled.flatMap((o) => {
      const p = points.get(o.point);
      return p ? [oiledAt(p, o)] : [];
    }),
    test: {
      days: run ? Number(run.days.toFixed(1)) : 0,
      readings: run?.segment.length ?? 0,
      rateSecondsPerDay: run?.fit ? Number(run.fit.rateSecondsPerDay.toFixed(2)) : null,
      halfWidthSecondsPerDay: run?.fit ? Number(run.fit.halfWidthSecondsPerDay.toFixed(2)) : null,
      verdict: run?.verdict.text ?? 'No test run.',
      waived: waiver?.trim() || null,
    },
    ...(visit.casework.some((t) => t.doneAt !== null) && {
      casework: visit.casework
        .filter((t) => t.doneAt !== null)
        .map(({ place, what, product, origin, donorName, log }) => ({
          place,
          what,
          product,
          times: log.length,
          origin: [origin, donorName].filter(Boolean).join(': '),
        })),
    }),
    declined: visit.agreement.lines
      .filter((l) => l.state === 'declined' && inRoute(l, visit.agreement.chosen?.route ?? null))
      .map((l) => l.what),
    note,
  };
}
