import type { BenchTest } from '@eclat/contract';
import type { TableTest, Values } from '@eclat/core/benches';
import type { Course } from './course.ts';
import type { BodyOf, api } from '@eclat/contract';
import type { ShapeId, StageId, TermsId } from '@eclat/core/workflow';
import type { Picture } from './pictures.ts';

/** Owners, makers, places and clocks are all made up. */
export interface DemoClock {
  /** Absent: the shop's own. */
  owner?: string;
  phone?: string;
  ownStock?: true;
  /** A full overhaul, guaranteed, where nothing is said. */
  shape?: ShapeId;
  terms?: TermsId;
  trial?: { expected: string; reviewInDays: number };
  clock: string;
  movement: BodyOf<typeof api.visit.open>['movement'];
  /** Goes on in the book of a movement that was here before. */
  known?: 'slate' | 'brackwater' | 'wharf';
  /** It comes back because of the last work here. */
  callback?: boolean;
  complaint: string;
  wanted?: string;
  notWanted?: string;
  outOfScope?: string;
  received?: NonNullable<BodyOf<typeof api.visit.open>['received']>;
  /** For the shop alone. */
  notes?: string[];
  picture: Picture;
  daysAgo: number;
  promisedInDays?: number;
  by: 'ines' | 'marit' | 'wilf' | 'tobiah';
  stage: StageId;
  course?: Course;
}

/** A finding, its words in the order of the form. */
export const finding = (
  place: string,
  seen: string,
  severity: 'safety' | 'stops it' | 'harms it' | 'keeps bad time' | 'looks',
  effect: 'timekeeping' | 'striking' | 'safety' | 'looks' | 'value' | 'none',
  proposal = '',
  more: { earlierRepair?: boolean; doNotDisturb?: boolean; hours?: number; cause?: string } = {},
) => ({ place, seen, severity, effect, proposal, ...more });
export const brassAndSteel = { name: 'plates and wheels', materials: ['bare brass' as const, 'plain steel' as const] };

/** An entry of a bench whose kinds stand in the table. */
export const measured = (kind: TableTest['kind'], values: Values): BenchTest => ({ kind, values: { ...values } });
