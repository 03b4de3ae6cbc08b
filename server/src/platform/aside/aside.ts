import { Piscina } from 'piscina';
import { HttpProblem } from '../http/problems.ts';
import type * as tasks from './aside.worker.ts';

type Tasks = typeof tasks;
type Done<Name extends keyof Tasks> = Awaited<ReturnType<Tasks[Name]>>;

/** Threads take the worker as it was built; where the sources themselves run, as in tests, it is done in this one. */
const SOURCES = import.meta.url.endsWith('.ts');
const WORKER = './aside.js';
const MOST_AT_ONCE = 2,
  MOST_WAITING = 100,
  LONGEST_MS = 60_000;

let pool: Piscina | undefined;

/**
 * Long work in threads of its own, at most two at once and in the order asked, so that nobody else’s request waits.
 * What goes in and out is copied: plain data only.
 * @throws 503 when too much is waiting, or it takes longer than a minute
 */
export async function aside<Name extends keyof Tasks>(
  name: Name,
  given: Parameters<Tasks[Name]>[0],
): Promise<Done<Name>> {
  if (SOURCES) return (await inThisThread(name, given)) as Done<Name>;
  pool ??= threads();
  const late = AbortSignal.timeout(LONGEST_MS);
  try {
    return (await pool.run(given, { name, signal: late })) as Done<Name>;
  } catch (error) {
    if (late.aborted || (error as Error).message === 'Task queue is at limit')
      throw new HttpProblem(503, 'This takes longer than it should.', {
        detail: 'Much was asked at once. Try again in a minute.',
        retryAfterS: 30,
      });
    throw error;
  }
}

async function inThisThread(name: keyof Tasks, given: unknown): Promise<unknown> {
  const work = (await import('./aside.worker.ts'))[name] as (given: unknown) => unknown;
  return work(structuredClone(given));
}

function threads(): Piscina {
  const made = new Piscina({
    filename: new URL(WORKER, import.meta.url).href,
    minThreads: 0,
    maxThreads: MOST_AT_ONCE,
    maxQueue: MOST_WAITING,
    idleTimeout: 60_000,
  });
  // A thread that fell over takes its task with it: whoever asked is told; the next thread is begun.
  made.on('error', () => undefined);
  return made;
}
