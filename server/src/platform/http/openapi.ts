import { isForeseen } from '@eclat/contract/foreseen';
import { api, book, entry, finding, problem, session, testRun, visit, worked, type Route } from '@eclat/contract';
import { WORKINGS } from '@eclat/core/workings';
import { z } from 'zod';

const schema = (s: z.ZodType, io: 'input' | 'output') => z.toJSONSchema(s, { io, unrepresentable: 'any' });
/** Resources that many routes answer with stand once. */
const NAMED: Record<string, z.ZodType> = {
  Problem: problem,
  Visit: visit,
  Entry: entry,
  Book: book,
  Finding: finding,
  TestRun: testRun,
  Session: session,
};
const refer = (s: z.ZodType, io: 'input' | 'output') => {
  const name = Object.keys(NAMED).find((n) => NAMED[n] === s);
  return name ? { $ref: `#/components/schemas/${name}` } : schema(s, io);
};
const json = (s: z.ZodType, io: 'input' | 'output') => ({ content: { 'application/json': { schema: refer(s, io) } } });

/** The OpenAPI 3.1 document, generated from the contract. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [tag, routes] of Object.entries(api))
    for (const [name, r] of Object.entries(routes) as [string, Route][]) {
      const path = `/api${r.path.replace(/:(\w+)/g, '{$1}')}`;
      const query = (schema(r.query, 'input') as { properties?: Record<string, object> }).properties ?? {};
      const hasBody = r.body.def.type !== 'undefined';
      (paths[path] ??= {})[r.method.toLowerCase()] = {
        tags: [tag],
        operationId: `${tag}.${name}`,
        summary: r.summary,
        parameters: [
          ...[...r.path.matchAll(/:(\w+)/g)].map(([, param]) => ({
            name: param,
            in: 'path',
            required: true,
            schema: { type: 'string' },
          })),
          ...Object.entries(query).map(([param, s]) => ({ name: param, in: 'query', schema: s })),
          ...(r.method === 'POST' && !r.reads
            ? [
                {
                  name: 'Idempotency-Key',
                  in: 'header',
                  required: true,
                  schema: { type: 'string', minLength: 8, maxLength: 100 },
                },
              ]
            : []),
          ...(isForeseen(r)
            ? [
                {
                  name: 'Eclat-Made-At',
                  in: 'header',
                  description: 'When it was made, where it waited on a device; at most 30 days ago',
                  schema: { type: 'string', format: 'date-time' },
                },
              ]
            : []),
        ],
        ...(hasBody ? { requestBody: json(r.body, 'input') } : {}),
        responses: {
          [r.method === 'POST' && !r.reads ? 201 : 200]: { description: 'Done', ...json(r.reply, 'output') },
          default: {
            description: 'What went wrong and what to do (RFC 9457)',
            content: { 'application/problem+json': { schema: refer(problem, 'output') } },
          },
        },
      };
    }
  // Each working has inputs and a result of its own, so each stands as a route of its own.
  const general = paths['/api/workings/{working}']!['post'] as {
    parameters: unknown[];
    responses: Record<string, object>;
  };
  for (const w of WORKINGS)
    paths[`/api/workings/${w.id}`] = {
      post: {
        ...general,
        operationId: `workings.run.${w.id}`,
        summary: w.title,
        description: w.asks,
        parameters: [],
        requestBody: json(w.inputs, 'input'),
        responses: {
          ...general.responses,
          200: { description: 'Done', ...json(worked.extend({ result: w.result }), 'output') },
        },
      },
    };
  const schemas = Object.fromEntries(Object.entries(NAMED).map(([name, s]) => [name, schema(s, 'output')]));
  return { openapi: '3.1.0', info: { title: 'Eclat', version: '0.1.0' }, paths, components: { schemas } };
}
