import { heldUp, powerWords, type Depth } from '@eclat/core/workflow';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What stands in the way of opening it so deep, in words; none where it is safe, or leave was given for it. */
export function useHeldUp(opens: Depth | null): string[] {
  const { power, overrides, strip } = useThisVisit();
  return heldUp(opens, { power, overrides, passes: strip.passes }).map(powerWords);
}
