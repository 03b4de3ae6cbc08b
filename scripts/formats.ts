/** npm run formats: writes docs/formats from the contract. A test holds them to it. */
import { writeFileSync } from 'node:fs';
import { serviceRecord } from '@eclat/contract';
import { openApi } from '@eclat/server/http/openapi';
import { z } from 'zod';

export const FORMATS: Record<string, () => object> = {
  'service-record.schema.json': () => z.toJSONSchema(serviceRecord),
  'openapi.json': openApi,
};
export const formatPath = (name: string) => new URL(`../docs/formats/${name}`, import.meta.url);
export const written = (name: string) => `${JSON.stringify(FORMATS[name]!(), null, 2)}\n`;

if (process.argv[1] === import.meta.filename) for (const name of Object.keys(FORMATS)) writeFileSync(formatPath(name), written(name));
