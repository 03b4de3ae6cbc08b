import type { Heard } from './heard.ts';
import type { Steadiness } from './steady.ts';

/**
 * More than this share of missing beats, or of sounds besides; more scatter, or more out of beat, than a clock on a
 * bench has: practice. Of a beat longer than a second the scatter is taken as a share of it.
 */
const MANY = 0.15,
  UNEVEN_MS = 1.2,
  LAME = 0.25;
/** A beat weaker than this, or heard less often than this share, may be something else. */
const FAINT_STRENGTH = 0.25,
  FAINT_SHARE = 0.7;
/**
 * What a person should know before believing the figures.
 * @param beats how many were used
 */
export function warningsOf(heard: Heard, s: Steadiness, beats: number): string[] {
  return [...ofTheBeat(heard, beats), ...ofOtherSounds(heard, beats), ...ofItsEvenness(heard, s)];
}

/** Why no amplitude is told at this beat, in words. beatsPerHour: above 0. */
export const whyNoAmplitude = (beatsPerHour: number): string =>
  beatsPerHour < 14_000
    ? 'Amplitude by sound is for balances.'
    : 'Unlocking and drop could not be told apart: no amplitude.';

function ofTheBeat({ lock }: Heard, beats: number): string[] {
  const warnings: string[] = [];
  if (lock.ambiguous)
    warnings.push(
      'The number of beats is ambiguous: tick and tock sound alike, or one of the two is not heard. ' +
        'Give the number of beats.',
    );
  else if (lock.heard === 'one') warnings.push('Only one of tick and tock is heard: no beat error.');
  if (lock.others.length > 0)
    warnings.push(`Another clock is heard, at about ${lock.others.join(' and ')} beats an hour.`);
  if (lock.strength < FAINT_STRENGTH || lock.covered < FAINT_SHARE)
    warnings.push(
      'The beat is faint or often covered: what is said may be of something else. Bring the microphone nearer.',
    );
  if (beats < 12) warnings.push(`Only ${beats} beats were heard.`);
  return warnings;
}

function ofOtherSounds({ counts: { missing, extra, louder, evenlyS } }: Heard, beats: number): string[] {
  const warnings: string[] = [];
  const many = (n: number) => n > MANY * beats && n > 2;
  if (many(missing))
    warnings.push(`${missing} of ${beats + missing} beats were not heard: it may be another number of beats.`);
  if (many(extra)) warnings.push(`${extra} other sounds fall between its ${beats} beats: another clock may be near.`);
  if (evenlyS !== null)
    warnings.push(`Something louder sounds every ${evenlyS.toFixed(1)} s: a slow clock may be near.`);
  // Where many are louder, its own beats differ.
  else if (louder > 2 && louder < MANY * beats)
    warnings.push(`${louder} sounds are far louder than its beat: its strike, talk, or another clock.`);
  return warnings;
}

function ofItsEvenness({ lock, shiftS, stoppedS }: Heard, s: Steadiness): string[] {
  const warnings: string[] = [];
  const oneKind = lock.heard === 'one';
  const scatterMs = s.scatterS * 1000;
  if (scatterMs > UNEVEN_MS * Math.max(1, s.beatS))
    warnings.push(
      `Its beats fall unevenly, by ${scatterMs.toFixed(1)} ms: a poor escapement, or two clocks heard as one.`,
    );
  if (!oneKind && shiftS !== null && Math.abs(s.oddS) > LAME * s.beatS)
    warnings.push('Tick and tock lie so far out of beat that they may be of two clocks.');
  if (stoppedS !== null) warnings.push(`It stopped after ${stoppedS.toFixed(1)} s.`);
  if (!oneKind && shiftS === null) warnings.push('Where tick and tock begin cannot be told: no beat error.');
  return warnings;
}
