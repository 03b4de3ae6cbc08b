import { Outside } from '../units/index.ts';

/** Versions of the record: each brought fields. A reader of an older one leaves out what it does not know. */
export const RECORD_VERSIONS = [1, 2, 3, 4] as const;
export type RecordVersion = (typeof RECORD_VERSIONS)[number];
/** What is written now. */
export const RECORD_VERSION: RecordVersion = 4;
/** The version that brought each field. A field that is added here gets a new version, and so does one that changes. */
export const RECORD_FIELDS = {
  condition: 1,
  causes: 1,
  cleaned: 1,
  bushes: 1,
  parts: 1,
  oiled: 1,
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
  oiled: { where: string; grade: string }[];
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

/**
 * Canonical JSON (keys sorted, no white space): the same record has the same bytes, so the same hash. As RFC 8785 for
 * our value types.
 */
export function canonical(value: unknown): string {
  if (value === null || typeof value !== 'object') {
    if (typeof value === 'number' && !Number.isFinite(value))
      throw new Outside('record', 'A record holds finite numbers only.');
    return JSON.stringify(value ?? null);
  }
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  return `{${Object.entries(value)
    .filter(([, v]) => v !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`)
    .join(',')}}`;
}

export interface PrivateWords {
  name: string;
  phone?: string | undefined;
  email?: string | undefined;
  address?: string | undefined;
}

/** Titles and little words that are no sign of a person. */
const PLAIN = new Set([
  'the',
  'and',
  'van',
  'von',
  'der',
  'den',
  'mrs',
  'miss',
  'mister',
  'sir',
  'estate',
  'club',
  'society',
  'church',
  'school',
  'museum',
  'hall',
  'town',
]);

/**
 * Places in the record where the owner's own words stand: a name, phone, address or e-mail typed into a finding by
 * mistake. The signer takes them out; nothing is cut by guess.
 */
export function privateWordsIn(record: ServiceRecord, owner: PrivateWords): string[] {
  const names = owner.name
    .split(/[^\p{L}’'-]+/u)
    .map((w) => w.toLowerCase())
    .filter((w) => w.length >= 3 && !PLAIN.has(w));
  const digits = (owner.phone ?? '').replace(/\D/g, '');
  const wholes = [owner.email, owner.address?.split('\n')[0]]
    .map((w) => w?.trim().toLowerCase())
    .filter((w): w is string => Boolean(w && w.length >= 5));
  const found: string[] = [];
  walk(record, '', (path, text) => {
    const lower = text.toLowerCase();
    const words = lower.split(/[^\p{L}’'-]+/u);
    const hit =
      names.find((n) => words.includes(n) || words.includes(`${n}’s`) || words.includes(`${n}'s`)) ??
      wholes.find((w) => lower.includes(w)) ??
      (digits.length >= 6 && text.replace(/\D/g, '').includes(digits) ? owner.phone : undefined);
    if (hit) found.push(`“${hit}” belongs to the owner and stands in ${path}: take it out`);
  });
  return found;
}

const LABELS: Record<string, string> = {
  condition: 'a finding',
  causes: 'a cause',
  cleaned: 'a cleaning run',
  parts: 'a part',
  casework: 'work on the case',
  looked: 'the survey of parts',
  electric: 'the electric bench',
  note: 'the note',
  test: 'the test run',
  declined: 'declined work',
  job: 'the job',
  notDone: 'what was not done',
  work: 'work on a part',
  standRuns: 'a run with parts off',
  units: 'a sub-assembly',
};

function walk(value: unknown, label: string, see: (label: string, text: string) => void): void {
  if (typeof value === 'string') see(label || 'the record', value);
  else if (value && typeof value === 'object')
    for (const [key, v] of Object.entries(value)) walk(v, label || LABELS[key] || '', see);
}
