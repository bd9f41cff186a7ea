/** Operations and route handlers: each operation has its handler, also at the path it had before, and each handler its operation. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openApi } from '../../src/app/_http/openapi';
import { EACH_OPERATION } from '../../src/app/_http/operations';

const API = join(__dirname, '..', '..', 'src', 'app', 'api', 'v1');
/** Handlers that are no operation: the document, live events, what is nothing else. */
const NO_OPERATION = ['/openapi.json', '/events', '/[...rest]'];
const fileOf = (path: string): string => join(API, ...path.replaceAll('{', '[').replaceAll('}', ']').split('/'), 'route.ts');
const handles = (path: string, method: string): boolean =>
  existsSync(fileOf(path)) &&
  new RegExp(String.raw`export (const|async function) ${method}\b|export \{[^}]*\b${method}\b`).test(
    readFileSync(fileOf(path), 'utf8'),
  );
const operations = EACH_OPERATION;

test('each operation has a handler, at each of its paths', () => {
  const missing = operations.flatMap(([name, { method, path, was }]) =>
    [path, ...(was ? [was] : [])].filter((one) => !handles(one, method)).map((one) => `${name}: ${method} ${one}`),
  );
  expect(operations.length).toBeGreaterThan(180);
  expect(missing).toEqual([]);
});

test('each handler is an operation', () => {
  const known = new Set(operations.flatMap(([, { path, was }]) => [path, ...(was ? [was] : [])]));
  const found = readdirSync(API, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('route.ts'))
    .map((file) => `/${file.replace(/\/?route\.ts$/, '')}`);
  const strange = found.filter(
    (path) => !NO_OPERATION.includes(path) && !known.has(path.replaceAll('[', '{').replaceAll(']', '}')),
  );
  expect(strange).toEqual([]);
});

test('the document names each operation once, and paths of before as deprecated', () => {
  const { paths } = openApi('https://urraca.example') as {
    paths: Record<string, Record<string, { operationId: string; deprecated?: true; description: string }>>;
  };
  const described = Object.values(paths).flatMap((methods) => Object.values(methods));
  expect(new Set(described.map(({ operationId }) => operationId)).size).toBe(described.length);
  expect(
    described
      .filter(({ deprecated }) => !deprecated)
      .map(({ operationId }) => operationId)
      .sort(),
  ).toEqual(operations.map(([name]) => name).sort());
  expect(paths['/people']!.get).toMatchObject({ operationId: 'listUsersBefore', deprecated: true });
  expect(paths['/people']!.get!.description).toMatch(/Now at `\/users`/);
});
