import type { Visit } from '@eclat/contract';
import { createContext, useContext } from 'react';

/** The visit that is open: in its frame, in the stage that is shown there, and in what is looked up beside it. */
export const ThisVisit = createContext<Visit | null>(null);

export function useThisVisit(): Visit {
  const visit = useContext(ThisVisit);
  if (!visit) throw new Error('No visit is open here');
  return visit;
}
