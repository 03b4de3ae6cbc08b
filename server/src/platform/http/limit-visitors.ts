import type { NextFunction, Request, Response } from 'express';
import { sql, type AppContext } from './app-context.ts';
import { HttpProblem } from './problems.ts';

const WINDOW_MS = 10 * 60_000;
const MOST = 300;

/**
 * Where nobody signs in: at most so many requests from one address in ten minutes. They are counted in the database, so
 * by every server process.
 */
export const limitVisitors = (appContext: AppContext) => async (req: Request, _res: Response, next: NextFunction) => {
  const em = appContext.orm.em.fork();
  const now = appContext.clock();
  const address = req.ip ?? '';
  const [row] = await sql<{ n: number }>(em, 'select count(*)::int as n from knock where address = ? and at > ?', [
    address,
    new Date(now.getTime() - WINDOW_MS),
  ]);
  if (row!.n >= MOST)
    throw new HttpProblem(429, 'Too many requests from here.', {
      detail: 'Wait ten minutes and open the page again.',
      retryAfterS: WINDOW_MS / 1000,
    });
  await sql(em, 'insert into knock (address, at) values (?, ?)', [address, now]);
  next();
};
