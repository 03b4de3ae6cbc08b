import type { NextFunction, Request, Response } from 'express';
import { sql, type AppContext } from './app-context.ts';
import { HttpProblem } from './problems.ts';

const WINDOW_MS = 10 * 60_000;
const MOST = 300;

/** @throws 429 where too many came from this address in ten minutes */
export async function refuseTooMany({ orm, clock }: AppContext, address: string): Promise<void> {
  const em = orm.em.fork();
  const [row] = await sql<{ n: number }>(em, 'select count(*)::int as n from knock where address = ? and at > ?', [
    address,
    new Date(clock().getTime() - WINDOW_MS),
  ]);
  if (row!.n >= MOST)
    throw new HttpProblem(429, 'Too many requests from here.', {
      detail: 'Wait ten minutes and open the page again.',
      retryAfterS: WINDOW_MS / 1000,
    });
}

/** Counted in the database, so by every server process. */
export const countKnock = ({ orm, clock }: AppContext, address: string) =>
  sql(orm.em.fork(), 'insert into knock (address, at) values (?, ?)', [address, clock()]);

/** Where nobody signs in: at most so many requests from one address in ten minutes. */
export const limitVisitors = (appContext: AppContext) => async (req: Request, _res: Response, next: NextFunction) => {
  const address = req.ip ?? '';
  await refuseTooMany(appContext, address);
  await countKnock(appContext, address);
  next();
};
