import { stageName, type StageId } from '../workflow/index.ts';
import type { RecordSource } from './source.ts';

/** At which stage of the work each list of a visit is written. */
const WRITTEN_AT = {
  findings: 'assess',
  measurements: 'assess',
  looks: 'diagnose',
  overrides: 'power',
  holes: 'survey',
  partConditions: 'survey',
  bushes: 'fit',
  parts: 'fit',
  work: 'fit',
  baths: 'clean',
  oiled: 'oil',
  checks: 'assemble',
  settings: 'assemble',
  dryTries: 'assemble',
  struck: 'run',
  heard: 'run',
} as const satisfies Partial<Record<keyof RecordSource, StageId>>;

/** Who had a hand in the work, and in which of its stages, in the order of the stages. */
export function contributors(visit: RecordSource): { name: string; did: string[] }[] {
  const did = new Map<string, Set<string>>();
  const take = (stage: string, rows: readonly Partial<{ by: string | null }>[]) => {
    for (const { by } of rows) {
      if (!by) continue;
      const stages = did.get(by) ?? new Set();
      did.set(by, stages.add(stage));
    }
  };
  const lists = Object.entries(WRITTEN_AT) as [keyof typeof WRITTEN_AT, StageId][];
  for (const [list, stage] of lists) take(stageName(stage), visit[list]);
  take(stageName('strip'), visit.strip.steps);
  take(
    'case, dial, glass',
    visit.casework.map((t) => ({ by: t.doneBy })),
  );
  take(
    'second looks',
    visit.secondLooks.map((l) => ({ by: l.lookedBy })),
  );
  take(stageName('run'), visit.testRun?.readings ?? []);
  return [...did].map(([name, stages]) => ({ name, did: [...stages] }));
}
