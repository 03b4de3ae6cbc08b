import type { ShapeOnPhoto } from '../photo/index.ts';
import type { BenchTest } from '../benches/index.ts';
import type { Way } from '../conservation/index.ts';
import type { RouteId } from '../estimate/index.ts';
import type { Traits } from '../movement/index.ts';
import type { Choices } from '../rules/index.ts';
import type { RemarkId } from '../strip/index.ts';
import type { ShapeId, StageId, TermsId } from '../workflow/index.ts';
import type { RowOf, Table } from './columns.ts';
import type { SECTIONS, SectionName } from './sections.data.ts';

type Tables<S extends SectionName> = (typeof SECTIONS)[S]['tables'];
/** The lists of a section, before what was not said is left out. */
export type Rows<S extends SectionName> = {
  [T in keyof Tables<S>]: Tables<S>[T] extends Table ? readonly RowOf<Tables<S>[T]>[] : never;
};
/** A fact of a visit as a list of the record has it. */
type Row<S extends SectionName, T extends keyof Tables<S>> = Rows<S>[T] extends readonly (infer R)[] ? R : never;

interface SignedWord {
  by: string;
  at: string;
}

/** As much of a visit as the sections of its record depend on. Times are ISO 8601. */
export interface RecordSource {
  clock: { id: string };
  movement: {
    name: string;
    maker: string;
    familyId: string;
    traits: Traits;
    plates: { centresMm: Readonly<Record<string, number>> };
    marks: readonly Row<'movement', 'marks'>[];
    marksTakenOut: readonly Row<'movement', 'marksTakenOut'>[];
    dating: readonly Row<'movement', 'dating'>[];
    absent: readonly Row<'movement', 'absent'>[];
  };
  received: readonly Row<'reception', 'received'>[];
  wantedThings: readonly (Omit<Row<'reception', 'wanted'>, 'steps'> & {
    steps: readonly { step: string; note: string; at: string }[];
  })[];
  alone: Row<'reception', 'alone'> | null;
  job: {
    log: readonly ({
      shape: ShapeId;
      terms: TermsId;
      reason: string;
      trial: { expected: string; outcome: string; offer: string } | null;
    } & SignedWord)[];
  };
  stages: readonly { stage: StageId; state: string; why: string; by: string; at: string | null }[];
  findings: readonly (Omit<Row<'assessment', 'findings'>, 'cause' | 'follows' | 'overturned' | 'overturnedBy'> & {
    id: string;
    cause: string;
    followsFrom: string | null;
    overturned: { why: string; by: string } | null;
  })[];
  places: readonly Row<'assessment', 'places'>[];
  measurements: readonly Row<'assessment', 'measurements'>[];
  cause: string;
  prognosis: string;
  lookAgainOn: string | null;
  observations: Readonly<Partial<Record<string, string>>>;
  looks: readonly ({ look: string; outcome: string } & SignedWord)[];
  earlierWords: readonly (Row<'diagnosis', 'earlier'> & { of: string })[];
  agreement: {
    routes: readonly { route: RouteId; originality: string; guarantee: string }[];
    chosen: { route: RouteId } | null;
    lines: readonly Row<'agreement', 'lines'>[];
  };
  rules: { held: Choices; differs: readonly ({ question: string; school: string; reason: string } & SignedWord)[] };
  handsOff: readonly Row<'cautions', 'handsOff'>[];
  cautions: readonly ({ caution: string } & SignedWord)[];
  power: readonly (PowerWord & { name: string; at: string | null; earlier: readonly PowerWord[] })[];
  overrides: readonly Row<'power', 'overrides'>[];
  strip: {
    steps: readonly (Omit<Row<'strip', 'steps'>, 'photo' | 'recording' | 'remarks'> & {
      remarks: readonly RemarkId[];
      photoId: string | null;
      recordingId: string | null;
    })[];
    passes: readonly Row<'strip', 'passes'>[];
    phases: readonly (Omit<Row<'strip', 'phases'>, 'photo'> & { photoId: string | null })[];
    temporary: readonly Row<'strip', 'temporary'>[];
    custody: readonly Row<'strip', 'custody'>[];
  };
  baths: readonly (Omit<Row<'cleaning', 'runs'>, 'parts'> & {
    parts: readonly { name: string }[];
    steps: readonly { what: string }[];
    log: readonly { step: number; startedAt: string; endedAt: string; by: string }[];
  })[];
  holes: readonly (Omit<Row<'survey', 'holes'>, 'hole' | 'judged' | 'seen'> & {
    key: string;
    size: { kind: string };
  })[];
  partConditions: readonly (Omit<Row<'survey', 'parts'>, 'part'> & { key: string })[];
  platePhotos: readonly (Omit<Row<'survey', 'platePhotos'>, 'photo'> & { photoId: string })[];
  bushes: readonly (Row<'fitting', 'bushes'> & { hole: string })[];
  parts: readonly Row<'fitting', 'parts'>[];
  work: readonly Row<'fitting', 'work'>[];
  casework: readonly (Omit<Row<'casework', 'tasks'>, 'times'> & { log: readonly SignedWord[] })[];
  conservation: readonly ({ about: string; of: string; ways: readonly Way[]; agreed: boolean } & SignedWord)[];
  benchTests: readonly { of: string; test: BenchTest; by: string; at: string }[];
  oiled: readonly OiledPoint[];
  earlierOiled: readonly OiledPoint[];
  checks: readonly CheckAnswered[];
  earlierChecks: readonly CheckAnswered[];
  settings: readonly (Row<'assembly', 'settings'> & { check: string })[];
  dryFits: readonly Row<'assembly', 'dryFits'>[];
  dryTries: readonly (Row<'assembly', 'dryTries'> & { hole: string })[];
  standRuns: readonly Row<'assembly', 'standRuns'>[];
  secondLooks: readonly Row<'assembly', 'secondLooks'>[];
  closings: readonly (Row<'assembly', 'closings'> & { own: boolean })[];
  struck: readonly Row<'strike', 'struck'>[];
  struckBefore: readonly { endedAt: string; struck: readonly Row<'strike', 'struck'>[] }[];
  releases: readonly Row<'strike', 'releases'>[];
  heard: readonly (Omit<Row<'listening', 'heard'>, 'recording'> & { recordingId: string | null })[];
  testRun: {
    place: string;
    readBy: string;
    startedAt: string;
    conditions: Omit<Row<'testRun', 'run'>, 'place' | 'readBy' | 'startedAt'> | null;
    readings: readonly Row<'testRun', 'readings'>[];
    events: readonly (Omit<Row<'testRun', 'events'>, 'detail'> & { detail: object | null })[];
  } | null;
  units: readonly {
    name: string;
    stages: readonly { stage: StageId; state: string; why: string; by: string; at: string | null }[];
    runs: readonly Omit<Row<'subAssemblies', 'runs'>, 'unit'>[];
  }[];
  replacement: {
    out: Row<'replacement', 'out'> | null;
    checks: Readonly<Record<string, Omit<Row<'replacement', 'checks'>, 'what'>>>;
  };
  workings: readonly (Omit<Row<'workings', 'kept'>, 'title'> & { working: string })[];
  photos: readonly (Omit<Row<'photos', 'photos'>, 'stage'> & {
    id: string;
    /** The photo that shows the same before. */
    beforeId: string | null;
    stage: StageId;
    marks: readonly (ShapeOnPhoto & { number: number; findingId: string | null; note: string })[];
  })[];
  recordings: readonly (Row<'recordings', 'recordings'> & { id: string })[];
}

export interface PowerWord {
  state: string;
  turns: number | null;
  setUpTurns: number | null;
  note: string;
  by: string;
  at: string | null;
}
export type OiledPoint = Omit<Row<'oiling', 'points'>, 'where' | 'grade'> & { point: string };
export type CheckAnswered = Omit<Row<'assembly', 'checks'>, 'what' | 'detail'> & {
  check: string;
  detail: object | null;
};
