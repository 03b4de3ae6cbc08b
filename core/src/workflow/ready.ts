import { counted } from '../units/index.ts';
import type { VisitFacts } from './next.ts';
import { stagesIn } from './jobs.ts';
import { isSafe } from './power.ts';
import type { StageId } from './stages.ts';

/** What the end of a stage depends on. */
export interface ReadyFacts extends VisitFacts {
  /** Checks that failed and were not passed since, with the stage they belong to. */
  failed: readonly { what: string; at: StageId }[];
}

/** Stages whose work the counter may do, and so ends; the others are ended by whoever answers for the movement. */
export const COUNTER_STAGES: readonly StageId[] = ['intake', 'assess', 'diagnose', 'agree', 'deliver'];

const left = (n: number, one: string, more: string) => (n > 0 ? `${counted(n, one, more)}.` : null);
const failedAt = (f: ReadyFacts, at: StageId) => f.failed.some((c) => c.at === at);

/** What each stage asks before it is done; a stage that is not named asks nothing. */
const ASKS: Partial<Record<StageId, (f: ReadyFacts) => string | null>> = {
  agree: (f) => (f.unanswered > 0 ? 'Every line has an answer first.' : null),
  power: (f) => {
    // Washed or worked on whole: nothing is taken down, so there is no strip to begin.
    if (stagesIn(f.stages, 'not in this job').includes('strip'))
      return f.power.every(isSafe) ? null : 'Make all power safe first.';
    return f.stripBegun ? null : 'Begin the strip first.';
  },
  strip: (f) => (f.stripBegun ? null : 'Power down comes first.'),
  clean: (f) => (f.bathRunning ? 'A run is still going on.' : null),
  survey: (f) => left(f.holesLeft, 'hole has no verdict yet', 'holes have no verdict yet'),
  fit: (f) => (f.bushesLeft > 0 ? 'Holes still need their bushes.' : null),
  assemble: (f) => {
    if (f.newMovementWaits) return 'The new movement is not in yet.';
    if (f.apart > 0) return `${f.apart} still apart: each needs a word.`;
    if (f.secondLook !== null) return `A second person looks first: ${f.secondLook}.`;
    return failedAt(f, 'assemble') ? 'A check stands failed.' : null;
  },
  oil: (f) => left(f.oilLeft, 'point is not ticked', 'points are not ticked'),
  run: (f) => (f.run ? null : 'The run begins first.'),
  deliver: (f) => (failedAt(f, 'deliver') ? 'What failed is put right first.' : null),
};

/** Why a stage cannot be called done as it stands; null: it can. It may be left at any time, with why. */
export const notReady = (f: ReadyFacts, stage: StageId): string | null => ASKS[stage]?.(f) ?? null;
