import { agree, owner } from './agreement.ts';
import { assess, counter, knowing, photos } from './counter.ts';
import { find } from './find.ts';
import { movements } from './movements.ts';
import { owners } from './owners.ts';
import { people } from './people.ts';
import { benchTime } from './bench-time.ts';
import { calendar, cleaning } from './cleaning.ts';
import { benchRoutes, diagnosis, findings, fitting, oiling, powerDown, survey, testRuns, visits } from './visit-routes.ts';
import { rules } from './rules.ts';
import { stripRoutes } from './strip.ts';
import { workings } from './workings.ts';

/** Every door of the API, by the place it belongs to. */
export const api = { people, find, owners, movements, bench: benchRoutes, visits, counter, assess, photos, agree, forOwner: owner, rules, knowing, findings, diagnosis, powerDown, strip: stripRoutes, cleaning, calendar, benchTime, survey, fitting, oiling, testRuns, workings };

export {
  agreement, forOwner, line, lineFields, PAPERS, prices, promise, routeOffer, type ForOwner, type Line, type Paper, type Prices,
} from './agreement.ts';
export { type BenchTime } from './bench-time.ts';
export { fillFields, newRun, type CleaningRun, type Fill } from './cleaning.ts';
export * from './common.ts';
export {
  alone, evidenceFields, measurementFields, ownCause, ownCauseFields, receivedFields, wantedFields, WANTED_ENDS, knowledge, type Measurement, type ReceivedItem,
} from './counter.ts';
export { hit, type Hit } from './find.ts';
export { movementBook, type MovementBook, type TravelledEntry } from './movement-book.ts';
export * from './movements.ts';
export * from './owners.ts';
export * from './people.ts';
export * from './route.ts';
export { rulesVersion, visitRules, type RulesVersion } from './rules.ts';
export * from './service-record.ts';
export { PHASE_WHEN, stepFields, TEMPORARY_ENDS, type StripStep } from './strip.ts';
export * from './visits.ts';
export { worked, workingCard } from './workings.ts';
