import { isZone } from '@eclat/core/days';
import { z } from 'zod';
import { id, moment, requiredText, done, version, text, webAddress } from './common.ts';
import { read, command } from './route.ts';

export const ROLES = ['technician', 'counter', 'owner-of-shop'] as const;

export type Role = (typeof ROLES)[number];

export const everyone: readonly Role[] = ROLES;

/** Those who lay hands on the movement and answer for it. */
export const benchRoles: readonly Role[] = ['technician', 'owner-of-shop'];

export const person = z.object({ id, name: z.string(), role: z.enum(ROLES) });

export type Person = z.infer<typeof person>;

export const account = person.extend({ active: z.boolean(), seenAt: moment.nullable() });

export type Account = z.infer<typeof account>;

const passphrase = z.string().min(12, 'At least 12 characters: a few words are best.').max(200);

/** The passphrase again, by which a person signs; never kept on the device. */
export const signature = z.string('Your passphrase is needed.').min(1, 'Your passphrase is needed.').max(200);

const newPerson = z.object({ name: requiredText(60, 'A name'), role: z.enum(ROLES), passphrase });

/** A zone by its IANA name, `Europe/Berlin`: an offset has no summer time. */
export const zone = z.string().max(60).refine(isZone, 'This time zone is not known.');

export const session = z.object({
  person: person.nullable(),
  shop: z.string().nullable(),
  timeZone: zone.nullable(),
  firstRun: z.boolean(),
  demo: z.boolean(),
  now: z.number(),
});

export type Session = z.infer<typeof session>;

/**
 * What other shops may ask here: nothing; books by their entries; by a mark that a movement carries too. Only shops
 * whose key is known, and only books that are shared with them.
 */
export const ANSWERS = ['nothing', 'by entries', 'by marks'] as const;

/** What holds for the whole shop, with the version that was seen. */
export const shopSettings = z.object({
  name: z.string(),
  timeZone: zone,
  /** Town or village: on the shop card. */
  place: text(80),
  webAddress,
  /** Which requests of other shops are answered at all. */
  answers: z.enum(ANSWERS),
  version,
});

export type ShopSettings = z.infer<typeof shopSettings>;

export const peopleRoutes = {
  session: read({
    method: 'GET',
    path: '/session',
    summary: 'Who is signed in, and the server’s time',
    roles: 'public',
    reads: 'session',
    reply: session,
  }),
  signIn: command({
    method: 'PUT',
    path: '/session',
    summary: 'Sign in',
    roles: 'public',
    changes: ['session'],
    inverse: 'people.signOut',
    body: z.object({
      name: requiredText(60, 'Your name'),
      passphrase: z.string().min(1, 'The passphrase is needed.').max(200),
    }),
    reply: session,
  }),
  signOut: command({
    method: 'DELETE',
    path: '/session',
    summary: 'Sign out',
    roles: 'public',
    changes: ['session'],
    inverse: 'people.signIn',
    reply: done,
  }),
  firstRun: command({
    method: 'PUT',
    path: '/first-run',
    summary: 'Make the first account of a new shop',
    roles: 'public',
    changes: ['session', 'people'],
    inverse: 'final',
    body: z.object({
      code: requiredText(20, 'The code from the start window'),
      shop: requiredText(80, 'The shop’s name'),
      timeZone: zone,
      name: requiredText(60, 'A name'),
      passphrase,
    }),
    reply: session,
  }),
  shop: read({
    method: 'GET',
    path: '/shop',
    summary: 'The shop’s name and time zone',
    roles: everyone,
    reads: 'session',
    reply: shopSettings,
  }),
  setShop: command({
    method: 'PUT',
    path: '/shop',
    summary: 'Set the shop’s time zone, place and web address; what is not said stays',
    roles: ['owner-of-shop'],
    changes: ['session', 'bench', 'owner-page'],
    inverse: 'same',
    body: shopSettings.omit({ name: true }).partial({ place: true, webAddress: true, answers: true }),
    reply: shopSettings,
  }),
  list: read({
    method: 'GET',
    path: '/people',
    summary: 'People of the shop',
    roles: everyone,
    reads: 'people',
    reply: z.array(person),
  }),
  accounts: read({
    method: 'GET',
    path: '/accounts',
    summary: 'Who has an account, who is locked out, and when each was seen last',
    roles: ['owner-of-shop'],
    reads: 'people',
    reply: z.array(account),
  }),
  setRole: command({
    method: 'PUT',
    path: '/people/:personId/role',
    summary: 'Change what a person may do',
    roles: ['owner-of-shop'],
    changes: ['people', 'session'],
    inverse: 'same',
    body: z.object({ role: z.enum(ROLES) }),
    reply: person,
  }),
  setActive: command({
    method: 'PUT',
    path: '/people/:personId/active',
    summary: 'Lock a person out, or let them in again',
    roles: ['owner-of-shop'],
    changes: ['people', 'session'],
    inverse: 'same',
    body: z.object({ active: z.boolean() }),
    reply: person,
  }),
  resetPassphrase: command({
    method: 'PUT',
    path: '/people/:personId/passphrase',
    summary: 'Give a person a new passphrase; they are signed out everywhere',
    roles: ['owner-of-shop'],
    changes: ['people', 'session'],
    inverse: 'final',
    body: z.object({ passphrase }),
    reply: person,
  }),
  changePassphrase: command({
    method: 'PUT',
    path: '/passphrase',
    summary: 'Change one’s own passphrase; other devices are signed out',
    roles: everyone,
    changes: ['session'],
    inverse: 'final',
    body: z.object({ now: z.string().min(1, 'The passphrase of today is needed.').max(200), passphrase }),
    reply: done,
  }),
  signOutEverywhere: command({
    method: 'DELETE',
    path: '/sessions',
    summary: 'Sign out on all devices, this one too',
    roles: everyone,
    changes: ['session'],
    inverse: 'final',
    reply: done,
  }),
  add: command({
    method: 'POST',
    path: '/people',
    summary: 'Add a person',
    roles: ['owner-of-shop'],
    changes: ['people'],
    inverse: 'final',
    body: newPerson,
    reply: person,
  }),
};
