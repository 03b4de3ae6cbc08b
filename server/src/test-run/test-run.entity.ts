import type { RunEventKind, runConditions, runDetail } from '@eclat/contract';
import type { z } from 'zod';
import type { ReadBy } from '@eclat/core/rate';
import { defineEntity, p } from '@mikro-orm/core';
import { float, key, moment, text, visitKey } from '../platform/database/columns.ts';

export const TestRun = defineEntity({
  name: 'TestRun',
  tableName: 'test_run',
  properties: {
    id: key(),
    visitId: visitKey(),
    startedAt: moment(),
    readBy: text().$type<ReadBy>(),
    place: text(),
    conditions: p.json<z.infer<typeof runConditions>>().nullable(),
  },
});

export const RunReading = defineEntity({
  name: 'RunReading',
  tableName: 'run_reading',
  properties: {
    id: key(),
    testRunId: p.uuid(),
    readAt: moment(),
    errorS: float(),
    celsius: float().nullable(),
    by: text(),
  },
});

export const RunEvent = defineEntity({
  name: 'RunEvent',
  tableName: 'run_event',
  properties: {
    id: key(),
    testRunId: p.uuid(),
    kind: text().$type<RunEventKind>(),
    happenedAt: moment(),
    note: text(),
    detail: p.json<z.infer<typeof runDetail>>().nullable(),
    by: text(),
  },
});
