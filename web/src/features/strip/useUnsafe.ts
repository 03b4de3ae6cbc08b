import { powerWords, unsafeFor } from '@eclat/core/workflow';
import { useThisVisit } from '../visit/useThisVisit.ts';

/**
 * Trains that are wound or not known while something comes off, in words; none where the first strip was begun under
 * power with a reason.
 */
export function useUnsafe(): string[] {
  const { power, strip } = useThisVisit();
  if (strip.passes.length === 0 && strip.begun?.overrideReason) return [];
  return unsafeFor('plates', power).map(powerWords);
}
