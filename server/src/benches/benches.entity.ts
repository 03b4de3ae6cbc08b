import type { BenchTest as Kept } from '@eclat/contract';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { by, key, versioned, visitKey } from '../platform/database/columns.ts';

export const BenchTest = defineEntity({
  name: 'BenchTest',
  tableName: 'bench_test',
  properties: { id: key(), visitId: visitKey(), test: p.json<Kept>().columnType('jsonb'), version: versioned(), ...by },
});
export type BenchTest = InferEntity<typeof BenchTest>;
