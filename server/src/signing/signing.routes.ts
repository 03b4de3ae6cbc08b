import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { signVisit } from './signing.service.ts';

export function serveSigning(serve: Serve): void {
  serve(api.signing.sign, (ctx, { params, body }) => signVisit(ctx, params.visitId, body));
}
