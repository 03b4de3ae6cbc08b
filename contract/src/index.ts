import { find } from './find.ts';
import { movements } from './movements.ts';
import { owners } from './owners.ts';
import { people } from './people.ts';
import { benchRoutes, cleaning, diagnosis, findings, fitting, oiling, powerDown, survey, testRuns, visits } from './visit-routes.ts';
import { workings } from './workings.ts';

/** Every door of the API, by the place it belongs to. */
export const api = { people, find, owners, movements, bench: benchRoutes, visits, findings, diagnosis, powerDown, cleaning, survey, fitting, oiling, testRuns, workings };

export * from './common.ts';
export { hit, type Hit } from './find.ts';
export * from './movements.ts';
export * from './owners.ts';
export * from './people.ts';
export * from './route.ts';
export * from './service-record.ts';
export * from './visits.ts';
export { worked, workingCard } from './workings.ts';
