/** The OpenAPI 3.1 document, made from the operations: what they take from their Joi schemas, what they answer from its type. */
import parse from 'joi-to-json';
import type { Schema } from 'joi';
import { ERROR_CODES } from '@/core/shared';
import answers from './answers.json';
import { exampleOf, type JsonSchema } from './examples';
import { EACH_OPERATION, type Operation, type OperationId } from './operations';

const schemaOf = (schema: Schema): JsonSchema => parse(schema, 'open-api-3.1') as JsonSchema;
/** Written by `npm run openapi`. */
const { components: COMPONENTS, operations: ANSWERS } = answers as unknown as {
  components: Record<string, JsonSchema>;
  operations: Record<OperationId, JsonSchema | null>;
};

/** What is sent, with an example. */
function requestOf({ body, file }: Operation): object {
  if (file)
    return {
      requestBody: {
        required: true,
        content: { '*/*': { schema: { type: 'string', contentMediaType: 'application/octet-stream' } } },
      },
    };
  if (!body) return {};
  const schema = schemaOf(body);
  return { requestBody: { required: true, content: { 'application/json': { schema, example: exampleOf(schema) } } } };
}

/** What comes back when all is well, with an example. */
function responseOf(id: OperationId): object {
  const schema = ANSWERS[id];
  if (!schema) return { '204': { description: 'Done' } };
  if (schema.contentMediaType) return { '200': { description: 'The file', content: { '*/*': { schema } } } };
  return { '2XX': { description: 'Done', content: { 'application/json': { schema, example: exampleOf(schema, COMPONENTS) } } } };
}

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

/** What stands in the path, in the query and in headers. */
function parametersOf(operation: Operation): object[] {
  const { required = [], properties = {} } = operation.query ? schemaOf(operation.query) : {};
  return [
    ...[...operation.path.matchAll(/\{(\w+)\}/g)].map((match) => ({
      name: match[1],
      in: 'path',
      required: true,
      schema: { type: 'string' },
    })),
    ...Object.entries(properties).map(([name, schema]) => ({ name, in: 'query', required: required.includes(name), schema })),
    ...(operation.method === 'POST'
      ? [{ name: 'Idempotency-Key', in: 'header', required: false, schema: { type: 'string', maxLength: 200 } }]
      : []),
  ];
}

export function openApi(publicUrl: string): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [operationId, operation] of EACH_OPERATION) {
    const described = {
      operationId,
      summary: operation.summary,
      description: `Needs the right \`${operation.scope}\`.${operation.only === 'user' ? ' For people who are logged in.' : ''}`,
      security: [{ key: [] }, { session: [] }],
      parameters: parametersOf(operation),
      ...requestOf(operation),
      responses: {
        ...responseOf(operationId),
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
      schemas: COMPONENTS,
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer' },
        session: { type: 'apiKey', in: 'cookie', name: 'urraca_session' },
      },
    },
    paths,
  };
}
