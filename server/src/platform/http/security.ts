import { randomBytes } from 'node:crypto';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import { HttpProblem } from './problems.ts';

export const nonceOf = (res: Response): string => res.locals['nonce'] as string;

/** No inline script at all; inline style only with this reply's nonce. */
export const headers = [
  (_req: Request, res: Response, next: NextFunction) => {
    res.locals['nonce'] = randomBytes(16).toString('base64');
    next();
  },
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'"],
        connectSrc: ["'self'"],
        fontSrc: ["'self'"],
        manifestSrc: ["'self'"],
        imgSrc: ["'self'", 'blob:', 'data:'],
        mediaSrc: ["'self'", 'blob:'],
        styleSrc: ["'self'", (_req, res) => `'nonce-${nonceOf(res as Response)}'`],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Eclat may stand on plain HTTP on loopback; a proxy in front of it adds HSTS.
    strictTransportSecurity: false,
    referrerPolicy: { policy: 'same-origin' },
    crossOriginEmbedderPolicy: false,
  }),
];

/** A change must come from a page of this very origin: a cookie alone is not enough. */
export function sameOrigin(req: Request, _res: Response, next: NextFunction): void {
  if (req.method === 'GET' || req.method === 'HEAD') return next();
  const origin = req.get('origin');
  if (origin && URL.canParse(origin)) {
    const { host, protocol } = new URL(origin);
    if (host === req.get('host') && protocol === `${req.protocol}:`) return next();
  }
  throw new HttpProblem(403, 'This request did not come from Eclat’s own page.', {
    detail: 'Behind a proxy, let it pass on Host and X-Forwarded-Proto, and set ECLAT_PROXIES.',
  });
}
