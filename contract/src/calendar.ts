import { z } from 'zod';
import { moment, done } from './common.ts';
import { everyone } from './people.ts';
import { read, command } from './route.ts';

/** A feed of what is due, for an ordinary calendar program, behind an address that nobody guesses. */
const feed = z.object({ since: moment.nullable() });

export const calendarRoutes = {
  state: read({
    method: 'GET',
    path: '/calendar-feed',
    summary: 'Is there a calendar address, and since when',
    roles: everyone,
    reads: 'calendar',
    reply: feed,
  }),
  make: command({
    method: 'PUT',
    path: '/calendar-feed',
    summary: 'A new calendar address; the one before ends',
    roles: everyone,
    changes: ['calendar'],
    inverse: 'final',
    reply: z.object({ token: z.string() }),
  }),
  remove: command({
    method: 'DELETE',
    path: '/calendar-feed',
    summary: 'End the calendar address',
    roles: everyone,
    changes: ['calendar'],
    inverse: 'final',
    reply: done,
  }),
};
