import { z } from 'zod';
import { done, id, needed } from './common.ts';
import { route } from './route.ts';

export const ROLES = ['technician', 'counter', 'owner-of-shop'] as const;
export type Role = (typeof ROLES)[number];
export const everyone: readonly Role[] = ROLES;
/** Those who lay hands on the movement and answer for it. */
export const bench: readonly Role[] = ['technician', 'owner-of-shop'];

export const person = z.object({ id, name: z.string(), role: z.enum(ROLES) });
export type Person = z.infer<typeof person>;

const passphrase = z.string().min(10, 'At least 10 characters: a few words are best.').max(200);
const newPerson = z.object({ name: needed(60, 'A name'), role: z.enum(ROLES), passphrase });

export const session = z.object({
  person: person.nullable(),
  shop: z.string().nullable(),
  firstRun: z.boolean(),
  demo: z.boolean(),
  now: z.number(),
});
export type Session = z.infer<typeof session>;

export const people = {
  session: route({
    method: 'GET',
    path: '/session',
    summary: 'Who is signed in, and the server’s time',
    roles: 'public',
    reply: session,
  }),
  signIn: route({
    method: 'PUT',
    path: '/session',
    summary: 'Sign in',
    roles: 'public',
    body: z.object({
      name: needed(60, 'Your name'),
      passphrase: z.string().min(1, 'The passphrase is needed.').max(200),
    }),
    reply: session,
  }),
  signOut: route({ method: 'DELETE', path: '/session', summary: 'Sign out', roles: 'public', reply: done }),
  firstRun: route({
    method: 'PUT',
    path: '/first-run',
    summary: 'Make the first account of a new shop',
    roles: 'public',
    body: z.object({ shop: needed(80, 'The shop’s name'), name: needed(60, 'A name'), passphrase }),
    reply: session,
  }),
  list: route({
    method: 'GET',
    path: '/people',
    summary: 'People of the shop',
    roles: everyone,
    reply: z.array(person),
  }),
  add: route({
    method: 'POST',
    path: '/people',
    summary: 'Add a person',
    roles: ['owner-of-shop'],
    body: newPerson,
    reply: person,
  }),
};
