import type { Visit } from '@eclat/contract';
import { Navigate } from 'react-router';
import { useThisVisit } from './useThisVisit.ts';

/** Opening a visit goes to what is next on it. */
export function NextStage() {
  const visit = useThisVisit();
  return <Navigate replace to={nextOf(visit)} />;
}

function nextOf(visit: Visit) {
  if (visit.closedAt) return 'sign';
  if (visit.next.beside) return 'case';
  return visit.next.stage;
}
