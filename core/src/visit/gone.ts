import { allChecks } from '../checks/index.ts';
import { holeName, holesOf, sourceName, type Traits } from '../movement/index.ts';
import { oilChart } from '../oiling/index.ts';
import { partsToSurvey } from '../pivots/index.ts';
import type { StageId } from '../workflow/index.ts';

/** Something that was recorded on what the description has no more: it is kept, and counts for nothing. */
export interface Gone {
  stage: StageId;
  what: string;
  said: string;
  by: string;
  at: string;
}

interface Signed {
  by: string;
  at: string;
}

/** What hangs on ids of the description. */
interface Recorded {
  holes: readonly ({ key: string; verdict: string } & Signed)[];
  partConditions: readonly ({ key: string; state: string } & Signed)[];
  checks: readonly ({ check: string; result: string } & Signed)[];
  oiled: readonly ({ point: string } & Signed)[];
}

type Names = ReadonlyMap<string, string>;
const NAMES = {
  holes: (t: Traits): Names => new Map(holesOf(t).map((h) => [h.key, holeName(h)])),
  partConditions: (t: Traits): Names => new Map(partsToSurvey(t).map((p) => [p.key, p.name])),
  checks: (t: Traits): Names => new Map(allChecks(t).map((c) => [c.id, c.what])),
  oiled: (t: Traits): Names => new Map(oilChart(t).map((p) => [p.id, p.where])),
  power: (t: Traits): Names => new Map(t.sources.map((s) => [s.id, `${sourceName(t, s)} power, ${s.kind}`])),
};

/**
 * What was recorded, parted: what the description still has, and what it has not, in words.
 * @param versions every description of the movement, the newest first: the last that had a thing gives its name
 * @param power the last word on each source
 */
export function partGone<R extends Recorded>(
  traits: Traits,
  versions: readonly Traits[],
  recorded: R,
  power: readonly ({ source: string; state: string } & Signed)[],
): { kept: Pick<R, keyof Recorded>; gone: Gone[] } {
  const part = <Row extends Signed>(
    kind: keyof typeof NAMES,
    rows: readonly Row[],
    stage: StageId,
    keyOf: (row: Row) => string,
    saidOf: (row: Row) => string,
  ): { kept: Row[]; gone: Gone[] } => {
    const now = NAMES[kind](traits);
    const gone = rows.filter((row) => !now.has(keyOf(row)));
    if (gone.length === 0) return { kept: [...rows], gone: [] };
    const before = versions.map(NAMES[kind]);
    return {
      kept: rows.filter((row) => now.has(keyOf(row))),
      gone: gone.map((row) => ({
        stage,
        what: before.find((names) => names.has(keyOf(row)))?.get(keyOf(row)) ?? keyOf(row),
        said: saidOf(row),
        by: row.by,
        at: row.at,
      })),
    };
  };
  const holes = part(
    'holes',
    recorded.holes,
    'survey',
    (h) => h.key,
    (h) => h.verdict,
  );
  const parts = part(
    'partConditions',
    recorded.partConditions,
    'survey',
    (p) => p.key,
    (p) => p.state,
  );
  const checks = part(
    'checks',
    recorded.checks,
    'assemble',
    (c) => c.check,
    (c) => c.result,
  );
  const oiled = part(
    'oiled',
    recorded.oiled,
    'oil',
    (o) => o.point,
    () => 'ticked',
  );
  const sources = part(
    'power',
    power,
    'power',
    (p) => p.source,
    (p) => p.state,
  );
  return {
    kept: { holes: holes.kept, partConditions: parts.kept, checks: checks.kept, oiled: oiled.kept },
    gone: [sources, holes, parts, checks, oiled].flatMap((x) => x.gone),
  };
}
