/** Holds answers against the OpenAPI document: what it says comes back is what comes back. */
import Ajv, { type ValidateFunction } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';

interface Described {
  operationId: string;
  responses: Record<string, { content?: Record<string, { schema: object }> }>;
}
export interface ApiDocument {
  paths: Record<string, Record<string, Described>>;
}

/** @returns what is wrong with an answer of an operation, by its status and body; an answer that is a problem is not looked at */
export function answersIn(document: ApiDocument): (operationId: string, status: number, body: unknown) => string[] {
  const ajv = new Ajv({ strict: false });
  addFormats(ajv);
  ajv.addSchema(document, 'urraca');
  const checks = new Map<string, ValidateFunction | null>();
  for (const methods of Object.values(document.paths))
    for (const { operationId, responses } of Object.values(methods)) {
      const schema = Object.values(responses)[0]?.content?.['application/json']?.schema;
      const outside = JSON.stringify(schema ?? null).replaceAll('"#/components', '"urraca#/components');
      checks.set(operationId, schema ? ajv.compile(JSON.parse(outside) as object) : null);
    }
  return (operationId, status, body) => {
    if (status >= 300 || status === 202) return [];
    const check = checks.get(operationId);
    if (!check) return [];
    return check(body) ? [] : [ajv.errorsText(check.errors)];
  };
}
