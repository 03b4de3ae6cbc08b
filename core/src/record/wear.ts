import { yearSpan } from '../history/index.ts';

/** Play of one pivot in its hole, as one entry says it. */
export interface PlayAt {
  /** Id of the entry. */
  entry: string;
  date: string;
  /** With its fraction: the middle of what the date can mean. */
  year: number;
  /** The hole at its widest less the pivot, mm. */
  playMm: number;
  /** As it was found; or with the bush that was fitted then. */
  how: 'found' | 'new bush';
}

export interface HoleHistory {
  hole: string;
  /** The oldest first. */
  points: PlayAt[];
}

interface Source {
  id: string;
  date: string;
  sections: { survey?: Readonly<Record<string, unknown>> | undefined };
  record: { bushes: readonly { hole: string; pivotMm: number; boreMm: number }[] } | null;
}

const size = (value: unknown): number | null => (typeof value === 'number' && value > 0 ? value : null);

/** Nearer than a caliper reads, mm: 0.01 mm between two readings is no wear. */
const READING_MM = 0.01;

/** Of the holes that were measured in one entry. A hole that reads smaller than its pivot was measured wrong. */
function found({ survey }: Source['sections']): { hole: string; playMm: number }[] {
  const rows = survey?.['holes'];
  if (!Array.isArray(rows)) return [];
  return (rows as unknown[]).flatMap((row) => {
    const { hole, pivotMm, holeLongMm } = (row ?? {}) as Record<string, unknown>;
    const [pivot, across] = [size(pivotMm), size(holeLongMm)];
    if (typeof hole !== 'string' || pivot === null || across === null || across < pivot) return [];
    return [{ hole, playMm: across - pivot }];
  });
}

/**
 * How the play of each hole went over the years, as far as it was measured on two days at least; those whose play
 * moved most stand first. What was judged by feel has no figure, and an entry without a date no place.
 */
export function holeHistories(entries: readonly Source[]): HoleHistory[] {
  const all = new Map<string, PlayAt[]>();
  for (const { id, date, sections, record } of entries) {
    const span = yearSpan(date);
    if (!span) continue;
    const at = { entry: id, date, year: (span[0] + span[1]) / 2 };
    const add = (hole: string, playMm: number, how: PlayAt['how']) => {
      all.set(hole, [...(all.get(hole) ?? []), { ...at, playMm, how }]);
    };
    for (const { hole, playMm } of found(sections)) add(hole, playMm, 'found');
    for (const { hole, pivotMm, boreMm } of record?.bushes ?? [])
      if (boreMm >= pivotMm) add(hole, boreMm - pivotMm, 'new bush');
  }
  const moved = ({ points }: HoleHistory) =>
    Math.max(...points.map((p) => p.playMm)) - Math.min(...points.map((p) => p.playMm));
  return [...all]
    .map(([hole, points]) => ({ hole, points: points.toSorted((a, b) => a.year - b.year) }))
    .filter(({ points }) => new Set(points.map((p) => p.date)).size > 1)
    .sort((a, b) => (Math.abs(moved(a) - moved(b)) < READING_MM ? a.hole.localeCompare(b.hole) : moved(b) - moved(a)));
}
