import type { Visit } from '@eclat/contract';
import { createContext, useContext, useDeferredValue } from 'react';

/** The visit that is open: in its frame, in the stage that is shown there, and in what is looked up beside it. */
export const ThisVisit = createContext<Visit | null>(null);

export function useThisVisit(): Visit {
  const visit = useContext(ThisVisit);
  if (!visit) throw new Error('No visit is open here');
  return visit;
}

/**
 * The same for what is drawn behind an entry: a moment later, so that the entry is answered first. Never another visit
 * than the one that is open.
 */
export function useVisitBehind(): Visit {
  const visit = useThisVisit();
  const behind = useDeferredValue(visit);
  return behind.id === visit.id ? behind : visit;
}
