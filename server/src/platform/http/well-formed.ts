import type { NextFunction, Request, Response } from 'express';
import { badField, HttpProblem } from './problems.ts';

const DEEPEST = 40;

/** A letter that no database and no file can hold: U+0000, or half of a pair. */
const broken = (text: string): boolean => /[\0\p{Surrogate}]/u.test(text);

/** Refuses what can be written down nowhere, before anything is done with it: addresses, questions and bodies. */
export function wellFormed(req: Request, _res: Response, next: NextFunction): void {
  if (broken(decoded(req.path))) throw new HttpProblem(400, 'This address is not valid.');
  for (const [name, value] of new URL(req.url, 'http://x').searchParams)
    if (broken(name) || broken(value)) throw badField(name.replaceAll('\0', ''), NO_LETTER);
  if (!Buffer.isBuffer(req.body)) walk(req.body);
  next();
}

const NO_LETTER = 'It holds a character that cannot be kept.';

/** @throws 400 for a percent sign without its figures */
function decoded(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    throw new HttpProblem(400, 'This address is not valid.');
  }
}

/** Without recursion: what is nested too deep must not bring down what looks at it. */
function walk(body: unknown): void {
  const left: { value: unknown; path: string; deep: number }[] = [{ value: body, path: '', deep: 0 }];
  for (let at = left.pop(); at; at = left.pop()) {
    const { value, path, deep } = at;
    if (typeof value === 'string' && broken(value)) throw badField(path, NO_LETTER);
    if (typeof value !== 'object' || value === null) continue;
    if (deep > DEEPEST) throw badField(path.split('.')[0]!, 'This is nested too deep.');
    for (const [name, inside] of Object.entries(value)) {
      if (broken(name) || name === '__proto__') throw badField(path, 'No such name can be kept.');
      left.push({ value: inside, path: path === '' ? name : `${path}.${name}`, deep: deep + 1 });
    }
  }
}
