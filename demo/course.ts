import { type BodyOf, api } from '@eclat/contract';
import type { Decision, RouteId } from '@eclat/core/estimate';
import type { Bath, SequenceId } from '@eclat/core/cleaning';
import type { LookOutcome, SymptomId } from '@eclat/core/faults';
import type { PowerState, UnitStage } from '@eclat/core/workflow';

export const DAY = 86_400_000;

/** A part by the supplier's number of what was taken from the stores. */
export type TakenFromStock = { stock: string } & Partial<
  Extract<BodyOf<typeof api.fitting.addPart>, { source: 'from stock' }>
>;

/** What is known of a visit beyond its intake, as far as it has got. */
export interface Course {
  /** Told at the counter, by question. */
  answers?: Record<string, string>;
  missing?: {
    what: string;
    evidence: string;
    would?: string;
    steps?: BodyOf<typeof api.reception.addWantedStep>[];
  }[];
  alone?: { drives: string; supply: string; borrowed: string };
  findings?: BodyOf<typeof api.assessment.addFinding>[];
  /** By its place in the list: the finding that it follows from. */
  follows?: Record<number, number>;
  /** By its place in the list: what a later look found instead. */
  overturned?: Record<number, string>;
  /** Walk only so many places; the rest is left as it was not looked at yet. */
  walked?: number;
  measured?: BodyOf<typeof api.assessment.addMeasurement>[];
  dated?: BodyOf<typeof api.assessment.addEvidence>[];
  /** Marks on the last photo: where, and the finding they show. */
  points?: (Pick<BodyOf<typeof api.photos.setMark>, 'x' | 'y' | 'shape' | 'to'> & { finding: number })[];
  estimate?: {
    routes?: RouteId[];
    chosen?: RouteId;
    lines: (BodyOf<typeof api.agreement.addLine> & { finding?: number; says?: Decision })[];
    later?: BodyOf<typeof api.agreement.addLine>[];
    question?: string;
  };
  /** What goes at its own pace, with the stages of it that are done. */
  units?: { name: string; done: UnitStage[] }[];
  symptoms?: Partial<Record<SymptomId, 'present' | 'absent'>>;
  looks?: Record<string, LookOutcome>;
  cause?: string;
  /** Held to be the cause before, and why it is another one. */
  causeBefore?: { said: string; why: string };
  prognosis?: { text: string; inDays: number };
  /** How the bushes felt in their train together dry. */
  dry?: { word: 'free' | 'drags' | 'shakes'; cure?: string }[];
  /** Trains that are not let down when the power stage is reached. */
  power?: Partial<Record<string, PowerState>>;
  override?: string;
  baths?: {
    bath: Bath;
    sequence?: SequenceId;
    parts: BodyOf<typeof api.cleaning.start>['parts'];
    minutes: number;
    running?: boolean;
    before?: string;
    after?: string;
  }[];
  /** Holes worn oval: how far the long way is beyond the short, mm. */
  worn?: Record<string, number>;
  /** Parts that are not sound, by key; the others are. */
  found?: Record<string, { state: string; toMm?: number; note?: string }>;
  /** Leave so many holes unmeasured at the end. */
  unmeasured?: number;
  /** Fit only so many of the bushes. */
  bushes?: number;
  /** `stock` is the supplier's number of what was taken from the stores. */
  bench?: BodyOf<typeof api.benches.add>['test'][];
  /** On case, dial and glass: done so often, the last so many hours ago. */
  casework?: (BodyOf<typeof api.casework.add> & { did?: number; hoursAgo?: number; ended?: boolean })[];
  conservation?: BodyOf<typeof api.conservation.add>[];
  /** A worn hole and the same one bushed, side by side. */
  mended?: string;
  work?: BodyOf<typeof api.fitting.addWork>[];
  parts?: (BodyOf<typeof api.fitting.addPart> | TakenFromStock)[];
  oilLeft?: number;
  /** Reckoned and kept, by stage. */
  workings?: BodyOf<typeof api.workings.keep>[];
  run?: {
    days: number;
    rate: number;
    every?: number;
    start?: number;
    readBy?: 'seconds hand' | 'minute hand';
    adjustedAfter?: number;
    oldRate?: number;
    misread?: number;
    /** Read each day: to one side, what it gains a day, where a tooth drops. */
    swing?: { deg: number; perDay: number; drops: number };
    endedHoursAgo?: number;
    place: string;
    /** Heard at the end, with that amplitude. */
    heard?: {
      beatsPerHour: number;
      beatErrorMs: number;
      amplitude: number | null;
    };
  };
}

export type Run = NonNullable<Course['run']>;
