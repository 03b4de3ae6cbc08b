import { api, ok } from '@eclat/contract';
import { confirm } from '../people/sign-in.service.ts';
import { whereFrom } from '../platform/http/session.ts';
import type { Serve } from '../platform/http/serve.ts';
import { dropWord, keepWord, signVisit } from './signing.service.ts';

export function serveSigning(serve: Serve): void {
  serve(api.signing.keepWord, (ctx, { params, body }) => keepWord(ctx, params.visitId, body));
  serve(api.signing.dropWord, async (ctx, { params }) => {
    await dropWord(ctx, params.visitId, params.wordId);
    return ok;
  });
  serve<typeof api.signing.sign, void>(
    api.signing.sign,
    (ctx, { params, body }) => signVisit(ctx, params.visitId, body),
    (ctx, { body, req }) => confirm(ctx, { passphrase: body.passphrase, ...whereFrom(req) }),
  );
}
