/** The OpenAPI document: what each operation takes and answers, with an example that is true. */
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { openApi } from '../../src/app/_http/openapi';
import { EACH_OPERATION } from '../../src/app/_http/operations';

type Content = Record<string, { schema: object; example?: unknown }>;
interface Described {
  requestBody?: { content: Content };
  responses: Record<string, { content?: Content }>;
}
const document = openApi('https://urraca.example') as {
  paths: Record<string, Record<string, Described>>;
  components: { schemas: Record<string, object> };
};
const describedOf = ({ method, path }: { method: string; path: string }) => document.paths[path]![method.toLowerCase()]!;

test('the schemas of the answers are those of the types that the operations state', () => {
  const script = join(__dirname, '..', '..', 'scripts', 'openapi.mjs');
  expect(() => execFileSync(process.execPath, [script, '--check'], { stdio: 'pipe' })).not.toThrow();
});

test('the example of each body is one that the operation takes', () => {
  const wrong: string[] = [];
  let seen = 0;
  for (const [id, operation] of EACH_OPERATION) {
    if (!operation.body) continue;
    seen += 1;
    const { example } = describedOf(operation).requestBody!.content['application/json']!;
    const { error } = operation.body.validate(example, { convert: false });
    if (error) wrong.push(`${id}: ${error.message}`);
  }
  expect(wrong).toEqual([]);
  expect(seen).toBeGreaterThan(60);
});

test('the example of each answer is one by its schema', () => {
  const ajv = new Ajv({ strict: false });
  addFormats(ajv);
  ajv.addSchema(document, 'urraca');
  const wrong: string[] = [];
  let seen = 0;
  for (const [id, operation] of EACH_OPERATION) {
    const content = Object.values(describedOf(operation).responses)[0]!.content?.['application/json'];
    if (!content) continue;
    seen += 1;
    const check = ajv.compile({ ...inDocument(content.schema) });
    if (!check(content.example)) wrong.push(`${id}: ${ajv.errorsText(check.errors)}`);
  }
  expect(wrong).toEqual([]);
  expect(seen).toBeGreaterThan(120);
});

/** References of a schema of the document, from outside of it. */
const inDocument = (schema: object): object =>
  JSON.parse(JSON.stringify(schema).replaceAll('"#/components', '"urraca#/components')) as object;
