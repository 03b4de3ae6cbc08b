import { api } from '@eclat/contract';
import type { Serve } from '../platform/http/serve.ts';
import { onTest } from '../test-run/on-test.ts';
import { benchList, timers } from './bench-list.ts';

export function serveBench(serve: Serve): void {
  serve(api.bench.list, (ctx) => benchList(ctx.em, ctx.now));
  serve(api.testRun.onTest, onTest);
  serve(api.bench.timers, (ctx) => timers(ctx.em));
}
