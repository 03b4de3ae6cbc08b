import { Navigate } from 'react-router';
import { useThisVisit } from './thisVisit.ts';

/** Opening a visit goes to what is next on it. */
export function NextStage() {
  const visit = useThisVisit();
  return <Navigate replace to={visit.closedAt ? 'sign' : visit.next.beside ? 'case' : visit.next.stage} />;
}
