import { api } from '@eclat/contract';
import type { Serve } from '../http/serve.ts';
import { onTest } from '../testruns/on-test.ts';
import { benchList, timers } from './facts.ts';

export function serveBench(serve: Serve): void {
  serve(api.bench.list, (ctx) => benchList(ctx.em, ctx.now));
  serve(api.bench.onTest, onTest);
  serve(api.bench.timers, (ctx) => timers(ctx.em));
}
