import { counted, sentence } from '../units/index.ts';
import type { PassDepth } from './passes.ts';
import { isSafe, isShallow, type PowerState } from './power.ts';
import { settled, stagesIn, type Stand, type StageState } from './jobs.ts';
import { stageName, STAGE_IDS, type StageId } from './stages.ts';
import { leastUnit, type Unit } from './sub-assemblies.ts';

/** What a visit comes to, as far as its next action and its signature depend on it. `visitFacts` makes it. */
export interface VisitFacts {
  /** Where every stage of the job stands, in their order. */
  stages: readonly StageState[];
  closed: boolean;
  /** One state for each train that can hold power. */
  power: readonly PowerState[];
  stripBegun: boolean;
  /** What is off while it runs on the stand, as declared; null: no such run. */
  standRun: string | null;
  /** What a second person was asked to look at, and has not yet; null: nothing. */
  secondLook: string | null;
  /** How deep it was opened again each time. */
  passes: readonly Pick<PassDepth, 'depth'>[];
  /** Things logged as taken off, and how many of them nobody has accounted for yet. */
  steps: number;
  apart: number;
  findings: number;
  symptoms: number;
  /**
   * Lines of the estimate; how many of them wait for the owner's word, and how many of those were found during the
   * work.
   */
  lines: number;
  unanswered: number;
  asked: number;
  bathRunning: boolean;
  /** End of the soonest running bath, ms since 1970. */
  bathEndsAt: number | null;
  /** The step of a cleaning run that goes on without a timer. */
  bathStep: string | null;
  /** Tasks on case, dial or glass that are not done, and the end of the soonest wait there, ms since 1970. */
  caseLeft: number;
  caseEndsAt: number | null;
  /** Holes without a verdict; holes that want a bush and have none; points of the oil chart without a word. */
  holesLeft: number;
  bushesLeft: number;
  oilLeft: number;
  run: {
    stopped: boolean;
    readings: number;
    verdict: 'inside' | 'outside' | 'not yet';
    nextReadingAt: number | null;
  } | null;
  promisedAt: number | null;
  /** A trial without an outcome yet: when it is looked at again, ms since 1970. */
  trialEndsAt: number | null;
  /** Another movement was agreed to go into the case, and it is not in yet. */
  newMovementWaits: boolean;
  /** Sub-assemblies that go at their own pace. */
  units: readonly Unit[];
}

export type Urgency = 'danger' | 'due' | 'next' | 'wait';

export interface NextAction {
  stage: StageId;
  text: string;
  urgency: Urgency;
  /** It lies beside the stages: on case, dial or glass. */
  beside: boolean;
}

/** The first stage of the job that wants a hand; `sign` when none does. */
export const stageOf = (stages: readonly Stand[]): StageId => stages.find((s) => s.state === 'open')?.stage ?? 'sign';

/** Its plates are closed again, as far as was said. */
export const isAssembled = (stages: readonly Stand[]): boolean => stagesIn(stages, 'done', 'left').includes('assemble');

/** Another movement was agreed to go into the case, and it is not in yet. */
export const newMovementWaits = (v: { job: { shape: string }; replacement: { out: unknown } }): boolean =>
  v.job.shape === 'replacement' && v.replacement.out === null;

/** Assembled again, opened at the dial side only, or never taken apart: then a wound train is how it should be. */
export function isTogether(stages: readonly Stand[], passes: readonly Pick<PassDepth, 'depth'>[]): boolean {
  const last = passes.at(-1);
  if (last && isShallow(last.depth)) return true;
  if (isAssembled(stages) || stagesIn(stages, 'done', 'left').includes('oil')) return true;
  return ['strip', 'assemble'].every((s) => stagesIn(stages, 'not in this job').includes(s as StageId));
}

/**
 * The one thing to do next with this clock. Order: what can hurt, what is due now, then the work's own order.
 * @param now ms since 1970
 */
export function nextAction(f: VisitFacts, now: number): NextAction {
  const stage = stageOf(f.stages);
  const beside = false;
  if (f.closed) return { stage: 'sign', text: 'Signed and closed', urgency: 'wait', beside };
  const apart = f.stripBegun && f.standRun === null && !isTogether(f.stages, f.passes);
  if (apart && f.power.some((s) => s === 'wound'))
    return { stage: 'power', text: 'Apart with a train wound: make it safe', urgency: 'danger', beside };
  if (f.bathEndsAt !== null && f.bathEndsAt <= now)
    return { stage: 'clean', text: 'Bath time is up: take the parts out', urgency: 'due', beside };
  if (f.caseEndsAt !== null && f.caseEndsAt <= now)
    return { stage, text: 'Dry: go on with case, dial or glass', urgency: 'due', beside: true };
  if (f.run?.nextReadingAt && f.run.nextReadingAt <= now && stage === 'run')
    return { stage: 'run', text: 'A reading is due', urgency: 'due', beside };
  const stayed = stagesIn(f.stages, 'not in this job').includes('assemble');
  if (f.standRun !== null)
    return {
      stage: stayed ? 'run' : 'assemble',
      text: `Runs on the stand, off: ${f.standRun}`,
      urgency: 'wait',
      beside,
    };
  if (f.secondLook !== null && stage === 'assemble')
    return { stage, text: `A second person looks: ${f.secondLook}`, urgency: 'due', beside };
  const movement = { stage, ...(trialAction(stage, f, now) ?? stageAction(stage, f)), beside };
  const own = unitAction(f, movement) ?? movement;
  if (own.urgency === 'next' && f.promisedAt !== null && f.promisedAt < now) return { ...own, urgency: 'due' };
  return own;
}

/** A sub-assembly that is behind the movement, or wants a hand while the movement waits. */
function unitAction({ units }: VisitFacts, movement: NextAction): NextAction | null {
  const unit = leastUnit(units);
  const behind = unit !== null && STAGE_IDS.indexOf(unit.stage) < STAGE_IDS.indexOf(movement.stage);
  if (!unit || !(behind || movement.urgency === 'wait')) return null;
  const text = `${sentence(unit.name)}: ${stageName(unit.stage).toLowerCase()} is next`;
  return { stage: unit.stage, text, urgency: 'next', beside: false };
}

/** All but the signature is done, and the clock is out on trial. */
function trialAction(stage: StageId, f: VisitFacts, now: number): Omit<NextAction, 'stage' | 'beside'> | null {
  if (stage !== 'sign' || f.trialEndsAt === null) return null;
  return f.trialEndsAt <= now
    ? { text: 'The trial is over: how did it end?', urgency: 'due' }
    : { text: 'On trial', urgency: 'wait' };
}

function stageAction(stage: StageId, f: VisitFacts): Omit<NextAction, 'stage' | 'beside'> {
  const next = (text: string) => ({ text, urgency: 'next' as const });
  switch (stage) {
    case 'intake':
      return next('Photographs first, then intake is done');
    case 'assess':
      return next(
        f.findings === 0
          ? 'Walk the clock and record what is seen'
          : `Assessed so far: ${counted(f.findings, 'finding')}`,
      );
    case 'diagnose':
      return next(f.symptoms === 0 ? 'Pick its symptoms' : 'Settle on the cause');
    case 'agree':
      if (f.lines === 0) return next('Write the estimate');
      return f.unanswered > 0
        ? { text: `The owner has ${counted(f.unanswered, 'line')} to answer`, urgency: 'wait' }
        : next('The owner has answered: on to the work');
    case 'power': {
      const unsafe = f.power.filter((s) => !isSafe(s)).length;
      if (unsafe > 0) return next(`Let down ${counted(unsafe, 'train')}`);
      return next(settled(f.stages).includes('strip') ? 'Safe: on to the work' : 'Safe to open: begin the strip');
    }
    case 'strip':
      return next(f.steps === 0 ? 'Log what comes off' : `${counted(f.steps, 'thing')} off and logged`);
    case 'clean':
      return f.bathEndsAt !== null ? { text: 'In the bath', urgency: 'wait' } : next(f.bathStep ?? 'Plan the bath');
    case 'survey':
      return next(
        f.holesLeft > 0 ? `${counted(f.holesLeft, 'hole')} still to look at` : 'Survey is complete: count the bushes',
      );
    case 'fit':
      return next(
        f.bushesLeft > 0
          ? `${counted(f.bushesLeft, 'bush', 'bushes')} to fit`
          : 'Bushes are in: enter the parts fitted',
      );
    case 'assemble':
      if (f.newMovementWaits) return next('Put the new movement in');
      return next(
        f.apart > 0 ? `${counted(f.apart, 'thing')} still apart` : 'Everything that came off is accounted for',
      );
    case 'oil':
      return next(f.oilLeft > 0 ? `${counted(f.oilLeft, 'point')} to oil or leave dry` : 'Oiled');
    case 'run':
      return runAction(f.run);
    case 'deliver':
      return next('Deliver it, or hand it over here');
    case 'sign':
      return next('Ready to sign');
  }
}

function runAction(run: VisitFacts['run']): Omit<NextAction, 'stage' | 'beside'> {
  if (run === null) return { text: 'Start the test run', urgency: 'next' };
  if (run.stopped) return { text: 'It stopped on test: find out why', urgency: 'due' };
  if (run.verdict === 'inside') return { text: 'Inside tolerance: the run is done', urgency: 'next' };
  if (run.verdict === 'outside') return { text: 'Outside tolerance: set it', urgency: 'next' };
  return { text: run.readings < 2 ? 'On test: too few readings yet' : 'On test', urgency: 'wait' };
}
