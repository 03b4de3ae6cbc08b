import { defineEntity, p } from '@mikro-orm/core';
import { moment, text } from '../platform/database/columns.ts';

/** A person's calendar address is known by its hash: what leaks from the table opens nothing. */
export const CalendarFeed = defineEntity({
  name: 'CalendarFeed',
  tableName: 'calendar_feed',
  properties: { personId: p.uuid().primary(), tokenHash: text(), since: moment() },
});
