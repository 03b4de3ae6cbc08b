import { after } from './after.ts';
import { agree, owner } from './agreement.ts';
import { assess, counter, knowing, photos } from './counter.ts';
import { casework } from './casework.ts';
import { electric } from './electric.ts';
import { find } from './find.ts';
import { movements } from './movements.ts';
import { owners } from './owners.ts';
import { people } from './people.ts';
import { benchTime } from './bench-time.ts';
import { calendar, cleaning } from './cleaning.ts';
import {
  benchRoutes,
  diagnosis,
  findings,
  fitting,
  oiling,
  powerDown,
  survey,
  testRuns,
  visits,
} from './visit-routes.ts';
import { replacing } from './replacement.ts';
import { recordings } from './recordings.ts';
import { rules } from './rules.ts';
import { stores } from './stores.ts';
import { stripRoutes } from './strip.ts';
import { together } from './together.ts';
import { workings } from './workings.ts';

/** Every door of the API, by the place it belongs to. */
export const api = {
  people,
  find,
  owners,
  movements,
  bench: benchRoutes,
  visits,
  counter,
  assess,
  photos,
  recordings,
  agree,
  forOwner: owner,
  rules,
  knowing,
  findings,
  diagnosis,
  powerDown,
  strip: stripRoutes,
  cleaning,
  calendar,
  benchTime,
  survey,
  fitting,
  casework,
  electric,
  replacing,
  stores,
  oiling,
  together,
  testRuns,
  after,
  workings,
};

export {
  agreement,
  forOwner,
  line,
  lineFields,
  PAPERS,
  prices,
  promise,
  routeOffer,
  type ForOwner,
  type Line,
  type Paper,
  type Prices,
} from './agreement.ts';
export { type DueAgain, type Recalled } from './after.ts';
export { type BenchTime } from './bench-time.ts';
export { caseTaskFields, type CaseTask } from './casework.ts';
export { CONTACT_STATES, electricLook, SUPPRESSORS, type ElectricEntry, type ElectricLook } from './electric.ts';
export { fillFields, newRun, type CleaningRun, type Fill } from './cleaning.ts';
export * from './common.ts';
export {
  alone,
  evidenceFields,
  measurementFields,
  ownCause,
  ownCauseFields,
  receivedFields,
  wantedFields,
  WANTED_ENDS,
  knowledge,
  type Measurement,
  type ReceivedItem,
} from './counter.ts';
export { hit, type Hit } from './find.ts';
export { movementBook, type MovementBook, type TravelledEntry } from './movement-book.ts';
export * from './movements.ts';
export * from './owners.ts';
export * from './people.ts';
export * from './route.ts';
export { RECORDING_KINDS, type Recording } from './recordings.ts';
export { replacementFields } from './replacement.ts';
export { rulesVersion, visitRules, type RulesVersion } from './rules.ts';
export * from './service-record.ts';
export { MOVE_WHYS, orderFields, storeFields, type ImportPreview, type StoreItem } from './stores.ts';
export { PHASE_WHEN, stepFields, TEMPORARY_ENDS, type StripStep } from './strip.ts';
export {
  checkFields,
  HEARD_FROM,
  releaseFields,
  STRUCK_MARK,
  type Checked,
  type HeardSound,
  type ReleaseRead,
  type Struck,
} from './together.ts';
export * from './visits.ts';
export { worked, workingCard } from './workings.ts';
