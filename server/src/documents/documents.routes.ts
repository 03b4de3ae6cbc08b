import { labelPicture } from './label.ts';
import type { Asked } from './parts.ts';
import { DOCUMENTS, type DocumentKind } from '@eclat/contract';
import type { Router } from 'express';
import { z } from 'zod';
import { notFound } from '../platform/http/problems.ts';
import type { AppContext } from '../platform/http/app-context.ts';
import { contextForFile } from '../platform/http/session.ts';
import { dayOf, letterDay } from '@eclat/core/days';
import { theShop } from '../people/shop.service.ts';
import { viewVisit } from '../visit/visit.view.ts';
import { WRITTEN } from './documents.ts';

/** Documents are files, not JSON: so they stand beside the contract. Each is made anew from what is recorded. */
export function serveDocuments(router: Router, appContext: AppContext): void {
  router.get('/visits/:visitId/papers/:file', async (req, res) => {
    const ctx = contextForFile(req, appContext);
    const { visitId, file } = req.params;
    const [, name, kind] = /^([a-z]+)\.(pdf|svg)$/.exec(file) ?? [];
    if (
      !z.uuid().safeParse(visitId).success ||
      !DOCUMENTS.includes(name as DocumentKind) ||
      (kind === 'svg' && name !== 'label')
    )
      throw notFound('document');
    const { name: shop, timeZone } = await theShop(ctx);
    const asked: Asked = {
      visit: await viewVisit(ctx, visitId),
      shop,
      dayOn: (at) => dayOf(at, timeZone),
      day: (at) => letterDay(typeof at === 'string' && !at.includes('T') ? at : dayOf(at, timeZone)),
      address: `${req.protocol}://${req.get('host')}/visits/${visitId}`,
    };
    if (kind === 'svg') return void res.type('image/svg+xml').send(await labelPicture(asked));
    const pdf = await WRITTEN[name as DocumentKind](ctx, asked);
    res
      .set({
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="${asked.visit.claim}-${name}.pdf"`,
      })
      .send(pdf);
  });
}
