import { GRADES_OF_STEP } from '@eclat/core/electric';
import { z } from 'zod';
import { requiredText, text, id, moment, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

const some = (most: number) => z.number('A number.').gt(0, 'More than nothing.').max(most, `At most ${most}.`);

export const CONTACT_STATES = ['clean', 'pitted', 'burnt', 'sprung', 'renewed'] as const;

export const SUPPRESSORS = [
  'resistor across the coil',
  'resistor and capacitor',
  'diode',
  'varistor',
  'none: left as it was',
] as const;

export const electricTest = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('coil'),
    what: requiredText(80, 'Which coil'),
    ohms: some(1e6).nullable(),
    expectedOhms: some(1e6).nullable(),
    atC: z.number().min(-20, 'At least −20 °C.').max(120, 'At most 120 °C.').nullable(),
  }),
  z.object({
    kind: z.literal('step'),
    volts: some(400),
    milliamps: z.number().min(0).max(20_000, 'At most 20 A.').nullable(),
    did: z.enum(GRADES_OF_STEP),
    supplyV: some(400),
  }),
  z
    .object({
      kind: z.literal('contact'),
      what: requiredText(80, 'Which contact'),
      state: z.enum(CONTACT_STATES),
      dwellMs: some(600_000).nullable(),
      periodS: some(86_400).nullable(),
      perMinute: z.number().min(0).max(1000).nullable(),
      expectedPerMinute: some(1000).nullable(),
      note: text(200),
    })
    .refine((c) => c.dwellMs === null || c.periodS === null || c.dwellMs <= 1000 * c.periodS, {
      path: ['dwellMs'],
      message: 'It closes for part of its period.',
    }),
  z.object({ kind: z.literal('suppression'), what: z.enum(SUPPRESSORS), value: text(80), note: text(200) }),
]);

export type ElectricTest = z.infer<typeof electricTest>;

export const electricEntry = z.object({ id, test: electricTest, by: z.string(), at: moment });

export type ElectricEntry = z.infer<typeof electricEntry>;

export const electricRoutes = {
  add: command({
    method: 'POST',
    path: '/visits/:visitId/electric',
    summary: 'A coil read, a voltage tried, a contact looked at, suppression fitted',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'electric.remove',
    visit: { put: 'electric', by: 'id' },
    body: z.object({ test: electricTest }),
    reply: electricEntry,
  }),
  remove: command({
    method: 'DELETE',
    path: '/visits/:visitId/electric/:lookId',
    summary: 'Take it back',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'electric.add',
    visit: { remove: 'electric', by: 'id', param: 'lookId' },
    reply: done,
  }),
};
