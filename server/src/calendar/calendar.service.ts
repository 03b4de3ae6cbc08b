import { createHash, randomBytes } from 'node:crypto';
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { addDays, parseISO } from 'date-fns';
import { factsOf, FACTS_SQL, type FactRow } from '../bench/facts.ts';
import type { RunStep } from '@eclat/core/cleaning';
import type { Context } from '../http/context.ts';
import { sql } from '../http/house.ts';
import { notFound } from '../http/problems.ts';
import { Person } from '../people/people.entity.ts';
import { CalendarFeed } from './calendar.entity.ts';

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

export const feedState = async (ctx: Context) => ({ since: (await ctx.em.findOne(CalendarFeed, { personId: ctx.person.id }))?.since.toISOString() ?? null });

/** The token is told once, here; only its hash is kept. A new one ends the one before. */
export async function makeFeed(ctx: Context): Promise<{ token: string }> {
  const token = randomBytes(32).toString('base64url');
  await ctx.em.upsert(CalendarFeed, { personId: ctx.person.id, tokenHash: hashOf(token), since: ctx.now });
  return { token };
}

export async function endFeed(ctx: Context): Promise<void> {
  await ctx.em.nativeDelete(CalendarFeed, { personId: ctx.person.id });
}

interface Due { id: string; visit_id: string; claim: string; clock: string; steps: RunStep[]; step: number; step_started_at: string; ends_at: string }

/**
 * What is due in this shop, as iCalendar (RFC 5545): timers that run, readings of clocks on test, promised days. No
 * owner is named: a calendar travels further than the shop.
 * @throws 404 alike for an address that never was, or was ended, or whose person has left
 */
export async function feed(ctx: Pick<Context, 'em' | 'now'>, token: string, address: string): Promise<string> {
  const found = await ctx.em.findOne(CalendarFeed, { tokenHash: hashOf(token) });
  if (!found || !(await ctx.em.findOne(Person, { id: found.personId, active: true }))) throw notFound('calendar');
  const calendar = ical({ name: 'Eclat: due', prodId: { company: 'Eclat', product: 'due', language: 'EN' }, method: ICalCalendarMethod.PUBLISH, ttl: 15 * 60 });
  const at = (visitId: string, stage: string) => `${address}/visits/${visitId}/${stage}`;
  const running = await sql<Due>(ctx.em, `
    select b.id, b.visit_id, v.claim, c.description as clock, b.steps, b.step, b.step_started_at, b.ends_at
    from bath_run b join visit v on v.id = b.visit_id join clock c on c.id = v.clock_id where b.stopped_at is null and b.ends_at is not null order by b.ends_at`);
  for (const r of running) {
    const end = new Date(r.ends_at);
    calendar.createEvent({ id: `${r.id}-${r.step}@eclat`, start: end, end: new Date(end.getTime() + 15 * 60_000), summary: `${r.steps[r.step]!.what}: time is up (${r.claim}, ${r.clock})`, url: at(r.visit_id, 'clean'), stamp: new Date(r.step_started_at) })
      .createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
  for (const row of await sql<FactRow>(ctx.em, `${FACTS_SQL} where v.closed_at is null order by v.opened_at`)) {
    const { run } = factsOf(row);
    if (run?.nextReadingAt) calendar.createEvent({ id: `${row.id}-reading@eclat`, start: new Date(run.nextReadingAt), end: new Date(run.nextReadingAt + 15 * 60_000), summary: `Read the clock on test (${row.claim}, ${row.clock})`, url: at(row.id, 'run'), stamp: ctx.now });
    if (row.promised_for) calendar.createEvent({ id: `${row.id}-promised@eclat`, start: parseISO(row.promised_for), end: addDays(parseISO(row.promised_for), 1), allDay: true, summary: `Promised (${row.claim}, ${row.clock})`, url: at(row.id, 'sign'), stamp: ctx.now });
  }
  return calendar.toString();
}
