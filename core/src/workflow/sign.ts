import { counted } from '../units/index.ts';
import type { ReadyFacts } from './ready.ts';
import { stagesIn } from './jobs.ts';
import { stageName, type StageId } from './stages.ts';
import { unitStage } from './sub-assemblies.ts';

export interface SignFacts extends ReadyFacts {
  /** Temporary things still in it; things that are not yet as they will stay; parts still with another hand. */
  temporary: number;
  notFinal: number;
  /** A borrowed line or a jumper that is still in, with the bench where that is said. */
  stillIn: readonly { what: string; at: 'weights' | 'outputs' }[];
  away: number;
  /** The job is more than a look, and nothing that was done is entered. */
  nothingDone: boolean;
  /** Functions that the protocol asks for in position, and that have no answer yet. */
  untested: number;
  /** Things received that are not ticked as going home. */
  notReturned: number;
  waiver?: string | undefined;
  /** Owner's private words found in the text of the record, with where. */
  privateWords: readonly { word: string; where: string }[];
}

export interface Obstacle {
  what: string;
  /** The stage where it is taken out of the way; null: on the page of the signature itself. */
  at: StageId | 'case' | 'units' | 'weights' | 'outputs' | null;
  /** A reason in words takes its place. */
  waivable?: true;
  /** A word of the owner, which the signer may keep where it means something else. */
  word?: string;
}

/** A word of the owner's that stands in what was typed for the record. */
export const ownersWord = ({ word, where }: SignFacts['privateWords'][number]): string =>
  `“${word}” belongs to the owner and stands in ${where}`;

/** What still stands between this visit and its signature. Empty when it may be signed. */
export function signObstacles(f: SignFacts): Obstacle[] {
  const out: Obstacle[] = [];
  const stands = (at: Obstacle['at'], n: number, one: string, more: string) => {
    if (n > 0) out.push({ what: counted(n, one, more), at });
  };
  for (const id of stagesIn(f.stages, 'open'))
    if (id !== 'sign') out.push({ what: `${stageName(id)} is not done`, at: id });
  const inJob = stagesIn(f.stages, 'open', 'done', 'left');
  const left = stagesIn(f.stages, 'left');
  if (inJob.includes('power') && f.power.some((s) => s === 'unknown'))
    out.push({ what: 'The power state of a train is unknown', at: 'power' });
  for (const unit of f.units) if (unitStage(unit) !== null) out.push({ what: `${unit.name} is not done`, at: 'units' });
  if (f.nothingDone)
    out.push({ what: 'Nothing that was done is entered: enter it, or agree on “Look and report”', at: 'fit' });
  if (f.standRun !== null) out.push({ what: 'It still runs on the stand with parts off', at: 'assemble' });
  if (f.bathRunning) out.push({ what: 'A bath is still running', at: 'clean' });
  if (!left.includes('fit')) stands('fit', f.bushesLeft, 'hole still needs its bush', 'holes still need their bushes');
  stands('case', f.caseLeft, 'task on case, dial or glass is not done', 'tasks on case, dial or glass are not done');
  stands('assemble', f.apart, 'thing that came off is not accounted for', 'things that came off are not accounted for');
  for (const { what, at } of f.failed) out.push({ what: `A check stands failed: ${what}`, at });
  stands(
    'assemble',
    f.temporary,
    'temporary thing is neither taken out nor declared',
    'temporary things are neither taken out nor declared',
  );
  stands('assemble', f.notFinal, 'thing is not final yet', 'things are not final yet');
  for (const still of f.stillIn) out.push(still);
  stands('strip', f.away, 'part is still with another hand', 'parts are still with another hand');
  stands(
    'agree',
    f.unanswered,
    'line of the estimate waits for the owner’s word',
    'lines of the estimate wait for the owner’s word',
  );
  stands(
    null,
    f.notReturned,
    'thing that came with it is not ticked as going home',
    'things that came with it are not ticked as going home',
  );
  if (f.trialEndsAt !== null) out.push({ what: 'Nobody has said how the trial ended', at: null });
  if (inJob.includes('run') && !left.includes('run') && !f.waiver?.trim()) {
    if (f.run?.verdict !== 'inside')
      out.push({
        what: 'The test run is not inside tolerance: wait, or say why it is waived',
        at: 'run',
        waivable: true,
      });
    if (f.untested > 0)
      out.push({
        what:
          counted(f.untested, 'function in position has', 'functions in position have') +
          ' no answer: test, or say why it is waived',
        at: 'run',
        waivable: true,
      });
  }
  for (const hit of f.privateWords) out.push({ what: ownersWord(hit), at: 'assess', word: hit.word });
  return out;
}
