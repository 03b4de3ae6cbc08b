import type { StageId } from '@eclat/core/workflow';

/** Where a feature has no part of its own, and why. */
type Layer = 'contract' | 'server' | 'web';
export interface Feature {
  /** The stage it is the work of. Stage ids stand in rows and addresses and never change; this table maps them. */
  stage?: StageId;
  /** Subjects of core that it mainly rests on. */
  core: readonly string[];
  lacks?: Partial<Record<Layer, string>>;
}

/** Every feature by its one name: contract file, server folder and web folder are called so. */
export const FEATURES = {
  reception: { stage: 'intake', core: ['intake'] },
  assessment: { stage: 'assess', core: ['assess', 'history'] },
  diagnosis: { stage: 'diagnose', core: ['faults'] },
  agreement: { stage: 'agree', core: ['estimate', 'planning'] },
  'power-down': { stage: 'power', core: ['workflow', 'cautions'] },
  strip: { stage: 'strip', core: ['strip'] },
  cleaning: { stage: 'clean', core: ['cleaning'] },
  survey: { stage: 'survey', core: ['pivots'] },
  fitting: { stage: 'fit', core: ['pivots', 'stores'] },
  assembly: { stage: 'assemble', core: ['checks', 'strip'] },
  oiling: { stage: 'oil', core: ['oiling'] },
  'test-run': { stage: 'run', core: ['rate', 'pendulum'] },
  delivery: {
    stage: 'deliver',
    core: ['checks'],
    lacks: {
      contract: 'its checks are those of assembly, at another place',
      server: 'its checks are those of assembly, at another place',
    },
  },
  signing: { stage: 'sign', core: ['visit', 'history'] },
  strike: { core: ['strike'] },
  listening: { core: ['sound', 'simulated'] },
  casework: { core: ['casework'] },
  conservation: { core: ['conservation'] },
  benches: { core: ['benches', 'electric', 'torsion'] },
  replacement: { core: ['movement'] },
  stores: { core: ['stores', 'table'] },
  'sub-assemblies': { core: ['workflow'] },
  'shop-work': { core: ['stores'] },
  'house-rules': { core: ['rules'] },
  movements: { core: ['movement', 'history', 'proof'] },
  exchange: { core: ['history', 'proof'] },
  photos: { core: [] },
  recordings: { core: ['sound'] },
  documents: { core: [] },
  notes: { core: [] },
  search: { core: [] },
  aftercare: { core: ['aftercare'] },
  people: { core: [] },
  owners: { core: [], lacks: { web: 'an owner is entered and corrected at reception' } },
  'owner-page': { core: ['estimate'] },
  bench: { core: ['visit', 'workflow'] },
  'bench-time': { core: ['planning'] },
  calendar: { core: [] },
  workings: { core: ['workings'] },
  visit: { core: ['visit', 'workflow'] },
} as const satisfies Record<string, Feature>;

export type FeatureName = keyof typeof FEATURES;
