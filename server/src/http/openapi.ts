import { api, problem, type Route } from '@eclat/contract';
import { z } from 'zod';

const schema = (s: z.ZodType, io: 'input' | 'output') => z.toJSONSchema(s, { io, unrepresentable: 'any' });
const json = (s: z.ZodType, io: 'input' | 'output') => ({ content: { 'application/json': { schema: schema(s, io) } } });

/** The OpenAPI 3.1 document, generated from the contract. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [tag, routes] of Object.entries(api))
    for (const [name, r] of Object.entries(routes) as [string, Route][]) {
      const path = `/api${r.path.replace(/:(\w+)/g, '{$1}')}`;
      const query = (schema(r.query, 'input') as { properties?: Record<string, object> }).properties ?? {};
      const hasBody = r.body.def.type !== 'undefined';
      (paths[path] ??= {})[r.method.toLowerCase()] = {
        tags: [tag], operationId: `${tag}.${name}`, summary: r.summary,
        parameters: [
          ...[...r.path.matchAll(/:(\w+)/g)].map(([, param]) => ({ name: param, in: 'path', required: true, schema: { type: 'string' } })),
          ...Object.entries(query).map(([param, s]) => ({ name: param, in: 'query', schema: s })),
          ...(r.method === 'POST' ? [{ name: 'Idempotency-Key', in: 'header', required: true, schema: { type: 'string', minLength: 8, maxLength: 100 } }] : []),
        ],
        ...(hasBody ? { requestBody: json(r.body, 'input') } : {}),
        responses: {
          [r.method === 'POST' ? 201 : 200]: { description: 'Done', ...json(r.reply, 'output') },
          default: { description: 'What went wrong and what to do (RFC 9457)', content: { 'application/problem+json': { schema: schema(problem, 'output') } } },
        },
      };
    }
  return { openapi: '3.1.0', info: { title: 'Eclat', version: '0.1.0' }, paths };
}
