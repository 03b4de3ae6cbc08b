import { STAGES, stageName, type StageId } from './stages.ts';
import type { PowerState } from './power.ts';
import type { RateVerdict } from '../rate/index.ts';

export interface SignFacts {
  done: readonly StageId[];
  power: readonly PowerState[];
  bathRunning: boolean;
  bushesLeft: number;
  /** Tasks on case, dial or glass that are not done. */
  caseLeft: number;
  /** Lines of the estimate that wait for the owner's word. */
  unanswered: number;
  /** Things that came off and are not accounted for; temporary things still in it; parts still with another hand. */
  apart: number;
  temporary: number;
  away: number;
  /** Checks that failed and were not passed since. */
  failed: readonly string[];
  /** Things received that are not ticked as going home. */
  notReturned: number;
  verdict: RateVerdict['kind'] | 'no run';
  /** Why the test run's verdict is waived, if it is. */
  waiver?: string | undefined;
  /** Owner's private words found in the text of the record, with where. */
  privateWords: readonly string[];
}

/** What still stands between this visit and its signature. Empty when it may be signed. */
export function signObstacles(f: SignFacts): string[] {
  const out: string[] = [];
  for (const { id } of STAGES)
    if (id !== 'sign' && !f.done.includes(id)) out.push(`${stageName(id)} is not done`);
  if (f.power.some((s) => s === 'unknown')) out.push('The power state of a train is unknown');
  if (f.bathRunning) out.push('A bath is still running');
  if (f.bushesLeft > 0) out.push(`${f.bushesLeft} ${f.bushesLeft === 1 ? 'hole still wants its bush' : 'holes still want their bushes'}`);
  if (f.caseLeft > 0) out.push(`${f.caseLeft} ${f.caseLeft === 1 ? 'task' : 'tasks'} on case, dial or glass ${f.caseLeft === 1 ? 'is' : 'are'} not done`);
  if (f.apart > 0) out.push(`${f.apart} ${f.apart === 1 ? 'thing that came off is' : 'things that came off are'} not accounted for`);
  for (const what of f.failed) out.push(`A check stands failed: ${what}`);
  if (f.temporary > 0) out.push(`${f.temporary} ${f.temporary === 1 ? 'temporary thing is' : 'temporary things are'} neither taken out nor declared`);
  if (f.away > 0) out.push(`${f.away} ${f.away === 1 ? 'part is' : 'parts are'} still with another hand`);
  if (f.unanswered > 0) out.push(`${f.unanswered} ${f.unanswered === 1 ? 'line of the estimate waits' : 'lines of the estimate wait'} for the owner’s word`);
  if (f.notReturned > 0) out.push(`${f.notReturned} ${f.notReturned === 1 ? 'thing that came with it is' : 'things that came with it are'} not ticked as going home`);
  if (f.verdict !== 'inside' && !f.waiver?.trim()) out.push('The test run is not inside tolerance: wait, or say why it is waived');
  out.push(...f.privateWords);
  return out;
}
