import type { Visit } from '@eclat/contract';
import { useOutletContext } from 'react-router';

/** The visit that is open, for the stage shown inside its frame. */
export const useThisVisit = (): Visit => useOutletContext<Visit>();
