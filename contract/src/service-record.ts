import { RECORD_VERSIONS, type ServiceRecord } from '@eclat/core/history';
import { z } from 'zod';

const mm = z.number().positive();

/**
 * The part of a visit that belongs to the movement for ever, as it stands in its book and is handed on.
 * docs/formats has its JSON Schema.
 */
export const serviceRecord = z.object({
  format: z.literal('eclat-service-record'),
  version: z.literal(RECORD_VERSIONS),
  job: z
    .object({ shape: z.string(), terms: z.string(), trial: z.string() })
    .optional()
    .describe(
      'what was agreed; of a trial or a cure in place what was expected, how it ended or when it is looked at again',
    ),
  notDone: z.array(z.string()).optional().describe('stages that were left or did not belong, with why'),
  work: z
    .array(
      z.object({
        part: z.string(),
        did: z.string(),
        before: z.string(),
        after: z.string(),
        reversible: z.boolean(),
      }),
    )
    .optional()
    .describe('work on parts that stayed in the movement'),
  condition: z.array(
    z.object({
      place: z.string(),
      seen: z.string(),
      severity: z.string(),
      earlierRepair: z.boolean(),
      proposal: z.string(),
    }),
  ),
  causes: z.array(z.string()),
  cleaned: z.array(
    z.object({ bath: z.string(), parts: z.array(z.string()), minutes: z.number().describe('minutes in the bath') }),
  ),
  bushes: z.array(z.object({ hole: z.string(), pivotMm: mm, boreMm: mm, outsideMm: mm, heightMm: mm })),
  parts: z.array(z.object({ what: z.string(), source: z.string(), size: z.string(), oldPart: z.string() })),
  oiled: z.array(
    z.object({
      where: z.string(),
      grade: z.string().describe('what the chart asks; "none": looked at and left dry'),
      product: z.string().optional(),
      batch: z.string().optional(),
      otherwise: z.string().optional().describe('what was done otherwise than the chart, and why'),
    }),
  ),
  test: z.object({
    days: z.number(),
    readings: z.int(),
    rateSecondsPerDay: z.number().nullable().describe('gaining is positive'),
    halfWidthSecondsPerDay: z.number().nullable().describe('half the width of the 95 % interval'),
    verdict: z.string(),
    waived: z.string().nullable(),
  }),
  looked: z
    .object({
      sound: z.int(),
      worn: z.array(
        z.object({
          what: z.string(),
          state: z.string(),
          toMm: mm.nullable().describe('turned down to'),
          note: z.string(),
        }),
      ),
    })
    .optional(),
  setUp: z
    .array(z.string())
    .optional()
    .describe('torsion pendulum, balance, weights and lines, mains, recorder: what was measured, in words'),
  electric: z
    .array(z.string())
    .optional()
    .describe('coil readings, voltages tried and what happened, contacts, suppression'),
  casework: z
    .array(z.object({ place: z.string(), what: z.string(), product: z.string(), times: z.int(), origin: z.string() }))
    .optional()
    .describe('case, dial and glass; “new, a guess” where nobody knows what was there'),
  declined: z.array(z.string()).optional().describe('offered and declined: nobody “fixes” it later'),
  standRuns: z
    .array(z.object({ off: z.string(), watched: z.string(), found: z.string(), hours: z.number() }))
    .optional()
    .describe('runs with parts off'),
  units: z
    .array(
      z.object({
        name: z.string(),
        done: z.array(z.string()).describe('its stages that were done'),
        runs: z.array(z.object({ driven: z.string(), found: z.string(), hours: z.number() })),
      }),
    )
    .optional()
    .describe('what went at its own pace'),
  note: z.string(),
}) satisfies z.ZodType<ServiceRecord>;
