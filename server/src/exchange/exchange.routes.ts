import { api, LARGEST_BOOK } from '@eclat/contract';
import express, { type NextFunction, type Request, type Response, type Router } from 'express';
import { keepBrought } from '../movements/book-photos.service.ts';
import { signingKey } from '../movements/keys.ts';
import { ownCard } from '../movements/known-keys.service.ts';
import { Shop } from '../people/people.entity.ts';
import { theShop } from '../people/shop.service.ts';
import type { Decoded } from '../photos/decode.ts';
import type { AppContext } from '../platform/http/app-context.ts';
import type { Context } from '../platform/http/context.ts';
import { countKnock, limitVisitors, refuseTooMany } from '../platform/http/limit-visitors.ts';
import { HttpProblem, notFound } from '../platform/http/problems.ts';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { sha256 } from '../platform/sha256.ts';
import { askPhoto, askShop, cardAt, sendBook, sendPhoto, shareSent, type Sent } from './ask.service.ts';
import { answer } from './asked.service.ts';
import { readWanted, replyHeaders, type Partner } from './envelope.ts';
import { asJson } from './json.ts';
import { contacts, isTooMany, note, noteOutcome } from './log.ts';
import { offer, offers, settle, share, shopsFor } from './sharing.service.ts';

const SHOWN = 200;

export function serveExchange(serve: Serve): void {
  serve(api.exchange.shops, (ctx, { params }) => shopsFor(ctx, params.movementId));
  serve(api.exchange.share, (ctx, { params, body }) => asOk(share(ctx, params.movementId, body)));
  serve(api.exchange.ask, (ctx, { params, body }) => askShop(ctx, params, body));
  // The other shop is asked before a unit of work begins: none waits for it.
  serve<typeof api.exchange.send, Sent>(
    api.exchange.send,
    (ctx, { params, before }) => shareSent(ctx, params.movementId, params.key, before),
    (ctx, { params }) => sendBook(ctx, params.movementId, params.key),
  );
  serve<typeof api.exchange.fetchPhoto, Decoded | null>(
    api.exchange.fetchPhoto,
    (ctx, { before }) => asOk(keepBrought(ctx, before)),
    (ctx, { params }) => askPhoto(ctx, params),
  );
  serve<typeof api.exchange.sendPhoto, void>(
    api.exchange.sendPhoto,
    () => asOk(Promise.resolve()),
    (ctx, { params, body }) => sendPhoto(ctx, { ...params, ...body }),
  );
  serve(api.exchange.cardAt, (_ctx, { body }) => cardAt(body.address));
  serve(api.exchange.offers, (ctx) => offers(ctx));
  serve(api.exchange.offer, (ctx, { params, query }) => offer(ctx, params.offerId, query.movementId));
  serve(api.exchange.settle, (ctx, { params, body }) => asOk(settle(ctx, params.offerId, body)));
  serve(api.exchange.contacts, (ctx) => contacts(ctx.em, SHOWN));
}

interface Wanted extends Awaited<ReturnType<typeof readWanted>> {
  partner: Partner;
  noted: string;
}

/**
 * The door for other shops. No page calls it: each request is signed by the shop that asks, so that neither a cookie
 * nor an origin counts. Who asks is known, noted and held to its measure before the body is read.
 */
export function serveOtherShops(router: Router, appContext: AppContext): void {
  const wanted = new WeakMap<Request, Wanted>();
  const known = async (req: Request<{ want: string }>, _res: Response, next: NextFunction) => {
    const address = req.ip ?? '';
    // Whoever is known here is held to a measure of its own.
    await refuseTooMany(appContext, address);
    wanted.set(
      req as Request,
      await admitted(appContext, req).catch(async (error: unknown) => {
        await countKnock(appContext, address);
        throw error;
      }),
    );
    next();
  };
  // A card says nothing that its shop does not hand out. One without a web address has not published any.
  router.get('/exchange/card', limitVisitors(appContext), async (_req, res) => {
    const ctx = { em: appContext.orm.em.fork(), now: appContext.clock() };
    // Before its first run there is no shop.
    if (!(await ctx.em.findOne(Shop, { one: true }))?.webAddress) throw notFound('card');
    const { card } = await ownCard(ctx);
    res.set('cache-control', 'no-store').json({ card });
  });
  router.post(
    '/exchange/:want',
    known,
    express.raw({ type: () => true, limit: LARGEST_BOOK, inflate: false }),
    async (req: Request<{ want: string }>, res: Response) => {
      await answered(appContext, wanted.get(req as Request)!, req, res);
    },
  );
}

/** @throws 401 of a shop that is not known here, 404 where none is answered, 409 of the same twice, 429 of too many */
async function admitted({ orm, clock }: AppContext, req: Request<{ want: string }>): Promise<Wanted> {
  const em = orm.em.fork();
  const now = clock();
  if ((await theShop({ em })).answers === 'nothing')
    throw new HttpProblem(404, 'This shop does not answer other shops.', {
      detail: 'Ask there: they can allow it (People), or send the book as a file.',
    });
  const came = await readWanted(em, req.headers, req.params.want, now);
  const { said, hash, partner } = came;
  const noted = await note(em, now, {
    ...{ direction: 'in', kid: partner?.kid ?? said.from, shop: partner?.shop ?? '', want: said.want, by: '' },
    ...{ outcome: partner ? 'not answered' : 'its key is not known here', requestHash: hash },
  });
  if (!partner)
    throw new HttpProblem(401, 'Your key is not known here.', { detail: 'Give them your shop card, then ask again.' });
  if (noted === null) throw new HttpProblem(409, 'This request was sent before.');
  if (await isTooMany(em, partner.kid, said.want, now)) {
    await noteOutcome(em, noted, 'too many in an hour', null);
    throw new HttpProblem(429, 'Too many requests in one hour.', { detail: 'Ask again later.', retryAfterS: 3600 });
  }
  return { ...came, partner, noted };
}

async function answered(
  { orm, clock }: AppContext,
  { said, hash, partner, noted }: Wanted,
  req: Request,
  res: Response,
): Promise<void> {
  res.set('cache-control', 'no-store');
  const body = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
  const now = clock();
  const anybody: Omit<Context, 'em'> = { person: { id: '', name: '', role: 'counter' }, now, touched: new Set() };
  try {
    if (sha256(body) !== said.body) throw new HttpProblem(401, 'The body is not the one that was signed.');
    const { reply, outcome, movementId } = await orm.em
      .fork()
      .transactional((em) => answer({ ...anybody, em }, partner, said, body));
    await noteOutcome(orm.em.fork(), noted, outcome, movementId);
    if (Buffer.isBuffer(reply)) return void res.type('jpeg').send(reply);
    const bytes = asJson(reply);
    const em = orm.em.fork();
    res.set(await replyHeaders(em, await signingKey(em, now), hash, bytes, now));
    res.type('json').send(bytes);
  } catch (error) {
    await noteOutcome(orm.em.fork(), noted, error instanceof HttpProblem ? error.message : 'it went wrong here', null);
    throw error;
  }
}
