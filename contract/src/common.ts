import { STAGE_IDS } from '@eclat/core/workflow';
import { HOLE_RANGE_MM } from '@eclat/core/pivots';
import { z } from 'zod';

export const id = z.uuid();
/** Years of which a shop speaks: before and after them it is a slip of the hand. */
const YEARS = /^(1[6-9]|2[01])\d\d-/;
const ofOurYears = (day: string) => YEARS.test(day);
const NO_YEAR = 'A year from 1600 to 2199.';
export const moment = z.iso.datetime().refine(ofOurYears, NO_YEAR);
/** A day of the calendar, `2026-11-29`. */
export const calendarDay = (message = 'A day such as 2026-11-29.') => z.iso.date(message).refine(ofOurYears, NO_YEAR);
export const version = z.int().min(0);
export const stageId = z.enum(STAGE_IDS);
/** Who did it and when: on everything that is written at the bench. */
export const signed = { by: z.string(), at: moment };
/** The version the sender last saw: a change is refused with both states if somebody was faster. */
export const basedOn = { version };

type Changed<Shape extends z.ZodRawShape> = {
  [K in keyof Shape]: z.ZodOptional<Shape[K] extends z.ZodDefault<infer Inner> ? Inner : Shape[K]>;
};
/** A change names only the fields that it changes. What it leaves out stays as it is: no default fills it in. */
export function changesTo<Shape extends z.ZodRawShape>(schema: z.ZodObject<Shape>) {
  const fields = Object.entries(schema.shape).map(([name, field]) => [
    name,
    (field instanceof z.ZodDefault ? (field.unwrap() as z.ZodType) : (field as z.ZodType)).optional(),
  ]);
  return z.object(Object.fromEntries(fields) as Changed<Shape>).extend(basedOn);
}

export const text = (most: number) => z.string().trim().max(most, `Keep it under ${most} characters.`);
export const requiredText = (most: number, what: string) => text(most).min(1, `${what} is needed.`);
export const millimetres = z
  .number()
  .min(HOLE_RANGE_MM[0], `At least ${HOLE_RANGE_MM[0]} mm.`)
  .max(HOLE_RANGE_MM[1], `At most ${HOLE_RANGE_MM[1]} mm.`);

export const sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'SHA-256 in hex.');

/** An error as RFC 9457 has it, in words that say what happened and what to do. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  fields: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  /** On a lost race: the state that won. */
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problem>;

export const page = <Item extends z.ZodType>(item: Item) =>
  z.object({ items: z.array(item), next: z.string().nullable() });
/** Inputs and results of a working: their own schemas stand in the registry, which validates them. */
export const values = z.record(z.string(), z.unknown());
export const done = z.object({ ok: z.literal(true) });
export const ok = { ok: true } as const;

const LOOPBACK = /^(localhost|127\.0\.0\.1|\[::1\])$/;

function isWebAddress(given: string): boolean {
  if (given === '') return true;
  if (!URL.canParse(given)) return false;
  const { protocol, hostname, username, pathname, search, hash } = new URL(given);
  const safe = protocol === 'https:' || (protocol === 'http:' && LOOPBACK.test(hostname));
  return safe && username === '' && pathname === '/' && search === '' && hash === '';
}

/** Where others reach the shop; empty: nowhere. In the clear only within one machine. */
export const webAddress = text(200).refine(
  isWebAddress,
  'An address like https://clocks.example, and nothing behind it.',
);

/** A place in an order that a person gives: the first is 0. */
export const place = z.object({ position: z.int().min(0).max(10_000) });
