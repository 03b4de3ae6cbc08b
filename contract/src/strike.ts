import { z } from 'zod';
import { signed, id, done, moment } from './common.ts';
import { everyone, benchRoles } from './people.ts';
import { command } from './route.ts';

/**
 * What was heard: `h3` at three, `p3` at half past three, `q1` … `q4` at the quarters. Blows, or changes of a quarter;
 * `f1` … `f4`: 1 where the phrases of that quarter are its own, 0 where they are not.
 */
export const STRUCK_MARK = /^(?:[hp](?:[1-9]|1[0-2])|[qf][1-4])$/;

export const struck = z.object({ mark: z.string().regex(STRUCK_MARK), heard: z.int(), ...signed });

/** A hearing that ended when it was begun anew. */
export const struckBefore = z.object({ endedAt: moment, struck: z.array(struck) });

export type Struck = z.infer<typeof struck>;

/** At which minute of the dial it let off. `wanted`: 0 for the hour, 15, 30, 45. */
export const releaseFields = z.object({
  wanted: z.union([z.literal(0), z.literal(15), z.literal(30), z.literal(45)]),
  minute: z.number().min(0, 'From 0.').lt(60, 'Under 60.'),
});

export const releaseRead = releaseFields.extend({ id, ...signed });

export type ReleaseRead = z.infer<typeof releaseRead>;

export const strikeRoutes = {
  setHeard: command({
    method: 'PUT',
    path: '/visits/:visitId/struck/:mark',
    summary: 'What was heard at an hour, a half or a quarter; null takes it back',
    roles: everyone,
    changes: ['visit'],
    inverse: 'same',
    visit: 'again',
    body: z.object({ heard: z.int().min(0, 'Silence is 0.').max(60, 'At most 60.').nullable() }),
    reply: done,
  }),
  hearAnew: command({
    method: 'POST',
    path: '/visits/:visitId/struck/anew',
    summary: 'Hear the strike anew; what was heard stays',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'final',
    visit: 'again',
    reply: done,
  }),
  addRelease: command({
    method: 'POST',
    path: '/visits/:visitId/releases',
    summary: 'The minute at which it let off',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'strike.removeRelease',
    visit: { put: 'releases', by: 'id' },
    body: releaseFields,
    reply: releaseRead,
  }),
  removeRelease: command({
    method: 'DELETE',
    path: '/visits/:visitId/releases/:releaseId',
    summary: 'Take that minute back',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'strike.addRelease',
    visit: { remove: 'releases', by: 'id', param: 'releaseId' },
    reply: done,
  }),
};
