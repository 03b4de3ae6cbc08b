import type { Visit } from '@eclat/contract';
import type { StageId } from '@eclat/core/workflow';

/** What can be looked up beside the work, and how much of it there is. */
export const LOOK_UPS = [
  { id: 'photos', name: 'Photos', count: (v) => v.photos.length },
  { id: 'findings', name: 'Findings', count: (v) => v.findings.length },
  {
    id: 'workings',
    name: 'Workings',
    count: (v, stage) => v.workings.filter((k) => !stage || k.stage === stage).length,
  },
  { id: 'rules', name: 'House rules', count: (v) => v.rules.differs.length },
  { id: 'past', name: 'Past visits', count: () => 0 },
  { id: 'notes', name: 'Notes', count: (v) => v.notes.length },
] as const satisfies readonly { id: string; name: string; count: (visit: Visit, stage?: StageId) => number }[];

export type LookUpId = (typeof LOOK_UPS)[number]['id'];
export const isLookUp = (id: string | null): id is LookUpId => LOOK_UPS.some((l) => l.id === id);
