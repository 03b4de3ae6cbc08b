import type { Problem } from '@eclat/contract';

/** An error that the person is meant to read: what happened, and what to do. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    title: string,
    readonly extra: Partial<Problem> & { retryAfterS?: number } = {},
  ) {
    super(title);
  }
  body(): Problem {
    const { retryAfterS: _, ...extra } = this.extra;
    return { type: 'about:blank', title: this.message, status: this.status, ...extra };
  }
}

export const notFound = (what: string) => new HttpProblem(404, `There is no such ${what} here.`);
export const refused = (title: string, detail?: string) =>
  new HttpProblem(409, title, detail === undefined ? {} : { detail });
export const badField = (path: string, message: string) =>
  new HttpProblem(422, 'Something typed is not valid.', { fields: [{ path, message }] });

/** Somebody else was faster: their state comes along, so that the person can choose. */
export const lostRace = (current: unknown) =>
  new HttpProblem(409, 'Somebody changed this while you were typing.', {
    type: 'urn:eclat:lost-race',
    detail: 'Nothing of yours was written. Choose which to keep.',
    current,
  });
