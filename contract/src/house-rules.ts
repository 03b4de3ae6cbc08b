import { RULES } from '@eclat/core/rules';
import { z } from 'zod';
import { requiredText, text, moment } from './common.ts';
import { everyone } from './people.ts';
import { read, command } from './route.ts';

const QUESTION_IDS = RULES.map((r) => r.id) as [string, ...string[]];

const isSchool = (question: string, school: string) =>
  RULES.some((r) => r.id === question && r.schools.some((s) => s.id === school));

const school = requiredText(40, 'A school');

/** The shop's choice of schools, and why, where it has said so. What is not named is as shipped. */
export const houseRules = z.object({
  choices: z.record(z.string(), z.string()),
  why: z.record(z.string(), z.string()),
});

const newRules = z.object({
  choices: z
    .partialRecord(z.enum(QUESTION_IDS), school)
    .refine(
      (c) => Object.entries(c).every(([q, s]) => isSchool(q, s as string)),
      'One of the choices is none of the schools.',
    ),
  why: z.partialRecord(z.enum(QUESTION_IDS), text(400)),
  /** The version that was seen: two who set rules at once are asked. */
  version: z.int().min(0),
});

export const rulesVersion = houseRules.extend({ version: z.int(), by: z.string(), at: moment.nullable() });

export type RulesVersion = z.infer<typeof rulesVersion>;

/** The rules a visit is worked under: the version of the day it came in, and what it does otherwise. */
export const visitRules = z.object({
  version: z.int(),
  held: z.record(z.string(), z.string()),
  differs: z.array(
    z.object({ question: z.string(), school: z.string(), reason: z.string(), by: z.string(), at: moment }),
  ),
});

export const houseRulesRoutes = {
  get: read({
    method: 'GET',
    path: '/rules',
    summary: 'The house rules that hold, and their earlier versions',
    roles: everyone,
    reads: 'rules',
    reply: z.object({ now: rulesVersion, earlier: z.array(rulesVersion) }),
  }),
  set: command({
    method: 'PUT',
    path: '/rules',
    summary: 'Set the house rules: a new version, for visits from now on',
    roles: ['owner-of-shop'],
    changes: ['rules'],
    inverse: 'same',
    body: newRules,
    reply: rulesVersion,
  }),
  differ: command({
    method: 'PUT',
    path: '/visits/:visitId/rules/:question',
    summary: 'Let one visit differ from a house rule, with its reason',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'houseRules.keep',
    visit: { put: 'rules' },
    body: z.object({ school, reason: requiredText(300, 'The reason') }),
    reply: visitRules,
  }),
  keep: command({
    method: 'DELETE',
    path: '/visits/:visitId/rules/:question',
    summary: 'Keep to the house rule after all',
    roles: everyone,
    changes: ['visit', 'bench'],
    inverse: 'houseRules.differ',
    visit: { put: 'rules' },
    reply: visitRules,
  }),
};
