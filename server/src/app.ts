import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import { LARGEST_BOOK } from '@eclat/contract';
import express, { type NextFunction, type Request, type Response } from 'express';
import { Outside } from '@eclat/core/units';
import type { Logger } from 'pino';
import { serveAftercare } from './aftercare/aftercare.routes.ts';
import { serveAgreement } from './agreement/agreement.routes.ts';
import { serveOwnerPage } from './owner-page/owner-page.routes.ts';
import { serveBench } from './bench/bench.routes.ts';
import { serveBenchTime } from './bench-time/bench-time.routes.ts';
import { serveCalendar } from './calendar/calendar.routes.ts';
import { serveCasework } from './casework/casework.routes.ts';
import { serveConservation } from './conservation/conservation.routes.ts';
import { serveCleaning } from './cleaning/cleaning.routes.ts';
import { serveReception } from './reception/reception.routes.ts';
import { serveExchange, serveOtherShops } from './exchange/exchange.routes.ts';
import { serveDiagnosis } from './diagnosis/diagnosis.routes.ts';
import { serveBenches } from './benches/benches.routes.ts';
import { serveNotes } from './notes/notes.routes.ts';
import { serveAssessment } from './assessment/assessment.routes.ts';
import { serveListening } from './listening/listening.routes.ts';
import { serveSigning } from './signing/signing.routes.ts';
import { serveStrike } from './strike/strike.routes.ts';
import { serveFitting } from './fitting/fitting.routes.ts';
import { serveSearch } from './search/search.routes.ts';
import { openApi } from './platform/http/openapi.ts';
import { forLog, pathForLog } from './platform/http/for-log.ts';
import { badField, HttpProblem } from './platform/http/problems.ts';
import { headers, nonceOf, sameOrigin } from './platform/http/security.ts';
import { type AppContext } from './platform/http/app-context.ts';
import { wellFormed } from './platform/http/well-formed.ts';
import { serveOn, type Serve } from './platform/http/serve.ts';
import { personOf, sessionOf, withSession } from './platform/http/session.ts';
import type { LiveNotices } from './platform/live/live.ts';
import { servePublicBooks } from './movements/public-book.routes.ts';
import { serveMovements } from './movements/movements.routes.ts';
import { serveOiling } from './oiling/oiling.routes.ts';
import { serveOwners } from './owners/owners.routes.ts';
import { servePeople } from './people/people.routes.ts';
import { serveDocuments } from './documents/documents.routes.ts';
import { photoBody, servePhotos } from './photos/photos.routes.ts';
import { servePowerDown } from './power-down/power-down.routes.ts';
import { recordingBody, serveRecordings } from './recordings/recordings.routes.ts';
import { serveReplacement } from './replacement/replacement.routes.ts';
import { serveHouseRules } from './house-rules/house-rules.routes.ts';
import { serveSubAssemblies } from './sub-assemblies/sub-assemblies.routes.ts';
import { serveShopWork } from './shop-work/shop-work.routes.ts';
import { serveStores } from './stores/stores.routes.ts';
import { serveStrip } from './strip/strip.routes.ts';
import { serveSurvey } from './survey/survey.routes.ts';
import { serveTestRun } from './test-run/test-run.routes.ts';
import { serveVisit } from './visit/visit.routes.ts';
import { serveAssembly } from './assembly/assembly.routes.ts';
import { serveWorkings } from './workings/workings.routes.ts';

export interface Options {
  live: LiveNotices;
  log: Logger;
  /** Folder of the built web application. */
  web: string;
  /** How many proxies stand in front. */
  proxies: number;
  /** Set while the server goes down: nothing new is begun. */
  stopping?: { begun: boolean };
}

export function createApp(appContext: AppContext, { live, log, web, proxies, stopping }: Options): express.Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', proxies);
  app.use((_req, res, next) => {
    if (!stopping?.begun) return next();
    res.set('connection', 'close');
    next(new HttpProblem(503, 'Eclat is being stopped.', { detail: 'It is sent again by itself.', retryAfterS: 5 }));
  });
  app.use(headers);
  app.use(
    compression({
      filter: (req, res) =>
        !String(res.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(req, res),
    }),
  );

  app.get('/healthz', async (_req, res) => {
    await appContext.orm.em.getConnection().execute('select 1');
    res.json({ ok: true });
  });

  const router = express.Router();
  const serve = serveOn(router, appContext);
  serveOtherShops(router, appContext);
  router.use(sameOrigin, withSession(appContext));
  // A large body is only read for somebody who is signed in.
  const signedIn = (req: Request, _res: Response, next: NextFunction) =>
    next(personOf(req) ? undefined : new HttpProblem(401, 'Sign in to go on.'));
  router.use('/visits/:visitId/photos', signedIn, photoBody);
  router.use('/movements/:movementId/photos', signedIn, photoBody);
  router.use('/visits/:visitId/recordings', signedIn, recordingBody);
  router.use('/stores-table', signedIn, express.json({ limit: '8mb' }));
  // A clock may come with the book of its movement.
  for (const path of ['/visits', '/movement-records/check', '/movements/:movementId/record'])
    router.post(path, signedIn, express.json({ limit: LARGEST_BOOK }));
  router.use(express.json({ limit: '256kb' }), wellFormed);
  router.use((_req, res, next) => {
    res.set('cache-control', 'no-store');
    next();
  });
  serveFeatures(serve, router, appContext);
  router.get('/live', (req, res) => {
    if (!personOf(req)) throw new HttpProblem(401, 'Sign in to go on.');
    live.listen(req, res, sessionOf(req)!);
  });
  // Made once: it is the same for as long as the server runs.
  let described: string | undefined;
  router.get(
    '/openapi.json',
    signedIn,
    (_req, res) => void res.type('json').send((described ??= JSON.stringify(openApi()))),
  );
  router.use(() => {
    throw new HttpProblem(404, 'There is no such address in the API.');
  });
  app.use('/api', router);

  if (existsSync(join(web, 'index.html'))) servePages(app, web);
  app.use(problems(log));
  return app;
}

function serveFeatures(serve: Serve, router: express.Router, appContext: AppContext): void {
  servePeople(serve, appContext);
  serveSearch(serve);
  serveOwners(serve);
  serveMovements(serve, router, appContext);
  servePublicBooks(serve, router, appContext);
  serveExchange(serve);
  serveBench(serve);
  serveVisit(serve);
  serveReception(serve);
  serveAssessment(serve);
  serveDiagnosis(serve);
  serveAgreement(serve);
  serveOwnerPage(serve, router, appContext);
  serveHouseRules(serve);
  servePowerDown(serve);
  serveStrip(serve);
  serveCleaning(serve);
  serveCalendar(serve, router, appContext);
  serveBenchTime(serve);
  serveSurvey(serve);
  serveFitting(serve);
  serveCasework(serve);
  serveConservation(serve);
  serveBenches(serve);
  serveNotes(serve);
  serveReplacement(serve);
  serveStores(serve, router, appContext);
  serveShopWork(serve);
  serveSubAssemblies(serve);
  serveOiling(serve);
  serveTestRun(serve);
  serveAssembly(serve);
  serveStrike(serve);
  serveListening(serve);
  serveSigning(serve);
  serveAftercare(serve);
  serveWorkings(serve);
  servePhotos(serve, router, appContext);
  serveRecordings(serve, router, appContext);
  serveDocuments(router, appContext);
}

/** Scripts by address in the router, as the build found them. */
type Screens = Readonly<Record<string, readonly string[]>>;

/**
 * What the page at an address asks for first: data and scripts that come together with the first script, not after it.
 */
function hintsFor(path: string, screens: Screens): string[] {
  const [, visit, stage] = /^\/visits\/([0-9a-f-]{36})(?:\/([a-z]+))?$/.exec(path) ?? [];
  const data = ['/api/session', ...(path === '/' ? ['/api/bench'] : []), ...(visit ? [`/api/visits/${visit}`] : [])];
  const scripts = visit
    ? [...(screens['visits/:visitId'] ?? []), ...(stage ? (screens[stage] ?? []) : [])]
    : (screens[path.slice(1)] ?? []);
  return [...data.map((d) => `<${d}>; rel=preload; as=fetch; crossorigin=anonymous`), ...new Set(scripts)].map((s) =>
    s.startsWith('<') ? s : `</${s}>; rel=modulepreload`,
  );
}

/** Every other address is the web application; its page carries the nonce of this reply. */
function servePages(app: express.Express, web: string): void {
  const page = readFileSync(join(web, 'index.html'), 'utf8');
  const list = join(web, 'screens.json');
  const screens = existsSync(list) ? (JSON.parse(readFileSync(list, 'utf8')) as Screens) : {};
  app.use('/assets', express.static(join(web, 'assets'), { fallthrough: false, immutable: true, maxAge: '1y' }));
  const sendPage = (res: Response) =>
    void res
      .set('cache-control', 'no-store')
      .type('html')
      .send(page.replaceAll('__NONCE__', nonceOf(res)));
  // As it is kept on a device: with its nonce, and without hints for one address.
  app.get('/index.html', (_req, res) => sendPage(res));
  // What a browser keeps the page by is asked for anew each time: a newer version is found by it.
  app.get(['/offline.worker.js', '/manifest.webmanifest'], (_req, res, next) => {
    res.set('cache-control', 'no-cache');
    next();
  });
  app.use(express.static(web, { index: false, maxAge: '1h' }));
  // What a browser asks for by itself is no page of the application.
  app.get('/favicon.ico', (_req, res) => void res.sendStatus(404));
  app.get('/{*splat}', (req, res) => {
    // An owner's address is for the owner, not for a list of found pages.
    if (req.path.startsWith('/for-owner/')) res.set('x-robots-tag', 'noindex, nofollow');
    else for (const hint of hintsFor(req.path, screens)) res.append('link', hint);
    sendPage(res);
  });
}

const problems = (log: Logger) => (error: unknown, req: Request, res: Response, next: NextFunction) => {
  if (res.headersSent) return next(error);
  const found = asProblem(error);
  // What was refused on purpose is no fault of the server.
  if (found.status >= 500 && !(error instanceof HttpProblem))
    log.error({ error: forLog(error), path: pathForLog(req.path) }, 'request failed');
  if (found.extra.retryAfterS) res.set('retry-after', String(found.extra.retryAfterS));
  res.status(found.status).type('application/problem+json').send(JSON.stringify(found.body()));
};

function asProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof Outside) return badField(error.field, error.message);
  const { status, type, code } = error as { status?: number; type?: string; code?: string };
  if (type === 'entity.too.large')
    return new HttpProblem(413, 'This is too large.', { detail: 'A photo may have 15 MB, a recording 30 MB.' });
  if (status !== undefined && status >= 400 && status < 500)
    return new HttpProblem(status, 'This request could not be read.');
  if (databaseAway(error))
    return new HttpProblem(503, 'The database cannot be reached just now.', {
      detail: 'Nothing was written. It is tried again by itself.',
      retryAfterS: 5,
    });
  // Class 22: a value that its column cannot hold (PostgreSQL manual, appendix A).
  if (/^22\w{3}$/.test(code ?? '')) return new HttpProblem(422, 'Something typed is not valid.');
  if (code === '23505')
    return new HttpProblem(409, 'Somebody wrote the same thing a moment before.', {
      detail: 'Look again: it is there.',
    });
  return new HttpProblem(500, 'Something went wrong here.', {
    detail: 'Nothing was written. Try again; if it stays, the server’s log says more.',
  });
}

/**
 * The database is away, is starting or stopping, or has no connection to give. SQLSTATE classes 08 and 57P (PostgreSQL
 * manual, appendix A), and what the network and the pool say.
 */
function databaseAway(error: unknown): boolean {
  const { code, name, message } = error as { code?: string; name?: string; message?: string };
  return (
    /^(08...|57P0[123]|53300|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/.test(code ?? '') ||
    name === 'KnexTimeoutError' ||
    /^Connection terminated|^Connection ended unexpectedly/.test(message ?? '')
  );
}
