/** Versions of the record: each brought fields. A reader of an older one leaves out what it does not know. */
export const RECORD_VERSIONS = [1, 2, 3, 4, 5, 6] as const;
export type RecordVersion = (typeof RECORD_VERSIONS)[number];
/** What is written now. */
export const RECORD_VERSION: RecordVersion = 6;
/** The version that brought each field. A field that is added here gets a new version, and so does one that changes. */
export const RECORD_FIELDS = {
  condition: 1,
  causes: 1,
  cleaned: 1,
  bushes: 1,
  parts: 1,
  // Since 1 with place and grade; with product, batch and what was otherwise since 5.
  oiled: 5,
  test: 1,
  note: 1,
  looked: 2,
  electric: 2,
  casework: 2,
  declined: 2,
  job: 3,
  notDone: 3,
  work: 3,
  standRuns: 4,
  units: 4,
  setUp: 6,
} as const satisfies Record<Exclude<keyof ServiceRecord, 'format' | 'version'>, RecordVersion>;

/** The part of a visit that belongs to the movement for ever, whoever owns it. No owner, no complaint, no money. */
export interface ServiceRecord {
  format: 'eclat-service-record';
  version: RecordVersion;
  condition: { place: string; seen: string; severity: string; earlierRepair: boolean; proposal: string }[];
  causes: string[];
  cleaned: { bath: string; parts: string[]; minutes: number }[];
  bushes: { hole: string; pivotMm: number; boreMm: number; outsideMm: number; heightMm: number }[];
  parts: { what: string; source: string; size: string; oldPart: string }[];
  /** What the chart asks at each point, or "none" where it stayed dry; with what, and what was otherwise and why. */
  oiled: { where: string; grade: string; product?: string; batch?: string; otherwise?: string }[];
  test: {
    days: number;
    readings: number;
    rateSecondsPerDay: number | null;
    halfWidthSecondsPerDay: number | null;
    verdict: string;
    waived: string | null;
  };
  /** What was agreed: the shape of the job and its terms; a trial with how it ended. */
  job?: { shape: string; terms: string; trial: string };
  /** Stages that were left, or did not belong, each with why. Absent where nothing was left out. */
  notDone?: string[];
  /** Work on parts that stayed: what was done, how it was before and after. Absent where nothing was. */
  work?: { part: string; did: string; before: string; after: string; reversible: boolean }[];
  /** Pivots, teeth, clicks, pallets: how many were sound, and each that was not. */
  looked?: { sound: number; worn: { what: string; state: string; toMm: number | null; note: string }[] };
  /** Coil readings, voltages tried, contacts, suppression, in words. Absent where nothing was. */
  electric?: string[];
  /** What was measured and tried at the benches, in words. Absent where nothing was. */
  setUp?: string[];
  /** What was done to case, dial and glass; what was put there new by guess says so. Absent where nothing was. */
  casework?: { place: string; what: string; product: string; times: number; origin: string }[];
  /** Work that was offered and declined: nobody "fixes" it later, or blames the shop. */
  declined?: string[];
  /** Runs with parts off: what was off, what was watched, what it showed. Absent where there were none. */
  standRuns?: { off: string; watched: string; found: string; hours: number }[];
  /** What went at its own pace: its stages that were done, and its runs by itself. Absent where nothing did. */
  units?: { name: string; done: string[]; runs: { driven: string; found: string; hours: number }[] }[];
  note: string;
}

export interface PrivateWords {
  name: string;
  phone?: string | undefined;
  email?: string | undefined;
  address?: string | undefined;
}
