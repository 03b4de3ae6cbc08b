import { pipeline } from 'node:stream/promises';
import { api } from '@eclat/contract';
import type { Request, Router } from 'express';
import { z } from 'zod';
import { confirm } from '../people/sign-in.service.ts';
import type { Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { contextForFile, whereFrom } from '../platform/http/session.ts';
import { asOk, type Serve } from '../platform/http/serve.ts';
import type { AppContext } from '../platform/http/app-context.ts';
import type { Decoded } from '../photos/decode.ts';
import { bookFile, clockFile, type Packed } from './book-file.ts';
import { keepBrought, readBrought } from './book-photos.service.ts';
import { forgetKey, knowKey, readShopCard, shopCard, signingKeys } from './known-keys.service.ts';
import { changeKey } from './key-change.ts';
import { amend } from './history.service.ts';
import { describe, descriptionsOf, setAbsent } from './describe.service.ts';
import { movementsLike, setMark } from './known.service.ts';
import { bringRecord, checkRecord, recordOf } from './record.service.ts';
import { lastCheck } from './verify.ts';
import { clockBook } from './clock-book.service.ts';
import { otherClock, sameClock } from './same-clock.service.ts';
import { merge, part } from './same.service.ts';
import { inscribe } from './inscriptions.service.ts';
import { layPlates, movementBook, searchMovements } from './movements.service.ts';

export function serveMovements(serve: Serve, router: Router, appContext: AppContext): void {
  serve(api.movements.search, (ctx, { query }) => searchMovements(ctx, query.q, query.after));
  serve(api.movements.book, (ctx, { params }) => movementBook(ctx, params.movementId));
  serve(api.movements.clock, (ctx, { params }) => clockBook(ctx, params.clockId));
  serve(api.movements.record, (ctx, { params }) => recordOf(ctx, params.movementId));
  serve(api.movements.keys, (ctx) => signingKeys(ctx));
  serve(api.movements.card, (ctx) => shopCard(ctx));
  serve(api.movements.readCard, (ctx, { body }) => readShopCard(ctx, body));
  serve(api.movements.knowKey, (ctx, { body }) => knowKey(ctx, body));
  serve<typeof api.movements.changeKey, void>(
    api.movements.changeKey,
    (ctx) => asOk(changeKey(ctx)),
    (ctx, { body, req }) => confirm(ctx, { passphrase: body.passphrase, ...whereFrom(req) }),
  );
  serve(api.movements.forgetKey, (ctx, { params }) => asOk(forgetKey(ctx, params.key)));
  serve(api.movements.lastCheck, (ctx) => lastCheck(ctx));
  serve(api.movements.bringRecord, (ctx, { params, body }) => bringRecord(ctx, params.movementId, body));
  serve(api.movements.checkRecord, (ctx, { body }) => checkRecord(ctx, body));
  serve<typeof api.movements.bringPhoto, Decoded | null>(
    api.movements.bringPhoto,
    (ctx, { before }) => asOk(keepBrought(ctx, before)),
    (ctx, { params, req }) => readBrought(ctx, params.movementId, params.hash, req.body),
  );
  serve(api.movements.inscribe, (ctx, { params, body }) => inscribe(ctx, params.movementId, body));
  serve(api.movements.arrange, (ctx, { params, body }) => layPlates(ctx, params.movementId, body));
  serve(api.movements.descriptions, (ctx, { params }) => descriptionsOf(ctx, params.movementId));
  serve(api.movements.describe, (ctx, { params, body }) => describe(ctx, params.movementId, body));
  serve(api.movements.setAbsent, (ctx, { params, body }) => setAbsent(ctx, params.movementId, body));
  serve(api.movements.setMark, (ctx, { params, body }) => setMark(ctx, params.movementId, body));
  serve(api.movements.like, (ctx, { query }) => movementsLike(ctx, query.text));
  serve(api.movements.sameClock, (ctx, { params }) => asOk(sameClock(ctx, params.clockId, params.otherId)));
  serve(api.movements.otherClock, (ctx, { params }) => asOk(otherClock(ctx, params.clockId, params.otherId)));
  serve(api.movements.merge, (ctx, { params, body }) => merge(ctx, params.movementId, body));
  serve(api.movements.part, (ctx, { params, body }) => part(ctx, params.movementId, body));
  serve<typeof api.movements.amend, void>(
    api.movements.amend,
    (ctx, { params, body }) => amend(ctx, params.entryId, body.text, body.keep),
    (ctx, { body, req }) => confirm(ctx, { passphrase: body.passphrase, ...whereFrom(req) }),
  );

  /** A file, not JSON: so it stands beside the contract. Made while it is read. */
  const serveFile = (path: string, what: string, make: (ctx: Context, id: string) => Promise<Packed>) =>
    router.get(path, async (req: Request<{ id: string }>, res) => {
      const ctx = contextForFile(req, appContext);
      const { id } = req.params;
      if (!z.uuid().safeParse(id).success) throw notFound(what);
      const { name, zip } = await make(ctx, id);
      res.set({ 'content-type': 'application/zip', 'content-disposition': `attachment; filename="${name}"` });
      // Who gives up while it is made is told nothing more.
      await pipeline(zip, res).catch(() => res.destroy());
    });
  serveFile('/movements/:id/book.zip', 'movement', bookFile);
  serveFile('/clocks/:id/book.zip', 'clock', clockFile);
}
