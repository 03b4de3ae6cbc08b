import type { Unsent } from './app-state.ts';

type Body = Record<string, unknown>;

/** What an earlier version of the page kept on this device, and how it is said now. */
const OLD_FORMS: readonly { url: RegExp; old: (body: Body) => boolean; now: (body: Body) => Body }[] = [
  {
    // A hole's size was sent twice where it was told by its play.
    url: /\/visits\/[^/]+\/holes\/[^/]+$/,
    old: (body) => 'holeLongMm' in body,
    now: ({ holeLongMm, holeShortMm, seen, ...rest }) => ({
      ...rest,
      size: seen ?? { kind: 'measured', holeLongMm, holeShortMm },
    }),
  },
  {
    // A stage was done, or taken up again.
    url: /\/visits\/[^/]+\/stages\/[^/]+$/,
    old: (body) => 'done' in body,
    now: ({ done }) => ({ state: done ? 'done' : 'open' }),
  },
  { url: /\/visits\/[^/]+\/electric$/, old: (body) => 'look' in body, now: ({ look }) => ({ test: look }) },
];

/** The body of a kept change as the server of today reads it. */
export function inPresentForm({ url, body }: Pick<Unsent, 'url' | 'body'>): unknown {
  if (typeof body !== 'object' || body === null) return body;
  const known = body as Body;
  return OLD_FORMS.find((f) => f.url.test(url) && f.old(known))?.now(known) ?? body;
}
