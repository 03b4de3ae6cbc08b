import type { ReactNode } from 'react';
import { ThisVisit, useVisitBehind } from './useThisVisit.ts';

/**
 * What stands around the work in hand: an entry is answered first, and these are drawn behind it. It holds for those
 * that are memoised and take the visit from here.
 */
export function Around({ children }: { children: ReactNode }) {
  return <ThisVisit value={useVisitBehind()}>{children}</ThisVisit>;
}
