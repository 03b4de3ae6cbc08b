import { aftercareRoutes } from './aftercare.ts';
import { agreementRoutes } from './agreement.ts';
import { assemblyRoutes } from './assembly.ts';
import { assessmentRoutes } from './assessment.ts';
import { benchRoutes } from './bench.ts';
import { benchTimeRoutes } from './bench-time.ts';
import { calendarRoutes } from './calendar.ts';
import { caseworkRoutes } from './casework.ts';
import { conservationRoutes } from './conservation.ts';
import { cleaningRoutes } from './cleaning.ts';
import { diagnosisRoutes } from './diagnosis.ts';
import { benchRoutesOf } from './benches.ts';
import { notesRoutes } from './notes.ts';
import { exchangeRoutes } from './exchange.ts';
import { fittingRoutes } from './fitting.ts';
import { houseRulesRoutes } from './house-rules.ts';
import { listeningRoutes } from './listening.ts';
import { movementsRoutes } from './movements.ts';
import { oilingRoutes } from './oiling.ts';
import { ownerPageRoutes } from './owner-page.ts';
import { ownersRoutes } from './owners.ts';
import { peopleRoutes } from './people.ts';
import { photosRoutes } from './photos.ts';
import { powerDownRoutes } from './power-down.ts';
import { receptionRoutes } from './reception.ts';
import { recordingsRoutes } from './recordings.ts';
import { replacementRoutes } from './replacement.ts';
import { searchRoutes } from './search.ts';
import { signingRoutes } from './signing.ts';
import { shopWorkRoutes } from './shop-work.ts';
import { subAssembliesRoutes } from './sub-assemblies.ts';
import { storesRoutes } from './stores.ts';
import { strikeRoutes } from './strike.ts';
import { stripRoutes } from './strip.ts';
import { surveyRoutes } from './survey.ts';
import { testRunRoutes } from './test-run.ts';
import { visitRoutes } from './visit.ts';
import { workingsRoutes } from './workings.ts';

/** Every route of the API, by the feature that it belongs to. */
export const api = {
  reception: receptionRoutes,
  assessment: assessmentRoutes,
  diagnosis: diagnosisRoutes,
  agreement: agreementRoutes,
  ownerPage: ownerPageRoutes,
  powerDown: powerDownRoutes,
  strip: stripRoutes,
  cleaning: cleaningRoutes,
  survey: surveyRoutes,
  fitting: fittingRoutes,
  assembly: assemblyRoutes,
  oiling: oilingRoutes,
  strike: strikeRoutes,
  listening: listeningRoutes,
  testRun: testRunRoutes,
  signing: signingRoutes,
  casework: caseworkRoutes,
  conservation: conservationRoutes,
  benches: benchRoutesOf,
  notes: notesRoutes,
  replacement: replacementRoutes,
  stores: storesRoutes,
  shopWork: shopWorkRoutes,
  subAssemblies: subAssembliesRoutes,
  houseRules: houseRulesRoutes,
  movements: movementsRoutes,
  exchange: exchangeRoutes,
  photos: photosRoutes,
  recordings: recordingsRoutes,
  search: searchRoutes,
  aftercare: aftercareRoutes,
  people: peopleRoutes,
  owners: ownersRoutes,
  bench: benchRoutes,
  benchTime: benchTimeRoutes,
  calendar: calendarRoutes,
  visit: visitRoutes,
  workings: workingsRoutes,
};

export * from './aftercare.ts';
export * from './agreement.ts';
export * from './assembly.ts';
export * from './assessment.ts';
export * from './bench.ts';
export * from './bench-time.ts';
export * from './calendar.ts';
export * from './casework.ts';
export * from './conservation.ts';
export * from './cleaning.ts';
export * from './common.ts';
export * from './diagnosis.ts';
export * from './documents.ts';
export * from './exchange.ts';
export * from './benches.ts';
export * from './notes.ts';
export * from './fitting.ts';
export * from './house-rules.ts';
export * from './listening.ts';
export * from './movement-book.ts';
export * from './movements.ts';
export * from './oiling.ts';
export * from './owner-page.ts';
export * from './owners.ts';
export * from './people.ts';
export * from './photos.ts';
export * from './power-down.ts';
export * from './reception.ts';
export * from './recordings.ts';
export * from './replacement.ts';
export * from './route.ts';
export * from './search.ts';
export * from './sections.ts';
export * from './service-record.ts';
export * from './signing.ts';
export * from './shop-work.ts';
export * from './sub-assemblies.ts';
export * from './stores.ts';
export * from './strike.ts';
export * from './strip.ts';
export * from './survey.ts';
export * from './test-run.ts';
export * from './visit.ts';
export * from './workings.ts';
