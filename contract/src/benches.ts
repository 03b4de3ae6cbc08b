import { ENTRY_OF, TABLE_KINDS, wrongIn } from '@eclat/core/benches';
import { GRADES_OF_STEP } from '@eclat/core/electric';
import { ALLOYS, HEIGHTS_WHEN, PIN_IN_FORK, STRIP_IS } from '@eclat/core/torsion';
import { z } from 'zod';
import { requiredText, text, id, moment, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

const mm = (least: number, most: number) =>
  z.number('A length.').min(least, `At least ${least} mm.`).max(most, `At most ${most} mm.`);
const some = (most: number) => z.number('A number.').gt(0, 'More than 0.').max(most, `At most ${most}.`);

export const CONTACT_STATES = ['clean', 'pitted', 'burnt', 'sprung', 'renewed'] as const;

export const SUPPRESSORS = [
  'resistor across the coil',
  'resistor and capacitor',
  'diode',
  'varistor',
  'none: left as it was',
] as const;

const degrees = z.number('Degrees.').min(0, 'None, or more.').max(360, 'At most a turn.');

export const benchTest = z.discriminatedUnion('kind', [
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
  z.object({
    kind: z.literal('torsion strip'),
    strip: z.enum(STRIP_IS),
    thicknessMm: mm(0.03, 0.5),
    widthMm: mm(0.2, 10).nullable(),
    freeMm: mm(20, 400).nullable(),
    alloy: z.enum(ALLOYS),
    note: text(200),
  }),
  z.object({
    kind: z.literal('torsion beats'),
    beats: z.int('A whole number.').min(1, 'At least one.').max(1000, 'At most 1000.'),
    seconds: some(36_000),
    wanted: some(60),
  }),
  z
    .object({
      kind: z.literal('torsion heights'),
      when: z.enum(HEIGHTS_WHEN),
      forkMm: mm(0.1, 200).nullable(),
      assemblyMm: mm(10, 500).nullable(),
    })
    .refine((h) => h.forkMm !== null || h.assemblyMm !== null, { path: ['forkMm'], message: 'One of both.' }),
  z
    .object({
      kind: z.literal('torsion escapement'),
      lockPercent: z.number('A number.').min(0, 'None, or more.').max(100, 'At most the whole face.').nullable(),
      clockwise: degrees.nullable(),
      anticlockwise: degrees.nullable(),
      pin: z.enum(PIN_IN_FORK).nullable(),
    })
    .refine((e) => [e.lockPercent, e.clockwise, e.anticlockwise, e.pin].some((x) => x !== null), {
      path: ['lockPercent'],
      message: 'One of these.',
    })
    .refine((e) => (e.clockwise === null) === (e.anticlockwise === null), {
      path: ['anticlockwise'],
      message: 'Both ways, or neither.',
    }),
  z
    .object({
      kind: z.enum(TABLE_KINDS).describe('what was looked at: its fields stand in the table of kinds'),
      values: z.record(z.string().max(40), z.union([z.string().max(400), z.number(), z.null()])),
    })
    .superRefine((test, ctx) => {
      for (const { field, message } of wrongIn(test))
        ctx.addIssue({ code: 'custom', path: ['values', field], message });
    }),
]);

export type BenchTest = z.infer<typeof benchTest>;

/** `of`: this visit’s, an earlier one’s of the movement, or of another movement of its type. */
export const benchEntry = z.object({
  ...{ id, test: benchTest, of: z.enum(ENTRY_OF), by: z.string(), at: moment },
  /** As it was seen, for who corrects it. */
  version: z.int(),
});

export type BenchEntry = z.infer<typeof benchEntry>;

export const benchRoutesOf = {
  add: command({
    method: 'POST',
    path: '/visits/:visitId/benches',
    summary: 'What was measured or tried at a bench of its own: electric, torsion',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'benches.remove',
    visit: { put: 'benchTests', by: 'id' },
    body: z.object({ test: benchTest }),
    reply: benchEntry,
  }),
  change: command({
    method: 'PUT',
    path: '/visits/:visitId/benches/:testId',
    summary: 'Correct an entry: it stays where it stood in time, signed by who corrected it',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'same',
    visit: { put: 'benchTests', by: 'id' },
    body: z.object({ test: benchTest, version: z.int() }),
    reply: benchEntry,
  }),
  remove: command({
    method: 'DELETE',
    path: '/visits/:visitId/benches/:testId',
    summary: 'Take it back',
    roles: benchRoles,
    changes: ['visit'],
    inverse: 'benches.add',
    visit: { remove: 'benchTests', by: 'id', param: 'testId' },
    reply: done,
  }),
};
