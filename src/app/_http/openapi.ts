/** The OpenAPI 3.1 document, made from the operations and their Joi schemas. */
import parse from 'joi-to-json';
import type { Schema } from 'joi';
import { ERROR_CODES } from '@/core/shared';
import { EACH_OPERATION } from './operations';

const schemaOf = (schema: Schema): object => parse(schema, 'open-api-3.1' as never) as object;

const PROBLEM = {
  type: 'object',
  required: ['type', 'title', 'status', 'detail', 'code'],
  properties: {
    type: { type: 'string', format: 'uri' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    code: { type: 'string', enum: [...ERROR_CODES] },
    errors: { type: 'array', items: { type: 'object', properties: { field: { type: 'string' }, message: { type: 'string' } } } },
    retry: { type: 'boolean' },
  },
};

export function openApi(publicUrl: string): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [operationId, operation] of EACH_OPERATION) {
    const inPath = [...operation.path.matchAll(/\{(\w+)\}/g)].map((match) => ({
      name: match[1],
      in: 'path',
      required: true,
      schema: { type: 'string' },
    }));
    const query = operation.query
      ? ((schemaOf(operation.query) as { properties?: Record<string, object> }).properties ?? {})
      : {};
    const inQuery = Object.entries(query).map(([name, schema]) => ({ name, in: 'query', required: false, schema }));
    const idempotency =
      operation.method === 'POST'
        ? [{ name: 'Idempotency-Key', in: 'header', required: false, schema: { type: 'string', maxLength: 200 } }]
        : [];
    const described = {
      operationId,
      summary: operation.summary,
      description: `Needs the right \`${operation.scope}\`.${operation.only === 'user' ? ' For people who are logged in.' : ''}`,
      security: [{ key: [] }, { session: [] }],
      parameters: [...inPath, ...inQuery, ...idempotency],
      ...(operation.body
        ? { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(operation.body) } } } }
        : {}),
      responses: {
        [operationId === 'createInquiry' ? '201' : '200']: { description: 'Done', content: { 'application/json': {} } },
        default: { description: 'A problem', content: { 'application/problem+json': { schema: PROBLEM } } },
      },
    };
    const method = operation.method.toLowerCase();
    (paths[operation.path] ??= {})[method] = described;
    if (operation.was)
      (paths[operation.was] ??= {})[method] = {
        ...described,
        operationId: `${operationId}Before`,
        deprecated: true,
        description: `Now at \`${operation.path}\`. ${described.description}`,
      };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Urraca',
      version: '1',
      description:
        'Leads, contacts, routing and follow-up. Errors are RFC 9457; lists page by cursor with a Link header (RFC 8288).',
    },
    servers: [{ url: `${publicUrl}/api/v1` }],
    components: {
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer' },
        session: { type: 'apiKey', in: 'cookie', name: 'urraca_session' },
      },
    },
    paths,
  };
}
