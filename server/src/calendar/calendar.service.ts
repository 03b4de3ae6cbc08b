import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { daysAfter } from '@eclat/core/days';
import { dueList } from '../aftercare/aftercare.service.ts';
import { visitFacts } from '@eclat/core/visit';
import { settled } from '@eclat/core/workflow';
import { benchFacts, timers } from '../bench/bench-list.ts';
import type { Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { hashOf, newToken } from '../platform/http/tokens.ts';
import { Person } from '../people/people.entity.ts';
import { CalendarFeed } from './calendar.entity.ts';

/** The package writes the UTC day of an all-day event: it is given that day's midnight there. */
const midnight = (day: string) => new Date(`${day}T00:00:00Z`);
const wholeDay = (on: string) => ({ start: midnight(on), end: midnight(daysAfter(on, 1)), allDay: true });

export const feedState = async (ctx: Context) => ({
  since: (await ctx.em.findOne(CalendarFeed, { personId: ctx.person.id }))?.since.toISOString() ?? null,
});

/** The token is told once, here; only its hash is kept. A new one ends the one before. */
export async function makeFeed(ctx: Context): Promise<{ token: string }> {
  const token = newToken();
  await ctx.em.upsert(CalendarFeed, { personId: ctx.person.id, tokenHash: hashOf(token), since: ctx.now });
  return { token };
}

export async function removeFeed(ctx: Context): Promise<void> {
  await ctx.em.nativeDelete(CalendarFeed, { personId: ctx.person.id });
}

/**
 * What is due in this shop, as iCalendar (RFC 5545): timers that run, readings of clocks on test, promised days. No
 * owner is named: a calendar travels further than the shop.
 * @throws 404 alike for an address that never was, or was ended, or whose person has left
 */
export async function feed(ctx: Pick<Context, 'em' | 'now'>, token: string, address: string): Promise<string> {
  const found = await ctx.em.findOne(CalendarFeed, { tokenHash: hashOf(token) });
  if (!found || !(await ctx.em.findOne(Person, { id: found.personId, active: true }))) throw notFound('calendar');
  const calendar = ical({
    name: 'Eclat: due',
    prodId: { company: 'Eclat', product: 'due', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 15 * 60,
  });
  const at = (visitId: string, stage: string) => `${address}/visits/${visitId}/${stage}`;
  for (const t of await timers(ctx.em)) {
    const end = new Date(t.endsAt);
    calendar
      .createEvent({
        id: `${t.id}-${Date.parse(t.startedAt)}@eclat`,
        start: end,
        end: new Date(end.getTime() + 15 * 60_000),
        summary: `${t.what}: time is up (${t.claim}, ${t.clock})`,
        url: at(t.visitId, t.beside ? 'case' : 'clean'),
        stamp: new Date(t.startedAt),
      })
      .createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
  for (const row of await benchFacts(ctx.em)) {
    const { stages, run } = visitFacts(row, ctx.now.getTime());
    if (run?.nextReadingAt && !settled(stages).includes('run'))
      calendar.createEvent({
        id: `${row.id}-reading@eclat`,
        start: new Date(run.nextReadingAt),
        end: new Date(run.nextReadingAt + 15 * 60_000),
        summary: `Read the clock on test (${row.claim}, ${row.clock})`,
        url: at(row.id, 'run'),
        stamp: ctx.now,
      });
    const clock = `${row.claim}, ${row.clock}`;
    if (row.promisedFor)
      calendar.createEvent({
        id: `${row.id}-promised@eclat`,
        ...wholeDay(row.promisedFor),
        summary: `Promised (${clock})`,
        url: at(row.id, 'sign'),
        stamp: ctx.now,
      });
    if (row.job.trial && !row.job.trial.outcome)
      calendar.createEvent({
        id: `${row.id}-trial@eclat`,
        ...wholeDay(row.job.trial.reviewOn),
        summary: `Look again at the trial (${clock})`,
        url: at(row.id, 'sign'),
        stamp: ctx.now,
      });
  }
  for (const d of await dueList(ctx))
    for (const [kind, on, what] of [
      ...(d.lookAgain === null ? [] : [['look', d.lookAgain, 'a promised look'] as const]),
      ['oil', d.oil, 'a look and oil'],
      ['overhaul', d.overhaul, 'an overhaul'],
    ] as const)
      calendar.createEvent({
        id: `${d.visitId}-${kind}@eclat`,
        ...wholeDay(on),
        summary: `Due for ${what} (${d.claim}, ${d.clock})`,
        url: `${address}/movements/${d.movementId}`,
        stamp: new Date(d.signedAt),
      });
  return calendar.toString();
}
